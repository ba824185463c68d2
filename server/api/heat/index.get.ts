import { HOUSE_NORMS } from '../../../core/measure/normsTable'
import { readHeatLogs } from '../../database/heat'
import { currentNorms } from '../../database/norms'
import { database } from '../../database/pool'
import { route } from '../../http/route'

/** Logs of heat and the windows of materials. */
export default route({ permission: 'bench.see' }, async ({ person }) => ({
  logs: await readHeatLogs(database(), person.shopId),
  windows: ((await currentNorms(database(), person.shopId)) ?? HOUSE_NORMS).heatWindows,
}))
