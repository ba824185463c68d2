import { once } from 'node:events'
import pg from 'pg'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { DEMO_RECORDS } from '../../demo/records'
import { hashSecret } from '../../server/security/secrets'
import { leftMs, rings, type Timer } from '../../core/bench/timer'
import { Caller, startServer } from './client'
import { runs } from '../effort'

const PORT = 21780
let server: Awaited<ReturnType<typeof startServer>>
let bram: Caller
beforeAll(async () => {
  server = await startServer(PORT)
  bram = await new Caller(server.base).signIn('bram')
})
afterAll(() => server.stop())
const open = async (caller = bram): Promise<{ now: number; timers: Timer[] }> =>
  (await caller.get('timers')).json
const of = async (id: string) => (await open()).timers.find((t) => t.id === id)
const start = (id: string, minutes: number, name = 'Oven') =>
  bram.post('timers', { id, name, minutes })

/** So long after a request was sent the server may be killed. */
const LONGEST_MS = 160

describe('timers', () => {
  it("run by the server's clock, pause, go on, are extended and renamed, ring, and stay in the log", async () => {
    const id = crypto.randomUUID()
    expect((await start(id, 6)).status).toBe(200)
    // Sent twice, as after a broken line, it is still one and still ends when it did.
    const first = (await of(id))!
    await start(id, 6)
    expect((await of(id))!.endsAt).toBe(first.endsAt)
    expect(first.endsAt! - first.startedAt).toBeCloseTo(360_000, -1)
    const change = (body: unknown) => bram.call('PATCH', `timers/${id}`, body)
    await change({ do: 'pause' })
    const paused = (await of(id))!
    expect([paused.state, paused.endsAt, Math.round(paused.leftMs! / 10_000)]).toEqual([
      'paused',
      null,
      36,
    ])
    await change({ do: 'extend', minutes: 1 })
    await change({ do: 'rename', name: 'Oven, left blank' })
    await change({ do: 'resume' })
    const again = await open()
    const timer = again.timers.find((t) => t.id === id)!
    expect(timer.name).toBe('Oven, left blank')
    expect(Math.round(leftMs(timer, again.now) / 10_000)).toBe(42)
    expect((await change({ do: 'resume' })).status).toBe(404)
    expect((await change({ do: 'extend', minutes: 0 })).status).toBe(400)
    expect((await change({ do: 'stop' })).json.timers.some((t: Timer) => t.id === id)).toBe(false)
    const quick = crypto.randomUUID()
    await start(quick, 0.05)
    await new Promise((over) => setTimeout(over, 3200))
    const after = await open()
    expect(
      rings(
        after.timers.find((t) => t.id === quick)!,
        after.now,
      ),
    ).toBe(true)
    // What rings and is given a minute has that minute from now.
    await bram.call('PATCH', `timers/${quick}`, { do: 'extend', minutes: 1 })
    const more = await open()
    expect(
      Math.round(
        leftMs(
          more.timers.find((t) => t.id === quick)!,
          more.now,
        ) / 1000,
      ),
    ).toBe(60)
    await bram.call('PATCH', `timers/${quick}`, { do: 'stop' })
  })
  it("are heard of by every screen of the shop, and nobody else's", async () => {
    const cookie = (bram as unknown as { cookie: string }).cookie
    const abort = new AbortController()
    const stream = await fetch(`${server.base}/api/events`, {
      headers: { cookie },
      signal: abort.signal,
    })
    const reader = stream.body!.getReader()
    const heard = (async () => {
      let text = ''
      while (!text.includes('event: timers'))
        text += new TextDecoder().decode((await reader.read()).value)
      return text
    })()
    await new Promise((over) => setTimeout(over, 200))
    const id = crypto.randomUUID()
    await start(id, 1)
    expect(await heard).toContain('event: timers')
    abort.abort()
    await bram.call('PATCH', `timers/${id}`, { do: 'stop' })
    const reader_ = await new Caller(server.base).signIn('rhona')
    expect((await open(reader_)).timers).toEqual((await open()).timers)
  })
  it("are the shop's own, refused when they make no sense, and go with a client who is erased", async () => {
    const db = new pg.Client({ connectionString: inject('urls').MIGRATION_URL })
    await db.connect()
    const other = (await db.query("insert into shops (name) values ('Timer shop') returning id"))
      .rows[0].id
    await db.query(
      "insert into people (shop_id, name, login, role, password_hash) values ($1, 'Tilda', 'tilda', 'owner', $2)",
      [other, await hashSecret('a long password')],
    )
    const tilda = new Caller(server.base)
    await tilda.post('sign-in', { login: 'tilda', password: 'a long password', understood: true })
    const id = crypto.randomUUID()
    await start(id, 5)
    expect((await open(tilda)).timers).toEqual([])
    expect((await tilda.call('PATCH', `timers/${id}`, { do: 'stop' })).status).toBe(404)
    for (const body of [
      { id: 'x', name: 'Oven', minutes: 5 },
      { id: crypto.randomUUID(), name: ' ', minutes: 5 },
      { id: crypto.randomUUID(), name: 'Oven', minutes: 0 },
      { id: crypto.randomUUID(), name: 'Oven', minutes: 2000 },
    ])
      expect((await bram.post('timers', body)).status, JSON.stringify(body)).toBe(400)
    const reader = await new Caller(server.base).signIn('sunniva')
    const record = {
      ...DEMO_RECORDS['juno-abara']!,
      client: { ...DEMO_RECORDS['juno-abara']!.client, code: undefined, name: 'Enys Erased' },
    }
    const rhona = await new Caller(server.base).signIn('rhona')
    const { fittingId } = (await rhona.post('records', record)).json
    const theirs = crypto.randomUUID()
    await bram.post('timers', { id: theirs, name: 'HR: glue', minutes: 30, fittingId, step: 'set' })
    expect((await of(theirs))!.fittingId).toBe(fittingId)
    const clientId = (await rhona.get('clients?q=Enys')).json.clients[0].id
    expect((await reader.call('DELETE', `clients/${clientId}`, {})).status).toBe(200)
    expect(await of(theirs)).toBeUndefined()
    expect((await db.query('select 1 from timers where id = $1', [theirs])).rowCount).toBe(0)
    // What is stopped stays as the shop's log: what was planned, and when it ended.
    await bram.call('PATCH', `timers/${id}`, { do: 'stop' })
    const { rows } = await db.query(
      'select planned_min::float8 as planned, stopped_at > started_at as took from timers where id = $1',
      [id],
    )
    expect(rows).toEqual([{ planned: 5, took: true }])
    await db.end()
  })
  it('none is lost when the server is killed again and again in the middle of requests', async () => {
    const kept: string[] = []
    const rounds = runs(50, 8)
    for (let round = 0; round < rounds; round++) {
      const id = crypto.randomUUID()
      // The first request of a fresh server takes longest; after it some requests end before the
      // blow and some do not.
      await bram.get('timers')
      const going = start(id, 30, `round ${round}`)
        .then((a) => a.status === 200 && kept.push(id))
        .catch(() => undefined)
      await new Promise((over) => setTimeout(over, (round / rounds) * LONGEST_MS))
      const gone = once(server.child, 'exit')
      server.child.kill('SIGKILL')
      await Promise.all([gone, going])
      server = await startServer(PORT)
    }
    const { timers, now } = await open()
    const there = new Map(timers.map((t) => [t.id, t]))
    expect(kept.length).toBeGreaterThan(runs(5, 0))
    for (const id of kept) expect(leftMs(there.get(id)!, now)).toBeGreaterThan(0)
    for (const t of timers.filter((x) => x.name.startsWith('round')))
      await bram.call('PATCH', `timers/${t.id}`, { do: 'stop' })
  }, 240_000)
})
