import { reminderLetter, whyNotReminded } from '../../../core/followup/reminder'
import type { RemindKind } from '../../../core/tables/reminderTexts'
import { remindBody } from '../../../shared/contracts'
import { contactWords } from '../../../shared/shopDetails'
import { audit } from '../../database/audit'
import { dueLine, markDue } from '../../database/due'
import { putLetter } from '../../database/letters'
import { transaction } from '../../database/pool'
import { readShop } from '../../database/shop'
import { currentTables } from '../../database/shopTables'
import { HttpProblem } from '../../http/problem'
import { here, route } from '../../http/route'

/** A letter to the client about something that is due: only to those who agreed to it, by the shop's own text. */
export default route({ permission: 'clients.change', body: remindBody }, ({ person, body }) =>
  transaction(async (db) => {
    const { shopId } = person
    const { kind, on, clientId, details } = here(await dueLine(db, shopId, body))
    if (kind === 'lab')
      throw new HttpProblem(400, 'no-client', 'A lab is written to by its own way.')
    const not = whyNotReminded(details)
    if (not) throw new HttpProblem(409, 'not-reminded', not)
    const { reminderTexts } = await currentTables(db, shopId)
    const shop = await readShop(db, shopId)
    const { subject, text } = reminderLetter(reminderTexts[kind satisfies RemindKind], {
      client: details,
      on,
      shop: shop.name,
      contact: contactWords(shop.details),
    })
    const to = details.mail!
    await putLetter(db, shopId, { clientId, to, subject, text, by: person.name })
    await markDue(db, shopId, { ...body, state: 'told', note: `letter to ${to}` }, person.name)
    await audit(db, {
      shopId,
      person,
      clientId,
      fittingId: body.fittingId,
      action: 'due.remind',
    })
    return { subject }
  }),
)
