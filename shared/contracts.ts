import { z } from 'zod'
import type { Caution } from '../core/advice/cautions'
import { dayPlanSchema, type DayPlan } from '../core/bench/dayPlan'
import { ownActivitySchema } from '../core/kinds/activities/own'
import type { StepTime } from '../core/bench/durations'
import type { BenchStep } from '../core/bench/jobSteps'
import type { BenchResource } from '../core/tables/benchResources'
import type { Process } from '../core/tables/processes'
import type { Wearer } from '../core/record/stepState'
import type { DueItem } from '../core/followup/due'
import { shopTablesSchema, type ShopKey, type ShopTables } from '../core/record/tables'
import { commandSchema } from '../core/record/commands'
import type { PartName } from '../core/record/parts'
import { isoDay } from '../core/record/isoDay'
import {
  clientSchema,
  deviceSchema,
  type Client,
  type Device,
  type Making,
} from '../core/record/schema'
import { SIDES, type Side } from '../core/tables/vocabulary'
import { READ_TWICE, type ReadTwiceKind } from '../core/measure/readTwice'
import { ROLES, type Role } from './permissions'
import { workingSchema, type Hours, type Skill } from './shopDetails'

/** What travels between browser and server. */
export const signInBody = z.strictObject({
  login: z.string().min(1).max(80),
  password: z.string().max(200).default(''),
  understood: z.literal(true, 'Tick that local law and licence come first.'),
  /** where this device stands, as it was told last */
  place: z.uuid().optional(),
})

const placeName = z
  .string()
  .trim()
  .min(1, 'Give the place a name.')
  .max(60, 'A name of 60 letters at most.')
export const placeBody = z.strictObject({ name: placeName })
/** Where to: a place of the shop. */
export const toPlaceBody = z.strictObject({ place: z.uuid() })
export const usualPlaceBody = z.strictObject({ person: z.uuid(), place: z.uuid().nullable() })

/** A place of the shop. */
export interface Place {
  id: string
  name: string
}
/** The shop's places, and where everybody usually works; null: anywhere. */
export interface PlacesState {
  places: Place[]
  people: { id: string; name: string; placeId: string | null }[]
}

const newLogin = z
  .string()
  .regex(/^[a-z0-9.-]{2,40}$/, 'Sign-in name: 2 to 40 small letters, digits, points or dashes.')
const newPassword = z.string().min(10, 'Choose at least 10 characters.').max(200)

export const firstOwnerBody = z.strictObject({
  code: z.string().min(1).max(80),
  name: z.string().min(1).max(80),
  login: newLogin,
  password: newPassword,
})
/** Somebody who was invited, or forgot their password: the code opens, name and password are theirs. */
export const claimBody = z.strictObject({
  code: z.string().min(1).max(80),
  login: newLogin,
  password: newPassword,
})

export const unlockBody = z.strictObject({
  pin: z.string().max(20).optional(),
  password: z.string().max(200).optional(),
})

export const pinBody = z.strictObject({
  pin: z
    .string()
    .regex(/^\d{4,8}$/, 'A PIN has 4 to 8 digits.')
    .nullable(),
  password: z.string().max(200).default(''),
})

export const endSessionsBody = z.strictObject({
  of: z.enum(['mine', 'shop']),
  session: z.uuid().optional(),
})

export const lockBody = z.strictObject({
  minutes: z.int().min(1, 'At least 1 minute.').max(120, 'At most 120 minutes.'),
})

export const newClientBody = z.strictObject({
  details: clientSchema.extend({ name: z.string().trim().min(1, 'A name is needed.').max(120) }),
  reason: z.string().max(200).optional(),
})

export const commandBody = z.strictObject({
  id: z.uuid(),
  /** version of the part the screen had before this change; 0 when it did not exist */
  version: z.number().int().min(0),
  command: commandSchema,
  /** how long it waited on the device for the line, ms: it was made so long ago */
  waitedMs: z.number().int().min(0).max(86_400_000).default(0),
})

/** Fields of a client that changed, each with what it was and what it is; null where there is none. */
export const clientChangeBody = z.strictObject({
  changes: z.partialRecord(
    clientSchema.omit({ code: true }).keyof(),
    z.strictObject({ from: z.unknown().optional(), to: z.unknown().optional() }),
  ),
})
export type ClientChanges = z.output<typeof clientChangeBody>['changes']
export const VISIT_STATES = ['to-come', 'waiting', 'now', 'seen', 'cancelled', 'absent'] as const
const booking = {
  /** when it begins, with its zone; null: it waits for a day */
  startsAt: z.iso.datetime({ offset: true }).nullable(),
  minutes: z.number().int().min(5).max(480),
  reason: z.string().trim().max(200),
  /** with whom; nobody in particular where null */
  personId: z.uuid().nullable(),
  /** in which chair of the place, from 1; in whichever is free where null */
  chair: z.int().min(1).max(20).nullable(),
}
/**
 * A visit of a client, also of one who is new: of a fitting of theirs, or of the newest. Clashes are told unless
 * it is booked all the same.
 */
export const bookVisitBody = z
  .strictObject({
    clientId: z.uuid().optional(),
    fittingId: z.uuid().optional(),
    newClient: newClientBody.shape.details.optional(),
    ...booking,
    chair: booking.chair.default(null),
    anyway: z.boolean().default(false),
  })
  .refine(
    ({ clientId, fittingId, newClient }) => clientId ?? fittingId ?? newClient,
    'say whose visit it is',
  )
export const visitChangeBody = z
  .strictObject({
    state: z.enum(VISIT_STATES).optional(),
    startsAt: booking.startsAt.optional(),
    minutes: booking.minutes.optional(),
    reason: booking.reason.optional(),
    personId: booking.personId.optional(),
    chair: booking.chair.optional(),
    /** why it was called off */
    note: z.string().trim().max(200).optional(),
    anyway: z.boolean().default(false),
    version: z.number().int().min(0),
  })
  .refine((body) => Object.keys(body).length > 2, 'say what changes')

/** A time at which somebody is not to be had, as a calendar file says it: the file's own name for it, and from when to when. */
const busyTime = z
  .strictObject({
    uid: z.string().min(1).max(300),
    startsAt: z.iso.datetime({ offset: true }),
    endsAt: z.iso.datetime({ offset: true }),
  })
  .refine(({ startsAt, endsAt }) => Date.parse(startsAt) < Date.parse(endsAt), {
    path: ['endsAt'],
    message: 'it has to end after it begins',
  })
/** All that a person’s own calendar says from now on: what was read before gives way. */
export const busyBody = z.strictObject({
  personId: z.uuid(),
  times: z.array(busyTime).max(2000),
})
export type BusyTime = z.output<typeof busyTime>

/** Somebody new: they choose name and password themselves, with the code. */
export const inviteBody = z.strictObject({
  name: z.string().trim().min(1).max(120),
  role: z.enum(ROLES),
})
export const personChangeBody = z.strictObject({
  name: z.string().trim().min(1).max(120).optional(),
  role: z.enum(ROLES).optional(),
  skills: workingSchema.skills.optional(),
  hours: workingSchema.hours.optional(),
  daysOff: workingSchema.daysOff.optional(),
})
export const passwordBody = z.strictObject({ password: z.string().max(200), next: newPassword })

/** Somebody of a shop, as the owner's list shows them. */
export interface PersonRow {
  id: string
  name: string
  role: Role
  login: string
  placeId: string | null
  skills: Skill[]
  hours: Hours
  daysOff: { from: string; to: string }[]
  /** invited, at work, or gone */
  state: 'invited' | 'here' | 'left'
  /** until when the code opens; null where none waits */
  codeUntil: string | null
  leftAt: string | null
}

export const newFittingBody = z.strictObject({
  activity: z.string().max(60).optional(),
  ownActivity: ownActivitySchema.optional(),
  /** an earlier fitting of this client whose readings and findings go along */
  copyFrom: z.uuid().optional(),
})

export const normsBody = z.strictObject({
  basedOn: z.number().int().min(1),
  norms: shopTablesSchema.extend({
    source: z
      .string()
      .trim()
      .min(3, 'Say why this table differs and where its values come from.')
      .max(300),
  }),
})

/** A version of a shop's tables. */
export interface TablesVersion {
  norms: ShopTables
  madeBy: string | null
  madeAt: string
}

export const presetBody = z.strictObject({
  name: z.string().trim().min(2, 'Give the preset a name of two letters or more.').max(60),
  device: deviceSchema,
  note: z.string().max(200).default(''),
})

/** A device that the shop keeps to start others from; no client in it. */
export interface PresetRow {
  id: string
  name: string
  note: string
  device: Device
  madeBy: string | null
  madeAt: string
}

export const orderBody = z.strictObject({
  /** made with the order: asked again under the same id, it is never ordered twice */
  id: z.uuid().optional(),
  feet: z.array(z.enum(SIDES)).min(1, 'Choose at least one foot.').max(2),
  note: z.string().max(500).default(''),
  wantedOn: isoDay.optional(),
  /** an earlier order that is made anew, and why */
  remakeOf: z.string().max(40).optional(),
  remakeWhy: z.string().trim().max(300).optional(),
})

/** An answer to what the lab asked back about an order. */
export const orderReplyBody = z.strictObject({
  order: z.string().max(40),
  replies: z
    .array(
      z.strictObject({
        foot: z.enum(['left', 'right', 'both']),
        code: z.string().max(40),
        words: z.string().trim().min(1, 'Write an answer.').max(300),
      }),
    )
    .min(1, 'Answer at least one question.')
    .max(40),
})

export const orderCancelBody = z.strictObject({ order: z.string().max(40) })

export const doubleReadingBody = z.strictObject({
  what: z.enum(READ_TWICE),
  /** whose foot, by client code and side; no name */
  subject: z.string().trim().min(1).max(40),
  first: z.number(),
  second: z.number(),
  takenOn: isoDay,
})

const timerMinutes = z
  .number()
  .min(0.05, 'A timer runs for at least three seconds.')
  .max(1440, 'A timer runs for a day at most.')
export const timerBody = z.strictObject({
  id: z.uuid(),
  name: z.string().trim().min(1).max(80),
  minutes: timerMinutes,
  fittingId: z.uuid().optional(),
  step: z.string().max(80).optional(),
})
export const timerChangeBody = z.discriminatedUnion('do', [
  z.strictObject({ do: z.enum(['pause', 'resume', 'stop']) }),
  z.strictObject({ do: z.literal('extend'), minutes: timerMinutes }),
  z.strictObject({ do: z.literal('rename'), name: z.string().trim().min(1).max(80) }),
])

export const planBody = z.strictObject({
  day: isoDay,
  version: z.number().int().min(0),
  /** the plan that this one was made from, so that another's changes meanwhile stand beside it */
  was: dayPlanSchema.optional(),
  plan: dayPlanSchema,
})

export interface PlanRow {
  version: number
  plan: DayPlan
  by: string | null
}

/** A client as a search shows them, with their newest fitting. */
export interface FoundClient {
  id: string
  code: string
  name: string
  bornOn: string | null
  occupation: string | null
  phone: string | null
  fittingId: string | null
  openedOn: string | null
}

/** A fitting with something left to make. */
export interface BenchJobRow {
  id: string
  code: string
  name: string | null
  kinds: string[]
  /** where it is made */
  placeId: string
  steps: BenchStep[]
  /** minutes of hands left, where its steps were left out: it is far from the day asked for */
  handsMin?: number
  promisedOn?: string
  promisedAt?: string
  benchOn?: string
  making: Making
  makingVersion: number
  jobsVersion: number
  blocked: boolean
  wearer: Wearer
}

/** Everything of a day at the bench. */
export interface BenchState {
  day: string
  today: string
  resources: BenchResource[]
  processes: Process[]
  people: { name: string; role: Role }[]
  jobs: BenchJobRow[]
  visits: {
    id: string
    job: string
    code: string
    name: string | null
    startsAt: string
    minutes: number
    state: HeldState
    reason: string
  }[]
  times: StepTime[]
  plan: PlanRow
}

/** Something due, with whose it is. */
export type DueRow = DueItem & {
  fittingId: string
  clientId: string
  code: string
  name: string
  phone: string | null
  /** why no letter can go; null where one may */
  unreminded: string | null
  /** what was done about it last */
  mark: { state: DueMarkState; until: string | null; note: string; by: string; at: string } | null
}

/** What is done about something that is due: rung for, told, put off to a day, done, and open again. */
export const DUE_MARKS = ['called', 'told', 'later', 'done', 'open'] as const
export type DueMarkState = (typeof DUE_MARKS)[number]
const dueKey = { fittingId: z.uuid(), key: z.string().min(1).max(120) }
export const dueMarkBody = z
  .strictObject({
    ...dueKey,
    state: z.enum(DUE_MARKS),
    until: isoDay.optional(),
    note: z.string().trim().max(200).optional(),
  })
  .refine(({ state, until }) => state !== 'later' || until !== undefined, {
    path: ['until'],
    message: 'say until when',
  })
export const remindBody = z.strictObject(dueKey)

/** A letter to a client, and what became of it. */
export interface LetterRow {
  id: string
  to: string
  code: string
  name: string
  subject: string
  state: 'waiting' | 'sent' | 'failed'
  madeBy: string
  madeAt: string
  sentAt: string | null
  problem: string | null
}

const heatReading = z.strictObject({
  minutes: z.number().min(0).max(2880),
  celsius: z.number().min(-50).max(1000),
  drive: z.number().min(0).max(100_000).default(1),
})
export const heatLogBody = z.strictObject({
  id: z.uuid(),
  name: z.string().trim().min(1).max(80),
  apparatus: z.string().trim().min(1).max(40),
  window: z.string().max(40).optional(),
  fittingId: z.uuid().optional(),
})
export const heatChangeBody = z.discriminatedUnion('do', [
  z.strictObject({ do: z.literal('add'), readings: z.array(heatReading).min(1).max(600) }),
  z.strictObject({ do: z.literal('strike'), minutes: z.number() }),
  z.strictObject({ do: z.literal('stop') }),
])

/** A log of heat: readings of one piece in one apparatus. */
export interface HeatLogRow {
  id: string
  name: string
  apparatus: string
  window: string | null
  fittingId: string | null
  startedAt: string
  stoppedAt: string | null
  by: string | null
  readings: z.output<typeof heatReading>[]
}

export const stockBody = z.strictObject({
  model: z.string().min(1).max(80),
  sizeMm: z.number().min(100).max(400),
  count: z.number().int().min(0).max(9999),
})
/** Pairs on the shelves of other places: by model, size in mm and place. */
export type StockElsewhere = Record<string, Record<string, Record<string, number>>>
/** Fittings that chose a pair and have not taken it yet, by model and size in mm. */
export type Reserved = Record<string, Record<string, string[]>>
export const modelIdBody = z.strictObject({ model: z.string().min(1).max(80) })

/** A fitter's own fingers behind a heel, mm: one, and two side by side. */
export const fingersBody = z
  .strictObject({
    one: z
      .number()
      .min(8, 'A finger is 8 to 30 mm thick.')
      .max(30, 'A finger is 8 to 30 mm thick.'),
    two: z.number().min(16, 'Two fingers are 16 to 60 mm.').max(60, 'Two fingers are 16 to 60 mm.'),
  })
  .refine((f) => f.two > f.one, 'Two fingers must be more than one.')

export const photoBody = z.strictObject({
  words: z.string().max(120).default(''),
  data: z.base64().max(11_500_000),
})

export const scanQuery = z.object({
  /** made where the scan was taken: sent again under it, it is kept once */
  id: z.uuid().optional(),
  name: z.string().min(1).max(200),
  side: z.enum(['left', 'right']).optional(),
  unit: z.enum(['mm', 'cm', 'm', 'in']),
  points: z.coerce.number().int().min(1).max(20_000_000),
  triangles: z.coerce.number().int().min(0).max(20_000_000),
})

export interface ScanRow {
  id: string
  side: Side | null
  name: string
  format: string
  unit: string
  points: number
  triangles: number
  sha256: string
  size: number
  madeBy: string | null
  madeAt: string
}

export interface DoubleReading {
  id: string
  fitter: string
  what: ReadTwiceKind
  subject: string
  first: number
  second: number
  takenOn: string
}

export interface PhotoRow {
  id: string
  words: string
  width: number
  height: number
  bytes: number
  madeBy: string | null
  madeAt: string
}

export interface FittingRow {
  id: string
  openedOn: string
  activity: string | null
}

export interface Person {
  id: string
  name: string
  role: Role
}

export interface PartState {
  content: unknown
  version: number
  changedBy: string | null
  changedAt: string
}

export interface FittingState {
  id: string
  client: { id: string; code: string; version: number; details: Client }
  openedOn: string
  /** where it is made */
  placeId: string
  /** the shop, with the tables that are its own of today whatever day the fitting is from */
  shop: { name: string; tables: Pick<ShopTables, ShopKey> }
  parts: Partial<Record<PartName, PartState>>
  /** cautions of the whole record, so that a role that does not see the story still sees them */
  cautions: Caution[]
  /** making waits for a clearance */
  blocked: boolean
  /** what the skin's limit at the bench depends on */
  wearer: Wearer
}

export type VisitState = (typeof VISIT_STATES)[number]
/** Of a visit that is still to be, or has been. */
export type HeldState = Exclude<VisitState, 'cancelled' | 'absent'>

export interface VisitRow {
  id: string
  fittingId: string
  clientId: string
  code: string
  name: string | null
  occupation: string | null
  bornOn: string | null
  startsAt: string
  minutes: number
  reason: string
  state: VisitState
  version: number
  placeId: string
  /** with whom it is booked */
  personId: string | null
  personName: string | null
  /** the chair of the place, from 1; whichever is free where null */
  chair: number | null
  /** since when it stands as it does: who waits, waits since then */
  standsSince: string
  /** why it was called off */
  note: string
  stations: number[]
  /** somebody else looks first: making waits */
  blocked: boolean
}

/** A fitting that is begun and not with its client. */
export interface UnfinishedRow {
  fittingId: string
  clientId: string
  code: string
  name: string
  /** begun on, or come back on, YYYY-MM-DD */
  since: string
  /** it was handed over before, and came back */
  isRound: boolean
  placeId: string
  stations: number[]
}

/** A visit that waits for a day. */
export type DaylessVisit = Omit<VisitRow, 'startsAt'> & { startsAt: null }

/** Some days of a place, or of the whole shop. */
export interface CalendarState {
  /** the first, YYYY-MM-DD */
  from: string
  days: number
  today: string
  visits: VisitRow[]
  waiting: DaylessVisit[]
  busy: (Pick<BusyTime, 'startsAt' | 'endsAt'> & { personId: string })[]
  /** who sees clients here, and when they are there */
  people: Pick<PersonRow, 'id' | 'name' | 'hours' | 'daysOff'>[]
  chairs: number
  hours: Hours
}

/** A backup that was tried. */
export interface BackupRow {
  at: string
  file: string
  bytes: number | null
  /** why there is none; null where it was read back and is good */
  problem: string | null
}

/** Where somebody is signed in. */
export interface SessionRow {
  id: string
  name: string
  device: string
  begunAt: string
  touchedAt: string
  isLocked: boolean
  isThis: boolean
}

export interface Problem {
  type: string
  title: string
  status: number
  detail: string
  code: string
  path?: string
  current?: PartState
}
