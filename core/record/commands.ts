import { z } from 'zod'
import { withFound } from './workState'
import { changeStep, STEP_DOES, type Wearer } from './stepState'
import type { Norms } from './tables'
import { parseWith } from './parse'
import { PART_SCHEMAS, type PartContent, type PartName } from './parts'
import { Refusal } from './refusal'
import { POSTURES, SCAN_INSTRUMENT as SCAN, SIDES } from '../tables/vocabulary'
import { READING_KINDS, type ReadingKind } from '../kinds/readings/all'

/** Trials of one reading are kept up to this many. */
export const MOST_TRIALS = 5
/** So many tries stay in the record, struck ones with them. */
export const MOST_HELD = 12

/** A change of one part of a fitting, in the words of the trade. */
export const commandSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('readings.add'),
    side: z.enum(SIDES),
    what: z.enum(READING_KINDS),
    posture: z.enum(POSTURES),
    values: z.array(z.number()).min(1).max(MOST_TRIALS),
    instrument: z.string().max(60).optional(),
    heightMm: z.number().min(50).max(700).optional(),
  }),
  z.strictObject({
    kind: z.literal('readings.set'),
    side: z.enum(SIDES),
    what: z.enum(READING_KINDS),
    posture: z.enum(POSTURES),
    trials: z.array(z.number()).max(MOST_HELD),
    struck: z.array(z.number().int().min(0)).default([]),
    instrument: z.string().max(60).optional(),
    /** height above the floor at which a girth was taken, mm */
    heightMm: z.number().min(50).max(700).optional(),
  }),
  z.strictObject({
    kind: z.literal('jobs.step'),
    step: z.string().min(1).max(120),
    foot: z.enum(SIDES).optional(),
    do: z.enum(STEP_DOES),
    minutes: z.number().min(0).max(2880).optional(),
    reason: z.string().max(300).optional(),
    celsius: z.number().min(-20).max(300).optional(),
    /**
     * minutes a foot stays on it, of a step that needs its temperature first; the server takes them
     * from the process
     */
    skinMin: z.number().min(0.5).max(480).optional(),
    /** steps that are opened again with this one */
    following: z
      .array(z.strictObject({ step: z.string().max(120), foot: z.enum(SIDES).optional() }))
      .max(300)
      .default([]),
  }),
  // What was found after cooling: told at the bench too, where the rest of footwear is not seen.
  z.strictObject({
    kind: z.literal('work.found'),
    work: z.string().min(1).max(40),
    gainedMm: z.number().min(-10).max(40).nullable().optional(),
    pressedMm: z.number().min(0).max(60).nullable().optional(),
  }),
  z.strictObject({
    kind: z.literal('part.put'),
    part: z.enum(Object.keys(PART_SCHEMAS) as [PartName, ...PartName[]]),
    content: z.unknown(),
  }),
])

export type Command = z.output<typeof commandSchema>

/** The part a command changes. */
export function partOf(command: Command): PartName {
  switch (command.kind) {
    case 'part.put':
      return command.part
    case 'jobs.step':
      return 'jobs'
    case 'work.found':
      return 'footwear'
    default:
      return `readings.${command.side}`
  }
}

type Readings = PartContent<'readings.left'>

/** What a change is judged by. */
export interface CommandContext {
  stamp?: { by: string; at: string } | undefined
  norms: Pick<Norms, 'hardBoundsMm'>
  wearer: Wearer
}

/**
 * The part's content after a command; pure, so that browser and server agree. Readings are checked
 * against their hard bounds and kept at five trials; a whole part is checked by its schema.
 *
 * @param before content of the part the command changes, undefined when it does not exist yet
 * @param context by whom and when, the table the fitting is judged by, and who stands on what is
 *   warm
 * @throws Refusal with the path
 */
export function applyCommand(
  before: unknown,
  command: Command,
  { stamp, norms, wearer }: CommandContext,
): unknown {
  if (command.kind === 'jobs.step') {
    const { kind: _, following, ...change } = command
    if (!stamp) throw new Refusal('no-time', 'A step needs the time at which it changed.', 'jobs')
    return parseWith(
      PART_SCHEMAS.jobs,
      changeStep((before as PartContent<'jobs'> | undefined) ?? [], change, stamp, {
        following,
        wearer,
      }),
      'jobs',
    )
  }
  if (command.kind === 'work.found') {
    const { work, kind: _, ...found } = command
    const content = withFound(before as PartContent<'footwear'> | undefined, work, found)
    return parseWith(PART_SCHEMAS.footwear, content, 'footwear')
  }
  if (command.kind === 'part.put') {
    if (command.part === 'norms')
      throw new Refusal(
        'kept-table',
        'A fitting keeps the table it was opened with. Change the table in Settings; new fittings take it.',
        'norms',
      )
    const content = parseWith(
      PART_SCHEMAS[command.part] as z.ZodType,
      command.content,
      command.part,
    )
    if (command.part === 'readings.left' || command.part === 'readings.right')
      for (const reading of content as Readings) checkBounds(norms, reading.what, reading.trials)
    return content
  }
  const readings = (before as Readings | undefined) ?? []
  // Trials read off a scan stand beside those taken by hand, never among them.
  const at = readings.findIndex(
    (r) =>
      r.what === command.what &&
      r.posture === command.posture &&
      (r.instrument === SCAN) === (command.instrument === SCAN),
  )
  const old = readings[at]
  const trials =
    command.kind === 'readings.add' ? [...(old?.trials ?? []), ...command.values] : command.trials
  const struck =
    command.kind === 'readings.add'
      ? (old?.struck ?? [])
      : command.struck.filter((i) => i < trials.length)
  if (trials.length - new Set(struck).size > MOST_TRIALS || trials.length > MOST_HELD)
    throw new Refusal(
      'too-many-trials',
      `At most ${MOST_TRIALS} tries of one reading are kept. Strike or take one back first.`,
      command.what,
    )
  checkBounds(norms, command.what, trials)
  if (trials.length === 0) return readings.filter((_, i) => i !== at)
  const next = {
    ...old,
    what: command.what,
    posture: command.posture,
    trials,
    struck,
    // How sure a try was stays with the try.
    ...(old?.uMm && {
      uMm: trials.map((v, i) => (old.trials[i] === v ? (old.uMm![i] ?? null) : null)),
    }),
    ...(command.instrument && { instrument: command.instrument }),
    ...(command.heightMm !== undefined && { heightMm: command.heightMm }),
    ...stamp,
  }
  return at < 0 ? [...readings, next] : readings.map((r, i) => (i === at ? next : r))
}

function checkBounds(norms: CommandContext['norms'], what: ReadingKind, trials: readonly number[]) {
  const [low, high] = norms.hardBoundsMm[what]
  for (const value of trials)
    if (!(value >= low && value <= high))
      throw new Refusal('out-of-bounds', `${value} mm is outside ${low} to ${high} mm.`, what)
}
