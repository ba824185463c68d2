import type { Force } from '../../tables/vocabulary'
import type { Family } from '../families/all'
import type { Station } from '../stations/all'

/** How activities are grouped where one is looked for. */
export const ACTIVITY_GROUPS = {
  snow: 'Snow',
  mountain: 'Mountains and rock',
  ice: 'Rink and skates',
  wheels: 'Bicycle',
  running: 'Running',
  court: 'Ball and club',
  horse: 'Horse',
  dance: 'Dance',
  work: 'Work and service',
  everyday: 'Every day',
} as const
export type ActivityGroup = keyof typeof ACTIVITY_GROUPS

/** Everything known about one thing that clients do in their footwear. */
export interface ActivityDefinition<K extends string = string> {
  kind: K
  name: string
  /** in the client's words */
  plain: string
  group: ActivityGroup
  /** what it means for a child */
  child: string
  /** what it means for a foot that does not feel */
  insensate: string
  /** said to whoever fits it; local law and licensed practice come first */
  cautions: readonly string[]
  families: readonly Family[]
  terrains: readonly string[]
  /** what some of these grounds ask of a cuff: steps of stiffness on the own scale, and degrees of lean */
  cuffOn: Readonly<Record<string, { steps: number; leanDeg: number }>>
  /** the force it usually brings */
  force: Force
  /** what to ask next, said as at the bench */
  ask: string
  /** sizes are told with the allowance of boots or of shoes */
  allowance: 'boots' | 'shoes'
  /** plastic stiffens in the cold */
  cold: boolean
  /** its footwear leaves little room for a device, whatever the client wants */
  lowRoom: boolean
  /** springs off the arch with every step */
  springs: boolean
  /** who has to look again when something under the sole changes */
  recheck: 'binding' | 'blade' | null
  /** both feet stand across a board, whose edges their soles reach over */
  onBoard: boolean
  /** how far it moves a target band, mm: feet swell and slide forward */
  shiftMm: Partial<Record<Station, number>>
}

/** Keeps the name of the kind in its type. */
export const activity = <const K extends string>(
  definition: ActivityDefinition<K>,
): ActivityDefinition<K> => definition
