import { database } from '../database/pool'
import { route } from '../http/route'

/** Live and ready. */
export default route({ permission: 'public' }, async () => {
  await database().query('select 1')
  return { live: true, ready: true }
})
