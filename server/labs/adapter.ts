import { z } from 'zod'
import { labAnswerSchema, type LabAnswer } from '../../core/record/schema'
import { standinLab } from '../standins/lab'

/** An order as it leaves the shop: a code, never a name; files go along as base64. */
export const labOrderFormat = z.strictObject({
  format: z.literal('gentle-arch/lab-order'),
  version: z.literal(1),
  order: z.string(),
  on: z.string(),
  shop: z.string(),
  client: z.strictObject({ code: z.string(), massKg: z.number().optional() }),
  note: z.string(),
  /** the prescription document of the pair, as in prescription.json */
  prescription: z.unknown(),
  files: z.array(z.strictObject({ name: z.string(), sha256: z.string(), base64: z.string() })),
})
export type OutgoingOrder = z.output<typeof labOrderFormat>

/** What a lab itself may say of an order. */
const labSays = labAnswerSchema.extend({ status: z.enum(['accepted', 'queries']) })

/** The lab said no to the order itself: sending the same again is no use. */
export class LabRefused extends Error {}

/** A lab takes an order and answers with what it asks back, or with a day. */
export interface LabAdapter {
  name: string
  send: (order: OutgoingOrder) => Promise<LabAnswer>
}

const SECONDS = 20

/**
 * A lab that takes orders over HTTP: the order is posted as JSON, the answer is JSON of the same
 * contract as the stand-in's. Its own id, `order`, stays when it is asked again: a lab that has it
 * answers for it and makes nothing twice.
 */
const httpLab = (url: string): LabAdapter => ({
  name: new URL(url).hostname,
  async send(order) {
    const answer = await fetch(url, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(order),
      signal: AbortSignal.timeout(SECONDS * 1000),
    })
    const { status } = answer
    if (status >= 400 && status < 500 && status !== 408 && status !== 429)
      throw new LabRefused(`the lab answered ${status}`)
    if (!answer.ok) throw new Error(`the lab answered ${status}`)
    return labSays.parse(await answer.json())
  },
})

/** The stand-in takes the same document, as text, and its answer passes the same contract. */
const houseLab: LabAdapter = {
  name: 'Stand-in lab',
  send: async (order) => labSays.parse(JSON.parse(standinLab(JSON.stringify(order)))),
}

/** The lab of this installation: the one at LAB_URL, else the stand-in that ships with the app. */
export const lab = (): LabAdapter => (process.env.LAB_URL ? httpLab(process.env.LAB_URL) : houseLab)
