import { z } from 'zod'
import type { Posture } from '../../tables/vocabulary'

/** Groups of the examination in the order in which hands go over a foot. */
export const FINDING_GROUPS = ['alignment', 'range', 'stance', 'skin', 'marks'] as const
export type FindingGroup = (typeof FINDING_GROUPS)[number]

/** What every kind of finding has. */
interface FindingBase<K extends string, S extends z.ZodType> {
  kind: K
  group: FindingGroup
  name: string
  how: string
  /** in the client's words */
  plain: string
  /** what it means on a growing foot */
  child: string
  /** what to mind on a foot that does not feel */
  insensate: string
  /** as the record keeps it */
  schema: S
  /** the part of the findings it is kept in, where it is not kept by itself */
  within: 'subtalar' | null
  /** what a form says of it; null where there is nothing to say */
  sheet: (value: z.output<S>) => string | null
}

/** A finding that is an angle with trials: alignment (signed) or a range. */
export interface AngleFinding<K extends string = string> extends FindingBase<K, AngleSchema> {
  as: 'angle'
  /** the one word it is called out by */
  call: string
  /** what its directions are called */
  plus: string
  minus: string
  /** how the client may lie or stand for it, the usual one first */
  positions: readonly [Posture, ...Posture[]]
  /** how far a joint goes, not how something stands */
  range: boolean
  bounds: readonly [number, number]
  /** told across the heel in mm too */
  acrossHeel: boolean
  /** how bad a mean is, larger is worse; absent where more is neither better nor worse */
  harm?: (deg: number) => number
}
type AngleSchema = z.ZodArray<z.ZodNumber>

/** A finding that is one word out of a few. */
export interface ChoiceFinding<
  K extends string = string,
  O extends string = string,
> extends FindingBase<K, z.ZodEnum<{ [W in O]: W }>> {
  as: 'choice'
  options: readonly (readonly [value: O, words: string])[]
  /** how bad each word is, larger is worse; absent where none is better than another */
  harm?: Readonly<Record<O, number>>
}

/** A finding with parts of its own. */
export interface OwnFinding<
  K extends string = string,
  S extends z.ZodType = z.ZodType,
> extends FindingBase<K, S> {
  as: 'own'
  /** how bad it is, larger is worse; null where it cannot be told, absent where it never can */
  harm?: (value: z.output<S>) => number | null
}

const said = (deg: number) => `${Number(deg.toFixed(1))}°`

/** An angle: its trials are kept within its bounds, five at most. */
export const angle = <const K extends string, const W extends 'subtalar' | null>(
  definition: Omit<AngleFinding<K>, 'as' | 'schema' | 'sheet' | 'within'> & { within: W },
): AngleFinding<K> & { within: W } => ({
  ...definition,
  as: 'angle',
  schema: z.array(z.number().min(definition.bounds[0]).max(definition.bounds[1])).max(5),
  sheet: (trials) =>
    trials.length === 0 ? null : said(trials.reduce((sum, v) => sum + v, 0) / trials.length),
})

/** One word out of a few: its words are what menus offer. */
export const choice = <const K extends string, const O extends string>(
  definition: Omit<ChoiceFinding<K, O>, 'as' | 'schema' | 'sheet' | 'within'>,
): ChoiceFinding<K, O> & { within: null } => ({
  ...definition,
  as: 'choice',
  within: null,
  schema: z.enum(definition.options.map(([value]) => value)) as unknown as z.ZodEnum<{
    [W in O]: W
  }>,
  sheet: (value) => definition.options.find(([v]) => v === value)?.[1] ?? null,
})

/** Keeps kind and schema in the type. */
export const own = <const K extends string, S extends z.ZodType>(
  definition: Omit<OwnFinding<K, S>, 'as' | 'within'>,
): OwnFinding<K, S> & { within: null } => ({ ...definition, as: 'own', within: null })
