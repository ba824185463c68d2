import { dueRows } from '../../database/followups'
import { readModels } from '../../database/models'
import { database } from '../../database/pool'
import { localDay } from '../../http/day'
import { route } from '../../http/route'

/** What is due: answers to ask for, visits, children who outgrow, guarantees that end. */
export default route({ permission: 'clients.see' }, async ({ person }) => ({
  today: localDay(),
  due: await dueRows(
    database(),
    person.shopId,
    localDay(),
    await readModels(database(), person.shopId),
  ),
}))
