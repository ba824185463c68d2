import type { FootwearAsk } from '../kinds/footwearAsks'
import type { Post } from '../record/schema'
import type { Layer } from '../kinds/layers/all'
import type { Figure } from './limits'
import type { DeviceKind, School, Side } from '../tables/vocabulary'

/** What accepting an entry does to the record; null when it only asks for attention. */
export type Change =
  | { layer: Layer['kind']; amounts: Record<string, number | boolean | number[]> }
  | { post: Pick<Post, 'at' | 'angleDeg'> & { style?: Post['style'] } }
  | {
      /** least lift under the heel; with `onBoth` under both, with `overOther` more than under the other one */
      heelLiftMm: number
      onBoth?: true
      overOther?: true
    }
  | { device: DeviceKind }
  | {
      shell: {
        material?: string
        thicknessMm?: number
        heelCupMm?: number
        coverMaterial?: string
        coverMm?: number
      }
    }
  | { footwear: FootwearAsk }
  | { exercise: string }
  | { capture: 'redo' }
  | { refer: true }
  | { measure: string }

export type Strength = 'strong' | 'usual' | 'weak'

/** One line of the ledger. */
export interface Entry {
  code: string
  kind: 'stop' | 'watch' | 'suggest'
  school: School | 'all'
  strength: Strength
  /** a lesser measure that may do without a device */
  lesser: boolean
  foot: Side | 'both'
  /** which of several things with this code on this foot it is about, as one of two layers */
  about?: string
  /** paths of the record that gave rise to it */
  triggers: string[]
  words: string
  /** where the rule comes from */
  source: string
  /** health, age and law: follows the client to every station and paper */
  caution: boolean
  /** it is a question that was not answered yet, not something that was found */
  asks?: true
  /** values that met limits, shown on demand */
  figures: readonly Figure[]
  change: Change | null
  /** the record holds it already */
  met: boolean
}

/** A stable name of an entry on a foot: what a decision is filed under. */
export const entryKey = ({
  code,
  foot,
  about,
}: Pick<Entry, 'code' | 'foot'> & { about?: string | undefined }): string =>
  `${code}/${foot}${about ? `/${about}` : ''}`
