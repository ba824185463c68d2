import { localDay } from '../http/day'
import { UNKNOWN_WEARER, type Wearer } from '../../core/record/stepState'
import { wearerOf } from '../../core/bench/wearer'
import { cautionsOf } from '../../core/advice/cautions'
import { riskOf } from '../../core/examine/risk'
import { applyCommand, partOf, type Command } from '../../core/record/commands'
import { stampAngles } from '../../core/examine/angleTrials'
import type { Findings } from '../../core/kinds/findings/all'
import { stampContent, type Stamp } from '../../core/record/stamps'
import { joinRecord, splitRecord, type PartName, type Parts } from '../../core/record/parts'
import {
  normsOf,
  normsOfShop,
  SHOP_KEYS,
  type Norms,
  type ShopKey,
  type ShopTables,
} from '../../core/record/tables'
import { RECORD_VERSION, type FittingRecord, type Story } from '../../core/record/schema'
import type { z } from 'zod'
import type { FittingRow, FittingState, PartState, newFittingBody } from '../../shared/contracts'
import { addClient } from './clients'
import { reckonOutcomes } from './outcomes'
import { reckonDue } from './due'
import { currentTables, tablesOf } from './shopTables'
import type { Asked, At } from './places'
import type { Client } from './pool'
import { partContent } from './storedParts'

/** Opens an empty fitting, judged by the shop's table of norms of that day, made where it is opened. */
export async function openFitting(
  db: Client,
  { shopId, placeId }: Asked,
  clientId: string,
  openedOn: string,
  table: 'current' | 'none' = 'current',
): Promise<string> {
  const { rows } = await db.query(
    'insert into fittings (shop_id, client_id, opened_on, place_id) values ($1, $2, $3, $4) returning id',
    [shopId, clientId, openedOn, placeId ?? null],
  )
  if (table === 'current')
    await putPart(db, rows[0].id, 'norms', normsOfShop(await currentTables(db, shopId)), null)
  return rows[0].id
}

/** Stores a part that is not there yet. */
async function putPart(
  db: Client,
  fittingId: string,
  part: PartName,
  content: unknown,
  by: string | null,
) {
  await db.query(
    `insert into fitting_parts (fitting_id, part, content, version, changed_by, record_version)
     values ($1, $2, $3, 1, $4, $5)
     on conflict (fitting_id, part) do nothing`,
    [fittingId, part, JSON.stringify(content), by, RECORD_VERSION],
  )
}

const COPIED: readonly PartName[] = [
  'readings.left',
  'readings.right',
  'findings.left',
  'findings.right',
  'footprint.left',
  'footprint.right',
  'legLength',
]

/** What a client told last, in whichever fitting. */
async function lastStory(
  db: Client,
  clientId: string,
): Promise<(Story & { toldOn: string }) | undefined> {
  const { rows } = await db.query<{ content: Story; opened_on: string }>(
    `select p.content, f.opened_on from fittings f join fitting_parts p on p.fitting_id = f.id and p.part = 'story'
     where f.client_id = $1 order by f.opened_on desc, p.changed_at desc limit 1`,
    [clientId],
  )
  const [row] = rows
  return row && { ...row.content, toldOn: row.content.healthOn ?? row.opened_on }
}

/**
 * A further fitting for another activity: readings and findings go along when asked for, and what
 * the client has told of their health. Conditions and history are the client's: they follow into every new
 * fitting. Signs and clearances belong to the visit in which they were seen and given.
 */
export async function openFurtherFitting(
  db: Client,
  at: At,
  clientId: string,
  openedOn: string,
  by: string,
  { activity, ownActivity, copyFrom }: z.output<typeof newFittingBody> = {},
): Promise<string> {
  const source = copyFrom ? await readFitting(db, at.shopId, copyFrom) : null
  const from = source?.client.id === clientId ? source : null
  const own = from?.parts.story?.content as Story | undefined
  const last = await lastStory(db, clientId)
  // What was told since the fitting that is copied is the client's too.
  const conditions = [...new Set([...(own?.conditions ?? []), ...(last?.conditions ?? [])])]
  const history = (last ?? own)?.history
  const school = (own ?? last)?.school
  const id = await openFitting(db, at, clientId, openedOn)
  // Signs are asked anew at each visit, and a clearance was given for what was seen then.
  const story = {
    complaints: [],
    conditions,
    ...(history && { history }),
    ...(last && { healthOn: last.toldOn }),
    ...(school && { school }),
    ...(activity && { activity }),
    ...(ownActivity && { ownActivity }),
  }
  if (activity || own || last) await putPart(db, id, 'story', story, by)
  for (const part of COPIED)
    if (from?.parts[part]) await putPart(db, id, part, from.parts[part].content, by)
  // A child's lengths count in what its other pairs are outgrown by.
  if (from) await reckonDue(db, at.shopId, clientId)
  return id
}

interface PartRow {
  part: PartName
  content: unknown
  version: number
  changed_by: string | null
  changed_at: Date
  record_version: number
}

const PART_COLUMNS = 'part, content, version, changed_by, changed_at, record_version'

/** The same columns, as they lie in a column of the fitting. */
type PartColumns = [PartName, unknown, number, string | null, string, number]

const stateOfColumns = ([part, content, version, by, at, record]: PartColumns) =>
  [
    part,
    toState({
      part,
      content,
      version,
      changed_by: by,
      changed_at: new Date(at),
      record_version: record,
    }),
  ] as const

const toState = (r: PartRow): PartState => ({
  content: partContent(r.part, r.content, r.record_version),
  version: r.version,
  changedBy: r.changed_by,
  changedAt: r.changed_at.toISOString(),
})

const todays = (tables: ShopTables): Pick<ShopTables, ShopKey> =>
  Object.fromEntries(SHOP_KEYS.map((key) => [key, tables[key]])) as Pick<ShopTables, ShopKey>

/** A fitting with its client and all parts; null when this shop has none with this id. */
export async function readFitting(
  db: Client,
  shopId: string,
  id: string,
): Promise<FittingState | null> {
  const { rows } = await db.query({
    name: 'fitting',
    text: `select f.id, f.opened_on, f.place_id, c.id as client_id, c.code, c.version, c.details, s.name as shop,
       (select max(version) from norms where shop_id = f.shop_id) as tables_version,
       (
         select coalesce(json_agg(json_build_array(${PART_COLUMNS})), '[]')
         from fitting_parts where fitting_id = f.id
       ) as parts
     from fittings f
       join clients c on c.id = f.client_id
       join shops s on s.id = f.shop_id
     where f.shop_id = $1 and f.id = $2`,
    values: [shopId, id],
  })
  const f = rows[0]
  if (!f) return null
  const tables = await tablesOf(db, shopId, f.tables_version)
  const state: FittingState = {
    id: f.id,
    openedOn: f.opened_on,
    placeId: f.place_id,
    shop: { name: f.shop, tables: todays(tables) },
    client: { id: f.client_id, code: f.code, version: f.version, details: f.details },
    parts: Object.fromEntries((f.parts as PartColumns[]).map(stateOfColumns)),
    cautions: [],
    blocked: false,
    wearer: UNKNOWN_WEARER,
  }
  const record = recordOf(state)
  return {
    ...state,
    cautions: cautionsOf(record, localDay()),
    blocked: riskOf(record, localDay()).blocked,
    wearer: wearerOf(record, tables),
  }
}

/** The fitting as a record of the open format. */
export function recordOf(state: FittingState): FittingRecord {
  const parts = Object.fromEntries(
    Object.entries(state.parts).map(([name, part]) => [name, part.content]),
  ) as Parts
  const visit = { on: state.openedOn, ...parts.visit }
  return joinRecord({ ...parts, visit }, state.client.details, { name: state.shop.name })
}

/** The rows that a fitting is judged by. */
const keptNorms = (row: PartRow | undefined): Norms =>
  normsOf({ norms: row && (toState(row).content as Norms) })

export type Applied =
  | { kind: 'applied'; part: PartName; state: PartState; before: unknown; clientId: string }
  | { kind: 'repeated'; part: PartName; state: PartState }
  | { kind: 'stale'; part: PartName; current: PartState }
  | { kind: 'unknown' }

/**
 * Applies a command in the caller's transaction: locks the fitting, checks that the command is new
 * and its version current, writes the part, remembers the command.
 */
export async function applyToFitting(
  db: Client,
  shopId: string,
  id: string,
  commandId: string,
  version: number,
  command: Command,
  stamp: Stamp,
  wearer: Wearer = UNKNOWN_WEARER,
): Promise<Applied> {
  const part = partOf(command)
  const locked = await db.query<{ client_id: string }>({
    name: 'lock fitting',
    text: 'select client_id from fittings where shop_id = $1 and id = $2 for no key update',
    values: [shopId, id],
  })
  const clientId = locked.rows[0]?.client_id
  if (!clientId) return { kind: 'unknown' }
  // What stands there, what it is judged by, and whether this command was applied before, at once.
  const found = await db.query<PartRow & { done: boolean }>({
    name: 'part to change',
    text: `select ${PART_COLUMNS},
        exists (select 1 from applied_commands where id = $3 and fitting_id = $1) as done
      from fitting_parts where fitting_id = $1 and part in ($2, 'norms')`,
    values: [id, part, commandId],
  })
  const rowOf = (name: PartName) => found.rows.find((r) => r.part === name)
  const current = rowOf(part)
  if (current?.done) return { kind: 'repeated', part, state: toState(current) }
  if ((current?.version ?? 0) !== version)
    return {
      kind: 'stale',
      part,
      current: current
        ? toState(current)
        : { content: null, version: 0, changedBy: null, changedAt: new Date(0).toISOString() },
    }
  const before = current && toState(current).content
  const after = applyCommand(before, command, { stamp, norms: keptNorms(rowOf('norms')), wearer })
  const stamped = stampContent(part.split('.')[0]!, before, after, stamp)
  const content = part.startsWith('findings.')
    ? stampAngles((before as Findings | null) ?? undefined, stamped as Findings, stamp)
    : stamped
  const saved = await db.query<PartRow>({
    name: 'keep part',
    text: `with saved as (
       insert into fitting_parts (fitting_id, part, content, version, changed_by, record_version)
       values ($1, $2, $3, 1, $4, $5)
       on conflict (fitting_id, part) do update
         set content = excluded.content, version = fitting_parts.version + 1,
           changed_by = excluded.changed_by, changed_at = now(),
           record_version = excluded.record_version
       returning ${PART_COLUMNS}
     ), remembered as (
       insert into applied_commands (id, fitting_id, part, version)
       select $6, $1, part, version from saved
     )
     select * from saved`,
    values: [id, part, JSON.stringify(content), stamp.by, RECORD_VERSION, commandId],
  })
  const row = saved.rows[0]!
  return { kind: 'applied', part, state: toState(row), before: current?.content ?? null, clientId }
}

/** Stores a whole record as a new client and fitting. */
export async function importRecord(
  db: Client,
  at: Asked,
  record: FittingRecord,
  today: string,
  by: string,
): Promise<{ clientId: string; fittingId: string }> {
  const client = await addClient(db, at.shopId, record.client ?? {})
  return {
    clientId: client.id,
    fittingId: await importFitting(db, at, client.id, record, today, by),
  }
}

/** Stores a whole record as a further fitting of a client that the shop has. */
export async function importFitting(
  db: Client,
  at: Asked,
  clientId: string,
  record: FittingRecord,
  today: string,
  by: string,
): Promise<string> {
  const fittingId = await openFitting(db, at, clientId, record.visit?.on ?? today, 'none')
  for (const [part, content] of Object.entries(splitRecord(record)))
    await putPart(db, fittingId, part as PartName, content, by)
  await reckonDue(db, at.shopId, clientId)
  await reckonOutcomes(db, [fittingId])
  return fittingId
}

/** Whose fitting this is; null when the shop has none of this id. */
export async function fittingClient(
  db: Client,
  shopId: string,
  id: string,
): Promise<string | null> {
  const { rows } = await db.query(
    'select client_id as "clientId" from fittings where shop_id = $1 and id = $2',
    [shopId, id],
  )
  return rows[0]?.clientId ?? null
}

/** A client's fittings with what they are for, newest first. */
export async function fittingsOf(
  db: Client,
  shopId: string,
  clientId: string,
): Promise<FittingRow[]> {
  const { rows } = await db.query(
    `select f.id, f.opened_on as "openedOn",
       case when p.content #>> '{ownActivity,like}' = p.content->>'activity'
         then p.content #>> '{ownActivity,name}' else p.content->>'activity' end as activity
     from fittings f
     left join fitting_parts p on p.fitting_id = f.id and p.part = 'story'
     where f.shop_id = $1 and f.client_id = $2 order by f.opened_on desc, f.created_at desc`,
    [shopId, clientId],
  )
  return rows
}
