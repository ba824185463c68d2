import type { Client as ClientDetails } from '../../core/record/schema'
import type { Client } from './pool'

export interface ClientRow {
  id: string
  code: string
  name: string
  details: ClientDetails
  version: number
}

/** Next free client code of a shop, like HR-0422. Call in a transaction: it locks the shop. */
async function nextCode(db: Client, shopId: string): Promise<string> {
  await db.query('select 1 from shops where id = $1 for update', [shopId])
  const { rows } = await db.query<{ last: number | null }>(
    "select max((regexp_match(code, '^HR-(\\d{1,9})$'))[1]::bigint)::int as last from clients where shop_id = $1",
    [shopId],
  )
  return `HR-${String((rows[0]?.last ?? 400) + 1).padStart(4, '0')}`
}

/** Adds a client; a code that is taken or missing is replaced by the next free one. */
export async function addClient(
  db: Client,
  shopId: string,
  details: ClientDetails,
): Promise<ClientRow> {
  const wanted = details.code
  const taken = wanted
    ? (await db.query('select 1 from clients where shop_id = $1 and code = $2', [shopId, wanted]))
        .rows.length > 0
    : true
  const code = wanted && !taken ? wanted : await nextCode(db, shopId)
  const name = details.name ?? code
  const { rows } = await db.query(
    'insert into clients (shop_id, code, name, details) values ($1, $2, $3, $4) returning id, code, name, details, version',
    [shopId, code, name, { ...details, code, name }],
  )
  return rows[0]
}

/** Letters that the index of names and codes can look for. */
const TRIGRAM = 3

/** Clients whose name or code holds every word of the query, nearest first. */
export async function searchClients(
  db: Client,
  shopId: string,
  query: string,
  limit = 20,
): Promise<
  {
    id: string
    code: string
    name: string
    bornOn: string | null
    occupation: string | null
    fittingId: string | null
    openedOn: string | null
  }[]
> {
  const words = query.trim().toLowerCase().split(/\s+/).filter(Boolean).slice(0, 6)
  const patterns = words.map((w) => `%${w.replace(/[\\%_]/g, (c) => `\\${c}`)}%`)
  // Letters that make no trigram fit half the shop: the first by name are as near as any others.
  const nearest = words.some((w) => w.length >= TRIGRAM)
    ? "word_similarity($4, lower(name || ' ' || code)) desc, lower(name)"
    : 'lower(name), $4::text'
  const { rows } = await db.query(
    `select c.id, c.code, c.name, c.details->>'bornOn' as "bornOn",
       c.details->>'occupation' as occupation, f.id as "fittingId", f.opened_on as "openedOn"
     from (
         select id, code, name, details from clients
         where shop_id = $1 and lower(name || ' ' || code) like all ($2::text[])
         order by ${nearest}
         limit $3
       ) c
       left join lateral (
         select id, opened_on from fittings where client_id = c.id
         order by opened_on desc, created_at desc limit 1
       ) f on true
     order by ${nearest}`,
    [shopId, patterns, limit, words.join(' ')],
  )
  return rows
}

/** One client of a shop; null when the shop has none with this id. */
export async function findClient(
  db: Client,
  shopId: string,
  id: string,
): Promise<ClientRow | null> {
  const { rows } = await db.query(
    'select id, code, name, details, version from clients where shop_id = $1 and id = $2',
    [shopId, id],
  )
  return rows[0] ?? null
}

/** The same, and nobody else changes it until this transaction ends. */
export async function lockClient(
  db: Client,
  shopId: string,
  id: string,
): Promise<ClientRow | null> {
  const { rows } = await db.query(
    `select id, code, name, details, version from clients
     where shop_id = $1 and id = $2 for update`,
    [shopId, id],
  )
  return rows[0] ?? null
}

/** Puts other details there; null when the shop has no such client. */
export async function changeClient(
  db: Client,
  shopId: string,
  id: string,
  details: ClientDetails,
): Promise<ClientRow | null> {
  const { rows } = await db.query(
    `update clients
     set details = $3 || jsonb_build_object('code', code),
       name = coalesce($3->>'name', code), version = version + 1
     where shop_id = $1 and id = $2
     returning id, code, name, details, version`,
    [shopId, id, details],
  )
  return rows[0] ?? null
}

/** Erases a client with all fittings, and drops the key that opens their audit lines. */
export async function eraseClient(db: Client, shopId: string, id: string): Promise<boolean> {
  const { rowCount } = await db.query('delete from clients where shop_id = $1 and id = $2', [
    shopId,
    id,
  ])
  await db.query('delete from client_keys where client_id = $1', [id])
  return rowCount === 1
}
