import { setResponseStatus } from 'h3'
import { freeBytes, waitingToBeReckoned } from '../database/keeping'
import { database } from '../database/pool'
import { longestHoldUpMs } from '../http/loopDelay'
import { route } from '../http/route'

/** With less room than this nothing more should be begun. */
const LEAST_BYTES = 500_000_000

/**
 * Live, and ready for whoever watches: database, disk, what waits to be reckoned, and how long one
 * request has held up the others. Says nothing about anybody.
 */
export default route({ permission: 'public' }, async ({ event }) => {
  const [queue, free] = await Promise.all([
    waitingToBeReckoned(database()).catch(() => null),
    freeBytes(),
  ])
  const hasRoom = free === null || free >= LEAST_BYTES
  if (queue === null) setResponseStatus(event, 503)
  return {
    live: true,
    ready: queue !== null,
    database: queue === null ? 'away' : 'there',
    disk: hasRoom ? 'there' : 'nearly full',
    queue,
    /** since this was asked last */
    longestHoldUpMs: longestHoldUpMs(),
  }
})
