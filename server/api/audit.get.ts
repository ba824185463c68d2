import { getQuery } from 'h3'
import { z } from 'zod'
import { parseWith } from '../../core/record/parse'
import { readAudit } from '../database/audit'
import { database } from '../database/pool'
import { route } from '../http/route'

/** The newest lines of the audit trail, of one client when asked. */
export default route({ permission: 'audit.see' }, async ({ event, person }) => {
  const client = getQuery(event).client
  return {
    lines: await readAudit(
      database(),
      person.shopId,
      client === undefined ? null : parseWith(z.uuid(), client, 'client'),
    ),
  }
})
