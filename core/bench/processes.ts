import { z } from 'zod'
import { DEVICE_KINDS } from '../record/vocabulary'

const text = (max: number) => z.string().max(max)
const id = z.string().regex(/^[a-z][a-z0-9-]{0,30}$/, 'use small letters, digits and dashes')

/** One step at the bench. Minutes are defaults; waiting leaves the hands free; the client may have to be there. */
export const stepSchema = z.strictObject({
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

/** What is wrong with the order of some steps: a step used twice, one that waits for a step that is not there, or for itself by way of others. */
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

const COOL =
  'Cold packs under the blank, never on skin, five minutes at most; look at the skin. Not with poor feeling or circulation or cold-sensitive toes: air or a fan.'
const DUST = 'Extraction on, mask on.'
const SOCK = 'Measure the side that touches the sock just before the foot goes in.'
const SHEET = 'Gloves; the press open before the sheet is ready.'

/** How things are made here: step lists with the usual minutes (workshop defaults, editable). */
export const HOUSE_PROCESSES: readonly Process[] = [
  {
    id: 'trim-to-fit',
    name: 'Trim-to-fit insert',
    makes: ['trim-to-fit'],
    materials: 'insert in the size of the arch length, template',
    steps: [
      { id: 'choose', words: 'Choose the blank by arch length', minutes: 2 },
      {
        id: 'trim',
        words: 'Trim to the template',
        minutes: 4,
        perFoot: true,
        caution: 'Cut away from the hand.',
      },
      { id: 'try', words: 'Try in the footwear', minutes: 3, client: true, needs: ['chair'] },
    ],
  },
  {
    id: 'heat-moulded',
    name: 'Heat-moulded blank on the bead tray',
    makes: ['heat-moulded'],
    materials: 'blanks left and right, template, cold packs or fan',
    steps: [
      {
        id: 'impression',
        words: 'Vacuum impression, knee over second toe',
        minutes: 4,
        client: true,
        perFoot: true,
        needs: ['chair', 'tray'],
      },
      {
        id: 'oven',
        words: 'Blanks in the oven to their window',
        minutes: 6,
        waiting: true,
        needs: ['oven'],
        after: [],
        fresh: true,
        heat: 'thermoplastic-blank',
        ready: ['Probe in the blank', 'Gloves on'],
      },
      {
        id: 'place',
        words: 'Place under the foot, mould',
        minutes: 1,
        client: true,
        perFoot: true,
        needs: ['chair', 'tray'],
        after: ['impression', 'oven'],
        skinMin: 6,
        ready: ['Sock on, no fold', 'Sock side measured'],
        caution: SOCK,
      },
      {
        id: 'cool',
        words: 'Cool on the tray',
        minutes: 5,
        waiting: true,
        client: true,
        needs: ['chair', 'tray'],
        caution: COOL,
      },
      {
        id: 'heel',
        words: 'Flatten the heel base, post',
        minutes: 6,
        perFoot: true,
        needs: ['grinder'],
        caution: DUST,
      },
      { id: 'trim', words: 'Trim to the template', minutes: 4, perFoot: true },
      {
        id: 'grind',
        words: 'Grind the edge',
        minutes: 4,
        perFoot: true,
        needs: ['grinder'],
        caution: DUST,
      },
      { id: 'try', words: 'Try in the liner', minutes: 3, client: true, needs: ['chair'] },
    ],
  },
  {
    id: 'standing-vacuum',
    name: 'Heat-moulded on standing vacuum pads',
    makes: ['heat-moulded'],
    materials: 'insoles, template',
    steps: [
      { id: 'footprint', words: 'Check the footprint', minutes: 3, client: true, needs: ['chair'] },
      { id: 'pads', words: 'Clean the pads', minutes: 2, after: [] },
      {
        id: 'oven',
        words: 'Insoles warming',
        minutes: 3,
        waiting: true,
        needs: ['oven'],
        after: [],
        fresh: true,
        heat: 'thermoplastic-blank',
        ready: ['Probe in the blank', 'Gloves on'],
      },
      {
        id: 'impression',
        words: 'Impressions, standing',
        minutes: 4,
        client: true,
        needs: ['chair', 'tray'],
        after: ['footprint', 'pads'],
      },
      {
        id: 'place',
        words: 'Insole under the foot',
        minutes: 1,
        client: true,
        perFoot: true,
        needs: ['chair', 'tray'],
        after: ['impression', 'oven'],
        skinMin: 7,
        ready: ['Sock on, no fold', 'Sock side measured'],
        caution: SOCK,
      },
      {
        id: 'hold',
        words: 'Hold under vacuum, standing still',
        minutes: 6,
        waiting: true,
        client: true,
        needs: ['chair', 'tray'],
      },
      { id: 'release', words: 'Release', minutes: 1, client: true, needs: ['chair', 'tray'] },
      { id: 'trim', words: 'Trim to the template', minutes: 4, perFoot: true },
      {
        id: 'grind',
        words: 'Grind the edge',
        minutes: 4,
        perFoot: true,
        needs: ['grinder'],
        caution: DUST,
      },
      { id: 'try', words: 'Try in the footwear', minutes: 3, client: true, needs: ['chair'] },
    ],
  },
  {
    id: 'full-custom',
    name: 'Printed or milled shell',
    makes: ['full-custom'],
    materials: 'printed shells, cover sheet, adhesive, template',
    steps: [
      {
        id: 'print',
        words: 'Print or mill the solid, or order it',
        minutes: 480,
        waiting: true,
        overnight: true,
      },
      {
        id: 'finish',
        words: 'Finish the shell, break the edges',
        minutes: 15,
        perFoot: true,
        needs: ['grinder'],
        caution: DUST,
      },
      { id: 'post', words: 'Check post and heel flat on the bench', minutes: 5, perFoot: true },
      {
        id: 'cover',
        words: 'Cover, glue ventilated',
        minutes: 10,
        perFoot: true,
        caution: 'Adhesive: air moving.',
      },
      { id: 'set', words: 'Let the glue set', minutes: 60, waiting: true },
      { id: 'try', words: 'Try in the footwear', minutes: 3, client: true, needs: ['chair'] },
    ],
  },
  {
    id: 'vacuum-shell',
    name: 'Vacuum-formed shell over a positive',
    makes: ['full-custom'],
    materials: 'positives, polypropylene sheets, post block, cover sheet, adhesive',
    steps: [
      {
        id: 'positive',
        words: 'Pour or print the positive',
        minutes: 480,
        waiting: true,
        overnight: true,
      },
      {
        id: 'balance',
        words: 'Balance the positive, build the modifications',
        minutes: 15,
        perFoot: true,
      },
      {
        id: 'heat',
        words: 'Sheet in the oven to its window',
        minutes: 6,
        waiting: true,
        perFoot: true,
        needs: ['oven'],
        fresh: true,
        heat: 'polypropylene',
        ready: ['Press open', 'Bag ready', 'Gloves on'],
        caution: SHEET,
      },
      {
        id: 'form',
        words: 'Lay on, vacuum, form',
        minutes: 2,
        perFoot: true,
        needs: ['press'],
        caution: SHEET,
      },
      {
        id: 'cool',
        words: 'Cool under vacuum',
        minutes: 15,
        waiting: true,
        perFoot: true,
        needs: ['press'],
      },
      {
        id: 'grind',
        words: 'Cut out and grind',
        minutes: 20,
        perFoot: true,
        needs: ['grinder'],
        caution: DUST,
      },
      { id: 'post', words: 'Post', minutes: 15, perFoot: true, needs: ['grinder'], caution: DUST },
      {
        id: 'cover',
        words: 'Cover, glue ventilated',
        minutes: 10,
        perFoot: true,
        caution: 'Adhesive: air moving.',
      },
      { id: 'set', words: 'Let the glue set', minutes: 60, waiting: true },
      { id: 'try', words: 'Try in the footwear', minutes: 3, client: true, needs: ['chair'] },
    ],
  },
  {
    id: 'liner-mould',
    name: 'Liner mould',
    materials: 'toe cap, thin sock, padding',
    steps: [
      {
        id: 'heat',
        words: 'Liners on the blower or in the oven',
        minutes: 10,
        waiting: true,
        needs: ['blower'],
        fresh: true,
        heat: 'liner',
      },
      {
        id: 'foot-in',
        words: 'Foot in, with sock and toe cap',
        minutes: 2,
        client: true,
        needs: ['chair'],
        skinMin: 20,
        ready: ['Sock and toe cap on', 'Inside measured'],
        caution: SOCK,
      },
      {
        id: 'hold',
        words: 'Buckle, stand, hold',
        minutes: 10,
        waiting: true,
        client: true,
        needs: ['chair'],
      },
      {
        id: 'cool',
        words: 'Cool in the shell',
        minutes: 10,
        waiting: true,
        client: true,
        needs: ['chair'],
      },
    ],
  },
  {
    id: 'shell-stretch',
    name: 'Shell stretch',
    works: ['stretch'],
    steps: [
      { id: 'mark', words: 'Mark the spot', minutes: 3 },
      {
        id: 'heat',
        words: 'Heat the wall evenly',
        minutes: 4,
        needs: ['blower'],
        fresh: true,
        heat: 'boot-shell',
        caution: 'Never above the limit of this plastic.',
      },
      { id: 'press', words: 'Set the press', minutes: 2, needs: ['press'] },
      { id: 'cool', words: 'Cool in the press', minutes: 22, waiting: true, needs: ['press'] },
      { id: 'recheck', words: 'Shell check again', minutes: 5, client: true, needs: ['chair'] },
    ],
  },
  {
    id: 'shell-grind',
    name: 'Shell grind',
    works: ['grind'],
    steps: [
      { id: 'mark', words: 'Mark the spot', minutes: 3 },
      {
        id: 'grind',
        words: 'Grind, measuring the wall between passes',
        minutes: 10,
        needs: ['grinder'],
        caution: DUST,
      },
      { id: 'polish', words: 'Polish', minutes: 5, needs: ['grinder'] },
    ],
  },
  {
    id: 'heated-mould',
    name: 'Internal mould with its own heating',
    materials: 'putty, resistive wire, isolated low-voltage supply, probe',
    steps: [
      { id: 'cast', words: 'Cast both halves', minutes: 20, client: true, needs: ['chair'] },
      { id: 'cure', words: 'Putty cures', minutes: 40, waiting: true },
      {
        id: 'wire',
        words: 'Lay the wire, check for shorts',
        minutes: 20,
        caution: 'Isolated low-voltage supply only; never on a body.',
      },
      {
        id: 'ramp',
        words: 'Ramp the heat slowly, stay with it',
        minutes: 20,
        heat: 'resistive-mould',
        caution: 'Isolated low-voltage supply; never unattended; never on a body.',
      },
      {
        id: 'hold',
        words: 'Hold at temperature, stay with it',
        minutes: 22,
        perFoot: true,
        caution: 'Never unattended.',
      },
      {
        id: 'leave',
        words: 'Switch off, unplug, leave over night',
        minutes: 720,
        waiting: true,
        overnight: true,
      },
    ],
  },
]

/** Beside the sheets and the tray: what the bench has, how often, from when to when. People are those on duty. */
export const benchResourceSchema = z.strictObject({
  id,
  name: text(60).min(1),
  count: z.number().int().min(0).max(20),
  from: z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'write the time as HH:MM'),
  to: z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'write the time as HH:MM'),
})
export type BenchResource = z.output<typeof benchResourceSchema>

/** The id of the pool of hands. */
export const PEOPLE = 'people'
const DAY = { from: '08:30', to: '18:00' } as const
export const HOUSE_RESOURCES: readonly BenchResource[] = [
  { id: PEOPLE, name: 'People', count: 2, ...DAY },
  { id: 'chair', name: 'Chair', count: 1, ...DAY },
  { id: 'tray', name: 'Bead tray', count: 1, ...DAY },
  { id: 'oven', name: 'Oven', count: 1, ...DAY },
  { id: 'blower', name: 'Blower', count: 1, ...DAY },
  { id: 'press', name: 'Press', count: 2, ...DAY },
  { id: 'grinder', name: 'Grinder', count: 1, ...DAY },
]
