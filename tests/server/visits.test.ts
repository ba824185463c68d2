import fc from 'fast-check'
import { addDays, addMinutes, format, set } from 'date-fns'
import { afterEach, beforeAll, describe, expect, it } from 'vitest'
import type { VisitRow } from '../../shared/contracts'
import { runs } from '../effort'
import { useShop } from './shop'

const shop = useShop(21743)
/** A Wednesday far from the demo's own visits. */
const DAY = set(new Date('2027-03-10T00:00'), {})
const at = (clock: string, days = 0) => {
  const [hours, minutes] = clock.split(':').map(Number)
  return set(addDays(DAY, days), { hours, minutes })
}
const dayOf = (date: Date) => format(date, 'yyyy-MM-dd')
let rhonaId = ''
const clients: Record<string, { clientId: string; fittingId: string }> = {}
const visitsOn = async (date = DAY): Promise<VisitRow[]> =>
  (await shop.rhona.get(`today?day=${dayOf(date)}`)).json.visits
const book = (more: object) =>
  shop.rhona.post('visits', {
    minutes: 45,
    reason: 'recheck',
    personId: null,
    startsAt: at('10:00').toISOString(),
    clientId: clients.a!.clientId,
    ...more,
  })
const patch = (visit: { id: string; version: number }, more: object) =>
  shop.rhona.call('PATCH', `visits/${visit.id}`, { version: visit.version, ...more })
const saved = { name: '', details: {} as object }

beforeAll(async () => {
  for (const name of ['a', 'b', 'c'])
    clients[name] = (
      await shop.rhona.post('clients', { details: { name: `Visit ${name.toUpperCase()}` } })
    ).json
  const { people } = (await shop.sunniva.get('people')).json
  rhonaId = people.find((p: { name: string }) => p.name.startsWith('Rhona')).id
  Object.assign(saved, (await shop.sunniva.get('shop')).json)
})
afterEach(async () => {
  await shop.owner.query("delete from visits where starts_at > '2027-01-01'")
  await shop.sunniva.call('PATCH', `people/${rhonaId}`, { hours: {}, daysOff: [] })
  await shop.sunniva.call('PUT', 'shop', saved)
})

describe('a visit that is booked', () => {
  it('stands on its day, of the client’s newest fitting, with whom and how long', async () => {
    expect((await book({ personId: rhonaId, minutes: 30 })).status).toBe(200)
    const [visit] = await visitsOn()
    expect(visit).toMatchObject({
      fittingId: clients.a!.fittingId,
      name: 'Visit A',
      personName: 'Rhona Ketteridge',
      minutes: 30,
      reason: 'recheck',
      state: 'to-come',
    })
    expect(visit!.startsAt).toBe(at('10:00').toISOString())
    expect(await visitsOn(addDays(DAY, 1))).toEqual([])
    expect((await shop.rhona.get('today?day=2027-02-30')).status).toBe(400)
  })
  it('gets a first fitting where the client has none', async () => {
    const { rows } = await shop.owner.query(
      `insert into clients (shop_id, code, name, details)
       select id, 'HR-9001', 'Only Written Down', '{"name": "Only Written Down"}' from shops where demo returning id`,
    )
    expect((await book({ clientId: rows[0].id })).status).toBe(200)
    expect((await visitsOn())[0]!.name).toBe('Only Written Down')
    await shop.owner.query('delete from clients where id = $1', [rows[0].id])
  })
  it('is of this shop: another’s client, fitting or person is not here', async () => {
    const nobody = '00000000-0000-4000-8000-000000000000'
    expect((await book({ clientId: nobody })).status).toBe(404)
    expect((await book({ clientId: undefined, fittingId: nobody })).status).toBe(404)
    expect((await book({ personId: nobody })).status).toBe(404)
    expect((await book({ clientId: undefined })).status).toBe(400)
    expect((await book({ minutes: 0 })).status).toBe(400)
    expect(await visitsOn()).toEqual([])
  })
})

describe('what speaks against a time', () => {
  const refused = async (more: object) => {
    const { status, json } = await book(more)
    return status === 409 ? (json.detail as string) : ''
  }
  it('is somebody else with that person, or the client elsewhere, told with when', async () => {
    await book({ personId: rhonaId })
    const b = { clientId: clients.b!.clientId, personId: rhonaId }
    expect(await refused({ ...b, startsAt: at('10:30').toISOString() })).toMatch(
      /is booked from 10:00 to 10:45/,
    )
    expect(await refused({ startsAt: at('10:30').toISOString() })).toMatch(
      /This client is here from 10:00 to 10:45/,
    )
    // One after the other is none.
    expect(await refused({ ...b, startsAt: at('10:45').toISOString() })).toBe('')
    // Somebody else with nobody in particular sits on the only chair.
    expect(await refused({ ...b, personId: null, startsAt: at('10:00').toISOString() })).toBe(
      'The chair is taken then.',
    )
  })
  it('is a closed shop, and somebody who does not work then or is away', async () => {
    await shop.sunniva.call('PUT', 'shop', {
      ...saved,
      details: { ...saved.details, hours: { '3': { from: '09:00', to: '17:00' } } },
    })
    expect(await refused({ startsAt: at('16:30').toISOString() })).toBe(
      'The shop is open from 09:00 to 17:00 then.',
    )
    expect(await refused({ startsAt: at('10:00', 1).toISOString() })).toBe(
      'The shop is closed on a Thursday.',
    )
    await shop.sunniva.call('PATCH', `people/${rhonaId}`, {
      hours: { '3': { from: '09:00', to: '12:00' } },
      daysOff: [{ from: dayOf(addDays(DAY, 7)), to: dayOf(addDays(DAY, 8)) }],
    })
    expect(await refused({ personId: rhonaId, startsAt: at('11:30').toISOString() })).toMatch(
      /Rhona Ketteridge works from 09:00 to 12:00 then/,
    )
    expect(await refused({ personId: rhonaId, startsAt: at('10:00', 7).toISOString() })).toMatch(
      /Rhona Ketteridge is away that day/,
    )
    expect(await refused({ personId: rhonaId, startsAt: at('10:00').toISOString() })).toBe('')
  })
  it('forbids nothing: whoever knows better books it all the same', async () => {
    await book({})
    expect((await book({ anyway: true })).status).toBe(200)
    expect(await visitsOn()).toHaveLength(2)
  })
  it('is the same as whoever draws both visits on a line of minutes finds', () =>
    fc.assert(
      fc.asyncProperty(
        fc.integer({ min: 0, max: 120 }),
        fc.integer({ min: 5, max: 90 }),
        fc.integer({ min: 0, max: 120 }),
        fc.integer({ min: 5, max: 90 }),
        async (from, long, other, wide) => {
          await shop.owner.query("delete from visits where starts_at > '2027-01-01'")
          const start = (minute: number) => addMinutes(at('10:00'), minute).toISOString()
          await book({ startsAt: start(from), minutes: long, personId: rhonaId })
          const said = await refused({
            startsAt: start(other),
            minutes: wide,
            personId: rhonaId,
            clientId: clients.b!.clientId,
          })
          const line = new Array<number>(240).fill(0)
          for (let m = from; m < from + long; m++) line[m]!++
          for (let m = other; m < other + wide; m++) line[m]!++
          expect(said !== '').toBe(line.includes(2))
        },
      ),
      { numRuns: runs(100) },
    ))
})

describe('the life of a visit', () => {
  it('is moved, called off, on again, seen, and not seen after all; the bench plans by what is held', async () => {
    await book({ personId: rhonaId })
    const one = async () => (await visitsOn())[0]!
    const atBench = async () =>
      (await shop.rhona.get(`bench?day=${dayOf(DAY)}`)).json.visits.length as number
    expect(await atBench()).toBe(1)
    expect((await patch(await one(), { state: 'cancelled' })).status).toBe(200)
    expect((await one()).state).toBe('cancelled')
    expect(await atBench()).toBe(0)
    // What was called off is in nobody's way.
    expect((await book({ personId: rhonaId, clientId: clients.b!.clientId })).status).toBe(200)
    const back = (await visitsOn()).find((v) => v.state === 'cancelled')!
    // On again, it says who has its time now, and stands there all the same.
    const again = await patch(back, { state: 'to-come' })
    expect(again.status).toBe(200)
    expect(again.json.said.join(' ')).toMatch(/is booked from 10:00 to 10:45/)
    await patch((await visitsOn())[1]!, { startsAt: at('15:00').toISOString(), minutes: 20 })
    const moved = (await visitsOn()).find((v) => v.startsAt === at('15:00').toISOString())!
    expect(moved.minutes).toBe(20)
    await patch(moved, { state: 'seen' })
    const seen = (await visitsOn()).find((v) => v.id === moved.id)!
    expect((await patch(seen, { state: 'now' })).status).toBe(200)
    expect((await patch(seen, { state: 'absent' })).json.code).toBe('stale')
  })
  it('moving it onto somebody else is told; its own old time is not in its way', async () => {
    await book({ personId: rhonaId })
    await book({
      personId: rhonaId,
      clientId: clients.b!.clientId,
      startsAt: at('11:00').toISOString(),
    })
    const [first] = await visitsOn()
    const onto = { startsAt: at('11:15').toISOString() }
    expect((await patch(first!, onto)).json.code).toBe('clash')
    expect((await visitsOn())[0]!.startsAt).toBe(at('10:00').toISOString())
    expect((await patch(first!, { startsAt: at('10:10').toISOString() })).status).toBe(200)
    const [again] = await visitsOn()
    expect((await patch(again!, { ...onto, anyway: true })).status).toBe(200)
    expect((await patch(again!, {})).status).toBe(400)
  })
  it('a bench hand sees that somebody comes, not who or why, and books nobody', async () => {
    await book({})
    const { Caller } = await import('./client')
    const bram = await new Caller(shop.base).signIn('bram')
    const { visits } = (await bram.get(`today?day=${dayOf(DAY)}`)).json
    expect(visits[0]).toMatchObject({ name: null, reason: '' })
    const { status } = await bram.post('visits', {
      clientId: clients.a!.clientId,
      startsAt: at('12:00').toISOString(),
      minutes: 30,
      reason: '',
      personId: null,
    })
    expect(status).toBe(403)
  })
})
