import { z } from 'zod'
import { labAnswerSchema, type LabAnswer } from '../../core/record/schema'
import { standinLab } from '../standins/lab'

/** An order as it leaves the shop: a code, never a name; files go along as base64. */
export const labOrderFormat = z.strictObject({
  format: z.literal('gentle-arch/lab-order'),
  version: z.literal(2),
  order: z.string(),
  on: z.string(),
  shop: z.string(),
  client: z.strictObject({ code: z.string(), massKg: z.number().optional() }),
  note: z.string(),
  /** day it is wanted for */
  wantedOn: z.string().nullable(),
  /** the order that this one makes anew, and why */
  remake: z.strictObject({ of: z.string(), why: z.string() }).nullable(),
  footwear: z.unknown(),
  /** readings, surface and way of making of each foot */
  feet: z.unknown(),
  /** what was answered to the lab's own questions */
  replies: z.array(z.strictObject({ foot: z.string(), code: z.string(), words: z.string() })),
  /** the prescription document of the pair, as in prescription.json */
  prescription: z.unknown(),
  files: z.array(z.strictObject({ name: z.string(), sha256: z.string(), base64: z.string() })),
})
export type OutgoingOrder = z.output<typeof labOrderFormat>

/** What a lab itself may say of an order. */
const labSays = labAnswerSchema.extend({ status: z.enum(['accepted', 'queries', 'cancelled']) })

/** The lab said no to the order itself: sending the same again is no use. */
export class LabRefused extends Error {}

/** A lab takes an order and answers with what it asks back, or with a day. */
export interface LabAdapter {
  name: string
  send: (order: OutgoingOrder) => Promise<LabAnswer>
  /** Takes an order back; the lab answers with what has become of it. */
  cancel: (cancel: OrderCancel) => Promise<LabAnswer>
}

/** An order that is taken back, as it leaves the shop. */
export interface OrderCancel {
  format: 'gentle-arch/lab-cancel'
  version: 1
  order: string
  on: string
  /** the day that the lab had promised */
  dueOn: string | null
}

const SECONDS = 20

/**
 * A lab that takes orders over HTTP: the order is posted as JSON, the answer is JSON of the same
 * contract as the stand-in's. Its own id, `order`, stays when it is asked again: a lab that has it
 * answers for it and makes nothing twice.
 */
const httpLab = (url: string): LabAdapter => {
  const ask = async (document: OutgoingOrder | OrderCancel): Promise<LabAnswer> => {
    const answer = await fetch(url, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(document),
      signal: AbortSignal.timeout(SECONDS * 1000),
    })
    const { status } = answer
    if (status >= 400 && status < 500 && status !== 408 && status !== 429)
      throw new LabRefused(`the lab answered ${status}`)
    if (!answer.ok) throw new Error(`the lab answered ${status}`)
    return labSays.parse(await answer.json())
  }
  return { name: new URL(url).hostname, send: ask, cancel: ask }
}

/** The stand-in takes the same document, as text, and its answer passes the same contract. */
const askHouse = async (document: OutgoingOrder | OrderCancel): Promise<LabAnswer> =>
  labSays.parse(JSON.parse(standinLab(JSON.stringify(document))))
const houseLab: LabAdapter = { name: 'Stand-in lab', send: askHouse, cancel: askHouse }

/** The lab of this installation: the one at LAB_URL, else the stand-in that ships with the app. */
export const lab = (): LabAdapter => (process.env.LAB_URL ? httpLab(process.env.LAB_URL) : houseLab)
