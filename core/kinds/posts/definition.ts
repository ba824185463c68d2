import type { AmountRule } from '../layers/amountRule'

/** Under which part of its place a post or lift stands. */
export const POST_HALVES = ['whole', 'medial', 'lateral'] as const
export type PostHalf = (typeof POST_HALVES)[number]

/** A post of a device as its kind sees it. */
export interface PostOf {
  at: 'rearfoot' | 'forefoot'
  style: 'extrinsic' | 'intrinsic'
  angleDeg: number
  lengthMm?: number | undefined
  motionDeg?: number | undefined
  half?: PostHalf | undefined
  material?: string | undefined
  shoreA?: number | undefined
  glued?: boolean | undefined
}

/** One number of a post; what the record leaves out has a place to start from. */
export type PostAmount = Omit<AmountRule, 'fallback' | 'presets' | 'usual'> & {
  key: 'angleDeg' | 'lengthMm' | 'motionDeg'
  name: string
  note: string
  start: number
  usual: readonly [number, number] | null
  /** what the sheet says of it beside the angle; null where it says nothing */
  sheet: (post: PostOf) => string | null
}

/** Everything known about one kind of post: where it stands and whether it is set on or cast in. */
export interface PostDefinition<K extends string = string> {
  kind: K
  at: PostOf['at']
  style: PostOf['style']
  /** as the sheet names it */
  name: string
  /** the one word it is called out by; both styles of a place share it */
  call: string
  /** in the client's words, by the way it tilts */
  plain: (angleDeg: number) => string
  child: string
  insensate: string
  /** set on below the shell, it takes room there */
  takesRoom: boolean
  amounts: readonly [PostAmount, ...PostAmount[]]
  /** the width its height is told over */
  over: 'heel' | 'forefoot'
  drawn: 'section'
}

/** Keeps the name of the kind in its type. */
export const post = <const K extends string>(definition: PostDefinition<K>): PostDefinition<K> =>
  definition
