import { database } from '../database/pool'
import { forgetOldTries } from '../database/signInTries'

const EVERY_MS = 3_600_000

/** Whoever guesses names fills no table for good. */
export default defineNitroPlugin((nitro) => {
  if (!process.env.DATABASE_URL) return
  const timer = setInterval(() => {
    // A database that is away is asked again in an hour.
    forgetOldTries(database()).catch(() => undefined)
  }, EVERY_MS).unref()
  nitro.hooks.hook('close', () => clearInterval(timer))
})
