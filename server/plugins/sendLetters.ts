import { sendNext } from '../database/letters'
import { transaction } from '../database/pool'
import { sendLetter } from '../letters/sender'

const IDLE_MS = 3_000

/** Sends what waits in the outbox, one letter after the other; what fails is tried again later. */
export default defineNitroPlugin((nitro) => {
  if (!process.env.DATABASE_URL) return
  let stopped = false
  let timer: ReturnType<typeof setTimeout> | undefined
  async function run() {
    const isMore = await transaction((db) => sendNext(db, sendLetter)).catch(() => false)
    if (!stopped) timer = setTimeout(run, isMore ? 0 : IDLE_MS).unref()
  }
  timer = setTimeout(run, IDLE_MS).unref()
  nitro.hooks.hook('close', () => {
    stopped = true
    clearTimeout(timer)
  })
})
