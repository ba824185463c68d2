import { deviceZip, orderFiles, prescriptionPaper, templates } from './deviceFiles'
import { catalogue, record } from './imports'
import { lookAtScan } from './lookAtScan'
import { ownNorms } from './ownNorms'
import { workedSums } from './workedSums'
import { card, form, orderSheet, quote, ticket, workPlan } from './papers'

/** What takes longer than others can wait, by its name: done beside them, in a thread. */
export const TASKS = {
  card,
  catalogue,
  deviceZip,
  form,
  lookAtScan,
  orderFiles,
  orderSheet,
  ownNorms,
  prescriptionPaper,
  quote,
  record,
  templates,
  ticket,
  workedSums,
  workPlan,
}
export type Tasks = typeof TASKS
