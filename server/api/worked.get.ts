import { shopFigures } from '../../core/followup/shopFigures'
import { casesOf, workedRows } from '../../core/followup/worked'
import { handedOver } from '../database/followups'
import { currentTables } from '../database/shopTables'
import { database } from '../database/pool'
import { localDay } from '../http/day'
import { route } from '../http/route'

/** What worked here, from the shop's own records only: clients by code, one client once a row. */
export default route({ permission: 'clients.see' }, async ({ person }) => {
  const tables = await currentTables(database(), person.shopId)
  const all = await handedOver(database(), person.shopId, localDay())
  return {
    rows: workedRows(all.flatMap(({ record, code }) => casesOf(record, code))),
    figures: shopFigures(
      all.map((a) => a.record),
      tables,
    ),
    fittings: all.length,
    counts: { pain: tables.painChange, comfort: tables.comfortChange },
  }
})
