import { createCipheriv, createDecipheriv, randomBytes } from 'node:crypto'
import { AUDIT_KINDS, type AuditKind, type AuditRow } from '../../shared/auditKinds'
import { gathered } from './gathered'
import type { AtWork } from './people'
import { database, type Client } from './pool'

export interface AuditLine {
  shopId: string
  person?: { id: string; name: string; placeId?: string }
  clientId?: string
  fittingId?: string
  action: string
  detail?: unknown
}

/** The client's own key, made on first use. */
async function keyOf(db: Client, clientId: string): Promise<Buffer> {
  const made = await db.query<{ key: Buffer }>({
    name: 'key of client',
    text: `with made as (
        insert into client_keys (client_id, key) select $1::uuid, $2
        where not exists (select 1 from client_keys where client_id = $1)
        on conflict (client_id) do nothing returning key
      )
      select key from made union all select key from client_keys where client_id = $1`,
    values: [clientId, randomBytes(32)],
  })
  if (made.rows[0]) return made.rows[0].key
  // Somebody made it at this very moment.
  const found = await db.query<{ key: Buffer }>(
    'select key from client_keys where client_id = $1',
    [clientId],
  )
  return found.rows[0]!.key
}

/** Seals a detail with a key: 12 bytes of nonce, 16 of tag, then AES-256-GCM. */
function seal(key: Buffer, detail: unknown): Buffer {
  const nonce = randomBytes(12)
  const cipher = createCipheriv('aes-256-gcm', key, nonce)
  const body = Buffer.concat([cipher.update(JSON.stringify(detail), 'utf8'), cipher.final()])
  return Buffer.concat([nonce, cipher.getAuthTag(), body])
}

function unseal(key: Buffer, sealed: Buffer): unknown {
  const decipher = createDecipheriv('aes-256-gcm', key, sealed.subarray(0, 12))
  decipher.setAuthTag(sealed.subarray(12, 28))
  return JSON.parse(
    Buffer.concat([decipher.update(sealed.subarray(28)), decipher.final()]).toString('utf8'),
  )
}

/** Adds a line to the audit trail. What it tells of a person is sealed with that client's key. */
export async function audit(db: Client, line: AuditLine): Promise<void> {
  const detail =
    line.detail === undefined || !line.clientId
      ? null
      : seal(await keyOf(db, line.clientId), line.detail)
  await db.query({
    name: 'audit',
    text: 'insert into audit (shop_id, person_id, person_name, client_id, fitting_id, action, detail, place_id) values ($1, $2, $3, $4, $5, $6, $7, $8)',
    values: [
      line.shopId,
      line.person?.id ?? null,
      line.person?.name ?? null,
      line.clientId ?? null,
      line.fittingId ?? null,
      line.action,
      detail,
      line.person?.placeId ?? null,
    ],
  })
}

/** A line about somebody who looked, in no transaction: it says nothing of before and after. */
export type SeenLine = Omit<AuditLine, 'detail'> & { person: AtWork }

/** Adds lines of people who looked, those who look at the same moment in one statement. */
export const auditSeen = gathered(async (lines: SeenLine[]): Promise<void> => {
  await database().query({
    name: 'audit of looks',
    text: `insert into audit (shop_id, person_id, person_name, client_id, fitting_id, action, place_id)
     select * from unnest($1::uuid[], $2::uuid[], $3::text[], $4::uuid[], $5::uuid[], $6::text[], $7::uuid[])`,
    values: [
      lines.map((line) => line.shopId),
      lines.map((line) => line.person.id),
      lines.map((line) => line.person.name),
      lines.map((line) => line.clientId ?? null),
      lines.map((line) => line.fittingId ?? null),
      lines.map((line) => line.action),
      lines.map((line) => line.person.placeId),
    ],
  })
})

/** Which lines are looked for; what is left out is not asked about. */
export interface AuditQuery {
  client?: string | undefined
  /** letters of the person's name */
  person?: string | undefined
  kind?: AuditKind | undefined
  /** first and last day, YYYY-MM-DD */
  from?: string | undefined
  until?: string | undefined
  /** only lines before this one: the next page */
  before?: string | undefined
}

/** Lines of a shop, newest first; details of erased clients are gone for good. */
export async function readAudit(
  db: Client,
  shopId: string,
  { client, person, kind, from, until, before }: AuditQuery,
  limit = 200,
): Promise<AuditRow[]> {
  const begins = kind ? AUDIT_KINDS[kind].begins.map((text) => `${text}%`) : null
  const { rows } = await db.query(
    `select a.id, a.at, a.person_name, a.action, a.client_id, a.detail, k.key, c.code, p.name as place
     from audit a
       left join places p on p.id = a.place_id
       left join client_keys k on k.client_id = a.client_id
       left join clients c on c.id = a.client_id
     where a.shop_id = $1
       and ($2::uuid is null or a.client_id = $2)
       and ($3::text is null or a.person_name ilike '%' || $3 || '%')
       and ($4::text[] is null or a.action like any ($4))
       and ($5::date is null or a.at >= $5::date)
       and ($6::date is null or a.at < $6::date + 1)
       and ($7::bigint is null or a.id < $7)
     order by a.id desc
     limit $8`,
    [
      shopId,
      client ?? null,
      person?.replace(/[\\%_]/g, (letter) => `\\${letter}`) ?? null,
      begins,
      from ?? null,
      until ?? null,
      before ?? null,
      limit,
    ],
  )
  return rows.map((r) => ({
    id: r.id,
    at: r.at.toISOString(),
    person: r.person_name,
    place: r.place,
    action: r.action,
    clientId: r.client_id,
    code: r.code,
    detail: r.detail && r.key ? unseal(r.key, r.detail) : null,
  }))
}
