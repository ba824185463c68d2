import type { OwnShare } from '../../core/measure/ownNorms'
import { inThread } from '../work/pool'
import { freshest } from './freshest'
import { database } from './pool'
import { currentTables } from './shopTables'

/** So long the shares that were put together last are told again, ms: they move slowly. */
const KEPT_MS = 10 * 60_000
const told = new Map<string, { from: string; at: number; shares: OwnShare[] }>()

/**
 * How the shop's clients lie, each as last measured: shares of foot length without a name, put
 * together beside everybody's work.
 */
export const ownNormsOf = freshest(async (shopId: string): Promise<OwnShare[]> => {
  const db = database()
  const { ownRecords } = await currentTables(db, shopId)
  const from = JSON.stringify(ownRecords)
  const known = told.get(shopId)
  if (known?.from === from && Date.now() - known.at < KEPT_MS) return known.shares
  // As one text: to read tens of thousands of rows would hold up everybody.
  const { rows } = await db.query<{ all: string }>(
    `select '[' || coalesce(string_agg(one::text, ','), '') || ']' as all
     from (
       select jsonb_build_object(
         'bornOn', c.details ->> 'bornOn', 'on', f.opened_on,
         'parts', jsonb_agg(jsonb_build_object(
           'part', p.part, 'content', p.content, 'recordVersion', p.record_version))) as one
       from clients c
       cross join lateral (
         select id, opened_on from fittings
         where client_id = c.id and exists (
           select 1 from fitting_parts r
           where r.fitting_id = fittings.id and r.part in ('readings.left', 'readings.right')
             and r.content <> '[]')
         order by opened_on desc, created_at desc
         limit 1
       ) f
       join fitting_parts p on p.fitting_id = f.id and p.part in ('readings.left', 'readings.right')
       where c.shop_id = $1
       group by c.id, f.id, f.opened_on
     ) clients`,
    [shopId],
  )
  const shares = await inThread('ownNorms', [rows[0]!.all, ownRecords])
  told.set(shopId, { from, at: Date.now(), shares })
  return shares
})
