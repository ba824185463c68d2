import type { Post } from '../record/schema'
import type { Layer } from '../record/layerSchema'
import type { DeviceKind, School, Side } from '../record/vocabulary'

/** What accepting an entry does to the record; null when it only asks for attention. */
export type Change =
  | { layer: Layer['kind']; amounts: Record<string, number | boolean> }
  | { post: Pick<Post, 'at' | 'angleDeg'> & { style?: Post['style'] } }
  | { heelLiftMm: number }
  | { device: DeviceKind }
  | { footwear: 'rocker' | 'wider' | 'longer' | 'instepRoom' }
  | { refer: true }
  | { measure: string }

/** One line of the ledger. */
export interface Entry {
  code: string
  kind: 'stop' | 'watch' | 'suggest'
  school: School | 'all'
  foot: Side | 'both'
  /** paths of the record that gave rise to it */
  triggers: string[]
  words: string
  source: string
  change: Change | null
}

/** A stable name of an entry on a foot: what a decision is filed under. */
export const entryKey = (entry: Pick<Entry, 'code' | 'foot'>): string => `${entry.code}/${entry.foot}`
