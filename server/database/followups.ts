import type { LengthAt } from '../../core/followup/growth'
import { bestMean } from '../../core/measure/reading'
import { joinRecord } from '../../core/record/parts'
import type { FittingRecord, Foot } from '../../core/record/schema'
import type { Side } from '../../core/tables/vocabulary'
import type { Client } from './pool'
import { partContent, PARTS_COLUMN, partsOf } from './storedParts'

const PARTS = [
  'story',
  'device.left',
  'device.right',
  'versions.left',
  'versions.right',
  'footwear',
  'jobs',
  'making',
  'norms',
  'handover',
  'followups',
  'readings.left',
  'readings.right',
  'visit',
]

/** Handed-over fittings of the last two years as records without shapes, newest first. */
export async function handedOver(
  db: Client,
  shopId: string,
  today: string,
): Promise<
  { fittingId: string; clientId: string; code: string; name: string; record: FittingRecord }[]
> {
  const { rows } = await db.query(
    `select f.id, f.opened_on, c.id as client_id, c.code, c.name, c.details, ${PARTS_COLUMN} as parts
     from fittings f join clients c on c.id = f.client_id join fitting_parts p on p.fitting_id = f.id
     where f.shop_id = $1 and f.opened_on > $2::date - 730 and p.part = any($3)
     group by f.id, c.id having bool_or(p.part = 'handover' and p.content ? 'on') order by f.opened_on desc limit 5000`,
    [shopId, today, PARTS],
  )
  return rows.map((r) => {
    const parts = partsOf(r.parts)
    return {
      fittingId: r.id,
      clientId: r.client_id,
      code: r.code,
      name: r.name,
      record: joinRecord({ ...parts, visit: { ...parts.visit, on: r.opened_on } }, r.details),
    }
  })
}

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
