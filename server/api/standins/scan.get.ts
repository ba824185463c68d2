import { getQuery, setResponseHeader } from 'h3'
import { z } from 'zod'
import { FAULTS, usualFault } from '../../../core/capture/standin/faults'
import { standinScan } from '../../../core/capture/standin/scan'
import { MESH_FORMATS } from '../../../core/formats/mesh/formats/all'
import { writeMesh } from '../../../core/formats/mesh/writeMesh'
import { normsOf } from '../../../core/record/tables'
import { parseWith } from '../../../core/record/parse'
import { audit } from '../../database/audit'
import { readFitting, recordOf } from '../../database/fittings'
import { database } from '../../database/pool'
import { here, route } from '../../http/route'

const query = z.object({
  fitting: z.uuid(),
  side: z.enum(['left', 'right']),
  seed: z.coerce.number().int().min(0).max(1e9).default(1),
  fault: z.enum(FAULTS).optional(),
  format: z.enum(MESH_FORMATS).default('stl'),
})

/** The stand-in scanner: the client's foot is scanned and a file comes back, as from a real one. */
export default route({ permission: 'fittings.change' }, async ({ event, person }) => {
  const { fitting, side, seed, fault, format } = parseWith(query, getQuery(event), 'query')
  const state = here(await readFitting(database(), person.shopId, fitting))
  const record = recordOf(state)
  const rows = normsOf(record)
  const mesh = standinScan(record.feet[side]!, side, {
    seed,
    fault,
    amount: fault && usualFault(fault, rows).amount,
    rows,
    noiseMm: 0.3,
    holes: 2,
    leg: seed % 3 === 0 ? 'open' : 'capped',
    turned: true,
  })
  await audit(database(), {
    shopId: person.shopId,
    person,
    clientId: state.client.id,
    fittingId: state.id,
    action: 'standin.scan',
  })
  setResponseHeader(event, 'content-type', 'application/octet-stream')
  return Buffer.from(writeMesh(format, mesh, 'stand-in scan'))
})
