import type { LengthAt } from '../../core/followup/growth'
import { bestMean } from '../../core/measure/reading'
import type { Foot } from '../../core/record/schema'
import type { Side } from '../../core/tables/vocabulary'
import type { Client } from './pool'
import { partContent } from './storedParts'

/**
 * All standing (else sitting) foot lengths of a client that the shop has, by side, oldest first.
 */
export async function lengthsOf(
  db: Client,
  shopId: string,
  clientIds: readonly string[],
): Promise<Map<string, Record<Side, LengthAt[]>>> {
  const { rows } = await db.query(
    `select f.client_id, f.opened_on, p.part, p.content, p.record_version from fittings f join fitting_parts p on p.fitting_id = f.id
     where f.shop_id = $1 and f.client_id = any($2::uuid[]) and p.part in ('readings.left', 'readings.right')
     order by f.opened_on, f.created_at`,
    [shopId, clientIds],
  )
  const out = new Map<string, Record<Side, LengthAt[]>>()
  for (const r of rows) {
    const side = (r.part as string).slice(9) as Side
    const lengthMm = bestMean(
      { readings: partContent(r.part, r.content, r.record_version) } as Foot,
      'footLengthMm',
      'standing',
    )
    if (lengthMm === undefined) continue
    const own = out.get(r.client_id) ?? { left: [], right: [] }
    own[side] = [...own[side].filter((l) => l.on !== r.opened_on), { on: r.opened_on, lengthMm }]
    out.set(r.client_id, own)
  }
  return out
}
