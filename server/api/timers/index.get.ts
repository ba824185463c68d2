import { database } from '../../database/pool'
import { openTimers } from '../../database/timers'
import { route } from '../../http/route'

/** Timers that run or pause, and the server's time. */
export default route({ permission: 'timers.see' }, ({ person }) => openTimers(database(), person))
