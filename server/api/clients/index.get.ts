import { getQuery } from 'h3'
import { searchClients } from '../../database/clients'
import { database } from '../../database/pool'
import { route } from '../../http/route'

export default route({ permission: 'clients.see' }, async ({ event, person }) => ({
  clients: await searchClients(
    database(),
    person.shopId,
    String(getQuery(event).q ?? '').slice(0, 100),
  ),
}))
