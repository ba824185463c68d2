// npm run bench:load [share]: how long people wait at a large shop. Makes a throwaway database of
// 100,000 clients, 150,000 fittings and 2 million audit lines (or a share of them, as 0.1), asks
// eight things at once on loopback, and tells the 95th of 100 against what was set; then 200 mixed
// requests a second for some minutes (--steady 10), and what became of the
// server's memory. Ends by itself.
import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { performance } from 'node:perf_hooks'
import pg from 'pg'
import { build, runAsync, say, wait } from './lib/project.mjs'
import { startCluster, stopCluster } from './lib/cluster.mjs'
import { end, serve } from './lib/serve.mjs'
import { migrate } from './migrate.mjs'

const ARGUMENTS = process.argv.slice(2)
const isNumber = (word) => /^[\d.]+$/.test(word)
const SHARE = Number(
  ARGUMENTS.find((word, i) => isNumber(word) && ARGUMENTS[i - 1] !== '--steady') ?? 1,
)
const CLIENTS = Math.round(100_000 * SHARE)
const FITTINGS = Math.round(150_000 * SHARE)
const AUDIT = Math.round(2_000_000 * SHARE)
const AT_ONCE = 8
const ASKS = 200
const ROUNDS = 3
/** Asked before, one by one: what is measured is no first time. */
const WARM_ASKS = 40
const PORT = 21390
const STEADY_MINUTES = ARGUMENTS.includes('--steady')
  ? Number(ARGUMENTS[ARGUMENTS.indexOf('--steady') + 1] ?? 10)
  : 0
/** A shop's requests, as so many of a hundred. */
const MIX = { open: 40, today: 20, search: 16, command: 15, due: 3, models: 3, audit: 2, bench: 1 }
const A_SECOND = 200
const WARM_MS = 20_000
const VISITS = 60
/** Memory may grow by so much under the same load, MB. */
const MOST_GROWTH_MB = 100
const PLACE = {
  PG_TEST_BASE: join(tmpdir(), `gentle-arch-load.${process.getuid()}`),
  PG_TEST_PORT: '21590',
}

/** What people ask, and how long 95 of 100 may wait, ms. */
const MOST_MS = {
  today: 60,
  search: 60,
  open: 60,
  command: 60,
  'new client': 100,
  models: 150,
  bench: 200,
  due: 300,
  worked: 300,
  audit: 300,
}

const FIRST = ['Ailsa', 'Bram', 'Cato', 'Dunja', 'Edda', 'Falk', 'Greta', 'Hamish', 'Ines', 'Jarl']
const LAST = ['Okonjo', 'Perrin', 'Quist', 'Ravndal', 'Sollis', 'Tarrant', 'Ueda', 'Vasko', 'Wrenn']

/** Fills the shop in the database itself: a few shapes of real fittings, over five years. */
async function fill(url) {
  const db = new pg.Client({ connectionString: url })
  await db.connect()
  const shop = (await db.query('select id from shops where demo limit 1')).rows[0].id
  const step = async (what, sql, values = []) => {
    const begun = performance.now()
    await db.query(sql, values)
    say(`${what}: ${((performance.now() - begun) / 1000).toFixed(0)} s`)
  }
  await step(
    `${CLIENTS} clients`,
    `insert into clients (shop_id, code, name, details)
     select $1, 'LD-' || lpad(i::text, 7, '0'), n.name,
       jsonb_build_object('code', 'LD-' || lpad(i::text, 7, '0'), 'name', n.name, 'massKg', 50 + i % 60,
         'bornOn', (date '1945-01-01' + (i * 37 % 25000))::text)
     from generate_series(1, $2::int) i, lateral (
       select ($3::text[])[1 + i % 10] || ' ' || ($4::text[])[1 + i / 10 % 9] || ' ' || (i / 90)::text as name
     ) n`,
    [shop, CLIENTS, FIRST, LAST],
  )
  await step(
    `${FITTINGS} fittings`,
    `with c as (select id, row_number() over () as n from clients where shop_id = $1 and code like 'LD-%')
     insert into fittings (shop_id, client_id, opened_on)
     select $1, c.id, current_date - (i * 7919 % 1825)
     from generate_series(1, $2::int) i join c on c.n = 1 + i % $3::int`,
    [shop, FITTINGS, CLIENTS],
  )
  await step(
    'their parts',
    `with shape as (
         select p.part, p.content from fitting_parts p
         where p.fitting_id = (
           select fitting_id from fitting_parts where part = 'followups' order by fitting_id limit 1
         ) and p.part in ('story', 'readings.left', 'readings.right', 'device.left', 'followups')
       ), f as (select id, opened_on from fittings where shop_id = $1 and client_id in (select id from clients where code like 'LD-%'))
     insert into fitting_parts (fitting_id, part, content, version, record_version)
     select f.id, s.part, s.content, 1, 2 from f cross join shape s`,
    [shop],
  )
  await step(
    'handovers',
    `insert into fitting_parts (fitting_id, part, content, version, record_version)
     select f.id, 'handover', jsonb_build_object('on', (f.opened_on + 3)::text), 1, 2
     from fittings f join clients c on c.id = f.client_id
     where f.shop_id = $1 and c.code like 'LD-%' and (f.opened_on < current_date - 20 or f.opened_on < current_date - 3 and hashtext(f.id::text) % 3 = 0)`,
    [shop],
  )
  await step(
    'what became of them',
    `insert into outcomes (fitting_id, shop_id, opened_on, outcome)
     select f.id, f.shop_id, f.opened_on, replace(known.outcome::text, known.code, c.code)::jsonb
     from fittings f join clients c on c.id = f.client_id,
       (
         select o.outcome, kc.code from outcomes o
           join fittings kf on kf.id = o.fitting_id join clients kc on kc.id = kf.client_id
         where o.shop_id = $1 and o.outcome->'cases' <> '[]' order by o.fitting_id limit 1
       ) known
     where f.shop_id = $1 and c.code like 'LD-%' and f.handed_over`,
    [shop],
  )
  await step(
    'what is due',
    `insert into due_items (fitting_id, client_id, shop_id, kind, due_on, tell_from, tell_until, words)
     select f.id, f.client_id, f.shop_id, 'outcome', f.opened_on + 3 + d.days, f.opened_on + 3 + d.days - 7,
       f.opened_on + 3 + d.days + d.told, 'ask how it goes'
     from fittings f join clients c on c.id = f.client_id,
       (values (14, 20), (42, 60), (150, 60)) as d(days, told)
     where f.shop_id = $1 and c.code like 'LD-%' and hashtext(f.id::text) % 5 <> 0`,
    [shop],
  )
  await step(
    `${AUDIT} audit lines`,
    `with c as (select id, row_number() over () - 1 as n from clients where shop_id = $1 and code like 'LD-%')
     insert into audit (shop_id, at, person_name, client_id, action)
     select $1, now() - i * interval '70 seconds', 'Rhona Ketteridge', c.id, 'fitting.see'
     from generate_series(1, $2::int) i join c on c.n = i % $3::int`,
    [shop, AUDIT, CLIENTS],
  )
  await step('statistics', 'vacuum analyze')
  await step('written down', 'checkpoint')
  const ids = await db.query(
    `select f.id from fittings f join clients c on c.id = f.client_id where c.code like 'LD-%' order by f.id limit 5000`,
  )
  await db.end()
  return ids.rows.map((r) => r.id)
}

/** The 95th of 100 of some numbers. */
const p95 = (times) => times.toSorted((a, b) => a - b)[Math.floor(times.length * 0.95)]

/** What people ask, signed in. */
async function asksOf(base, fittings) {
  const sign = await fetch(`${base}/api/sign-in`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ login: 'sunniva', password: '', understood: true }),
  })
  const cookie = sign.headers.getSetCookie()[0].split(';')[0]
  const call = (path, body) =>
    fetch(`${base}/api/${path}`, {
      headers: { cookie, ...(body && { 'content-type': 'application/json' }) },
      ...(body && { method: 'POST', body: JSON.stringify(body) }),
    })
  const some = (list, i) => list[i % list.length]
  /** how often each fitting was changed here */
  const changed = new Map()
  let commands = 0
  const add = (fitting) => {
    const version = changed.get(fitting) ?? 0
    changed.set(fitting, version + 1)
    return {
      id: randomUUID(),
      version,
      command: { kind: 'part.put', part: 'making', content: { promisedOn: '2027-01-02' } },
    }
  }
  const asks = {
    today: () => call('today'),
    search: (i) =>
      call(`clients?q=${some([...LAST, 'ail que', 'LD-00004', 'r', 'hamish wrenn 4'], i)}`),
    open: (i) => call(`fittings/${some(fittings, i)}`),
    command: () => {
      const fitting = some(fittings, commands++)
      return call(`fittings/${fitting}/commands`, add(fitting))
    },
    'new client': (i) => call('clients', { details: { name: `Load ${i}` } }),
    models: () => call('models'),
    bench: () => call('bench'),
    due: () => call('due'),
    worked: () => call('worked'),
    audit: () => call('audit'),
  }
  return asks
}

/** One round of a question: how long each of them took, and how many were refused. */
async function round(ask, from) {
  const times = []
  let next = 0
  let bad = 0
  const until = performance.now() + 20_000
  const worker = async () => {
    while (next < ASKS && performance.now() < until) {
      const i = from + next++
      const begun = performance.now()
      const answer = await ask(i)
      await answer.arrayBuffer()
      times.push(performance.now() - begun)
      if (!answer.ok) bad++
    }
  }
  await Promise.all(Array.from({ length: AT_ONCE }, worker))
  return { p95: p95(times), asked: times.length, bad }
}

/** Asks everything in rounds, and takes the middle one of each: one that a neighbour disturbed is out. */
async function measure(asks) {
  const rounds = Object.fromEntries(Object.keys(asks).map((name) => [name, []]))
  for (const ask of Object.values(asks))
    // A server that has run for an hour has seen each of them.
    for (let i = 0; i < WARM_ASKS; i++) await (await ask(i)).arrayBuffer()
  for (let k = 0; k < ROUNDS; k++)
    for (const [name, ask] of Object.entries(asks)) rounds[name].push(await round(ask, k * ASKS))
  const slow = []
  for (const [name, all] of Object.entries(rounds)) {
    const middle = all.toSorted((a, b) => a.p95 - b.p95)[Math.floor(ROUNDS / 2)].p95
    const [asked, bad] = [all.reduce((n, r) => n + r.asked, 0), all.reduce((n, r) => n + r.bad, 0)]
    const holds = middle <= MOST_MS[name] && bad === 0
    if (!holds) slow.push(name)
    say(
      `${name.padEnd(11)} p95 ${middle.toFixed(0).padStart(5)} ms of ${MOST_MS[name]} (${all.map((r) => r.p95.toFixed(0)).join(', ')}), ${asked} asked${bad ? `, ${bad} refused` : ''}${holds ? '' : '  ← over'}`,
    )
  }
  return slow
}

/** Share of this machine's time that others on the same hardware took, since it was asked last. */
let former = [0, 0]
function stolen() {
  const ticks = readFileSync('/proc/stat', 'utf8').split('\n')[0].trim().split(/\s+/).slice(1)
  const now = [Number(ticks[7] ?? 0), ticks.slice(0, 8).reduce((sum, n) => sum + Number(n), 0)]
  const share = (now[0] - former[0]) / Math.max(1, now[1] - former[1])
  former = now
  return `${(100 * share).toFixed(0)} % of the time was taken by other machines`
}

/** Memory of a process, MB. */
const memoryMb = (pid) =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))[1]) / 1024

/** New clients of the rounds before came for a visit each: so many as a large shop has in a day stay. */
async function busyDay(url) {
  const db = new pg.Client({ connectionString: url })
  await db.connect()
  await db.query(
    'delete from visits where id not in (select id from visits order by starts_at limit $1)',
    [VISITS],
  )
  await db.end()
}

/** The same number of requests in every second, whether the last ones are answered or not. */
async function steady(asks, pid, base) {
  const names = Object.entries(MIX).flatMap(([name, share]) => Array(share).fill(name))
  const times = []
  let [bad, sent] = [0, 0]
  const under = new Set()
  const begun = performance.now()
  await fetch(`${base}/api/health`)
  let early = 0
  while (performance.now() - begun < STEADY_MINUTES * 60_000) {
    const due = Math.floor(((performance.now() - begun) / 1000) * A_SECOND)
    for (; sent < due; sent++) {
      const from = performance.now()
      const one = asks[names[(sent * 37) % names.length]](sent)
        .then(async (answer) => {
          await answer.arrayBuffer()
          if (!answer.ok) bad++
        })
        .catch(() => bad++)
        .finally(() => {
          times.push(performance.now() - from)
          under.delete(one)
        })
      under.add(one)
    }
    // What it takes to begin with is no growth.
    if (early === 0 && performance.now() - begun > WARM_MS) early = memoryMb(pid)
    await wait(10)
  }
  await Promise.all(under)
  const held = (await (await fetch(`${base}/api/health`)).json()).longestHoldUpMs
  const growth = memoryMb(pid) - (early || memoryMb(pid))
  const holds = bad === 0 && growth < MOST_GROWTH_MB
  say(
    `${A_SECOND} a second for ${STEADY_MINUTES} min: p95 ${p95(times).toFixed(0)} ms, ${bad} of ${sent} refused, memory ${growth < 0 ? '' : '+'}${growth.toFixed(0)} MB, longest hold-up ${held} ms${holds ? '' : '  ← over'}`,
  )
  return holds ? [] : ['steady']
}

stopCluster(true, PLACE)
let server
try {
  if (!process.argv.includes('--built') && (await build()) !== 0) process.exit(1)
  const urls = startCluster(true, PLACE)
  await migrate(urls.MIGRATION_URL, urls.DATABASE_URL)
  await runAsync(process.execPath, ['--import', 'tsx', 'scripts/load-demo.ts', '--demo'], {
    env: { ...process.env, ...urls },
  })
  const fittings = await fill(urls.MIGRATION_URL)
  server = await serve({
    port: PORT,
    quiet: true,
    env: { ...urls, ARCH_SESSION_SECRET: randomUUID() + randomUUID() },
  })
  const base = `http://127.0.0.1:${PORT}`
  const asks = await asksOf(base, fittings)
  stolen()
  const slow = await measure(asks)
  say(stolen())
  if (STEADY_MINUTES > 0) {
    await busyDay(urls.MIGRATION_URL)
    slow.push(...(await steady(asks, server.pid, base)))
    say(stolen())
  }
  say(slow.length ? `over what was set: ${slow.join(', ')}` : 'all within what was set')
} finally {
  if (server) await end(server)
  stopCluster(true, PLACE)
}
