import { changeFields, FIELD_WORDS } from '../../../../core/record/clientChanges'
import { parseWith } from '../../../../core/record/parse'
import { clientSchema } from '../../../../core/record/schema'
import { valueWords } from '../../../../core/record/clashWords'
import { clientChangeBody } from '../../../../shared/contracts'
import { audit } from '../../../database/audit'
import { changeClient, lockClient } from '../../../database/clients'
import { reckonDue } from '../../../database/due'
import { transaction } from '../../../database/pool'
import { checkBornOn } from '../../../http/bornOn'
import { HttpProblem } from '../../../http/problem'
import { here, idParam, route } from '../../../http/route'

/** Fields of a client, each on what it was: two people change two fields of one client at once. */
export default route(
  { permission: 'clients.change', body: clientChangeBody },
  ({ event, person, body }) =>
    transaction(async (db) => {
      const before = here(await lockClient(db, person.shopId, idParam(event)))
      const { details, met } = changeFields(before.details, body.changes)
      if (met.length > 0)
        throw new HttpProblem(
          409,
          'stale',
          `Someone changed this meanwhile: ${met.map((f) => `${FIELD_WORDS[f]} is ${valueWords(before.details[f])} now`).join(', ')}.`,
        )
      const checked = parseWith(clientSchema, details, 'client')
      checkBornOn(checked)
      const client = here(await changeClient(db, person.shopId, before.id, checked))
      await reckonDue(db, person.shopId, client.id)
      await audit(db, {
        shopId: person.shopId,
        person,
        clientId: client.id,
        action: 'client.change',
        detail: { before: before.details, after: client.details },
      })
      return { version: client.version }
    }),
)
