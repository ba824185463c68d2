import pg from 'pg'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { Caller, startServer } from './client'

// A shop in two houses: one person in each, and what either does is where it was done.
let server: Awaited<ReturnType<typeof startServer>>
let db: pg.Client
/** The owner, who works at the first place, and a fitter who works at the second. */
let sunniva: Caller
let rhona: Caller
let first = ''
let second = ''
const placeOf = async (caller: Caller) => (await caller.get('sign-in')).json.place
const go = (caller: Caller, place: string) => caller.call('PUT', 'me/place', { place })

beforeAll(async () => {
  server = await startServer(21743)
  db = new pg.Client({ connectionString: inject('urls').MIGRATION_URL })
  await db.connect()
  sunniva = await new Caller(server.base).signIn('sunniva')
  rhona = await new Caller(server.base).signIn('rhona')
  first = (await placeOf(sunniva)).here
  second = (await sunniva.post('places', { name: 'Rink stall' })).json.id
  await go(rhona, second)
})
afterAll(async () => {
  await sunniva.post(`places/${second}/close`, { place: first })
  await db.end()
  await server.stop()
})

/** A made-up client whom somebody begins with, where they work. */
async function begin(caller: Caller, name: string) {
  const made = await caller.post('clients', { details: { name } })
  expect(made.status).toBe(200)
  return made.json as { fittingId: string; clientId: string }
}
const visitsOf = async (caller: Caller, query = ''): Promise<{ fittingId: string; id: string }[]> =>
  (await caller.get(`today${query}`)).json.visits
const has = (list: { fittingId: string }[], fittingId: string) =>
  list.some((one) => one.fittingId === fittingId)

describe('places of a shop', () => {
  it('are opened and named by the owner, and no two are called the same', async () => {
    expect((await rhona.post('places', { name: 'Mine' })).status).toBe(403)
    const again = await sunniva.post('places', { name: ' rink STALL ' })
    expect([again.status, again.json.code]).toEqual([409, 'same-name'])
    expect((await sunniva.post('places', { name: '  ' })).status).toBe(400)
    const named = await sunniva.call('PATCH', `places/${second}`, { name: 'Rink counter' })
    expect(named.status).toBe(200)
    expect((await placeOf(rhona)).all.map((p: { name: string }) => p.name)).toContain(
      'Rink counter',
    )
    expect((await sunniva.call('PATCH', `places/${first}`, { name: 'rink counter' })).status).toBe(
      409,
    )
  })
  it('show their own visits and what is unfinished there; all of them when asked', async () => {
    const { fittingId } = await begin(rhona, 'Ottilie Places')
    expect(has(await visitsOf(rhona), fittingId)).toBe(true)
    expect(has(await visitsOf(sunniva), fittingId)).toBe(false)
    expect(has(await visitsOf(sunniva, '?at=all'), fittingId)).toBe(true)
    const open = (await sunniva.get('today')).json.unfinished
    expect(has(open, fittingId)).toBe(false)
  })
  it('take in a client who comes to another one than was planned', async () => {
    const { fittingId } = await begin(rhona, 'Wanda Elsewhere')
    const visit = (await visitsOf(rhona)).find((v) => v.fittingId === fittingId)!
    const change = (caller: Caller, state: string, version: number) =>
      caller.call('PATCH', `visits/${visit.id}`, { state, version })
    // Said to be seen from afar, the visit stays where it was.
    expect((await change(sunniva, 'seen', 1)).status).toBe(200)
    expect(has(await visitsOf(rhona), fittingId)).toBe(true)
    expect((await change(sunniva, 'waiting', 2)).status).toBe(200)
    expect(has(await visitsOf(rhona), fittingId)).toBe(false)
    expect(has(await visitsOf(sunniva), fittingId)).toBe(true)
  })
  it('have their own timers and logs of heat', async () => {
    const id = crypto.randomUUID()
    const log = crypto.randomUUID()
    await rhona.post('timers', { id, name: 'Rink oven', minutes: 5 })
    await rhona.post('heat', { id: log, name: 'Rink sheet', apparatus: 'oven' })
    const ids = async (caller: Caller, path: string, key: string) =>
      (await caller.get(path)).json[key].map((one: { id: string }) => one.id)
    expect(await ids(rhona, 'timers', 'timers')).toContain(id)
    expect(await ids(sunniva, 'timers', 'timers')).not.toContain(id)
    expect(await ids(rhona, 'heat', 'logs')).toContain(log)
    expect(await ids(sunniva, 'heat', 'logs')).not.toContain(log)
    await rhona.call('PATCH', `timers/${id}`, { do: 'stop' })
  })
  it('plan their own day, with their own apparatus and people', async () => {
    const day = '2031-07-19'
    const plan = { onDuty: ['Rhona Ketteridge'], jobs: {}, steps: [] }
    const kept = await rhona.call('PUT', 'bench/plan', { day, version: 0, plan })
    expect([kept.status, kept.json.version]).toEqual([200, 1])
    expect((await sunniva.get(`bench?day=${day}`)).json.plan.version).toBe(0)
    // Both keep a first plan of the same day: neither meets the other.
    expect((await sunniva.call('PUT', 'bench/plan', { day, version: 0, plan })).status).toBe(200)

    const tables = (await sunniva.get('norms')).json.versions[0]?.norms
    const { benchResources, ...norms } = tables ?? (await houseTables())
    const without = benchResources.map((r: { id: string }) =>
      r.id === 'oven' ? { ...r, at: { [second]: { count: 0, from: '10:00', to: '16:00' } } } : r,
    )
    const told = { ...norms, benchResources: without, source: 'the rink has no oven' }
    const answer = await sunniva.post('norms', { basedOn: norms.version, norms: told })
    expect(answer.status).toBe(200)
    const oven = async (caller: Caller) =>
      (await caller.get('bench')).json.resources.find((r: { id: string }) => r.id === 'oven')
    expect(await oven(rhona)).toMatchObject({ count: 0, from: '10:00' })
    expect((await oven(sunniva)).count).toBe(1)

    const people = (await sunniva.get('places')).json.people
    const bram = people.find((p: { name: string }) => p.name === 'Bram Oyelaran').id
    const names = async (caller: Caller) =>
      (await caller.get('bench')).json.people.map((p: { name: string }) => p.name)
    expect(await names(rhona)).toContain('Bram Oyelaran')
    await sunniva.call('PUT', 'places/people', { person: bram, place: first })
    expect(await names(rhona)).not.toContain('Bram Oyelaran')
    expect(await names(sunniva)).toContain('Bram Oyelaran')
    await sunniva.call('PUT', 'places/people', { person: bram, place: null })
    await sunniva.post('norms', {
      basedOn: norms.version + 1,
      norms: { ...told, version: norms.version + 1, benchResources, source: 'as before' },
    })
  })
  it('make what is brought there', async () => {
    const fitting = await rhona.fittingOf('tove')
    const jobs = async (caller: Caller) =>
      (await caller.get('bench')).json.jobs.map((job: { id: string }) => job.id)
    expect(await jobs(sunniva)).toContain(fitting)
    expect(await jobs(rhona)).not.toContain(fitting)
    const bring = (place: string) => rhona.call('PUT', `fittings/${fitting}/place`, { place })
    expect((await bring(second)).status).toBe(200)
    expect((await rhona.get(`fittings/${fitting}`)).json.placeId).toBe(second)
    expect(await jobs(sunniva)).not.toContain(fitting)
    expect(await jobs(rhona)).toContain(fitting)
    await bring(first)
    expect(await jobs(sunniva)).toContain(fitting)
  })
  it('count their own shelves, and a catalogue read in anew changes one of them', async () => {
    const modelOf = async (caller: Caller) => (await caller.get('models')).json.models[0]
    const before = await modelOf(sunniva)
    const size = String(before.sizesMm[0])
    const body = { model: before.id, sizeMm: before.sizesMm[0], count: 3 }
    expect((await rhona.post('models/stock', body)).status).toBe(200)
    expect((await modelOf(rhona)).stock).toEqual({ [size]: 3 })
    expect((await modelOf(sunniva)).stock).toEqual(before.stock)
    const { elsewhere } = (await sunniva.get('models')).json
    expect(elsewhere[before.id][size]).toEqual({ [second]: 3 })
    // The owner reads the catalogue in with other numbers on the first shelf.
    const models = [{ ...before, stock: { [size]: 7 } }]
    const file = { format: 'gentle-arch/catalogue', version: 1, models }
    expect((await sunniva.call('PUT', 'models', file)).status).toBe(200)
    expect((await modelOf(sunniva)).stock).toEqual({ [size]: 7 })
    expect((await modelOf(rhona)).stock).toEqual({ [size]: 3 })
    const back = { ...file, models: [before] }
    await sunniva.call('PUT', 'models', back)
    await rhona.post('models/stock', { ...body, count: 0 })
  })
  it('belong to the device: whoever signs in on it works there; a strange one is no place', async () => {
    const signInAt = async (place: string) => {
      const caller = new Caller(server.base)
      await caller.post('sign-in', { login: 'bram', password: '', understood: true, place })
      return (await placeOf(caller)).here
    }
    expect(await signInAt(second)).toBe(second)
    expect(await signInAt(crypto.randomUUID())).toBe(first)
    const other = (await db.query("insert into shops (name) values ('Next door') returning id"))
      .rows[0].id
    const theirs = (await db.query('select id from places where shop_id = $1', [other])).rows[0].id
    expect(await signInAt(theirs)).toBe(first)
    expect((await go(rhona, theirs)).status).toBe(404)
    expect((await sunniva.post(`places/${theirs}/close`, { place: first })).status).toBe(404)
    expect((await sunniva.post(`places/${second}/close`, { place: theirs })).status).toBe(404)
    const fitting = await rhona.fittingOf('tove')
    expect((await rhona.call('PUT', `fittings/${fitting}/place`, { place: theirs })).status).toBe(
      404,
    )
  })
  it('stand beside each line of the trail', async () => {
    const { clientId } = await begin(rhona, 'Trail Elsewhere')
    const line = (await sunniva.get(`audit?client=${clientId}`)).json.lines.at(-1)
    expect([line.person, line.place]).toEqual(['Rhona Ketteridge', 'Rink counter'])
  })
  it('hand over what is left there when they close; the last one stays', async () => {
    const third = (await sunniva.post('places', { name: 'Pop-up' })).json.id
    await go(rhona, third)
    const { fittingId } = await begin(rhona, 'Left Behind')
    const timer = crypto.randomUUID()
    await rhona.post('timers', { id: timer, name: 'Left on', minutes: 30 })
    const model = (await rhona.get('models')).json.models[0]
    const sizeMm = model.sizesMm[0]
    const count = async (caller: Caller) =>
      (await caller.get('models')).json.models[0].stock[String(sizeMm)] ?? 0
    await rhona.post('models/stock', { model: model.id, sizeMm, count: 2 })
    const were = await count(sunniva)
    const day = '2031-08-21'
    const own = [{ id: 'o', name: 'clean the oven', minutes: 20, needs: [] }]
    const plan = { jobs: {}, steps: [], own }
    await rhona.call('PUT', 'bench/plan', { day, version: 0, plan })

    expect((await sunniva.post(`places/${third}/close`, { place: third })).status).toBe(400)
    expect((await rhona.post(`places/${third}/close`, { place: first })).status).toBe(403)
    expect((await sunniva.post(`places/${third}/close`, { place: first })).status).toBe(200)
    expect((await placeOf(rhona)).here).toBe(first)
    expect(has(await visitsOf(sunniva), fittingId)).toBe(true)
    expect(await count(sunniva)).toBe(were + 2)
    const planned = (await sunniva.get(`bench?day=${day}`)).json.plan.plan.own
    expect(planned.map((o: { name: string }) => o.name)).toEqual(['clean the oven'])
    const { timers } = (await sunniva.get('timers')).json
    expect(timers.some((t: { id: string }) => t.id === timer)).toBe(true)
    await sunniva.call('PATCH', `timers/${timer}`, { do: 'stop' })
    await sunniva.post('models/stock', { model: model.id, sizeMm, count: were })
    expect((await sunniva.post(`places/${third}/close`, { place: first })).status).toBe(404)
    await go(rhona, second)
    const { places } = (await sunniva.get('places')).json
    expect(places).toHaveLength(2)
  })
})

/** The tables of a shop that never changed any. */
const houseTables = async () => (await import('../../core/record/tables')).HOUSE_TABLES
