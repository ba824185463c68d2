import { reckonStale } from '../database/due'
import { transaction } from '../database/pool'

/** So many clients at a time, so that nobody waits for it. */
const BATCH = 20
const IDLE_MS = 20_000
const BUSY_MS = 50

/** Reckons what is due for clients whose list is not there yet or no longer right. */
export default defineNitroPlugin((nitro) => {
  if (!process.env.DATABASE_URL) return
  let stopped = false
  let timer: ReturnType<typeof setTimeout> | undefined
  async function run() {
    // A database that is away comes back: it is asked again.
    const done = await transaction((db) => reckonStale(db, BATCH)).catch(() => 0)
    if (!stopped) timer = setTimeout(run, done === BATCH ? BUSY_MS : IDLE_MS).unref()
  }
  timer = setTimeout(run, BUSY_MS).unref()
  nitro.hooks.hook('close', () => {
    stopped = true
    clearTimeout(timer)
  })
})
