// Keeps something alive: begun again whenever it ends by itself, and when it answers no more.
import { wait } from './project.mjs'

/** Between two looks, ms; so many silent ones in a row and it is ended and begun again. */
const LOOK_MS = 5_000
const MOST_SILENT = 6
/** Before it is begun again, ms: longer each time, short again once it has stood for a while. */
const FIRST_DELAY_MS = 500
const MOST_DELAY_MS = 30_000
const STOOD_MS = 60_000

/**
 * Watches until it is told to stop.
 *
 * @param begin starts it and gives its process
 * @param look answers with nothing when all is well, throws when there is no answer
 * @param say tells people, in a sentence
 */
export function watch({ begin, look, say, lookMs = LOOK_MS, firstDelayMs = FIRST_DELAY_MS }) {
  let child = null
  let stopped = false
  let delay = firstDelayMs

  async function keep() {
    while (!stopped) {
      const began = Date.now()
      try {
        child = await begin()
      } catch (error) {
        say(`It did not start: ${error.message}`)
      }
      if (child) await endOf(child)
      child = null
      if (stopped) return
      if (Date.now() - began > STOOD_MS) delay = firstDelayMs
      say(`The server ended by itself. It is started again in ${Math.round(delay / 1000)} s.`)
      await wait(delay)
      delay = Math.min(MOST_DELAY_MS, delay * 2)
    }
  }
  async function lookAgain() {
    let silent = 0
    while (!stopped) {
      await wait(lookMs)
      if (!child || stopped) continue
      try {
        await look()
        silent = 0
      } catch {
        if (++silent < MOST_SILENT) continue
        silent = 0
        say('The server answers no more. It is ended and started again.')
        child?.kill('SIGKILL')
      }
    }
  }
  const kept = keep()
  void lookAgain()
  return {
    get child() {
      return child
    },
    stop() {
      stopped = true
      return kept
    },
  }
}
const endOf = (child) =>
  child.exitCode !== null || child.signalCode !== null
    ? Promise.resolve()
    : new Promise((done) => child.once('exit', done))
