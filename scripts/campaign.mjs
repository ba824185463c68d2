// npm run campaign [kills]: people at three devices write everything that can be written, while the
// server and the database are killed, answers are lost and the line goes, at random; a fourth sits at
// a real page, whose browser is killed too. What was acknowledged must be stored, once; what was made
// or shown as kept must have arrived when all is well again. The devices here share no code with the
// pages. ARCH_SEED gives a run again. Ends by itself.
import { createHash, randomBytes, randomUUID } from 'node:crypto'
import { chmodSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pg from 'pg'
import { Person } from './lib/campaignPage.mjs'
import { startCluster, stopCluster } from './lib/cluster.mjs'
import { needDebian } from './lib/packages.mjs'
import { build, runAsync, say, wait } from './lib/project.mjs'
import { serve } from './lib/serve.mjs'
import { migrate } from './migrate.mjs'

needDebian(['postgresql', 'chromium'])
const KILLS = Number(process.argv[2] ?? 60)
const SEED = process.env.ARCH_SEED ?? String(Date.now() % 1_000_000)
const PORT = 21395
const base = `http://127.0.0.1:${PORT}`
const folder = mkdtempSync(join(tmpdir(), 'arch-campaign-'))
chmodSync(folder, 0o755)
const CLUSTER = { PG_BASE: join(folder, 'postgres'), PG_PORT: '21595' }
/** Nothing takes longer than this to arrive once all is well, ms. */
const PEACE_MS = 120_000
const TODAY = new Date().toLocaleDateString('sv')

/** Chance by a seed: the same run again. */
let draws = 0
const chance = () =>
  createHash('sha256').update(`${SEED} ${draws++}`).digest().readUInt32BE() / 2 ** 32
const between = (low, high) => low + Math.floor(chance() * (high - low + 1))
const some = (list) => list[Math.floor(chance() * list.length)]

let urls
let server = null
let isOver = false
/** Ended without a word, and begun again after a while. */
async function killServer() {
  server?.kill('SIGKILL')
  server = null
  await wait(between(100, 1500))
  await begin()
}
async function begin() {
  const env = { ...urls, ARCH_SESSION_SECRET: secret }
  for (let tries = 0; server === null; tries++) {
    try {
      server = await serve({ port: PORT, quiet: true, env })
    } catch (error) {
      if (tries > 20) throw error
    }
  }
}
const secret = randomBytes(32).toString('hex')
async function killDatabase() {
  const db = new pg.Client({ connectionString: urls.MIGRATION_URL })
  db.on('error', () => undefined)
  try {
    await db.connect()
    const { rows } = await db.query(
      `select pid from pg_stat_activity where backend_type = 'client backend' and pid <> pg_backend_pid()`,
    )
    // One killed process takes all of them down, as a crash does; they come again by themselves.
    const pid = rows[0]?.pid
    if (pid) process.kill(pid, 'SIGKILL')
  } catch {
    // It is down already.
  } finally {
    await db.end().catch(() => undefined)
  }
}

/** A device: what its person made, in order, each with an id, sent until it is answered. */
class Device {
  queue = []
  acknowledged = []
  refused = []
  cut = new AbortController()
  isCut = false
  constructor(name, login) {
    this.name = name
    this.login = login
  }
  /** The line goes in the middle of whatever is under way. */
  async lose(ms) {
    this.isCut = true
    this.cut.abort()
    await wait(ms)
    this.cut = new AbortController()
    this.isCut = false
  }
  async ask(path, { method = 'GET', body, bytes, id } = {}) {
    if (this.isCut) return { status: 0 }
    try {
      const answer = await fetch(`${base}/api/${path}`, {
        method,
        signal: AbortSignal.any([this.cut.signal, AbortSignal.timeout(15_000)]),
        headers: {
          cookie: this.cookie ?? '',
          ...(body && { 'content-type': 'application/json' }),
          ...(bytes && { 'content-type': 'application/octet-stream' }),
          ...(id && { 'x-write-id': id }),
        },
        ...((body || bytes) && { body: bytes ?? JSON.stringify(body) }),
      })
      const set = answer.headers.getSetCookie()[0]
      const text = await answer.text()
      if (set) this.cookie = set.split(';')[0]
      return { status: answer.status, json: text ? JSON.parse(text) : null }
    } catch {
      return { status: 0 }
    }
  }
  async must(path, options) {
    for (let tries = 0; tries < 100; tries++) {
      const answer = await this.ask(path, options)
      if (answer.status === 200) return answer.json
      if (answer.status >= 400 && answer.status < 500)
        throw new Error(`${path}: ${answer.status} ${JSON.stringify(answer.json)}`)
      await wait(200)
    }
    throw new Error(`${path}: no answer`)
  }
  signIn = () =>
    this.must('sign-in', {
      method: 'POST',
      body: { login: this.login, password: '', understood: true },
    })
  make(write) {
    this.queue.push({ ...write, id: write.id ?? randomUUID() })
  }
  /** Sends what waits, one after the other, until it is told that all is over and nothing waits. */
  async run() {
    while (!(isOver && this.queue.length === 0)) {
      const item = this.queue[0]
      if (!item) {
        await wait(20)
        continue
      }
      const { status, json } = await this.ask(item.path, {
        method: item.method ?? 'POST',
        body: item.bodyNow ? item.bodyNow() : item.body,
        bytes: item.bytes,
        id: item.isCommand || item.bytes ? undefined : item.id,
      })
      if (status === 200) {
        item.answered?.(json)
        this.acknowledged.push(item)
        this.queue.shift()
      } else if (status === 409 && item.stale?.(json)) {
        // Somebody was first: put onto what is there, and sent under the same id.
      } else if (status === 0 || status >= 500 || status === 429) await wait(between(50, 300))
      else if (status === 401) await this.signIn()
      else {
        this.refused.push(
          `${item.kind} ${item.token}: ${status} ${String(json?.detail).slice(0, 120)}`,
        )
        this.queue.shift()
      }
    }
  }
}

/** Versions of the parts of fittings, as the devices were told last. */
const versions = new Map()
const triangle = (token) =>
  Buffer.from(
    `solid ${token}\nfacet normal 0 0 1\nouter loop\nvertex 0 0 0\nvertex 90 0 0\nvertex 0 260 0\nendloop\nendfacet\nendsolid ${token}\n`,
  )
const PIXEL =
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg=='

/** A command on a part, put onto whatever version stands there by now. */
function command(fitting, part, content) {
  const id = randomUUID()
  const key = `${fitting} ${part}`
  return {
    id,
    isCommand: true,
    path: `fittings/${fitting}/commands`,
    bodyNow: () => ({ id, version: versions.get(key) ?? 0, command: content }),
    answered: ({ state }) => versions.set(key, Math.max(versions.get(key) ?? 0, state.version)),
    stale: (problem) => {
      if (!problem?.current) return false
      versions.set(key, problem.current.version)
      return true
    },
  }
}

/** Readings with a usual value, mm; five tries of one are kept. */
const READINGS = [
  ['footLengthMm', 250],
  ['forefootWidthMm', 95],
  ['heelWidthMm', 62],
  ['ballGirthMm', 240],
  ['instepGirthMm', 245],
  ['ankleGirthMm', 220],
  ['navicularHeightMm', 42],
  ['dorsumHeightMm', 63],
]
const MOST_TRIES = 5
let tries = 0

/**
 * What people write: how a write is made, and how often it is found in the database ($1 is its
 * token, unless it says what to find). Everything bears a token of its own.
 */
const KINDS = {
  'new client': {
    make: (token) => ({ path: 'clients', body: { details: { name: token } } }),
    count: `select count(*)::int as n from clients where name = $1`,
  },
  import: {
    make: (token, d) => ({ path: 'records', body: { ...d.record, client: { name: token } } }),
    count: `select count(*)::int as n from clients c join fittings f on f.client_id = c.id where c.name = $1`,
  },
  timer: {
    make: (token) => ({ path: 'timers', body: { id: randomUUID(), name: token, minutes: 600 } }),
    count: `select count(*)::int as n from timers where name = $1`,
  },
  heat: {
    make: (_, d, i) => ({
      path: `heat/${d.heat}`,
      method: 'PATCH',
      body: { do: 'add', readings: [{ minutes: i / 100, celsius: 100, drive: 1 }] },
      find: [d.heat, i / 100],
    }),
    count: `select count(*)::int as n from heat_logs, jsonb_array_elements(readings) r
            where id = $1 and (r->>'minutes')::float8 = $2::float8`,
  },
  'double reading': {
    make: (token) => ({
      path: 'double-readings',
      body: { what: 'forefootWidthMm', subject: token, first: 98, second: 99, takenOn: TODAY },
    }),
    count: `select count(*)::int as n from double_readings where subject = $1`,
  },
  preset: {
    make: (token, d) => ({ path: 'presets', body: { name: token, device: d.device, note: '' } }),
    count: `select count(*)::int as n from device_presets where name = $1`,
  },
  photo: {
    most: 8,
    make: (token, d) => ({ path: `fittings/${d.own}/photos`, body: { words: token, data: PIXEL } }),
    count: `select count(*)::int as n from photos where words = $1`,
  },
  scan: {
    make: (token, d) => {
      const id = randomUUID()
      const query = `id=${id}&name=${token}.stl&unit=mm&points=3&triangles=1&side=left`
      return { id, path: `fittings/${d.own}/scans?${query}`, bytes: triangle(token) }
    },
    count: `select count(*)::int as n from scans where name = $1 || '.stl'`,
  },
  'client field': {
    make: (token, d) => {
      const from = d.occupation
      d.occupation = token
      const occupation = { ...(from && { from }), to: token }
      return { path: `clients/${d.client}`, method: 'PATCH', body: { changes: { occupation } } }
    },
    // One change is one version: their number is compared at the end.
    count: null,
  },
  stock: {
    make: (_, d, i) => ({
      path: 'models/stock',
      body: { model: d.model.id, sizeMm: d.model.sizesMm[d.number], count: i },
      find: [d.model.id, String(d.model.sizesMm[d.number]), i],
    }),
    isLastOnly: true,
    // Each device counts a size of its own, on the shelf of the only place.
    count: `select count(*)::int as n from models, jsonb_each(stock) shelf
            where id = $1 and (shelf.value->>$2)::int = $3`,
  },
  reading: {
    // All devices on one fitting: what somebody else added meanwhile stays.
    make: (_, d) => {
      const n = tries++
      const side = n % 2 ? 'left' : 'right'
      const posture = n % 4 < 2 ? 'standing' : 'sitting'
      const [what, usual] = READINGS[Math.floor(n / 4) % READINGS.length]
      const value = usual + n / 1000
      return {
        ...command(d.shared, `readings.${side}`, {
          kind: 'readings.add',
          side,
          what,
          posture,
          values: [value],
        }),
        find: [d.shared, what, posture, value],
      }
    },
    most: Math.floor((MOST_TRIES * 4 * READINGS.length) / 3),
    count: `select count(*)::int as n from fitting_parts, jsonb_array_elements(content) r,
              jsonb_array_elements(r->'trials') t
            where fitting_id = $1 and part like 'readings.%' and r->>'what' = $2
              and r->>'posture' = $3 and abs(t::text::float8 - $4::float8) < 1e-6`,
  },
  'handover note': {
    make: (token, d) =>
      command(d.own, 'handover', { kind: 'part.put', part: 'handover', content: { note: token } }),
    isLastOnly: true,
    count: `select count(*)::int as n from fitting_parts where part = 'handover' and content->>'note' = $1`,
  },
  'own work': {
    // All devices in one plan, each from what it saw last.
    make: (token, d) => {
      const item = { id: token.slice(-8), name: token, minutes: 10, needs: ['people'] }
      return {
        path: 'bench/plan',
        method: 'PUT',
        bodyNow: () => {
          const { version, plan } = d.plan
          return { day: TODAY, version, was: plan, plan: { ...plan, own: [...plan.own, item] } }
        },
        answered: (row) => (d.plan = row),
      }
    },
    most: 12,
    count: `select count(*)::int as n from bench_plans, jsonb_array_elements(plan->'own') o where o->>'name' = $1`,
  },
}

/** A client without a reading. */
const EMPTY = { method: 'POST', body: { details: { name: `Campaign ${SEED}` } } }

/** What a device needs before it begins: a client, a fitting, a log of its own. */
async function prepare(device, number, shared) {
  await device.signIn()
  const { clients } = await device.must('clients?q=tove')
  const record = await device.must(`fittings/${clients[0].fittingId}/record`)
  const mine = await device.must('records', {
    method: 'POST',
    body: { ...record, client: { name: `${device.name} ${SEED}` } },
  })
  const heat = randomUUID()
  await device.must('heat', {
    method: 'POST',
    body: { id: heat, name: device.name, apparatus: 'oven' },
  })
  const { models } = await device.must('models')
  const { plan } = await device.must(`bench?day=${TODAY}`)
  Object.assign(device, {
    number,
    heat,
    record,
    device: record.feet.left.device,
    client: mine.clientId,
    own: mine.fittingId,
    shared: shared ?? (await device.must('clients', EMPTY)).fittingId,
    model: models[0],
    plan,
  })
}

/** Makes something every moment until all is over. */
async function work(device) {
  const made = {}
  for (let i = 1; !isOver; i++) {
    const kind = some(Object.keys(KINDS))
    const { make, most = Infinity } = KINDS[kind]
    made[kind] = (made[kind] ?? 0) + 1
    if (made[kind] <= most) {
      const token = `c${device.number}-${String(i).padStart(6, '0')}`
      device.make({ kind, token, ...make(token, device, i) })
    }
    // A person makes no more than a slow line can carry.
    await wait(device.queue.length > 20 ? 300 : between(20, 120))
  }
}

/** Something goes wrong. */
const TROUBLES = {
  'the server is killed': () => killServer(),
  'the database is killed': () => killDatabase(),
  'a line goes': () => some(devices).lose(between(200, 2500)),
  'a browser is killed': async () => person.kill(),
  'a page loses its line': () => person.loseLine(between(500, 4000)),
  'answers are lost': async () => {
    for (let i = 0; i < 5; i++) {
      await some(devices).lose(10)
      await wait(between(20, 150))
    }
  },
}

/** What the page showed as kept is there once; what it was killed in the middle of, at most once. */
async function pageFaults(db) {
  const { rows } = await db.query(
    `select name, count(*)::int as n from timers where name like 'page %' group by name`,
  )
  const counts = new Map(rows.map((r) => [r.name, r.n]))
  return [
    ...person.kept.filter((name) => counts.get(name) !== 1),
    ...person.unsure.filter((name) => (counts.get(name) ?? 0) > 1),
  ].map((name) => `timer ${name} is there ${counts.get(name) ?? 0} times`)
}

/** Everything that is wrong with what is stored, in words. */
async function faultsIn(db) {
  const faults = devices.flatMap((d) => d.refused)
  for (const device of devices) {
    const last = new Map(device.acknowledged.map((item) => [item.kind, item]))
    for (const item of device.acknowledged) {
      const { count, isLastOnly } = KINDS[item.kind]
      if (!count || (isLastOnly && last.get(item.kind) !== item)) continue
      const { rows } = await db.query(count, item.find ?? [item.token])
      if (rows[0].n !== 1) faults.push(`${item.kind} ${item.token} is there ${rows[0].n} times`)
    }
    const changes = device.acknowledged.filter((item) => item.kind === 'client field')
    const { rows } = await db.query('select version, details from clients where id = $1', [
      device.client,
    ])
    const [{ version, details }] = rows
    if (version !== 1 + changes.length || details.occupation !== changes.at(-1)?.token)
      faults.push(`${device.name}: ${changes.length} changes of a client, version ${version}`)
  }
  return faults
}

const devices = [
  new Device('counter', 'sunniva'),
  new Device('tablet', 'rhona'),
  new Device('laptop', 'rhona'),
]
let code = 1
let person = null
try {
  if ((await build()) !== 0) throw new Error('The build failed; see above.')
  urls = startCluster(false, CLUSTER)
  await migrate(urls.MIGRATION_URL, urls.DATABASE_URL)
  await runAsync(process.execPath, ['--import', 'tsx', 'scripts/load-demo.ts', '--demo'], {
    env: { ...process.env, ...urls },
  })
  await begin()
  say(`ARCH_SEED=${SEED}, ${KILLS} times something goes wrong`)
  for (const [number, device] of devices.entries()) await prepare(device, number, devices[0].shared)
  person = new Person({
    base,
    folder,
    path: `/fittings/${devices[0].own}/measure`,
  })
  await person.open()
  await person.signIn()
  // A page that was never through with anything would prove nothing.
  const typing = person.work(() => isOver && person.kept.length > 0)
  const people = devices.flatMap((device) => [work(device), device.run()])
  for (let i = 0; i < KILLS; i++) {
    await wait(between(200, 1200))
    await TROUBLES[some(Object.keys(TROUBLES))]()
  }
  isOver = true
  const peace = wait(PEACE_MS).then(() => {
    throw new Error(
      `still waiting: ${devices.map((d) => `${d.name} ${d.queue.length} (${d.queue[0]?.kind})`).join(', ')}`,
    )
  })
  await Promise.race([Promise.all([...people, typing]), peace])
  await person.settle(PEACE_MS)
  const db = new pg.Client({ connectionString: urls.MIGRATION_URL })
  await db.connect()
  const faults = [...(await faultsIn(db)), ...(await pageFaults(db))]
  await db.end()
  const count = devices.reduce((sum, d) => sum + d.acknowledged.length, 0)
  const kinds = new Set(devices.flatMap((d) => d.acknowledged.map((item) => item.kind)))
  if (faults.length)
    throw new Error(`${faults.length} faults of ${count}:\n${faults.slice(0, 20).join('\n')}`)
  if (kinds.size < Object.keys(KINDS).length) throw new Error('not every kind was written')
  say(`${count} changes of ${kinds.size} kinds acknowledged: each is there, once`)
  say(
    `${person.kept.length} shown as kept by a page: each is there, once (${person.unsure.length} cut off in the middle)`,
  )
  code = 0
} catch (error) {
  console.error(error)
} finally {
  person?.kill()
  server?.kill('SIGKILL')
  try {
    stopCluster(false, CLUSTER)
  } catch {
    // It has stopped already.
  }
  rmSync(folder, { recursive: true, force: true })
}
process.exit(code)
