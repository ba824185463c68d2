import type { TargetRow } from '../../tables/footwearTargets'
import type { Station } from '../stations/all'

/** Everything known about one family of footwear: how hard it is, which stations decide, its words. */
export interface FamilyDefinition<K extends string = string> {
  kind: K
  name: string
  plural: string
  /** in the client's words */
  plain: string
  /** what it means for a child */
  child: string
  /** what it means for a foot that does not feel */
  insensate: string
  /** said beside every candidate of the family */
  rules: readonly string[]
  /** one compressed sock where nothing else was recorded, mm */
  sockMm: number
  /** snug and rigid, as a fitter says boot */
  boot: boolean
  /** a shell that a growing foot cannot push out: less room to grow */
  hard: boolean
  /** its sole bends at the ball: where the ball sits decides its size */
  bends: boolean
  /** its wall is heated to be worked */
  heated: boolean
  /** least room before the toes as worn, inside the liner, mm: below it the footwear is outgrown */
  leastRoomMm: number
  /** its length is judged with the liner in and moulded: a soft wall does not hold the bare one open */
  linerIn: boolean
  /** the least room before toes that are cold or poorly supplied, mm; null where the band is enough */
  coldToesMm: number | null
  /** where it is not proposed but referred, and in which words; null where it may be */
  refers: {
    /** to whoever knows it, whatever the foot */
    always: string | null
    /** a foot that does not feel or is poorly supplied */
    atRisk: string | null
  }
  /** weight of a millimetre of misfit at each station; what is not named decides little */
  weights: Partial<Record<Station, number>>
  /** where its bands differ from those of rigid shells */
  targets: Partial<Record<Station, TargetRow>>
  /** where a band comes from that is not the house's default of this family */
  sources: Partial<Record<Station, string>>
}

/** Keeps the name of the kind in its type. */
export const family = <const K extends string>(
  definition: FamilyDefinition<K>,
): FamilyDefinition<K> => definition
