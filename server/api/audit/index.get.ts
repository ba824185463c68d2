import { readAudit } from '../../database/audit'
import { database } from '../../database/pool'
import { auditQuery } from '../../http/auditQuery'
import { route } from '../../http/route'

/** Lines of one answer; the screen asks for more by the last one's number. */
const PAGE = 200

/** The audit trail, newest first, as far as it is asked for. */
export default route({ permission: 'audit.see' }, async ({ event, person }) => {
  const lines = await readAudit(database(), person.shopId, auditQuery(event), PAGE + 1)
  return { lines: lines.slice(0, PAGE), more: lines.length > PAGE }
})
