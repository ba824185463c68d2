// npm run try:two-servers: what docs/running.md says of two servers and a standby, tried on this
// machine with Debian's proxy and PostgreSQL's own replication, in throwaway folders. Events cross, a
// server is killed, the database is killed and its standby takes over; every change that was
// acknowledged is there, once. Ends by itself.
import { execFileSync, spawn } from 'node:child_process'
import { randomBytes, randomUUID } from 'node:crypto'
import {
  chmodSync,
  chownSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  rmSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pg from 'pg'
import { build, runAsync, say, wait } from './lib/project.mjs'
import { needDebian } from './lib/packages.mjs'
import { startCluster, stopCluster } from './lib/cluster.mjs'
import { end, serve } from './lib/serve.mjs'
import { migrate } from './migrate.mjs'

needDebian(['postgresql', 'haproxy'])
const PORT = { app: 21380, one: 21381, two: 21382, proxied: 21384, primary: 21385, standby: 21386 }
const folder = mkdtempSync(join(tmpdir(), 'arch-two-'))
// The database's own user goes through it.
chmodSync(folder, 0o755)
const CLUSTER = { PG_BASE: join(folder, 'primary'), PG_PORT: String(PORT.primary) }
const standby = join(folder, 'standby')
const versions = readdirSync('/usr/lib/postgresql').sort((a, b) => Number(a) - Number(b))
const bin = (name) => join('/usr/lib/postgresql', versions.at(-1), 'bin', name)

/** PostgreSQL runs as no root. */
function asPostgres(command, args, env = {}) {
  const isRoot = process.getuid() === 0
  const whole = isRoot
    ? ['setpriv', '--reuid=postgres', '--regid=postgres', '--init-groups', command, ...args]
    : [command, ...args]
  return execFileSync(whole[0], whole.slice(1), {
    cwd: '/',
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, ...env },
  })
}

/** A copy of the database that follows it; nothing is acknowledged that it has not got. */
async function follow(owner) {
  const { password } = new URL(owner)
  mkdirSync(standby, { mode: 0o700 })
  if (process.getuid() === 0) {
    const [uid, gid] = ['-u', '-g'].map((what) => Number(execFileSync('id', [what, 'postgres'])))
    chownSync(standby, uid, gid)
  }
  const from = ['-h', '127.0.0.1', '-p', String(PORT.primary), '-U', 'arch_owner']
  asPostgres(bin('pg_basebackup'), [...from, '-D', standby, '-R', '-X', 'stream', '-c', 'fast'], {
    PGPASSWORD: password,
  })
  const options = `-c listen_addresses=127.0.0.1 -c port=${PORT.standby} -c unix_socket_directories='' -c max_connections=60`
  asPostgres(bin('pg_ctl'), [
    ...['-D', standby, '-l', join(standby, 'log'), '-w', '-s', '-o', options, 'start'],
  ])
  const db = new pg.Client({ connectionString: owner })
  await db.connect()
  await db.query("alter system set synchronous_standby_names = '*'")
  await db.query('select pg_reload_conf()')
  for (let tries = 0; ; tries++) {
    const { rows } = await db.query('select sync_state from pg_stat_replication')
    if (rows[0]?.sync_state === 'sync') break
    if (tries > 100) throw new Error('the standby does not follow')
    await wait(100)
  }
  await db.end()
}

const PROXY = `
global
  maxconn 500
defaults
  timeout connect 2s
  timeout client 1h
  timeout server 1h
  retries 2
  option redispatch
frontend application
  mode http
  bind 127.0.0.1:${PORT.app}
  default_backend servers
backend servers
  mode http
  option forwardfor
  option httpchk GET /api/health
  http-check expect status 200
  server one 127.0.0.1:${PORT.one} check inter 500 fall 2 rise 1
  server two 127.0.0.1:${PORT.two} check inter 500 fall 2 rise 1
frontend database
  mode tcp
  bind 127.0.0.1:${PORT.proxied}
  default_backend databases
backend databases
  mode tcp
  server primary 127.0.0.1:${PORT.primary} check inter 500 fall 2 on-marked-down shutdown-sessions
  server standby 127.0.0.1:${PORT.standby} check inter 500 fall 2 backup
`
async function proxy() {
  const config = join(folder, 'haproxy.cfg')
  writeFileSync(config, PROXY)
  const child = spawn('/usr/sbin/haproxy', ['-db', '-q', '-f', config], { stdio: 'inherit' })
  await wait(500)
  if (child.exitCode !== null) throw new Error('the proxy did not start')
  return child
}

/** Signs in through the proxy. */
async function person(base) {
  const answer = await fetch(`${base}/api/sign-in`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ login: 'sunniva', password: '', understood: true }),
  })
  const cookie = answer.headers.getSetCookie()[0].split(';')[0]
  const call = (path, body, id, at = base) =>
    fetch(`${at}/api/${path}`, {
      signal: AbortSignal.timeout(8_000),
      headers: {
        cookie,
        ...(body && { 'content-type': 'application/json' }),
        ...(id && { 'x-write-id': id }),
      },
      ...(body && { method: 'POST', body: JSON.stringify(body) }),
    })
  return { cookie, call }
}

/** Adds one client after the other, each until it is acknowledged, as the pages do. */
function typing(call) {
  const acknowledged = []
  const refusals = []
  let stopped = false
  let longest = 0
  const done = (async () => {
    for (let i = 0; !stopped; i++) {
      const [id, name] = [randomUUID(), `Standby ${i}`]
      const began = Date.now()
      for (;;) {
        const status = await call('clients', { details: { name } }, id).then(
          (answer) => answer.status,
          () => 0,
        )
        if (status === 200) break
        if (status !== 0 && status < 500) refusals.push(`${name}: ${status}`)
        if (refusals.length > 3) return
        await wait(200)
      }
      longest = Math.max(longest, Date.now() - began)
      acknowledged.push(name)
      await wait(20)
    }
  })()
  return {
    acknowledged,
    refusals,
    longest: () => longest,
    stop: async () => {
      stopped = true
      await done
    },
  }
}

/** Hears of a change on one server that is made on the other. */
async function eventsCross({ cookie, call }) {
  const [one, two] = [PORT.one, PORT.two].map((port) => `http://127.0.0.1:${port}`)
  const stop = new AbortController()
  const stream = await fetch(`${one}/api/events`, { headers: { cookie }, signal: stop.signal })
  const timer = setTimeout(() => stop.abort(), 10_000)
  const { clients } = await (await call('clients?q=tove', undefined, undefined, two)).json()
  const { fittingId } = clients[0]
  const fitting = await (await call(`fittings/${fittingId}`, undefined, undefined, two)).json()
  const version = fitting.parts.making?.version ?? 0
  const command = { kind: 'part.put', part: 'making', content: { promisedOn: '2030-01-02' } }
  const path = `fittings/${fittingId}/commands`
  const answer = await call(path, { id: randomUUID(), version, command }, undefined, two)
  if (!answer.ok) throw new Error(`the change was refused: ${answer.status}`)
  let text = ''
  for await (const piece of stream.body) {
    text += new TextDecoder().decode(piece)
    if (text.includes(fittingId)) break
  }
  clearTimeout(timer)
  stop.abort()
}

const children = []
let code = 1
try {
  if ((await build()) !== 0) throw new Error('The build failed; see above.')
  const urls = startCluster(false, CLUSTER)
  await follow(urls.MIGRATION_URL)
  say('a standby follows the database, and what is acknowledged is on both')
  children.push(await proxy())
  const through = Object.fromEntries(
    Object.entries(urls).map(([name, url]) => [
      name,
      url.replace(`:${PORT.primary}/`, `:${PORT.proxied}/`),
    ]),
  )
  await migrate(through.MIGRATION_URL, through.DATABASE_URL)
  await runAsync(process.execPath, ['--import', 'tsx', 'scripts/load-demo.ts', '--demo'], {
    env: { ...process.env, ...through },
  })
  const env = {
    ...through,
    ARCH_SESSION_SECRET: randomBytes(32).toString('hex'),
    ARCH_BEHIND_PROXY: 'yes',
  }
  const one = await serve({ port: PORT.one, quiet: true, env })
  const two = await serve({ port: PORT.two, quiet: true, env })
  children.push(one, two)
  await wait(1500)
  const base = `http://127.0.0.1:${PORT.app}`
  const sunniva = await person(base)

  await eventsCross(sunniva)
  say('what is changed by one server is heard at the other')

  const typed = typing(sunniva.call)
  await wait(3_000)
  one.kill('SIGKILL')
  await wait(3_000)
  const afterServer = typed.acknowledged.length
  say(`a server was killed: ${afterServer} changes acknowledged, the other goes on`)

  stopHard()
  await wait(2_500)
  asPostgres(bin('pg_ctl'), ['-D', standby, '-w', '-s', 'promote'])
  const promoted = Date.now()
  while (typed.acknowledged.length < afterServer + 20 && Date.now() - promoted < 30_000)
    await wait(100)
  await typed.stop()
  say(
    `the database was killed and its standby took over: ${typed.acknowledged.length} acknowledged, the longest waited ${(typed.longest() / 1000).toFixed(1)} s`,
  )
  if (typed.refusals.length) throw new Error(`refused: ${typed.refusals.join('; ')}`)
  if (typed.acknowledged.length < afterServer + 20)
    throw new Error('nothing more was acknowledged after the standby took over')

  const db = new pg.Client({
    connectionString: urls.MIGRATION_URL.replace(`:${PORT.primary}/`, `:${PORT.standby}/`),
  })
  await db.connect()
  const { rows } = await db.query(
    `select name, count(*)::int as n from clients where name like 'Standby %' group by name`,
  )
  await db.end()
  const counts = new Map(rows.map((r) => [r.name, r.n]))
  const wrong = typed.acknowledged.filter((name) => counts.get(name) !== 1)
  if (wrong.length) throw new Error(`not there once: ${wrong.slice(0, 5).join(', ')}`)
  say('every change that was acknowledged is there, once')
  code = 0
} catch (error) {
  console.error(error)
} finally {
  for (const child of children) await end(child)
  for (const stop of [
    () => asPostgres(bin('pg_ctl'), ['-D', standby, '-m', 'immediate', '-s', 'stop']),
    () => stopCluster(false, CLUSTER),
  ])
    try {
      stop()
    } catch {
      // It has stopped already.
    }
  rmSync(folder, { recursive: true, force: true })
}
process.exit(code)

/** As if its machine lost its power. */
function stopHard() {
  asPostgres(bin('pg_ctl'), ['-D', join(CLUSTER.PG_BASE, 'data'), '-m', 'immediate', '-s', 'stop'])
}
