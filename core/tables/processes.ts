import { z } from 'zod'
import { DEVICE_KINDS } from './vocabulary'
import { rowTable } from './table'

const text = (max: number) => z.string().max(max)
const id = z.string().regex(/^[a-z][a-z0-9-]{0,30}$/, 'use small letters, digits and dashes')

/**
 * One step at the bench. Minutes are defaults; waiting leaves the hands free; the client may have
 * to be there.
 */
const stepSchema = z.strictObject({
  id,
  words: text(120).min(1),
  minutes: z.number().int().min(0).max(2880),
  waiting: z.boolean().optional(),
  client: z.boolean().optional(),
  perFoot: z.boolean().optional(),
  /** resources it holds beside a pair of hands */
  needs: z.array(id).max(6).optional(),
  /** steps that are over before it begins; the step above it where absent */
  after: z.array(id).max(12).optional(),
  /** what comes next should follow at once: a hot blank does not wait */
  fresh: z.boolean().optional(),
  /** goes on without anybody over night: what follows belongs to a later day */
  overnight: z.boolean().optional(),
  /** a foot goes onto a warm surface for so many minutes: its temperature is asked for before */
  skinMin: z.number().min(0.5).max(480).optional(),
  /** window of the material it is heated to */
  heat: id.optional(),
  /** asked one by one before it begins */
  ready: z.array(text(40)).max(4).optional(),
  caution: text(300).optional(),
})

/**
 * What is wrong with the order of some steps: a step used twice, one that waits for a step that is
 * not there, or for itself by way of others.
 */
export function orderTrouble(
  steps: readonly { id: string; words: string; after?: readonly string[] | undefined }[],
): string | null {
  const at = new Map(steps.map((s, i) => [s.id, i]))
  if (at.size < steps.length) return 'two steps have the same id'
  const before = (i: number) => steps[i]!.after ?? (i > 0 ? [steps[i - 1]!.id] : [])
  for (const s of steps)
    for (const a of s.after ?? [])
      if (!at.has(a)) return `“${s.words}” comes after “${a}”, which is not there`
  const state = new Map<number, 'open' | 'over'>()
  const walk = (i: number): string | null => {
    if (state.get(i) === 'over') return null
    if (state.get(i) === 'open') return `“${steps[i]!.words}” waits for itself`
    state.set(i, 'open')
    for (const a of before(i)) {
      const trouble = walk(at.get(a)!)
      if (trouble) return trouble
    }
    state.set(i, 'over')
    return null
  }
  for (let i = 0; i < steps.length; i++) {
    const trouble = walk(i)
    if (trouble) return trouble
  }
  return null
}

export const processSchema = z.strictObject({
  id,
  name: text(80).min(1),
  /** kinds of device that may be made so; the first process of a kind is the house's way */
  makes: z.array(z.enum(DEVICE_KINDS)).max(4).optional(),
  /** work on a shell that is done so */
  works: z
    .array(z.enum(['stretch', 'grind']))
    .max(2)
    .optional(),
  materials: text(300).optional(),
  steps: z
    .array(stepSchema)
    .min(1)
    .max(40)
    .superRefine((steps, context) => {
      const trouble = orderTrouble(steps)
      if (trouble) context.addIssue({ code: 'custom', message: trouble })
    }),
})

export type Step = z.output<typeof stepSchema>
export type Process = z.output<typeof processSchema>

/** How things are made, step by step; the house's ways stand with the kinds of process. */
export const processRows = rowTable({
  name: 'Processes, step by step',
  unit: 'min',
  source: 'workshop defaults',
  state: 'own assumption',
  keptBy: 'shop',
  row: processSchema,
})
