import { timerBody } from '../../../shared/contracts'
import { transaction } from '../../database/pool'
import { openTimers, startTimer } from '../../database/timers'
import { route } from '../../http/route'

/** Starts a timer; sent twice it starts once. */
export default route({ permission: 'jobs.change', body: timerBody }, ({ person, body }) =>
  transaction(async (db) => {
    await startTimer(db, person.shopId, body, person.name)
    await db.query('select pg_notify($1, $2)', [
      'fitting',
      JSON.stringify({ fitting: `timers ${person.shopId}`, part: 'timers', version: 0 }),
    ])
    return openTimers(db, person.shopId)
  }),
)
