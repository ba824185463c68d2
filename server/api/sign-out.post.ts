import { audit } from '../database/audit'
import { database } from '../database/pool'
import { route } from '../http/route'
import { endSession, sessionOf } from '../http/session'

export default route({ permission: 'public' }, async ({ event }) => {
  const session = await sessionOf(event)
  await endSession(event)
  if (session) {
    const { person } = session
    await audit(database(), { shopId: person.shopId, person, action: 'sign-out' })
  }
  return { done: true }
})
