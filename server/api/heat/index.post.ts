import { heatLogBody } from '../../../shared/contracts'
import { readHeatLogs, startHeatLog } from '../../database/heat'
import { transaction } from '../../database/pool'
import { route } from '../../http/route'

/** Begins a log of heat; sent twice it begins once. */
export default route({ permission: 'jobs.change', body: heatLogBody }, ({ person, body }) =>
  transaction(async (db) => {
    await startHeatLog(db, person, body, person.name)
    return { logs: await readHeatLogs(db, person) }
  }),
)
