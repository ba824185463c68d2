import { getQuery } from 'h3'
import { z } from 'zod'
import { parseWith } from '../../core/record/parse'
import { database } from '../database/pool'
import { unfinished } from '../database/visits'
import { localDay } from '../http/day'
import { route } from '../http/route'

const query = z.object({
  from: z.coerce.number().int().min(0).max(10_000_000).default(0),
  at: z.string().max(20).optional(),
})

/** More of what is unfinished at this place, or with `at=all` everywhere: the lines from `from` on. */
export default route({ permission: 'today.see' }, async ({ event, person }) => {
  const { from, at } = parseWith(query, getQuery(event), 'query')
  const { shopId, placeId, role } = person
  const { rows, all } = await unfinished(
    database(),
    at === 'all' ? { shopId } : { shopId, placeId },
    localDay(),
    from,
  )
  const isNamed = role !== 'bench'
  return { unfinished: isNamed ? rows : rows.map((o) => ({ ...o, name: o.code })), all }
})
