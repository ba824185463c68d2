import { route } from '../http/route'
import { endSession } from '../http/session'

export default route({ permission: 'public' }, async ({ event }) => {
  await endSession(event)
  return { done: true }
})
