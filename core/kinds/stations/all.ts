import { ankle } from './ankle'
import { anklePocket } from './anklePocket'
import { ball } from './ball'
import { ballHeight } from './ballHeight'
import { cuff } from './cuff'
import { fifthMet } from './fifthMet'
import { fifthToe } from './fifthToe'
import { firstMet } from './firstMet'
import { heel } from './heel'
import { heelInstep } from './heelInstep'
import { instep } from './instep'
import { instepHeight } from './instepHeight'
import { length } from './length'
import { navicular } from './navicular'
import { toeBox } from './toeBox'
import { toeBoxHeight } from './toeBoxHeight'
import { waist } from './waist'
import { registry } from '../registry'
import type { StationDefinition } from './definition'

/** Stations of a shell in the order in which they are shown; bumps on one side last. */
const LIST = [
  length,
  toeBox,
  toeBoxHeight,
  ball,
  ballHeight,
  waist,
  instep,
  instepHeight,
  heel,
  heelInstep,
  ankle,
  anklePocket,
  cuff,
  fifthToe,
  fifthMet,
  firstMet,
  navicular,
] as const

export type Station = (typeof LIST)[number]['kind']
/** Keys of the measures of a shell. */
export type ShellMeasureKey = (typeof LIST)[number]['shell']['key']
export const STATION_KINDS = registry<StationDefinition<Station, ShellMeasureKey>>(LIST)
export const STATIONS = STATION_KINDS.kinds

/** Every measure of a bare shell, in the order of the stations it belongs to. */
export const SHELL_MEASURES = STATION_KINDS.all.flatMap((d) => [d.shell, ...d.beside])
