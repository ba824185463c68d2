import { currentTables } from '../database/shopTables'
import { database } from '../database/pool'
import { workedOf } from '../database/outcomes'
import { localDay } from '../http/day'
import { route } from '../http/route'

/** What worked here, from the shop's own records only: clients by code, one client once a row. */
export default route({ permission: 'clients.see' }, async ({ person }) => {
  const tables = await currentTables(database(), person.shopId)
  return {
    ...(await workedOf(person.shopId, localDay())),
    counts: { pain: tables.painChange, comfort: tables.comfortChange },
  }
})
