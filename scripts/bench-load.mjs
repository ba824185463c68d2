// npm run bench:load [share]: how long people wait at a large shop. Makes a throwaway database of
// 100,000 clients, 150,000 fittings and 2 million audit lines (or a share of them, as 0.1), asks
// eight things at once on loopback, and tells the 95th of 100 against what was set. Ends by itself.
import { randomUUID } from 'node:crypto'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { performance } from 'node:perf_hooks'
import pg from 'pg'
import { build, runAsync, say } from './lib/project.mjs'
import { startCluster, stopCluster } from './lib/cluster.mjs'
import { end, serve } from './lib/serve.mjs'
import { migrate } from './migrate.mjs'

const SHARE = Number(process.argv.slice(2).find((a) => !a.startsWith('--')) ?? 1)
const CLIENTS = Math.round(100_000 * SHARE)
const FITTINGS = Math.round(150_000 * SHARE)
const AUDIT = Math.round(2_000_000 * SHARE)
const AT_ONCE = 8
const ASKS = 200
const PORT = 21390
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
    `update fittings set outcome_reckoned_at = null where shop_id = $1`,
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
    `select f.id from fittings f join clients c on c.id = f.client_id where c.code like 'LD-%' order by f.id limit 500`,
  )
  await db.end()
  return ids.rows.map((r) => r.id)
}

/** The 95th of 100 of some numbers. */
const p95 = (times) => times.toSorted((a, b) => a - b)[Math.floor(times.length * 0.95)]

async function measure(base, fittings) {
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
  const add = (i) => ({
    id: randomUUID(),
    version: Math.floor(i / fittings.length),
    command: { kind: 'part.put', part: 'making', content: { promisedOn: '2027-01-02' } },
  })
  const asks = {
    today: () => call('today'),
    search: (i) =>
      call(`clients?q=${some([...LAST, 'ail que', 'LD-00004', 'r', 'hamish wrenn 4'], i)}`),
    open: (i) => call(`fittings/${some(fittings, i)}`),
    command: (i) => call(`fittings/${some(fittings, i)}/commands`, add(i)),
    'new client': (i) => call('clients', { details: { name: `Load ${i}` } }),
    models: () => call('models'),
    bench: () => call('bench'),
    due: () => call('due'),
    worked: () => call('worked'),
    audit: () => call('audit'),
  }
  const slow = []
  for (const [name, ask] of Object.entries(asks)) {
    const times = []
    let next = 0
    let bad = 0
    const until = performance.now() + 20_000
    const worker = async () => {
      while (next < ASKS && performance.now() < until) {
        const i = next++
        const begun = performance.now()
        const answer = await ask(i)
        await answer.arrayBuffer()
        times.push(performance.now() - begun)
        if (!answer.ok) bad++
      }
    }
    await Promise.all(Array.from({ length: AT_ONCE }, worker))
    const value = p95(times)
    const holds = value <= MOST_MS[name] && bad === 0
    if (!holds) slow.push(name)
    say(
      `${name.padEnd(11)} p95 ${value.toFixed(0).padStart(5)} ms of ${MOST_MS[name]}, ${times.length} asked${bad ? `, ${bad} refused` : ''}${holds ? '' : '  ← over'}`,
    )
  }
  return slow
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
  const slow = await measure(`http://127.0.0.1:${PORT}`, fittings)
  say(slow.length ? `over what was set: ${slow.join(', ')}` : 'all within what was set')
} finally {
  if (server) await end(server)
  stopCluster(true, PLACE)
}
