import { labFeet, labFootwear } from '../../core/formats/labOrder'
import type { FittingRecord, LabAnswer, LabOrder } from '../../core/record/schema'
import type { OrderedFile } from '../work/deviceFiles'
import type { FootwearModel } from '../../core/footwear/catalogueSchema'
import { lab, LabRefused } from './adapter'

/** What stands behind an order beside the order itself. */
export interface Ordered {
  record: FittingRecord
  models: readonly FootwearModel[]
  shop: string
  /** the client's code; a name never goes out */
  code: string
  on: string
  files: OrderedFile[]
  prescription: unknown
}

/** A lab that cannot be reached, or that says no to the order itself, as an answer. */
export const asAnswer = (error: Error): LabAnswer => ({
  status: error instanceof LabRefused ? 'refused' : 'no answer',
  queries: [],
})

/** Sends an order to the lab under its own id, and says what became of it. */
export async function sendOrder(
  order: LabOrder,
  { record, models, shop, code, on, files, prescription }: Ordered,
): Promise<LabOrder> {
  const answer = await lab()
    .send({
      format: 'gentle-arch/lab-order',
      version: 2,
      order: order.id,
      on,
      shop,
      client: { code, ...(record.client?.massKg && { massKg: record.client.massKg }) },
      note: order.note ?? '',
      wantedOn: order.wantedOn ?? null,
      remake: order.remakeOf ? { of: order.remakeOf, why: order.remakeWhy ?? '' } : null,
      footwear: labFootwear(record, models),
      feet: labFeet(record, order.feet),
      replies: (order.replies ?? []).map(({ foot, code: asked, words }) => ({
        foot,
        code: asked,
        words,
      })),
      prescription,
      files,
    })
    .catch(asAnswer)
  return { ...order, answer }
}
