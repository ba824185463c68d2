import { getQuery, setResponseHeader } from 'h3'
import { z } from 'zod'
import { archHeightIndexOf } from '../../../core/measure/archIndex'
import { bestMean } from '../../../core/measure/reading'
import { parseWith } from '../../../core/record/parse'
import { audit } from '../../database/audit'
import { readFitting, recordOf } from '../../database/fittings'
import { database } from '../../database/pool'
import { HttpProblem } from '../../http/problem'
import { here, route } from '../../http/route'
import { plateFile } from '../../standins/plate'

const query = z.object({
  fitting: z.uuid(),
  side: z.enum(['left', 'right']),
  seed: z.coerce.number().int().min(0).max(1e9).default(1),
})

/**
 * The stand-in pressure plate: the client's foot stands on it and a footprint file comes back, as
 * from a real one.
 */
export default route({ permission: 'fittings.change' }, async ({ event, person }) => {
  const { fitting, side, seed } = parseWith(query, getQuery(event), 'query')
  const state = here(await readFitting(database(), person.shopId, fitting))
  const foot = recordOf(state).feet[side]!
  const lengthMm = bestMean(foot, 'footLengthMm', 'standing')
  if (lengthMm === undefined)
    throw new HttpProblem(
      409,
      'no-length',
      `The stand-in plate needs the ${side} foot length first.`,
    )
  const index = archHeightIndexOf(foot, 'standing') ?? 0.34
  await audit(database(), {
    shopId: person.shopId,
    person,
    clientId: state.client.id,
    fittingId: state.id,
    action: 'standin.plate',
  })
  setResponseHeader(event, 'content-type', 'text/csv; charset=utf-8')
  return plateFile(
    {
      side,
      lengthMm,
      widthMm: bestMean(foot, 'forefootWidthMm', 'standing') ?? 0.377 * lengthMm,
      heelMm: bestMean(foot, 'heelWidthMm', 'standing') ?? 0.245 * lengthMm,
      archContact: Math.min(1, Math.max(0, (0.38 - index) / 0.16)),
      massKg: state.client.details.massKg ?? 70,
    },
    seed,
  )
})
