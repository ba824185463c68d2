import { heatChangeBody } from '../../../shared/contracts'
import { changeHeatLog } from '../../database/heat'
import { transaction } from '../../database/pool'
import { here, idParam, route } from '../../http/route'

/**
 * Adds readings, strikes one, or ends a log. A reading of a minute that is there already is not
 * doubled.
 */
export default route(
  { permission: 'jobs.change', body: heatChangeBody },
  ({ event, person, body }) =>
    transaction(async (db) => ({
      log: here(
        await changeHeatLog(
          db,
          person.shopId,
          idParam(event),
          (readings) => {
            if (body.do === 'strike') return readings.filter((r) => r.minutes !== body.minutes)
            if (body.do === 'stop') return readings
            const has = new Set(readings.map((r) => r.minutes))
            return [...readings, ...body.readings.filter((r) => !has.has(r.minutes))]
          },
          body.do === 'stop',
        ),
      ),
    })),
)
