import { z } from 'zod'
import { BODY_AMOUNTS } from '../kinds/body/all'
import { storedAmount, storedWithDefault } from '../kinds/body/stored'
import { POST_HALVES } from '../kinds/posts/definition'
import { POSTS, POST_PLACES, POST_STYLES } from '../kinds/posts/all'
import { captureSchema } from './captureSchema'
import { footwearSchema } from './footwearSchema'
import { findingsSchema } from '../kinds/findings/all'
import { footprintSchema } from './footprintSchema'
import { isoDay } from './isoDay'
import { layerSchema } from '../kinds/layers/all'
import { quoteSchema } from './quoteSchema'
import { gateFields, roundsSchema } from './roundSchema'
import { normsSchema } from './tables'
import { CONDITION_KINDS } from '../kinds/conditions/all'
import { complaintSchema, historySchema, storySchema } from './storySchema'
import { blankShapeSchema } from '../tables/blanks'
import { SHELL_MAKINGS } from '../tables/materials'
import { COMPLAINT_PLACES, DEVICE_KINDS, POSTURES, SCHOOLS, SIDES } from '../tables/vocabulary'
import { READING_KINDS } from '../kinds/readings/all'

const text = (max: number) => z.string().max(max)
const finite = z.number()

/** A try: a number, or a number with how sure it is. */
const trialSchema = z.union([
  finite,
  z.strictObject({ value: finite, u: z.number().min(0).max(100) }),
])

const storedReading = z.strictObject({
  what: z.enum(READING_KINDS),
  posture: z.enum(POSTURES),
  /** at most five that count, and those that were struck */
  trials: z.array(trialSchema).max(12),
  struck: z.array(z.number().int().min(0).max(11)).default([]),
  /** standard uncertainty of each try, mm; null where nobody said */
  uMm: z.array(z.number().min(0).max(100).nullable()).max(12).optional(),
  instrument: text(60).optional(),
  heightMm: finite.optional(),
  by: text(80).optional(),
  at: text(40).optional(),
})

/** A reading with its tries as numbers, and how sure each is beside them. */
export const readingSchema = storedReading
  .refine(({ trials, struck }) => trials.length - new Set(struck).size <= 5, {
    message: 'at most five tries count; strike one first',
    path: ['trials'],
  })
  .transform(({ trials, uMm, ...reading }) => {
    const told = trials.map((t, i) => (typeof t === 'number' ? (uMm?.[i] ?? null) : t.u))
    return {
      ...reading,
      trials: trials.map((t) => (typeof t === 'number' ? t : t.value)),
      ...(told.some((u) => u !== null) && { uMm: told }),
    }
  })

/** Ranges of a post's numbers; both styles of a place have the same. */
const postAmount = (key: 'angleDeg' | 'lengthMm' | 'motionDeg') => {
  const ranges = POSTS.all.flatMap((p) => p.amounts.filter((a) => a.key === key))
  return z
    .number()
    .min(Math.min(...ranges.map((a) => a.range[0])))
    .max(Math.max(...ranges.map((a) => a.range[1])))
}

const postSchema = z.strictObject({
  at: z.enum(POST_PLACES),
  style: z.enum(POST_STYLES).default('extrinsic'),
  angleDeg: postAmount('angleDeg'),
  /**
   * length of an extrinsic block from the heel (rearfoot) or behind the front edge (forefoot), mm;
   * the house length where absent
   */
  lengthMm: postAmount('lengthMm').optional(),
  /**
   * how far an extrinsic rearfoot block lets the heel roll in before its whole base lies on the
   * floor
   */
  motionDeg: postAmount('motionDeg').optional(),
  /** whole, or under the inner or outer half only */
  half: z.enum(POST_HALVES).optional(),
  /** what the block is made of; as the shell where absent */
  material: text(40).optional(),
  /** hardness of its foam, Shore A */
  shoreA: z.number().min(20).max(80).optional(),
  /** a block of its own that is glued on; part of the shell's body where absent */
  glued: z.boolean().optional(),
  /** code of the ledger's entry it came from */
  because: text(80).optional(),
})

/** Parts of a device's body that keep their reason. */
export const REASONED_PARTS = ['kind', 'shell', 'heelCup', 'cover', 'heelLift'] as const

const frontEdge = storedWithDefault('frontEdge')

const storedDevice = z.strictObject({
  kind: z.enum(DEVICE_KINDS).default('full-custom'),
  school: z.enum(SCHOOLS).optional(),
  /** what `balance.pourDeg` was called earlier */
  castAngleDeg: storedAmount('castAngle').optional(),
  /** angle at which the heel bisection of the cast stands to the floor, + inverted */
  balance: z.strictObject({ pourDeg: storedWithDefault('castAngle') }).optional(),
  /** the inverted technique, and what is expected of it at the heel */
  inverted: z
    .strictObject({
      castDeg: storedAmount('invertedCast'),
      expectedHeelDeg: z.number().min(0).max(20).optional(),
    })
    .optional(),
  layers: z.array(layerSchema).max(40).default([]),
  outline: z
    .strictObject({
      heelCupMm: storedWithDefault('heelCup'),
      distal: z
        .strictObject({ behindHeadsMm: frontEdge })
        .default({ behindHeadsMm: frontEdge.parse(undefined) }),
      /**
       * height of the inner and outer top line beside the midfoot; as high as the foot's own border
       * where absent
       */
      medialTopMm: storedAmount('medialTop').optional(),
      lateralTopMm: storedAmount('lateralTop').optional(),
      /**
       * places of the trim line that were moved out (+) or in by hand: on which border, at which
       * share of the length
       */
      points: z
        .array(
          z.strictObject({
            edge: z.enum(['medial', 'lateral']),
            s: z.number().min(0.02).max(0.64),
            mm: z.number().min(-8).max(12),
          }),
        )
        .max(24)
        .optional(),
      cover: z.enum(['shell', 'sulcus', 'full']).default('full'),
    })
    .prefault({}),
  shell: z
    .strictObject({
      material: text(40).default('polypropylene'),
      thicknessMm: storedWithDefault('shellThickness'),
      /** how it is made; as is usual for its material where absent */
      making: z.enum(SHELL_MAKINGS).optional(),
      /** radius of the ball-nosed tool that it is milled with, mm; 3 where absent */
      toolMm: z.number().min(0.5).max(10).optional(),
      /**
       * other thicknesses under heel, arch and front edge, blended between; `thicknessMm` where one
       * is absent
       */
      graded: z
        .strictObject({
          heelMm: storedAmount('gradedHeel').optional(),
          archMm: storedAmount('gradedArch').optional(),
          frontMm: storedAmount('gradedFront').optional(),
        })
        .optional(),
      /** a layer below the shell */
      base: z
        .strictObject({
          material: text(40).default('eva-60'),
          thicknessMm: storedAmount('baseThickness').default(
            BODY_AMOUNTS.of('baseThickness').start,
          ),
          reach: z.enum(['shell', 'sulcus', 'full']).default('shell'),
        })
        .optional(),
      cover: z
        .strictObject({
          material: text(40).default('eva-35'),
          thicknessMm: storedWithDefault('coverThickness'),
        })
        .prefault({}),
    })
    .prefault({}),
  posts: z.array(postSchema).max(4).default([]),
  heelLiftMm: storedWithDefault('heelLift'),
  /**
   * the lift runs out over this length in front of the heel, mm; to just behind the ball where
   * absent
   */
  liftTaperMm: storedAmount('liftTaper').optional(),
  /** how the lift is made; `mm` and `lengthMm` go to the two numbers above */
  heelLift: z
    .strictObject({
      mm: storedAmount('heelLift').optional(),
      lengthMm: storedAmount('liftTaper').optional(),
      half: z.enum(POST_HALVES).optional(),
      in: z.enum(['shell', 'cover']).optional(),
    })
    .optional(),
  /**
   * the underside of the heel ground flat so that it does not rock; always so for heat-moulded
   * blanks unless false
   */
  heelStabiliser: z.boolean().optional(),
  /** wanted change of the turning moment against the plain device, N·mm, + supination */
  aimNmm: storedAmount('wantedMoment').optional(),
  /** the blank a trim-to-fit or heat-moulded device is made from */
  blank: z
    .strictObject({
      id: text(40),
      sizeMm: z.number().min(100).max(400),
      /** as it was when it was chosen; without it nothing is known of how the foot lies on it */
      shape: blankShapeSchema.optional(),
    })
    .optional(),
  /** codes of the ledger's entries that parts of the body came from, as `because` of a layer or post */
  because: z.partialRecord(z.enum(REASONED_PARTS), text(80)).optional(),
  /** a name of its own, when a client has several */
  name: text(60).optional(),
  /** the footwear model it is for, where a foot has several */
  forFootwear: text(60).optional(),
})

/** A device with what has another name now under that name. */
export const deviceSchema = storedDevice.transform(
  ({ castAngleDeg, balance, heelLift, heelLiftMm, liftTaperMm, ...device }) => {
    const { mm, lengthMm, ...lift } = heelLift ?? {}
    const taper = lengthMm ?? liftTaperMm
    return {
      ...device,
      balance: balance ?? { pourDeg: castAngleDeg ?? BODY_AMOUNTS.of('castAngle').fallback! },
      heelLiftMm: mm ?? heelLiftMm,
      ...(taper !== undefined && { liftTaperMm: taper }),
      ...((lift.half ?? lift.in) !== undefined && { heelLift: lift }),
    }
  },
)

/** A device as it was at some moment, kept by hand or when it was made, with why. */
export const deviceVersionSchema = z.strictObject({
  device: deviceSchema.nullable(),
  words: text(200).default(''),
  by: text(80).optional(),
  at: text(40).optional(),
})

/** How far an order has come: only the last three are the lab's own words. */
export const ORDER_STATES = [
  'sent',
  'no answer',
  'refused',
  'queries',
  'accepted',
  'cancelled',
] as const

/** What a lab asked back about an order, and what it promised. */
export const labAnswerSchema = z.strictObject({
  status: z.enum(ORDER_STATES),
  queries: z
    .array(
      z.strictObject({ foot: z.enum(['left', 'right', 'both']), code: text(40), words: text(300) }),
    )
    .max(40)
    .default([]),
  /** promised day; absent while a query is open */
  dueOn: isoDay.optional(),
  reference: text(60).optional(),
})

export const labOrderSchema = z.strictObject({
  id: text(40),
  lab: text(60),
  feet: z.array(z.enum(SIDES)).min(1).max(2),
  /** name and SHA-256 of every file that went along */
  files: z
    .array(z.strictObject({ name: text(60), sha256: text(64) }))
    .max(40)
    .default([]),
  note: text(500).optional(),
  /** day it is wanted for */
  wantedOn: isoDay.optional(),
  /** an earlier order that this one makes anew, and why */
  remakeOf: text(40).optional(),
  remakeWhy: text(300).optional(),
  /** what was answered to the lab's questions, by their code and foot */
  replies: z
    .array(
      z.strictObject({
        foot: z.enum(['left', 'right', 'both']),
        code: text(40),
        words: text(300),
        by: text(80).optional(),
        at: text(40).optional(),
      }),
    )
    .max(80)
    .optional(),
  by: text(80).optional(),
  at: text(40).optional(),
  answer: labAnswerSchema,
})

/** So many devices a foot may have in one fitting. */
const MOST_DEVICES = 8

const storedFoot = z.strictObject({
  readings: z.array(readingSchema).max(120).default([]),
  findings: findingsSchema.optional(),
  footprint: footprintSchema.optional(),
  capture: captureSchema.optional(),
  device: deviceSchema.optional(),
  /** where a foot has several, in place of `device`: the one that is worked on first */
  devices: z.array(deviceSchema).min(1).max(MOST_DEVICES).optional(),
  /** the others, beside `device`, as they are stored */
  moreDevices: z
    .array(deviceSchema)
    .max(MOST_DEVICES - 1)
    .optional(),
  /** earlier versions of the devices, oldest first; each belongs to the device of its name */
  deviceVersions: z.array(deviceVersionSchema).max(60).optional(),
})

/** A foot with its device, and, where it has several, the others beside it. */
export const footSchema = storedFoot
  .superRefine(({ device, devices, moreDevices }, context) => {
    const refuse = (message: string) =>
      context.addIssue({ code: 'custom', path: ['devices'], message })
    if (devices && (device || moreDevices)) refuse('a foot has device or devices, never both')
    const names = (devices ?? [...(device ? [device] : []), ...(moreDevices ?? [])]).map(
      (d) => d.name,
    )
    if (names.length > 1 && names.includes(undefined))
      refuse('where a foot has several devices, each has a name')
    if (new Set(names).size < names.length) refuse('two devices of a foot have the same name')
  })
  .transform(({ devices, ...foot }) => {
    if (!devices) return foot
    const [device, ...moreDevices] = devices
    return { ...foot, device: device!, ...(moreDevices.length > 0 && { moreDevices }) }
  })

/** How somebody is reached. */
export const REACH_WAYS = ['telephone', 'message', 'mail', 'letter'] as const

export const clientSchema = z.strictObject({
  code: text(20).optional(),
  name: text(120).optional(),
  bornOn: isoDay.optional(),
  sex: z.enum(['female', 'male', 'other', 'unstated']).optional(),
  massKg: z.number().min(2).max(350).optional(),
  heightMm: z.number().min(400).max(2500).optional(),
  guardian: text(120).optional(),
  occupation: text(120).optional(),
  phone: text(40).optional(),
  mail: text(120).optional(),
  address: text(300).optional(),
  /** how they like to be reached */
  reachBy: z.enum(REACH_WAYS).optional(),
  /** told in whichever fitting; what a fitting's own story tells is added */
  conditions: z.array(z.enum(CONDITION_KINDS)).max(CONDITION_KINDS.length).optional(),
  history: historySchema.optional(),
  /** what the client agreed to, and when */
  consents: z
    .array(
      z.strictObject({
        what: text(120),
        on: isoDay.optional(),
        given: z.boolean().default(true),
        by: text(120).optional(),
      }),
    )
    .max(40)
    .optional(),
})

export const followupSchema = z.strictObject({
  on: isoDay,
  pain: z
    .array(
      z.strictObject({
        foot: z.enum(SIDES),
        at: z.enum(COMPLAINT_PLACES),
        score: z.number().min(0).max(10),
      }),
    )
    .max(40)
    .default([]),
  comfort: z.number().min(0).max(100).optional(),
  /** how long a day they were worn, and on how many days since the handover */
  hoursADay: z.number().min(0).max(24).optional(),
  daysUsed: z.number().int().min(0).max(2000).optional(),
  numbToes: z.enum(['no', 'left', 'right', 'both']).optional(),
  hotSpots: z.enum(['no', 'left', 'right', 'both']).optional(),
  wouldChange: text(300).optional(),
  /**
   * thickness of the liner at one marked place, as new and now, mm; with the days used it says how
   * it packs out
   */
  liner: z
    .strictObject({ newMm: z.number().min(0.5).max(60), nowMm: z.number().min(0).max(60) })
    .optional(),
  words: text(500).optional(),
})

export const handoverSchema = z.strictObject({
  on: isoDay.optional(),
  /** the footwear of the shop's came back: it lies on the shelf again */
  footwearBackOn: isoDay.optional(),
  ...gateFields,
  wearInStart: isoDay.optional(),
  nextVisitOn: isoDay.optional(),
  guaranteeUntil: isoDay.optional(),
  note: text(500).optional(),
  /** what the client does at home, in plain words; printed on the card */
  exercises: z
    .array(z.strictObject({ what: text(120), because: text(80).optional() }))
    .max(10)
    .optional(),
})

export const jobSchema = z.strictObject({
  step: text(120),
  foot: z.enum(SIDES).optional(),
  done: z.boolean().default(false),
  /** absent in older records: then `done` says it */
  state: z.enum(['open', 'running', 'done', 'skipped']).optional(),
  startedAt: text(40).optional(),
  doneAt: text(40).optional(),
  plannedMin: z.number().min(0).max(2880).optional(),
  /** hands or waiting it really took, min */
  actualMin: z.number().min(0).max(100_000).optional(),
  /** of a split step: what is left of it, and what was spent before */
  leftMin: z.number().min(0).max(2880).optional(),
  spentMin: z.number().min(0).max(100_000).optional(),
  redone: z.number().int().min(0).max(100).optional(),
  /** temperature of the side that touched sock or skin, measured before the foot went in */
  celsius: z.number().min(-20).max(300).optional(),
  reason: text(300).optional(),
  by: text(80).optional(),
  at: text(40).optional(),
})

/** What was promised and how it is made. */
export const makingSchema = z.strictObject({
  promisedOn: isoDay.optional(),
  promisedAt: z
    .string()
    .regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'write the time as HH:MM')
    .optional(),
  /** day it is planned on the bench */
  benchOn: isoDay.optional(),
  /** other ways of making a kind of device than the house's first, by kind */
  ways: z.record(text(40), text(40)).optional(),
  /** processes added by hand, as a liner mould */
  extra: z.array(text(40)).max(10).optional(),
  /** what a caliper read off the finished devices, the latest of each foot */
  checked: z
    .array(
      z.strictObject({
        foot: z.enum(SIDES),
        heelMm: z.number().min(0).max(90).optional(),
        archMm: z.number().min(0).max(90).optional(),
        postMm: z.number().min(0).max(90).optional(),
        by: text(80).optional(),
        at: text(40).optional(),
      }),
    )
    .max(2)
    .optional(),
})

export const decisionSchema = z.strictObject({
  code: text(80),
  foot: z.enum(['left', 'right', 'both']),
  /** which of several things with this code on this foot */
  about: text(80).optional(),
  decision: z.enum(['accepted', 'set-aside']),
  reason: text(300).optional(),
  /** what was said and done, kept for the day it no longer holds */
  words: text(600).optional(),
  school: text(20).optional(),
  made: text(200).optional(),
  /** what was decided on: where it was found, and the values that met limits */
  basis: z
    .strictObject({
      triggers: z.array(text(120)).max(40),
      values: z
        .array(z.strictObject({ words: text(200), value: finite, limit: finite, unit: text(20) }))
        .max(20),
    })
    .optional(),
  by: text(80).optional(),
  at: text(40).optional(),
})

/** The version of the record that this program writes; older ones are migrated on reading. */
export const RECORD_VERSION = 2

/**
 * The fitting record. Unknown keys are refused; everything but `format`, `version` and one foot has
 * a default or is optional.
 */
export const recordSchema = z.strictObject({
  format: z.literal('gentle-arch/fitting'),
  version: z.literal(RECORD_VERSION),
  shop: z
    .strictObject({
      name: text(120).optional(),
      fitter: text(80).optional(),
      fingersMm: z.strictObject({ one: finite.default(16), two: finite.default(33) }).optional(),
    })
    .optional(),
  client: clientSchema.optional(),
  visit: z.strictObject({ on: isoDay.optional(), reason: text(200).optional() }).optional(),
  story: storySchema.optional(),
  feet: z
    .strictObject({ left: footSchema.optional(), right: footSchema.optional() })
    .refine(
      (feet) => feet.left !== undefined || feet.right !== undefined,
      'feet needs left, right or both',
    ),
  legLengthDifferenceMm: z
    .strictObject({
      value: z.number().min(0).max(100),
      shorter: z.enum(SIDES),
      method: text(40).optional(),
      known: z.enum(['long-standing', 'new']).optional(),
      shownTwice: z.boolean().optional(),
      goneWhenLevelled: z.boolean().optional(),
    })
    .optional(),
  footwear: footwearSchema.optional(),
  orders: z.array(labOrderSchema).max(40).optional(),
  jobs: z.array(jobSchema).max(300).optional(),
  making: makingSchema.optional(),
  /** newest last */
  quotes: z.array(quoteSchema).max(30).optional(),
  handover: handoverSchema.optional(),
  /** what came back to the bench after that, oldest first */
  rounds: roundsSchema.optional(),
  followups: z.array(followupSchema).max(60).optional(),
  ledger: z.array(decisionSchema).max(300).optional(),
  /** the table of norms this fitting is judged by; the house defaults where absent */
  norms: normsSchema.optional(),
})

export { captureSchema, complaintSchema, findingsSchema, storySchema }
export { CHECK_PLACES, footwearSchema, shellCheckSchema } from './footwearSchema'
export type {
  Footwear,
  HotSpot,
  ShellCheck,
  BroughtFootwear,
  ShellWork,
  TryOn,
  TryOnReading,
} from './footwearSchema'
export type { Quote, QuoteLine } from './quoteSchema'
export type { Round } from './roundSchema'
export type { Mark } from '../kinds/findings/markSchema'
export type { Findings } from '../kinds/findings/all'
export type { Complaint, Story } from './storySchema'
export type FittingRecord = z.output<typeof recordSchema>
export type Foot = z.output<typeof footSchema>
export type Reading = z.output<typeof readingSchema>
export type Device = z.output<typeof deviceSchema>
export type DeviceVersion = z.output<typeof deviceVersionSchema>
export type LabAnswer = z.output<typeof labAnswerSchema>
export type LabOrder = z.output<typeof labOrderSchema>
export type Post = z.output<typeof postSchema>
export type Client = z.output<typeof clientSchema>
export type Followup = z.output<typeof followupSchema>
export type Handover = z.output<typeof handoverSchema>
export type Job = z.output<typeof jobSchema>
export type Making = z.output<typeof makingSchema>
export type Decision = z.output<typeof decisionSchema>
