import { readDoubleReadings } from '../../database/doubleReadings'
import { database } from '../../database/pool'
import { route } from '../../http/route'

export default route({ permission: 'norms.see' }, async ({ person }) => ({
  readings: await readDoubleReadings(database(), person.shopId),
}))
