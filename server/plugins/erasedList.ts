import { database } from '../database/pool'
import { noteErased } from '../documents/erasedList'

/** What the database knows as erased and the list outside of it does not, as after a crash, is noted. */
export default defineNitroPlugin(async () => {
  if (!process.env.DATABASE_URL || !process.env.ARCH_ERASED_LIST) return
  try {
    const { rows } = await database().query<{ client_id: string }>('select client_id from erased')
    await noteErased(rows.map((r) => r.client_id))
  } catch (error) {
    const code = (error as { code?: string }).code
    console.error(JSON.stringify({ level: 'warn', what: 'list of erased clients', code }))
  }
})
