import { getQuery } from 'h3'
import { formatOf } from '../../../../../core/formats/mesh/readMesh'
import { parseWith } from '../../../../../core/record/parse'
import { scanQuery } from '../../../../../shared/contracts'
import { audit } from '../../../../database/audit'
import { readFitting } from '../../../../database/fittings'
import { database, transaction } from '../../../../database/pool'
import { addScan } from '../../../../database/scans'
import { withLargeBody } from '../../../../http/limitedBody'
import { HttpProblem } from '../../../../http/problem'
import { here, idParam, route } from '../../../../http/route'

/** Largest scan file, bytes: a million triangles of binary STL with room. */
const MOST_BYTES = 120_000_000

/**
 * Stores a scan as it came, byte for byte, with its hash; the screen has read it before it is sent.
 * The file is read before anything is asked of the database, which waits for nobody's slow line.
 */
export default route({ permission: 'fittings.change' }, async ({ event, person }) => {
  const id = idParam(event)
  here(await readFitting(database(), person.shopId, id))
  const told = parseWith(scanQuery, getQuery(event), 'query')
  return withLargeBody(event, MOST_BYTES, (bytes) => {
    const format = formatOf(told.name, bytes)
    if (bytes.length === 0 || !format)
      throw new HttpProblem(400, 'unknown-format', 'This is none of STL, OBJ, PLY and 3MF.')
    return transaction(async (db) => {
      const state = here(await readFitting(db, person.shopId, id))
      const scan = await addScan(db, person.shopId, state.id, {
        ...told,
        side: told.side ?? null,
        format,
        bytes,
        by: person.name,
      })
      if (!scan) throw new HttpProblem(409, 'same-scan', 'This very file is here already.')
      await audit(db, {
        shopId: person.shopId,
        person,
        clientId: state.client.id,
        fittingId: state.id,
        action: 'scan.add',
      })
      return scan
    })
  })
})
