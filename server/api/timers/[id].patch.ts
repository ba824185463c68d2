import { timerChangeBody } from '../../../shared/contracts'
import { transaction } from '../../database/pool'
import { changeTimer, hasTimer, openTimers } from '../../database/timers'
import { here, idParam, route } from '../../http/route'
import { tellShop } from '../../http/listener'

/** Pauses, resumes, extends, renames or stops a timer. */
export default route(
  { permission: 'jobs.change', body: timerChangeBody },
  ({ event, person, body }) =>
    transaction(async (db) => {
      const value =
        body.do === 'extend' ? body.minutes : body.do === 'rename' ? body.name : undefined
      const id = idParam(event)
      const changed = await changeTimer(db, person.shopId, id, body.do, value)
      // Two devices may stop what rings on both.
      const isOver = !changed && body.do === 'stop' && (await hasTimer(db, person.shopId, id))
      here(changed || isOver || null)
      await tellShop(db, person.shopId, { what: 'timers' })
      return openTimers(db, person)
    }),
)
