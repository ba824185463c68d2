import { readHeatLogs } from '../../database/heat'
import { currentTables } from '../../database/shopTables'
import { database } from '../../database/pool'
import { route } from '../../http/route'

/** Logs of heat and the windows of materials. */
export default route({ permission: 'bench.see' }, async ({ person }) => ({
  logs: await readHeatLogs(database(), person),
  windows: (await currentTables(database(), person.shopId)).heatWindows,
}))
