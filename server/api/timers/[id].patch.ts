import { timerChangeBody } from '../../../shared/contracts'
import { transaction } from '../../database/pool'
import { changeTimer, openTimers } from '../../database/timers'
import { here, idParam, route } from '../../http/route'

/** Pauses, resumes, extends, renames or stops a timer. */
export default route(
  { permission: 'jobs.change', body: timerChangeBody },
  ({ event, person, body }) =>
    transaction(async (db) => {
      const value =
        body.do === 'extend' ? body.minutes : body.do === 'rename' ? body.name : undefined
      here((await changeTimer(db, person.shopId, idParam(event), body.do, value)) || null)
      await db.query('select pg_notify($1, $2)', [
        'fitting',
        JSON.stringify({ fitting: `timers ${person.shopId}`, part: 'timers', version: 0 }),
      ])
      return openTimers(db, person.shopId)
    }),
)
