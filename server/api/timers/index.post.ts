import { timerBody } from '../../../shared/contracts'
import { transaction } from '../../database/pool'
import { openTimers, startTimer } from '../../database/timers'
import { route } from '../../http/route'
import { tellShop } from '../../http/listener'

/** Starts a timer; sent twice it starts once. */
export default route({ permission: 'jobs.change', body: timerBody }, ({ person, body }) =>
  transaction(async (db) => {
    await startTimer(db, person, body, person.name)
    await tellShop(db, person.shopId, { what: 'timers' })
    return openTimers(db, person)
  }),
)
