import { setResponseHeader } from 'h3'
import Papa from 'papaparse'
import { audit, readAudit } from '../../database/audit'
import { database } from '../../database/pool'
import { auditQuery } from '../../http/auditQuery'
import { HttpProblem } from '../../http/problem'
import { nameFile } from '../../http/fileName'
import { route } from '../../http/route'

const PAGE = 1000
const MOST = 100_000

/** The trail as CSV, as far as it is asked for: who, when, what, of which client's code. */
export default route({ permission: 'audit.see' }, async ({ event, person }) => {
  const asked = auditQuery(event)
  const data: string[][] = []
  for (let before = asked.before; ;) {
    const lines = await readAudit(database(), person.shopId, { ...asked, before }, PAGE)
    for (const { id, at, person: who, place, action, code, detail } of lines)
      data.push([
        id,
        at,
        who ?? '',
        place ?? '',
        action,
        code ?? '',
        detail ? JSON.stringify(detail) : '',
      ])
    if (lines.length < PAGE) break
    if (data.length >= MOST)
      throw new HttpProblem(413, 'too-large', 'More than 100,000 lines. Ask for fewer days.')
    before = lines.at(-1)!.id
  }
  await audit(database(), { shopId: person.shopId, person, action: 'document.audit' })
  setResponseHeader(event, 'content-type', 'text/csv; charset=utf-8')
  nameFile(event, 'attachment', 'audit.csv')
  const fields = ['line', 'at', 'person', 'place', 'did', 'client', 'before and after']
  return `${Papa.unparse({ fields, data }, { newline: '\n', escapeFormulae: true })}\n`
})
