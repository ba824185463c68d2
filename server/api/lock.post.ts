import { database } from '../database/pool'
import { lockSession } from '../database/sessions'
import { route } from '../http/route'

/** Hides what this session may see until its person shows that it is them. */
export default route({ permission: 'self.see' }, async ({ session }) => {
  await lockSession(database(), session.id)
  return { done: true }
})
