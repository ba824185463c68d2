import { z } from 'zod'
import { FOOTWEAR_ASKS } from '../kinds/footwearAsks'
import { FAMILIES } from '../kinds/families/all'
import { insideSchema } from '../kinds/stations/insideSchema'
import { SHELL_SIDES } from '../kinds/stations/definition'
import { WORK_KINDS } from '../tables/shellWork'
import { SIDES } from '../tables/vocabulary'

const text = (max: number) => z.string().max(max)
const finite = z.number()
const sizeMm = z.number().min(100).max(400)

/** What a shell check looks at beside the gap behind the heel. */
export const CHECK_PLACES = ['ankle', 'ball', 'fifthToe', 'navicular'] as const
export const shellCheckSchema = z.strictObject({
  model: text(80),
  sizeMm: finite,
  foot: z.enum(SIDES),
  /** gap behind the heel with the toes just touching, liner out, mm; by gauge, or out of fingers */
  gapMm: z.number().min(0).max(80),
  fingers: z.number().min(0).max(4).optional(),
  /** was the foot standing on its device? */
  onDevice: z.boolean().default(false),
  kneeBent: z.boolean().default(false),
  sockMm: z.number().min(0).max(10).optional(),
  looks: z.partialRecord(z.enum(CHECK_PLACES), z.enum(['clear', 'touches', 'presses'])).default({}),
  /** what was predicted for the same conditions when it was looked at, mm */
  predictedMm: finite.optional(),
  /** inside length of the shell as it was known then, mm: a shell measured again is learned anew */
  insideMm: finite.optional(),
  /** length of the foot as it stood then, mm: a foot measured again is not corrected twice */
  footMm: finite.optional(),
  by: text(80).optional(),
  at: text(40).optional(),
})

/** Minutes at which a try-on is read. */
export const TRY_ON_MINUTES = [0, 5, 10, 15] as const
export const TOES = ['clear', 'touch', 'press'] as const
export const HOLDS = ['loose', 'even', 'uneven', 'tight'] as const
export const NUMBNESS = ['none', 'tingling', 'numb'] as const

/** A spot that the client feels, in the foot's own frame as marks are. */
const hotSpotSchema = z.strictObject({
  view: z.enum(['plantar', 'dorsal', 'medial', 'lateral']),
  xMm: z.number().min(-150).max(150),
  yMm: z.number().min(-20).max(420),
  /** 1 felt, 2 bothers, 3 hurts */
  level: z.number().int().min(1).max(3),
})

const tryOnReadingSchema = z.strictObject({
  minute: z.number().min(0).max(120),
  foot: z.enum(SIDES),
  toesUpright: z.enum(TOES).optional(),
  toesFlexed: z.enum(TOES).optional(),
  heelLiftMm: z.number().min(0).max(40).optional(),
  numb: z.enum(NUMBNESS).optional(),
  hold: z.enum(HOLDS).optional(),
  hotSpots: z.array(hotSpotSchema).max(20).default([]),
})

const tryOnSchema = z.strictObject({
  id: text(40),
  /** what stands on each foot: one model on both, or two models */
  worn: z.strictObject({
    left: z.strictObject({ model: text(80), sizeMm }).optional(),
    right: z.strictObject({ model: text(80), sizeMm }).optional(),
  }),
  onDevice: z.boolean().default(true),
  startedAt: text(40),
  readings: z.array(tryOnReadingSchema).max(20).default([]),
  /** toe against the end of the insole taken out and stood on, mm: + over the end, − short of it */
  insole: z
    .array(
      z.strictObject({
        foot: z.enum(SIDES),
        toeOverMm: z.number().min(-60).max(60),
        sidesOverMm: z.number().min(-30).max(30).optional(),
      }),
    )
    .max(4)
    .optional(),
  words: text(300).optional(),
  by: text(80).optional(),
})

/**
 * One piece of work on one shell, placed in shell coordinates: from the inside of its back, and
 * over its boot board.
 */
const workSchema = z.strictObject({
  id: text(40),
  foot: z.enum(SIDES),
  model: text(80),
  sizeMm,
  station: text(20),
  does: z.enum(WORK_KINDS),
  at: z.strictObject({
    fromHeelMm: z.number().min(-20).max(450),
    heightMm: z.number().min(-20).max(450),
    side: z.enum(SHELL_SIDES),
  }),
  amountMm: z.number().min(0).max(40),
  /** somebody set the amount: the fit asks for no other */
  amountByHand: z.literal(true).optional(),
  because: text(200).optional(),
  state: z.enum(['planned', 'done', 'dropped']).default('planned'),
  /** what springs back of this plastic as it was learned when it was planned; the house's share where absent */
  springBackShare: z.number().min(0).max(1).optional(),
  /** what the press was set to, mm: what is wanted and what springs back */
  pressedMm: z.number().min(0).max(60).optional(),
  /** what a gauge or a foot in the shell found after cooling, mm */
  gainedMm: z.number().min(-10).max(40).optional(),
  /** who looked at soles or bindings again */
  recheckedBy: text(80).optional(),
  by: text(80).optional(),
  doneAt: text(40).optional(),
})

const perSide = z.strictObject({ left: finite.default(0), right: finite.default(0) })

/** What is set on one shell, and on no other. */
const setOnShell = {
  cuffAlignDeg: perSide.optional(),
  soleCantDeg: perSide.optional(),
  forwardLeanDeg: finite.optional(),
  rampDeg: finite.optional(),
  /** from end to end of its sole, outside, mm */
  soleLengthMm: z
    .strictObject({
      left: z.number().min(100).max(450).optional(),
      right: z.number().min(100).max(450).optional(),
    })
    .optional(),
}
/** Their names. */
export const SET_ON_SHELL = Object.keys(setOnShell) as readonly (keyof typeof setOnShell)[]

const chosenSchema = z.strictObject({
  model: text(80),
  sizeLeftMm: finite.optional(),
  sizeRightMm: finite.optional(),
  shellChecks: z.array(shellCheckSchema).max(200).default([]),
  tryOn: z.array(tryOnSchema).max(20).default([]),
  work: z.array(workSchema).max(80).default([]),
  ...setOnShell,
  deltaMm: finite.optional(),
  /** that a certified technician set and tested the binding, and what it was for */
  binding: z
    .strictObject({
      by: text(80).min(1),
      testedAt: text(40).optional(),
      recordedBy: text(80).optional(),
      basis: z.record(text(40), text(80)),
    })
    .optional(),
})

/** Ids of what clients bring begin so: no catalogue has them. */
export const BROUGHT_ID = /^own:[\w-]{1,40}$/

/** Footwear that the client brought: its family, its size, and what was measured inside it. */
export const broughtSchema = z.strictObject({
  id: z.string().regex(BROUGHT_ID, 'write it as own:1'),
  name: text(80).min(1),
  family: z.enum(FAMILIES),
  sizeMm,
  at: insideSchema.prefault({}),
  /** the liner as it is now, mm, all round */
  linerMm: z.number().min(0).max(30).default(0),
  insoleMm: z.number().min(0).max(20).default(3),
  /** how far its wall may be stretched, mm */
  stretchMm: z.number().min(0).max(20).optional(),
  words: text(300).optional(),
})

export const footwearSchema = z.strictObject({
  /** one compressed sock, mm; the usual of the family where nothing was recorded */
  sockMm: z.number().min(0).max(10).optional(),
  /** how many socks, worn over each other; their thickness adds */
  socks: z.number().int().min(0).max(3).optional(),
  candidates: z.array(text(80)).max(40).default([]),
  /** what the client brought, to be judged and worked like any model */
  brought: z.array(broughtSchema).max(8).optional(),
  /** what the ledger asked of the footwear and the fitter took over */
  asks: z
    .array(
      z.strictObject({
        what: z.enum(FOOTWEAR_ASKS.kinds),
        foot: z.enum(['left', 'right', 'both']),
        because: text(80).optional(),
      }),
    )
    .max(20)
    .optional(),
  /** the board under both feet: its width there, mm, and how each boot is turned, degrees from straight across */
  board: z
    .strictObject({
      widthMm: z.number().min(100).max(400).optional(),
      angleDeg: z
        .strictObject({
          left: z.number().min(-90).max(90).optional(),
          right: z.number().min(-90).max(90).optional(),
        })
        .prefault({}),
    })
    .optional(),
  tryOns: z.array(tryOnSchema).max(20).optional(),
  /** of any model, chosen or only tried; files of an older version keep them with what was chosen */
  shellChecks: z.array(shellCheckSchema).max(200).optional(),
  chosen: chosenSchema.optional(),
  /** what was set on models that were chosen before: it is there again when they are */
  setOn: z.record(text(80), z.strictObject(setOnShell)).optional(),
  /** chosen for the other devices of a foot that has several, with what was found and worked there */
  moreChosen: z.array(chosenSchema).max(8).optional(),
})

export type ShellCheck = z.output<typeof shellCheckSchema>
export type Footwear = z.output<typeof footwearSchema>
export type TryOn = z.output<typeof tryOnSchema>
export type TryOnReading = z.output<typeof tryOnReadingSchema>
export type HotSpot = z.output<typeof hotSpotSchema>
export type ShellWork = z.output<typeof workSchema>
export type BroughtFootwear = z.output<typeof broughtSchema>
