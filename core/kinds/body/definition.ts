import type { PostHalf } from '../posts/definition'

/** The body of a device as its amounts see it. */
export interface DeviceBody {
  balance: { pourDeg: number }
  inverted?: { castDeg: number; expectedHeelDeg?: number | undefined } | undefined
  outline: {
    heelCupMm: number
    distal: { behindHeadsMm: number }
    medialTopMm?: number | undefined
    lateralTopMm?: number | undefined
    cover: 'shell' | 'sulcus' | 'full'
  }
  shell: {
    thicknessMm: number
    graded?:
      | { heelMm?: number | undefined; archMm?: number | undefined; frontMm?: number | undefined }
      | undefined
    base?: { material: string; thicknessMm: number; reach: 'shell' | 'sulcus' | 'full' } | undefined
    cover: { material: string; thicknessMm: number }
  }
  heelLiftMm: number
  liftTaperMm?: number | undefined
  heelLift?: { half?: PostHalf | undefined; in?: 'shell' | 'cover' | undefined } | undefined
  aimNmm?: number | undefined
}

/** Lines of the sheet that body amounts speak in. */
export const SHEET_LINES = ['shell', 'cup', 'tops', 'cast', 'lift', 'base', 'cover'] as const
export type SheetLine = (typeof SHEET_LINES)[number]

/** Groups of the studio's pane. */
export const BODY_GROUPS = ['Shell and cover', 'Outline', 'Posts and lift'] as const

/** Everything known about one number of a device's body. */
export interface BodyAmount<K extends string = string> {
  kind: K
  /** as the studio lists it, and its note beside */
  name: string
  note: string
  /** as a difference between two versions reads it */
  full: string
  group: (typeof BODY_GROUPS)[number]
  unit: 'mm' | '°' | 'N·mm'
  step: number
  /** what the record keeps at all */
  range: readonly [number, number]
  /** the record's own value; null where it is left out until somebody sets it */
  fallback: number | null
  /** where a stepper begins that has nothing to begin with */
  start: number
  /** outside it is computed and named; null where the material or the foot decides */
  usual: readonly [number, number] | null
  /** the one word it is called out by */
  call: string | null
  /** in the client's words; null where it says nothing to them */
  plain: ((value: number) => string | null) | null
  child: string
  insensate: string
  read: (device: DeviceBody) => number | undefined
  write: <D extends DeviceBody>(device: D, value: number) => D
  /** what the sheet says of it, and in which line; null where the sheet says nothing */
  sheet: { line: SheetLine; words: (device: DeviceBody) => string | null } | null
  /** height it takes in the footwear, mm, by place; what is the foot's own is not counted */
  takesMm: (device: DeviceBody) => Partial<Record<'heel' | 'arch' | 'ball' | 'toes', number>>
  /** where the drawings show it */
  drawn: 'section' | 'outline' | 'rim' | 'number only'
}

/** Keeps the name of the kind in its type. */
export const bodyAmount = <const K extends string>(definition: BodyAmount<K>): BodyAmount<K> =>
  definition

/** A number as papers say it. */
export const said = (value: number): string => Number(value.toFixed(1)).toString()

/** Nothing under the foot. */
export const NOTHING = () => ({})
