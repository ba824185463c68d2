import { randomUUID } from 'node:crypto'
import fc from 'fast-check'
import { afterEach, describe, expect, it } from 'vitest'
import type { PersonRow } from '../../shared/contracts'
import { ROLES, type Role } from '../../shared/permissions'
import { runs } from '../effort'
import { Caller } from './client'
import { useShop } from './shop'

const shop = useShop(21741)
const PASSWORD = 'a long pass phrase'
const freshLogin = () => `p${randomUUID().slice(0, 8)}`
const list = async (): Promise<PersonRow[]> => (await shop.sunniva.get('people')).json.people
const row = async (id: string) => (await list()).find((p) => p.id === id)!
const invite = async (name: string, role: Role = 'fitter') =>
  (await shop.sunniva.post('people', { name, role })).json as { id: string; code: string }
async function hire(name: string, role: Role = 'fitter') {
  const { id, code } = await invite(name, role)
  const login = freshLogin()
  const caller = new Caller(shop.base)
  expect((await caller.post('claim', { code, login, password: PASSWORD })).status).toBe(200)
  return { id, login, caller }
}
const signIn = (login: string, password = PASSWORD) =>
  new Caller(shop.base).post('sign-in', { login, password, understood: true })
afterEach(async () => {
  await shop.owner.query('delete from sign_in_tries')
  await shop.owner.query("delete from people where not demo and name like 'Hired %'")
})

describe('somebody new', () => {
  it('comes with a code, chooses name and password, and is at work at once', async () => {
    const { id, login, caller } = await hire('Hired Aino')
    expect((await caller.get('today')).status).toBe(200)
    expect(await row(id)).toMatchObject({
      name: 'Hired Aino',
      role: 'fitter',
      state: 'here',
      login,
    })
    expect((await signIn(login)).status).toBe(200)
  })
  it('is nobody before: no bench counts on them, no password opens', async () => {
    const { id } = await invite('Hired Later')
    expect(await row(id)).toMatchObject({ state: 'invited', login: '' })
    const { people } = (await shop.sunniva.get('bench')).json
    expect(people.map((p: { name: string }) => p.name)).not.toContain('Hired Later')
  })
  it('has a code that opens once, for a week, and only the newest', async () => {
    const { id, code } = await invite('Hired Twice')
    const again = (await shop.sunniva.post(`people/${id}/code`)).json.code
    const claim = (c: string) =>
      new Caller(shop.base).post('claim', { code: c, login: freshLogin(), password: PASSWORD })
    expect((await claim(code)).status).toBe(401)
    // Typed in small letters with a blank behind, as from a slip.
    expect((await claim(`${again.toLowerCase()} `)).status).toBe(200)
    expect((await claim(again)).status).toBe(401)
    const late = await invite('Hired Late')
    await shop.owner.query(
      "update people set code_until = now() - interval '1 minute' where id = $1",
      [late.id],
    )
    expect((await claim(late.code)).status).toBe(401)
  })
  it('cannot take somebody else’s sign-in name, and loses nothing by trying', async () => {
    const { code } = await invite('Hired Namesake')
    const taken = await new Caller(shop.base).post('claim', {
      code,
      login: 'rhona',
      password: PASSWORD,
    })
    expect([taken.status, taken.json.code]).toEqual([409, 'login-taken'])
    const own = { code, login: freshLogin(), password: PASSWORD }
    expect((await new Caller(shop.base).post('claim', own)).status).toBe(200)
  })
  it('two who choose one name at the same moment: one has it, the other chooses again', async () => {
    const [one, two] = [await invite('Hired Quick'), await invite('Hired Quicker')]
    const login = freshLogin()
    const claim = ({ code }: { code: string }, name: string) =>
      new Caller(shop.base).post('claim', { code, login: name, password: PASSWORD })
    const said = await Promise.all([claim(one, login), claim(two, login)])
    expect(said.map(({ status }) => status).sort()).toEqual([200, 409])
    const late = said[0]!.status === 409 ? one : two
    expect((await claim(late, freshLogin())).status).toBe(200)
  })
  it('guessing codes is slowed', async () => {
    const guesser = new Caller(shop.base)
    const guess = () =>
      guesser.post('claim', { code: 'AAAA-BBBB-CCCC', login: freshLogin(), password: PASSWORD })
    const said = []
    for (let i = 0; i < 12; i++) said.push((await guess()).status)
    expect(said).toContain(429)
  })
})

describe('a code for somebody who is here', () => {
  it('replaces a forgotten password; the old one opens until it is taken, then nothing of it', async () => {
    const { id, login, caller } = await hire('Hired Forgetful')
    const { code } = (await shop.sunniva.post(`people/${id}/code`)).json
    expect((await signIn(login)).status).toBe(200)
    const anew = new Caller(shop.base)
    expect(
      (await anew.post('claim', { code, login, password: 'another pass phrase' })).status,
    ).toBe(200)
    expect((await caller.get('today')).status).toBe(401)
    expect((await signIn(login)).status).toBe(401)
    expect((await signIn(login, 'another pass phrase')).status).toBe(200)
  })
})

describe('one’s own password', () => {
  it('is changed by whoever knows it; other sessions end, this one stays', async () => {
    const { login, caller } = await hire('Hired Careful')
    const elsewhere = new Caller(shop.base)
    await elsewhere.post('sign-in', { login, password: PASSWORD, understood: true })
    const put = (password: string, next: string) =>
      caller.call('PUT', 'me/password', { password, next })
    expect((await put('not this one', 'a new pass phrase')).status).toBe(400)
    expect((await put(PASSWORD, 'short')).status).toBe(400)
    expect((await put(PASSWORD, 'a new pass phrase')).status).toBe(200)
    expect((await caller.get('today')).status).toBe(200)
    expect((await elsewhere.get('today')).status).toBe(401)
    expect((await signIn(login, 'a new pass phrase')).status).toBe(200)
  })
})

describe('leaving', () => {
  it('ends every session and the password; the name stays on what was done', async () => {
    const { id, login, caller } = await hire('Hired Leaver')
    const { clientId } = (await caller.post('clients', { details: { name: 'Left Behind' } })).json
    expect((await shop.sunniva.post(`people/${id}/leave`)).status).toBe(200)
    expect((await caller.get('today')).status).toBe(401)
    expect((await signIn(login)).status).toBe(401)
    expect((await row(id)).state).toBe('left')
    const { lines } = (await shop.sunniva.get(`audit?client=${clientId}`)).json
    expect(JSON.stringify(lines)).toContain('Hired Leaver')
    const places = (await shop.sunniva.get('places')).json.people
    expect(places.map((p: { name: string }) => p.name)).not.toContain('Hired Leaver')
    // Their sign-in name is free for whoever comes after them.
    const { code } = await invite('Hired Successor')
    const heir = { code, login, password: PASSWORD }
    expect((await new Caller(shop.base).post('claim', heir)).status).toBe(200)
  })
  it('is undone by a code: they come back as who they were', async () => {
    const { id } = await hire('Hired Returner', 'bench')
    await shop.sunniva.post(`people/${id}/leave`)
    const { code } = (await shop.sunniva.post(`people/${id}/code`)).json
    const back = new Caller(shop.base)
    const own = { code, login: freshLogin(), password: PASSWORD }
    expect((await back.post('claim', own)).json).toMatchObject({
      id,
      name: 'Hired Returner',
      role: 'bench',
    })
  })
})

describe('an owner', () => {
  it('stays: the last can neither leave nor become something else', async () => {
    const { id } = (await list()).find((p) => p.name === 'Sunniva Hale')!
    expect((await shop.sunniva.post(`people/${id}/leave`)).json.code).toBe('last-owner')
    const down = await shop.sunniva.call('PATCH', `people/${id}`, { role: 'fitter' })
    expect([down.status, down.json.code]).toEqual([409, 'last-owner'])
    // Whoever was only invited owns nothing yet.
    await invite('Hired Heir', 'owner')
    expect((await shop.sunniva.post(`people/${id}/leave`)).json.code).toBe('last-owner')
    expect((await shop.sunniva.get('today')).status).toBe(200)
  })
  it('there is always one, whatever is done in whatever order', async () => {
    const step = fc.record({
      who: fc.nat(2),
      does: fc.constantFrom('leave', 'code', ...ROLES),
    })
    await fc.assert(
      fc.asyncProperty(fc.array(step, { minLength: 1, maxLength: 8 }), async (steps) => {
        const staff = [
          await hire('Hired One', 'owner'),
          await hire('Hired Two', 'fitter'),
          await hire('Hired Three', 'owner'),
        ]
        const sunniva = (await list()).find((p) => p.name === 'Sunniva Hale')!
        for (const { who, does } of [...steps]) {
          const { id } = staff[who]!
          if (does === 'leave' || does === 'code') await shop.sunniva.post(`people/${id}/${does}`)
          else await shop.sunniva.call('PATCH', `people/${id}`, { role: does })
        }
        const { rows } = await shop.owner.query(
          `select count(*)::int as n from people where shop_id = (select shop_id from people where id = $1)
             and role = 'owner' and left_at is null and (password_hash is not null or demo)`,
          [sunniva.id],
        )
        expect(rows[0].n).toBeGreaterThan(0)
        await shop.owner.query("delete from people where not demo and name like 'Hired %'")
        await shop.owner.query('delete from sign_in_tries')
      }),
      { numRuns: runs(20, 3) },
    )
  })
  it('alone changes people and shop; another shop’s people are not there', async () => {
    const { id } = await hire('Hired Modest')
    const seen: PersonRow[] = (await shop.rhona.get('people')).json.people
    expect(new Set(seen.map((p) => p.login))).toEqual(new Set(['']))
    for (const [method, path, body] of [
      ['POST', 'people', { name: 'X', role: 'owner' }],
      ['PATCH', `people/${id}`, { role: 'owner' }],
      ['POST', `people/${id}/leave`, {}],
      ['POST', `people/${id}/code`, {}],
      ['PUT', 'shop', { name: 'Mine', details: {} }],
    ] as const)
      expect((await shop.rhona.call(method, path, body)).status, path).toBe(403)
    const { rows } = await shop.owner.query(
      `with s as (insert into shops (name) values ('Across the street') returning id)
       insert into people (shop_id, name, login, role, password_hash)
       select id, 'Hired Elsewhere', $1, 'fitter', 'x' from s returning id`,
      [freshLogin()],
    )
    for (const [method, path] of [
      ['PATCH', `people/${rows[0].id}`],
      ['POST', `people/${rows[0].id}/leave`],
      ['POST', `people/${rows[0].id}/code`],
    ] as const)
      expect((await shop.sunniva.call(method, path, {})).status, path).toBe(404)
    expect((await list()).map((p) => p.name)).not.toContain('Hired Elsewhere')
  })
})

describe('role, skills and hours', () => {
  it('another role ends the sessions of before', async () => {
    const { id, login, caller } = await hire('Hired Changer')
    await shop.sunniva.call('PATCH', `people/${id}`, { role: 'reader' })
    expect((await caller.get('today')).status).toBe(401)
    expect((await signIn(login)).json.role).toBe('reader')
  })
  it('the bench counts on whoever works that day, and on an owner who says so', async () => {
    const { id } = await hire('Hired Monday')
    const at = async (day: string) =>
      (await shop.sunniva.get(`bench?day=${day}`)).json.people.map((p: { name: string }) => p.name)
    const [monday, tuesday] = ['2026-12-07', '2026-12-08']
    expect(await at(tuesday)).toContain('Hired Monday')
    const hours = { '1': { from: '08:00', to: '12:00' } }
    await shop.sunniva.call('PATCH', `people/${id}`, { hours })
    expect(await at(monday)).toContain('Hired Monday')
    expect(await at(tuesday)).not.toContain('Hired Monday')
    await shop.sunniva.call('PATCH', `people/${id}`, {
      daysOff: [{ from: '2026-12-05', to: '2026-12-07' }],
    })
    expect(await at(monday)).not.toContain('Hired Monday')
    const owner = await hire('Hired Owner', 'owner')
    expect(await at(monday)).not.toContain('Hired Owner')
    await shop.sunniva.call('PATCH', `people/${owner.id}`, { skills: ['bench', 'grinds'] })
    expect(await at(monday)).toContain('Hired Owner')
  })
  it('hours that end before they begin, and days that are none, are refused with where', async () => {
    const { id } = await hire('Hired Wrong')
    const patch = (body: object) => shop.sunniva.call('PATCH', `people/${id}`, body)
    expect((await patch({ hours: { '1': { from: '17:00', to: '09:00' } } })).json.detail).toMatch(
      /end after it begins/,
    )
    expect((await patch({ daysOff: [{ from: '2026-02-30', to: '2026-03-01' }] })).status).toBe(400)
    expect((await row(id)).hours).toEqual({})
  })
})

describe('the shop', () => {
  it('says its name on every page, its initials in new codes; old codes stay', async () => {
    const before = (await shop.sunniva.get('shop')).json
    const details = { ...before.details, initials: 'NS', phone: '0555 0999' }
    expect((await shop.sunniva.call('PUT', 'shop', { name: 'North Shed', details })).status).toBe(
      200,
    )
    expect((await shop.rhona.get('sign-in')).json.shop.name).toBe('North Shed')
    const made = (await shop.rhona.post('clients', { details: { name: 'New Initials' } })).json
    expect(made.code).toBe('NS-0001')
    expect((await shop.rhona.post('clients', { details: { name: 'Next' } })).json.code).toBe(
      'NS-0002',
    )
    await shop.sunniva.call('PUT', 'shop', before)
    expect(
      (await shop.rhona.post('clients', { details: { name: 'As Before' } })).json.code,
    ).toMatch(/^HR-0/)
  })
  it('refuses what is no mail or no initials, and says which', async () => {
    for (const [key, value] of [
      ['mail', 'nowhere'],
      ['initials', 'a.*'],
    ] as const) {
      const { status, json } = await shop.sunniva.call('PUT', 'shop', {
        name: 'X',
        details: { [key]: value },
      })
      expect([status, json.path]).toEqual([400, `details.${key}`])
    }
  })
})

describe('a client', () => {
  const add = async (details: object) =>
    (await shop.rhona.post('clients', { details })).json.clientId as string
  const found = async (query: string) =>
    (await shop.rhona.get(`clients?q=${encodeURIComponent(query)}`)).json.clients.map(
      (c: { name: string }) => c.name,
    )
  it('is found by telephone, mail, guardian and address, after those who are called so', async () => {
    await add({
      name: 'Reach Able',
      phone: '+46 (0)70-555 77 31',
      mail: 'able@tarn.example',
      guardian: 'Wilhelmina Overbury',
      address: '9 Cooper Wynd',
    })
    for (const query of ['555 77 31', '5557731', 'able@tarn', 'overbury', 'cooper wynd'])
      expect(await found(query), query).toContain('Reach Able')
    expect(await found('5557732')).not.toContain('Reach Able')
    await add({ name: 'Cooper Wyndham' })
    const both = await found('cooper wynd')
    expect(both.indexOf('Cooper Wyndham')).toBeLessThan(both.indexOf('Reach Able'))
    expect(new Set(both).size).toBe(both.length)
    // Wild cards of the database are letters here.
    expect(await found('5557_31')).not.toContain('Reach Able')
    expect(await found('%%%')).toEqual([])
  })
  it('is found anew once their number changed, and no more by the old one', async () => {
    const id = await add({ name: 'Moved House', phone: '0555 4411' })
    const { status } = await shop.rhona.call('PATCH', `clients/${id}`, {
      changes: { phone: { from: '0555 4411', to: '0555 8822' } },
    })
    expect(status).toBe(200)
    expect(await found('55548822')).toEqual([])
    expect(await found('05558822')).toContain('Moved House')
    expect(await found('05554411')).not.toContain('Moved House')
  })
  it('keeps what was agreed, and it goes with everything that is exported', async () => {
    const consents = [{ what: 'remind', on: '2026-12-01', given: true, by: 'Rhona Ketteridge' }]
    const id = await add({ name: 'Agreed To', consents, reachBy: 'message' })
    const all = JSON.stringify((await shop.rhona.get(`clients/${id}/export`)).json)
    expect(all).toContain('"remind"')
    expect(all).toContain('"reachBy":"message"')
  })
})
