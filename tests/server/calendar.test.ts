import fc from 'fast-check'
import ICAL from 'ical.js'
import { addDays, addMinutes, format, set } from 'date-fns'
import { afterEach, beforeAll, describe, expect, it } from 'vitest'
import type { CalendarState, VisitRow } from '../../shared/contracts'
import { HOUSE_TABLES } from '../../core/record/tables'
import { runs } from '../effort'
import { Caller } from './client'
import { useShop } from './shop'

const shop = useShop(21749)
/** A Monday far from the demo's own visits. */
const MONDAY = new Date('2027-04-05T00:00')
const at = (clock: string, days = 0) => {
  const [hours, minutes] = clock.split(':').map(Number)
  return set(addDays(MONDAY, days), { hours, minutes }).toISOString()
}
let rhonaId = ''
let clients: string[] = []
const week = async (more = ''): Promise<CalendarState> =>
  (await shop.rhona.get(`visits?from=2027-04-05${more}`)).json
const book = (more: object) =>
  shop.rhona.post('visits', {
    minutes: 45,
    reason: 'recheck',
    personId: null,
    startsAt: at('10:00'),
    clientId: clients[0],
    ...more,
  })
const patch = (visit: { id: string; version: number }, more: object) =>
  shop.rhona.call('PATCH', `visits/${visit.id}`, { version: visit.version, ...more })

beforeAll(async () => {
  clients = await Promise.all(
    ['A', 'B', 'C', 'D'].map(
      async (name) =>
        (await shop.rhona.post('clients', { details: { name: `Week ${name}` } })).json.clientId,
    ),
  )
  const { people } = (await shop.sunniva.get('people')).json
  rhonaId = people.find((p: { name: string }) => p.name.startsWith('Rhona')).id
})
afterEach(async () => {
  await shop.owner.query("delete from visits where starts_at > '2027-01-01' or starts_at is null")
  await shop.owner.query('delete from busy_times')
})
/** The shop with so many chairs; what it had comes back. */
async function withChairs(count: number, work: () => Promise<void>) {
  const { rows } = await shop.owner.query('select id from shops where demo limit 1')
  const [{ id }] = rows
  const norms = {
    ...HOUSE_TABLES,
    benchResources: HOUSE_TABLES.benchResources.map((r) =>
      r.id === 'chair' ? { ...r, count } : r,
    ),
  }
  await shop.owner.query(
    "insert into norms (shop_id, version, content, made_by) values ($1, 9999, $2, 'test')",
    [id, JSON.stringify(norms)],
  )
  try {
    await work()
  } finally {
    await shop.owner.query('delete from norms where shop_id = $1 and version = 9999', [id])
  }
}

describe('a week', () => {
  it('is its own seven days, no visit before or after, with who is there and how many chairs', async () => {
    await book({ startsAt: at('23:30', -1), anyway: true })
    await book({ startsAt: at('00:15'), anyway: true })
    await book({ startsAt: at('09:00', 6), anyway: true })
    await book({ startsAt: at('00:00', 7), anyway: true })
    const state = await week()
    expect(state.visits.map((v) => v.startsAt)).toEqual([at('00:15'), at('09:00', 6)])
    expect(state.people.map((p) => p.name)).toContain('Rhona Ketteridge')
    expect(state.people.map((p) => p.name)).not.toContain('Bram Oyelaran')
    expect(state.chairs).toBe(1)
    expect((await week('&days=1')).visits).toHaveLength(1)
    expect((await shop.rhona.get('visits?from=2027-02-30')).status).toBe(400)
    expect((await shop.rhona.get('visits?from=2027-04-05&days=400')).status).toBe(400)
  })
  it('shows a bench hand that somebody comes, not who or why', async () => {
    await book({ note: undefined })
    await book({ startsAt: null, clientId: clients[1] })
    const bram = await new Caller(shop.base).signIn('bram')
    const { visits, waiting } = (await bram.get('visits?from=2027-04-05')).json as CalendarState
    for (const visit of [...visits, ...waiting])
      expect(visit).toMatchObject({ name: null, reason: '', note: '' })
    expect(JSON.stringify([visits, waiting])).not.toContain('Week')
  })
})

describe('who rings for the first time', () => {
  it('is booked at once, as a client with a code, once', async () => {
    const newClient = { name: 'Rang Up Only', phone: '0700 900 431' }
    const id = '4be2a4a6-2f5a-4b86-8f9c-0f4c4c1a2b11'
    const body = {
      minutes: 60,
      reason: 'first visit',
      personId: null,
      startsAt: at('14:00'),
      newClient,
    }
    const send = () => shop.rhona.call('POST', 'visits', body, { 'x-write-id': id })
    expect((await send()).status).toBe(200)
    expect((await send()).status).toBe(200)
    const { visits } = await week()
    expect(visits.map((v) => v.name)).toEqual(['Rang Up Only'])
    const found = (await shop.rhona.get('clients?q=0700900431')).json.clients
    expect(found.map((c: { name: string }) => c.name)).toEqual(['Rang Up Only'])
  })
  it('is no client where the time is refused, and is refused with a day of birth to come', async () => {
    await book({ personId: rhonaId })
    const newClient = { name: 'Refused Then' }
    const body = { minutes: 60, reason: '', personId: rhonaId, startsAt: at('10:15'), newClient }
    expect((await shop.rhona.post('visits', body)).json.code).toBe('clash')
    expect((await shop.rhona.get('clients?q=Refused')).json.clients).toEqual([])
    const born = { ...body, newClient: { ...newClient, bornOn: '2050-01-01' }, anyway: true }
    expect((await shop.rhona.post('visits', born)).status).toBe(400)
  })
})

describe('who waits for a day', () => {
  it('stands on the list and on no day, is booked, waits again, is called off and on', async () => {
    expect((await book({ startsAt: null })).status).toBe(200)
    let [waits] = (await week()).waiting
    expect(waits).toMatchObject({ name: 'Week A', startsAt: null, state: 'to-come' })
    expect((await week()).visits).toEqual([])
    // Somebody without a day cannot be in the chair.
    expect((await patch(waits!, { state: 'now' })).json.code).toBe('no-day')
    expect((await patch(waits!, { startsAt: at('11:00') })).status).toBe(200)
    expect((await week()).waiting).toEqual([])
    const [visit] = (await week()).visits
    expect(visit!.startsAt).toBe(at('11:00'))
    expect((await patch(visit!, { startsAt: null })).status).toBe(200)
    ;[waits] = (await week()).waiting
    expect((await patch(waits!, { state: 'cancelled', note: 'has moved away' })).status).toBe(200)
    expect((await week()).waiting).toEqual([])
    const { rows } = await shop.owner.query('select note from visits where id = $1', [waits!.id])
    expect(rows[0].note).toBe('has moved away')
  })
  it('waits longest first, by when they came onto the list', async () => {
    for (const clientId of [clients[2], clients[0], clients[1]])
      await book({ startsAt: null, clientId })
    expect((await week()).waiting.map((w) => w.name)).toEqual(['Week C', 'Week A', 'Week B'])
  })
  it('is here since when that was said, not since it was booked', async () => {
    await book({})
    const [visit] = (await week()).visits
    const before = Date.now()
    await patch(visit!, { state: 'waiting' })
    const [waits] = (await week()).visits
    expect(Date.parse(waits!.standsSince)).toBeGreaterThanOrEqual(before - 2000)
    await patch(waits!, { reason: 'recheck, in a hurry' })
    const [same] = (await week()).visits
    expect(same!.standsSince).toBe(waits!.standsSince)
  })
})

describe('chairs and own calendars', () => {
  it('two people are never in one chair unasked, and no more at a time than there are chairs', () =>
    withChairs(2, async () => {
      await book({ chair: 1 })
      const b = { clientId: clients[1] }
      expect((await book({ ...b, chair: 1 })).json.detail).toMatch(
        /is in chair 1 from 10:00 to 10:45/,
      )
      expect((await book({ ...b, chair: 3, startsAt: at('15:00') })).json.detail).toBe(
        'There is no chair 3 here.',
      )
      expect((await book({ ...b, chair: 2 })).status).toBe(200)
      expect((await book({ clientId: clients[2], startsAt: at('10:30') })).json.detail).toBe(
        'All 2 chairs are taken then.',
      )
    }))
  it('random bookings that nothing speaks against fill no minute with more than the chairs', () =>
    withChairs(2, () =>
      fc.assert(
        fc.asyncProperty(
          fc.array(
            fc.record({
              from: fc.integer({ min: 0, max: 120 }),
              minutes: fc.integer({ min: 5, max: 60 }),
              who: fc.integer({ min: 0, max: 3 }),
              chair: fc.option(fc.integer({ min: 1, max: 2 })),
            }),
            { minLength: 2, maxLength: 8 },
          ),
          async (asked) => {
            await shop.owner.query("delete from visits where starts_at > '2027-01-01'")
            const line = new Array<Set<string>>(200).fill(new Set()).map(() => new Set<string>())
            let refused = 0
            for (const { from, minutes, who, chair } of asked) {
              const startsAt = addMinutes(new Date(at('10:00')), from).toISOString()
              const { status } = await book({ startsAt, minutes, chair, clientId: clients[who] })
              if (status === 409) refused++
              else for (let m = from; m < from + minutes; m++) line[m]!.add(`${who}`)
            }
            // A set holds each client once: the count below is of visits, told by the server.
            const visits = (await week()).visits
            expect(visits.length).toBe(asked.length - refused)
            const counted = line.map((_, m) => {
              const moment = addMinutes(new Date(at('10:00')), m).getTime()
              return visits.filter(
                (v) =>
                  Date.parse(v.startsAt) <= moment &&
                  moment < Date.parse(v.startsAt) + v.minutes * 60_000,
              )
            })
            expect(Math.max(...counted.map((there) => there.length))).toBeLessThanOrEqual(2)
            counted.forEach((there, m) => expect(there.length).toBe(line[m]!.size))
            for (const there of counted) {
              const chairs = there.flatMap((v) => v.chair ?? [])
              expect(new Set(chairs).size).toBe(chairs.length)
            }
          },
        ),
        { numRuns: runs(100) },
      ),
    ))
  it('somebody’s own calendar is told, from when to when; the next file replaces it', async () => {
    const times = [{ uid: 'dentist', startsAt: at('10:30'), endsAt: at('11:30') }]
    expect((await shop.rhona.call('PUT', 'visits/busy', { personId: rhonaId, times })).status).toBe(
      200,
    )
    expect((await book({ personId: rhonaId })).json.detail).toBe(
      'Rhona Ketteridge is not to be had from 10:30 to 11:30.',
    )
    expect((await week()).busy).toEqual([
      { personId: rhonaId, startsAt: at('10:30'), endsAt: at('11:30') },
    ])
    const backwards = [{ uid: 'x', startsAt: at('11:00'), endsAt: at('10:00') }]
    const bad = await shop.rhona.call('PUT', 'visits/busy', { personId: rhonaId, times: backwards })
    expect(bad.json).toMatchObject({ status: 400, path: expect.stringContaining('endsAt') })
    expect((await week()).busy).toHaveLength(1)
    await shop.rhona.call('PUT', 'visits/busy', { personId: rhonaId, times: [] })
    expect((await book({ personId: rhonaId })).status).toBe(200)
    const nobody = '00000000-0000-4000-8000-000000000000'
    const put = await shop.rhona.call('PUT', 'visits/busy', { personId: nobody, times })
    expect(put.status).toBe(404)
  })
})

describe('the calendar file', () => {
  it('has somebody’s visits by code at their times, called off where they are, and no name', async () => {
    const soon = set(addDays(new Date(), 200), {
      hours: 9,
      minutes: 30,
      seconds: 0,
      milliseconds: 0,
    })
    const one = {
      startsAt: soon.toISOString(),
      minutes: 40,
      personId: rhonaId,
      chair: 1,
      anyway: true,
    }
    await book(one)
    await book({ ...one, personId: null, startsAt: addDays(soon, 1).toISOString() })
    const text = (await shop.rhona.get(`visits/calendar?person=${rhonaId}`)).json as string
    const events = () =>
      new ICAL.Component(ICAL.parse(text))
        .getAllSubcomponents('vevent')
        .map((e) => new ICAL.Event(e))
    const mine = events().filter((e) => e.startDate.toJSDate().getTime() === soon.getTime())
    expect(mine).toHaveLength(1)
    expect(mine[0]!.endDate.toJSDate()).toEqual(addMinutes(soon, 40))
    expect(mine[0]!.summary).toMatch(/^HR-\d+, chair 1$/)
    expect(text).not.toMatch(/Week|recheck/)
    const all = (await shop.rhona.get('visits/calendar')).json as string
    expect(all.match(/BEGIN:VEVENT/g)!.length).toBeGreaterThan(text.match(/BEGIN:VEVENT/g)!.length)
    const stamp = format(soon, 'yyyy-MM-dd')
    const visit = (
      (await shop.rhona.get(`visits?from=${stamp}&days=1`)).json.visits as VisitRow[]
    )[0]!
    expect(mine[0]!.uid).toBe(`visit-${visit.id}@gentle-arch`)
    await patch(visit, { state: 'cancelled' })
    const later = (await shop.rhona.get(`visits/calendar?person=${rhonaId}`)).json as string
    expect(later).toContain('STATUS:CANCELLED')
  })
})
