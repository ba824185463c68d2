import { z } from 'zod'
import { processRows } from '../../tables/processes'
import { tableOf } from '../../tables/table'
import { PROCESSES } from './all'

/** The house's ways of making, each as its kind has it. */
export const processes = tableOf(
  processRows,
  (row) => z.array(row).min(1).max(60),
  PROCESSES.all.map((d) => d.row),
)
