import { eraseClient } from '../database/clients'
import { database, transaction } from '../database/pool'
import { notedErased, noteErased } from '../documents/erasedList'

/**
 * The database and the list outside of it tell each other who was erased: after a crash the list
 * hears of it here, and whoever an older backup brought back is erased again.
 */
export default defineNitroPlugin(async () => {
  if (!process.env.DATABASE_URL || !process.env.ARCH_ERASED_LIST) return
  try {
    const noted = await notedErased()
    const back = await database().query<{ id: string; shop_id: string }>(
      'select id, shop_id from clients where id = any($1::uuid[])',
      [noted],
    )
    for (const { id, shop_id: shopId } of back.rows)
      await transaction((db) => eraseClient(db, shopId, id))
    const { rows } = await database().query<{ client_id: string }>('select client_id from erased')
    await noteErased(rows.map((r) => r.client_id))
  } catch (error) {
    const code = (error as { code?: string }).code
    console.error(JSON.stringify({ level: 'warn', what: 'list of erased clients', code }))
  }
})
