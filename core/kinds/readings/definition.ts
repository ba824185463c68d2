import type { Instrument, Posture } from '../../tables/vocabulary'
import type { SourceState } from '../../tables/table'

/** A point of the side view: a share of foot length from the heel, and a height in mm. */
export type SidePoint = readonly [share: number, heightMm: number]

/** Heights of a foot that its side view is drawn by, mm. */
export interface SideHeights {
  dorsum: number
  navicular: number
  medial: number
  lateral: number
  toe: number
}

/** How a reading is drawn on the foot: which of the two drawings, and as what. */
export type DrawnAs =
  /** along the foot, on its sole */
  | { on: 'plan'; as: 'length' }
  | { on: 'plan'; as: 'archLength' }
  /** across the sole: between the outer heads, or at a share of the length */
  | { on: 'plan'; as: 'acrossHeads' }
  | { on: 'plan'; as: 'across'; share: number }
  /** how far the second toe or head stands before the first */
  | { on: 'plan'; as: 'lead'; of: 'toe' | 'head' }
  /** a height over the floor at a share of the length; dashed where it lies on the far side */
  | { on: 'side'; as: 'height'; share: number; of: keyof SideHeights; farSide?: true }
  /** the tape around the foot, from under it to over it */
  | {
      on: 'side'
      as: 'tape'
      from: (h: SideHeights, lengthMm: number) => SidePoint
      to: (h: SideHeights, lengthMm: number) => SidePoint
    }
  /** level across the leg between two shares of the length, so much over the inner ankle */
  | {
      on: 'side'
      as: 'level'
      from: number
      to: number
      overMedialMm: number
      /** around the leg, not across it */
      around: boolean
    }

/** Everything known about one kind of reading. */
export interface ReadingDefinition<K extends string = string> {
  /** its key in the record, with the unit */
  kind: K
  /** as the trade says it */
  name: string
  /** words it is called out by, the first one preferred */
  call: readonly [string, ...string[]]
  how: string
  /** what it is usually taken with; what was used goes with the reading */
  instrument: Instrument
  /** in the client's words; on their papers */
  plain: string
  /** what it means on a growing foot */
  child: string
  /** what to mind on a foot that does not feel */
  insensate: string
  /** values outside are refused at any age */
  boundsMm: readonly [number, number]
  /** spread of trials above which one more is asked for */
  repeatMm: number
  /** usual share of foot length in adults; only to ask 'sure?' */
  ratio: { mean: number; sd: number; state: SourceState } | null
  /** which group of readings it is shown with */
  view: 'plan' | 'girths' | 'heights'
  /** postures it is taken in by the guided round */
  round: readonly Posture[]
  /** is the height above the floor written beside it? */
  atHeight: boolean
  drawn: DrawnAs
  /** on the order sheet of a shell made to measure: its place there, and how the maker reads it */
  orderSheet: { code: string; name: string; how: string } | null
}

/** Keeps the name of the kind in its type. */
export const reading = <const K extends string>(
  definition: ReadingDefinition<K>,
): ReadingDefinition<K> => definition
