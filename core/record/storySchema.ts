import { z } from 'zod'
import {
  ABILITIES,
  COMPLAINT_PLACES,
  FORCES,
  HISTORY_KINDS,
  INTENTS,
  SCHOOLS,
  SIDES,
  WHEN_IT_HURTS,
} from '../tables/vocabulary'
import { ownActivitySchema } from '../kinds/activities/own'
import { isoDay } from './isoDay'
import { SIGN_KINDS } from '../kinds/signs/all'
import { CONDITION_KINDS } from '../kinds/conditions/all'

const text = (max: number) => z.string().max(max)

export const complaintSchema = z.strictObject({
  foot: z.enum(SIDES),
  at: z.enum(COMPLAINT_PLACES),
  score: z.number().min(0).max(10).optional(),
  words: text(300).optional(),
  when: z.enum(WHEN_IT_HURTS).optional(),
  numb: z.boolean().optional(),
})

/** What happened to a client before: it is theirs, whatever the fitting. */
export const historySchema = z
  .array(
    z.strictObject({
      kind: z.enum(HISTORY_KINDS),
      what: text(120),
      foot: z.enum(SIDES).optional(),
      on: text(20).optional(),
    }),
  )
  .max(20)

export const storySchema = z.strictObject({
  activity: text(60).optional(),
  /** the shop's own activity; counts while `activity` is the kind that it is like */
  ownActivity: ownActivitySchema.optional(),
  ability: z.enum(ABILITIES).optional(),
  intent: z.enum(INTENTS).optional(),
  hours: z.number().min(0).max(24).optional(),
  daysPerWeek: z.number().min(0).max(7).optional(),
  terrain: text(80).optional(),
  force: z.enum(FORCES).optional(),
  wears: z
    .strictObject({
      what: text(120).optional(),
      size: text(40).optional(),
      since: text(60).optional(),
    })
    .optional(),
  goal: text(500).optional(),
  complaints: z.array(complaintSchema).max(30).default([]),
  conditions: z.array(z.enum(CONDITION_KINDS)).default([]),
  history: historySchema.optional(),
  /** day on which conditions and history were told, or said to be still so */
  healthOn: isoDay.optional(),
  /** answers to the questions asked before anything is made; what was not asked is absent */
  signs: z.partialRecord(z.enum(SIGN_KINDS), z.enum(['yes', 'no'])).optional(),
  /** day on which these questions were asked last */
  signsOn: isoDay.optional(),
  /** somebody entitled to it has looked at these reasons and lets making go on */
  clearances: z
    .array(
      z.strictObject({
        code: text(80),
        by: text(120),
        on: text(20),
        words: text(300).optional(),
        recordedBy: text(80).optional(),
      }),
    )
    .max(40)
    .optional(),
  school: z.enum(SCHOOLS).optional(),
})

export type Complaint = z.output<typeof complaintSchema>
export type Story = z.output<typeof storySchema>
