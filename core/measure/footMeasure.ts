import type { DeviceKind, Posture } from '../tables/vocabulary'
import type { ReadingKind } from '../kinds/readings/all'
import type { ChildFoot } from './childFoot'
import type { VolumeClass, WidthClass } from './classes'
import type { FootprintReading } from './footprint'
import type { ReadingSummary } from './reading'
import type { SizeSet } from './sizes'

/**
 * Everything derived from one foot's readings; parts that cannot be given are absent and named in
 * `missing`.
 */
export interface FootMeasure {
  readings: Partial<Record<ReadingKind, Partial<Record<Posture, ReadingSummary>>>>
  sizes?: SizeSet & { allowanceMm: number; rounded: SizeSet }
  classes?: {
    forefootWidth?: { class: WidthClass; deltaMm: number }
    midfootVolume?: VolumeClass
    heelInstep?: VolumeClass
    ankle?: VolumeClass
  }
  arch: {
    ahiSitting?: number
    ahiStanding?: number
    ari?: number
    stiffnessNPerUnit?: number | null
    navicularDropMm?: number
    /** from which neutral it fell: the two are not interchangeable, and only the first has a class */
    navicularDropBy?: 'sitting neutral' | 'standing neutral'
    navicularDropClass?: 'small' | 'usual' | 'marked' | 'large'
    /** drop as a share of arch length, % */
    navicularDropPercent?: number
    class?: 'low' | 'usual' | 'high'
  }
  /** read off a footprint or pressure grid; the class in adults only */
  footprint?: Pick<FootprintReading, 'archIndex' | 'share' | 'contactCm2'> & {
    archClass?: FootprintReading['archClass']
  }
  supportedLengthMm?: Record<DeviceKind, number>
  sizeBy?: 'footLength' | 'archLength'
  archSizeLengthMm?: number
  /** a growing foot among children of its age, in place of adult classes */
  child?: ChildFoot
  /** standing minus sitting length, mm */
  growthMm?: number
  /** second toe and second met head beyond the first, mm */
  leads?: { secondToeMm?: number; secondMetMm?: number }
  words: string
  missing: string[]
}
