import type { FoundClient } from '../../shared/contracts'
import type { Client as ClientDetails } from '../../core/record/schema'
import type { Client } from './pool'

export interface ClientRow {
  id: string
  code: string
  name: string
  details: ClientDetails
  version: number
}

/** Codes of a shop that has said no initials begin so. */
const INITIALS = 'C'

/** Next free client code of a shop, like HR-0422. Call in a transaction: it locks the shop. */
async function nextCode(db: Client, shopId: string): Promise<string> {
  const shop = await db.query<{ initials: string | null }>(
    `select details->>'initials' as initials from shops where id = $1 for no key update`,
    [shopId],
  )
  const begins = `${shop.rows[0]?.initials ?? INITIALS}-`
  // The longest number is the highest: an index has them in this order.
  const { rows } = await db.query<{ code: string }>(
    `select code from clients where shop_id = $1 and code ~ ('^' || $2 || '[0-9]{1,9}$')
     order by length(code) desc, code desc limit 1`,
    [shopId, begins],
  )
  const last = rows[0] ? Number(rows[0].code.slice(begins.length)) : 0
  return `${begins}${String(last + 1).padStart(4, '0')}`
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

const FOUND = `select c.id, c.code, c.name, c.details->>'bornOn' as "bornOn",
  c.details->>'occupation' as occupation, c.details->>'phone' as phone, f.id as "fittingId", f.opened_on as "openedOn"`
const NEWEST_FITTING = `left join lateral (
    select id, opened_on from fittings where client_id = c.id
    order by opened_on desc, created_at desc limit 1
  ) f on true
  order by lower(c.name)`

/** Words of so many letters can be looked up in the index of letters in threes. */
const INDEXED_LETTERS = 3

/** No name goes on with a letter behind this one. */
const LAST_LETTER = 1_114_111

/**
 * Clients whose name or code holds every word of the query: first those whose name begins with it,
 * then by name; then those who are reached so, by telephone, mail, guardian or address.
 */
export async function searchClients(
  db: Client,
  shopId: string,
  query: string,
  limit = 20,
): Promise<FoundClient[]> {
  const words = query.trim().toLowerCase().split(/\s+/).filter(Boolean).slice(0, 6)
  const escaped = words.map((w) => w.replace(/[\\%_]/g, (c) => `\\${c}`))
  const begins = `lower(name) >= $3 and lower(name) < $3 || chr(${LAST_LETTER})`
  const found = async (from: string, values: unknown[]) =>
    (
      await db.query<FoundClient>(
        `${FOUND} from (${from}) m join clients c on c.id = m.id ${NEWEST_FITTING}`,
        values,
      )
    ).rows
  const near = await found(
    `select id from clients where shop_id = $1 and ${begins} order by lower(name) limit $2`,
    [shopId, limit, words.join(' ')],
  )
  if (near.length === limit) return near
  // One condition a word, each of which the index of letters in threes can answer.
  const holds = escaped.map((_, i) => `and lower(name || ' ' || code) like '%' || $${i + 4} || '%'`)
  const others = (columns: string) =>
    `select ${columns} from clients where shop_id = $1 ${holds.join(' ')} and not (${begins})`
  // A single word is found by walking the names in their order. Several go together more often than
  // the database thinks (first and last names of a family): it would walk all names, so that those
  // with all words are gathered first.
  const isRare = words.length > 1 && words.some((word) => word.length >= INDEXED_LETTERS)
  const gathered = `with m as materialized (${others('id, name')}) select id from m`
  const far = await found(`${isRare ? gathered : others('id')} order by lower(name) limit $2`, [
    shopId,
    limit - near.length,
    words.join(' '),
    ...escaped,
  ])
  const named = [...near, ...far]
  if (named.length === limit || !escaped.some((word) => word.length >= INDEXED_LETTERS))
    return named
  // By telephone, mail, guardian or address: after those that are called so. A number is looked for by its digits.
  const ways = escaped.map((word) => (/\d/.test(word) ? word.replace(/[^\w@.]|_/g, '') : word))
  const reached = ways.map((_, i) => `and reach like '%' || $${i + 4} || '%'`)
  const byReach = await found(
    `select id from clients
     where shop_id = $1 and reach <> '   ' and not id = any ($3) ${reached.join(' ')}
     order by lower(name) limit $2`,
    [shopId, limit - named.length, named.map((c) => c.id), ...ways],
  )
  return [...named, ...byReach]
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
     where shop_id = $1 and id = $2 for no key update`,
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
  if (rowCount === 1)
    await db.query('insert into erased (client_id) values ($1) on conflict do nothing', [id])
  return rowCount === 1
}
