import { refuseReadTwice } from '../../../core/measure/readTwice'
import { doubleReadingBody } from '../../../shared/contracts'
import { audit } from '../../database/audit'
import { addDoubleReading } from '../../database/doubleReadings'
import { currentTables } from '../../database/shopTables'
import { transaction } from '../../database/pool'
import { HttpProblem } from '../../http/problem'
import { route } from '../../http/route'

/** Two independent readings of one foot by the person signed in. */
export default route(
  { permission: 'fittings.change', body: doubleReadingBody },
  ({ person, body }) =>
    transaction(async (db) => {
      const tables = await currentTables(db, person.shopId)
      for (const value of [body.first, body.second]) {
        const refused = refuseReadTwice(body.what, value, tables)
        if (refused) throw new HttpProblem(400, 'out-of-bounds', refused)
      }
      const id = await addDoubleReading(db, person.shopId, { ...body, fitter: person.name })
      await audit(db, { shopId: person.shopId, person, action: `double-reading.add:${body.what}` })
      return { id }
    }),
)
