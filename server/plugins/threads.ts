import { endThreads } from '../work/pool'

/** Threads end with the server. */
export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('close', endThreads)
})
