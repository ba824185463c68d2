import { getQuery, type H3Event } from 'h3'
import { z } from 'zod'
import { isoDay } from '../../core/record/isoDay'
import { parseWith } from '../../core/record/parse'
import { AUDIT_KINDS, type AuditKind } from '../../shared/auditKinds'
import type { AuditQuery } from '../database/audit'

const schema = z.object({
  client: z.uuid().optional(),
  person: z.string().trim().max(80).optional(),
  kind: z.enum(Object.keys(AUDIT_KINDS) as [AuditKind, ...AuditKind[]]).optional(),
  from: isoDay.optional(),
  until: isoDay.optional(),
  before: z
    .string()
    .regex(/^\d{1,18}$/, 'the number of a line')
    .optional(),
})

/** What of the trail somebody asks for. */
export const auditQuery = (event: H3Event): AuditQuery => {
  const asked = Object.entries(getQuery(event)).filter(([, value]) => value !== '')
  return parseWith(schema, Object.fromEntries(asked), 'query')
}
