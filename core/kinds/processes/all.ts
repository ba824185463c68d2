import { adjust } from './adjust'
import { fullCustom } from './fullCustom'
import { heatMoulded } from './heatMoulded'
import { heatedMould } from './heatedMould'
import { linerMould } from './linerMould'
import { shellGrind } from './shellGrind'
import { shellStretch } from './shellStretch'
import { standingVacuum } from './standingVacuum'
import { trimToFit } from './trimToFit'
import { vacuumShell } from './vacuumShell'
import { registry } from '../registry'
import type { ProcessDefinition } from './definition'

/** Every way of making of the house; the first that makes a kind of device is its usual way. */
const LIST = [
  trimToFit,
  heatMoulded,
  standingVacuum,
  fullCustom,
  vacuumShell,
  linerMould,
  shellStretch,
  shellGrind,
  heatedMould,
  adjust,
] as const

export const PROCESSES = registry<ProcessDefinition>(LIST)
