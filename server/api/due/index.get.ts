import { getQuery } from 'h3'
import { z } from 'zod'
import { DUE_KINDS } from '../../../core/tables/reminderTexts'
import { parseWith } from '../../../core/record/parse'
import { dueCounts, dueRows } from '../../database/due'
import { freshest } from '../../database/freshest'
import { database } from '../../database/pool'
import { localDay } from '../../http/day'
import { route } from '../../http/route'

/** Lines of one answer; the screen asks for more. */
const PAGE = 200

const query = z.object({
  kind: z.enum(DUE_KINDS).optional(),
  /** `1`: what is settled or put off */
  settled: z.literal('1').optional(),
  from: z.coerce.number().int().min(0).max(10_000_000).default(0),
})

/** One page of a day, the same for all who ask at once. */
const pageOf = freshest(
  async ({
    shopId,
    today,
    ...page
  }: {
    shopId: string
    today: string
    kind?: string
    settled: boolean
    from: number
  }) => ({
    today,
    counts: await dueCounts(database(), shopId, today),
    due: await dueRows(database(), shopId, today, { ...page, most: PAGE }),
  }),
)

/** What is due: answers to ask for, visits, children who outgrow, quotes, labs, work that waits, guarantees that end. */
export default route({ permission: 'clients.see' }, ({ event, person }) => {
  const { kind, from, settled } = parseWith(query, getQuery(event), 'query')
  return pageOf({
    shopId: person.shopId,
    today: localDay(),
    ...(kind && { kind }),
    settled: settled === '1',
    from,
  })
})
