import { z } from 'zod'
import { table } from '../../tables/table'
import { FORCES } from '../../tables/vocabulary'
import { FAMILIES } from '../families/all'
import { ACTIVITIES, type Activity } from './all'
import type { ActivityDefinition } from './definition'

const words = (most: number) => z.string().trim().min(1, 'write some words').max(most)

/**
 * Something that a shop's clients do and that has no entry of its own: it is judged like the
 * activity it is most like, but for its name, footwear, force, question, cautions and grounds.
 */
export const ownActivitySchema = z.strictObject({
  name: words(60),
  like: z.enum(ACTIVITIES.kinds as [Activity, ...Activity[]]),
  families: z
    .array(z.enum(FAMILIES))
    .min(1, 'say which footwear it is done in')
    .max(FAMILIES.length),
  force: z.enum(FORCES),
  ask: words(200),
  cautions: z.array(words(200)).max(6),
  terrains: z.array(words(40)).max(8),
})
export type OwnActivity = z.output<typeof ownActivitySchema>

/** What a shop's clients do beside what everybody's do. */
export const ownActivities = table({
  name: 'Our own activities',
  unit: '',
  source: 'this shop',
  state: 'own assumption',
  keptBy: 'shop',
  schema: z
    .array(ownActivitySchema)
    .max(60)
    .refine(
      (all) => new Set(all.map((own) => own.name.toLowerCase())).size === all.length,
      'two of the own activities have one name',
    ),
  house: [],
})

/**
 * The definition an own activity is judged by: its own words and families, the rest of what it is like.
 *
 * For instance a hand-cycle like road riding is shifted, sized and checked as road riding is, and asks its own question
 */
export function definitionOf(own: OwnActivity): ActivityDefinition<Activity> {
  const { like, ...said } = own
  const known = ACTIVITIES.of(like)
  return { ...known, ...said, plain: own.name, cautions: [...own.cautions, ...known.cautions] }
}

/** What is filled in for an own activity until somebody says otherwise. */
export function beginOwn(name: string, kind: Activity): OwnActivity {
  const { families, force, ask, terrains } = ACTIVITIES.of(kind)
  return {
    name,
    like: kind,
    families: [...families],
    force,
    ask,
    cautions: [],
    terrains: [...terrains],
  }
}
