import { reckonStale } from '../database/due'
import { reckonStaleOutcomes } from '../database/outcomes'
import { transaction } from '../database/pool'

/** So many clients at a time, so that nobody waits for it. */
const BATCH = 20
const IDLE_MS = 20_000
const BUSY_MS = 50

/** Reckons what is due and what became of pairs, where it is not there yet or no longer right. */
export default defineNitroPlugin((nitro) => {
  if (!process.env.DATABASE_URL) return
  let stopped = false
  let timer: ReturnType<typeof setTimeout> | undefined
  async function run() {
    // A database that is away comes back: it is asked again.
    const due = await transaction((db) => reckonStale(db, BATCH)).catch(() => 0)
    const outcomes = await transaction((db) => reckonStaleOutcomes(db, BATCH)).catch(() => 0)
    const isMore = due === BATCH || outcomes === BATCH
    if (!stopped) timer = setTimeout(run, isMore ? BUSY_MS : IDLE_MS).unref()
  }
  timer = setTimeout(run, BUSY_MS).unref()
  nitro.hooks.hook('close', () => {
    stopped = true
    clearTimeout(timer)
  })
})
