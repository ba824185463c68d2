import { ownShares, type OwnClient, type OwnShare } from '../../core/measure/ownNorms'
import { partContent } from '../database/storedParts'
import type { ShopTables } from '../../core/record/tables'
import type { PartContent } from '../../core/record/parts'

/** One client's readings as the database tells them. */
interface Told {
  bornOn: string | null
  on: string
  parts: { part: 'readings.left' | 'readings.right'; content: unknown; recordVersion: number }[]
}

/** How a shop's clients lie, from the text that the database tells them by. */
export function ownNorms(text: string, own: ShopTables['ownRecords']): OwnShare[] {
  const clients = (JSON.parse(text) as Told[]).map(({ bornOn, on, parts }): OwnClient => ({
    bornOn: bornOn ?? undefined,
    on,
    feet: Object.fromEntries(
      parts.map(({ part, content, recordVersion }) => [
        part.split('.')[1]!,
        {
          readings: partContent(part, content, recordVersion) as PartContent<'readings.left'>,
        },
      ]),
    ),
  }))
  return ownShares(clients, own)
}
