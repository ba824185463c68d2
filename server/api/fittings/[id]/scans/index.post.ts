import { randomUUID } from 'node:crypto'
import { getQuery } from 'h3'
import { parseWith } from '../../../../../core/record/parse'
import { scanQuery } from '../../../../../shared/contracts'
import { audit } from '../../../../database/audit'
import { readFitting } from '../../../../database/fittings'
import { database, transaction } from '../../../../database/pool'
import { addScan } from '../../../../database/scans'
import { ownBytes, withLargeBody } from '../../../../http/limitedBody'
import { HttpProblem } from '../../../../http/problem'
import { here, idParam, route } from '../../../../http/route'
import { inThread } from '../../../../work/pool'

/** Largest scan file, bytes: a million triangles of binary STL with room. */
const MOST_BYTES = 120_000_000

/**
 * Stores a scan as it came, byte for byte, with its hash. It is read whole in a thread before, so
 * that nothing is kept that no screen could open; the database waits neither for that nor for a slow
 * line.
 */
export default route({ permission: 'fittings.change' }, async ({ event, person }) => {
  const id = idParam(event)
  here(await readFitting(database(), person.shopId, id))
  const told = parseWith(scanQuery, getQuery(event), 'query')
  return withLargeBody(event, MOST_BYTES, async (body) => {
    const own = ownBytes(body)
    const seen = await inThread('lookAtScan', [told.name, own], [own])
    return transaction(async (db) => {
      const state = here(await readFitting(db, person.shopId, id))
      const kept = await addScan(db, person.shopId, state.id, {
        ...seen,
        id: told.id ?? randomUUID(),
        name: told.name,
        unit: told.unit,
        side: told.side ?? null,
        by: person.name,
      })
      if (!kept) throw new HttpProblem(409, 'same-scan', 'This very file is here already.')
      if (kept.isNew)
        await audit(db, {
          shopId: person.shopId,
          person,
          clientId: state.client.id,
          fittingId: state.id,
          action: 'scan.add',
        })
      return kept.scan
    })
  })
})
