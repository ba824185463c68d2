import { watchLoop } from '../http/loopDelay'

/** How long requests wait for others is measured from the first on. */
export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('close', watchLoop())
})
