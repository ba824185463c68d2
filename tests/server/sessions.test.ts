import { randomUUID } from 'node:crypto'
import { afterEach, describe, expect, it } from 'vitest'
import { hashSecret } from '../../server/security/secrets'
import { Caller } from './client'
import { useShop } from './shop'

const shop = useShop(21735)
const PASSWORD = 'a long pass phrase'
/** Somebody of the shop with a password of their own. */
async function somebody(role = 'fitter') {
  const login = `s${randomUUID().slice(0, 8)}`
  await shop.owner.query(
    `insert into people (shop_id, name, login, role, password_hash)
     select id, 'Some Body', $1, $2, $3 from shops where demo limit 1`,
    [login, role, await hashSecret(PASSWORD)],
  )
  const tryWith = (password: string, from = new Caller(shop.base)) =>
    from.post('sign-in', { login, password, understood: true })
  const enter = async () => {
    const caller = new Caller(shop.base)
    expect((await tryWith(PASSWORD, caller)).status).toBe(200)
    return caller
  }
  return { login, tryWith, enter }
}
const later = (seconds: number) =>
  shop.owner.query(`update sign_in_tries set last_at = last_at - make_interval(secs => $1)`, [
    seconds,
  ])
afterEach(async () => {
  await shop.owner.query('delete from sign_in_tries')
  await shop.owner.query("delete from people where name = 'Some Body'")
})

describe('a session', () => {
  it('that was signed out opens nothing, though the cookie is kept', async () => {
    const one = await (await somebody()).enter()
    const kept = (one as unknown as { cookie: string }).cookie
    await one.post('sign-out')
    const thief = await fetch(`${shop.base}/api/today`, { headers: { cookie: kept } })
    expect(thief.status).toBe(401)
  })
  it('takes a changed role at the next request, and ends with its person', async () => {
    const { login, enter } = await somebody()
    const one = await enter()
    expect((await one.get('clients?q=a')).status).toBe(200)
    await shop.owner.query("update people set role = 'bench' where login = $1", [login])
    expect((await one.get('clients?q=a')).status).toBe(403)
    await shop.owner.query('delete from people where login = $1', [login])
    expect((await one.get('today')).status).toBe(401)
  })
  it('is ended by its person elsewhere, one or all others, and this one stays', async () => {
    const { enter } = await somebody()
    const [one, two, three] = [await enter(), await enter(), await enter()]
    const list = (await one.get('sessions')).json.sessions
    expect(list).toHaveLength(3)
    expect(list.filter((s: { isThis: boolean }) => s.isThis)).toHaveLength(1)
    const other = (await two.get('sessions')).json.sessions.find(
      (s: { isThis: boolean }) => s.isThis,
    )
    expect((await one.post('sessions/end', { of: 'mine', session: other.id })).json.ended).toBe(1)
    expect([(await two.get('today')).status, (await three.get('today')).status]).toEqual([401, 200])
    await one.post('sessions/end', { of: 'mine' })
    expect([(await one.get('today')).status, (await three.get('today')).status]).toEqual([200, 401])
  })
  it('of another is ended by the owner only, and never of another shop', async () => {
    const victim = await (await somebody()).enter()
    const id = (await victim.get('sessions')).json.sessions[0].id
    const fitter = await (await somebody()).enter()
    expect((await fitter.post('sessions/end', { of: 'shop', session: id })).json.ended).toBe(0)
    expect((await fitter.get('sessions?of=shop')).json.sessions).toHaveLength(1)
    expect((await victim.get('today')).status).toBe(200)
    const foreign = await shop.owner.query(
      "insert into shops (name) values ('Elsewhere') returning id",
    )
    await shop.owner.query(
      "update people set shop_id = $1 where name = 'Some Body' and login = $2",
      [foreign.rows[0].id, (await victim.get('sign-in')).json.lock.login],
    )
    expect((await shop.sunniva.post('sessions/end', { of: 'shop', session: id })).json.ended).toBe(
      0,
    )
    const own = (await fitter.get('sessions')).json.sessions[0].id
    expect((await shop.sunniva.post('sessions/end', { of: 'shop', session: own })).json.ended).toBe(
      1,
    )
    expect((await fitter.get('today')).status).toBe(401)
  })
  it('lasts twelve hours at most', async () => {
    const one = await (await somebody()).enter()
    const { id } = (await one.get('sessions')).json.sessions[0]
    await shop.owner.query(
      "update sessions set begun_at = now() - interval '12 hours 1 minute' where id = $1",
      [id],
    )
    expect((await one.get('today')).json.code).toBe('signed-out')
  })
})

describe('a locked session', () => {
  it('shows nothing and takes nothing until its person shows that it is them', async () => {
    const one = await (await somebody()).enter()
    await one.post('lock')
    expect((await one.get('today')).json).toMatchObject({ status: 401, code: 'locked' })
    expect((await one.post('clients', { details: { name: 'X' } })).status).toBe(401)
    expect((await one.get('sign-in')).json.lock).toMatchObject({ isLocked: true, hasPin: false })
    expect((await one.post('unlock', { password: 'a guess' })).json.code).toBe('wrong')
    expect((await one.get('today')).status).toBe(401)
    expect((await one.post('unlock', { password: PASSWORD })).status).toBe(200)
    expect((await one.get('today')).status).toBe(200)
  })
  it('opens by PIN; after five wrong ones only by password, also when all come at once', async () => {
    const one = await (await somebody()).enter()
    expect((await one.call('PUT', 'me/pin', { pin: '12', password: PASSWORD })).status).toBe(400)
    expect((await one.call('PUT', 'me/pin', { pin: '4711', password: 'a guess' })).status).toBe(400)
    expect((await one.call('PUT', 'me/pin', { pin: '4711', password: PASSWORD })).status).toBe(200)
    await one.post('lock')
    expect((await one.post('unlock', { pin: '0000' })).status).toBe(401)
    expect((await one.post('unlock', { pin: '4711' })).status).toBe(200)
    await one.post('lock')
    const guesses = Array.from({ length: 40 }, (_, i) =>
      one.post('unlock', { pin: i === 39 ? '4711' : `99${10 + i}` }),
    )
    const right = (await Promise.all(guesses)).filter((g) => g.status === 200)
    // Only what was among the first five could be right.
    expect(right.length).toBeLessThanOrEqual(1)
    await one.post('lock')
    if (right.length === 0) {
      expect((await one.post('unlock', { pin: '4711' })).status).toBe(401)
      expect((await one.get('sign-in')).json.lock.hasPin).toBe(false)
    }
    expect((await one.post('unlock', { password: PASSWORD })).status).toBe(200)
    expect((await one.get('sign-in')).json.lock.hasPin).toBe(true)
  })
  it('is locked by the shop’s own minutes without a request', async () => {
    const one = await (await somebody()).enter()
    const { id } = (await one.get('sessions')).json.sessions[0]
    const idle = (minutes: number) =>
      shop.owner.query(
        'update sessions set touched_at = now() - make_interval(mins => $2) where id = $1',
        [id, minutes],
      )
    await shop.sunniva.call('PUT', 'house/lock', { minutes: 30 })
    await idle(25)
    expect((await one.get('today')).status).toBe(200)
    await idle(32)
    expect((await one.get('today')).json.code).toBe('locked')
    expect((await one.call('PUT', 'house/lock', { minutes: 30 })).status).toBe(401)
    expect((await shop.rhona.call('PUT', 'house/lock', { minutes: 5 })).status).toBe(403)
    expect((await shop.sunniva.call('PUT', 'house/lock', { minutes: 0 })).status).toBe(400)
    await shop.sunniva.call('PUT', 'house/lock', { minutes: 10 })
  })
})

describe('tries of signing in', () => {
  it('are counted before they are judged: fifty at once are three, then a wait', async () => {
    const { tryWith } = await somebody()
    const answers = await Promise.all(Array.from({ length: 50 }, () => tryWith('a guess')))
    const judged = answers.filter((a) => a.status === 401)
    expect(judged).toHaveLength(3)
    expect(answers.filter((a) => a.status === 429)).toHaveLength(47)
    expect((await tryWith(PASSWORD)).status).toBe(429)
    await later(3)
    expect((await tryWith(PASSWORD)).status).toBe(200)
    // Right once: nothing is held against them.
    expect((await tryWith('a guess')).status).toBe(401)
  })
  it('wait longer each time, never over five minutes', async () => {
    const { tryWith } = await somebody()
    const waits: number[] = []
    for (let i = 0; i < 14; i++) {
      const { json, status } = await tryWith('a guess')
      if (status === 401) continue
      waits.push(Number(/\d+/.exec(json.detail)![0]))
      await later(waits.at(-1)!)
    }
    // A slow machine has waited a part of it already.
    for (const [i, seconds] of [2, 4, 8].entries()) {
      expect(waits[i]).toBeLessThanOrEqual(seconds)
      expect(waits[i]).toBeGreaterThan(seconds / 2 - 1)
    }
    expect(Math.max(...waits)).toBeLessThanOrEqual(300)
  })
  it('at one name keep nobody else out of theirs', async () => {
    const [one, two] = [await somebody(), await somebody()]
    for (let i = 0; i < 6; i++) await one.tryWith('a guess')
    expect((await two.tryWith(PASSWORD)).status).toBe(200)
  })
  it('at many names from one address are slowed together', async () => {
    const statuses: number[] = []
    for (let i = 0; i < 24; i++)
      statuses.push(
        (
          await new Caller(shop.base).post('sign-in', {
            login: `ghost${i}`,
            password: 'x',
            understood: true,
          })
        ).status,
      )
    expect(statuses.slice(0, 20).every((s) => s === 401)).toBe(true)
    expect(statuses.slice(20)).toContain(429)
  })
  it('of others keep nobody out of where they work, though the address is the same', async () => {
    const owner = await somebody('owner')
    await owner.enter()
    for (let i = 0; i < 26; i++)
      await new Caller(shop.base).post('sign-in', {
        login: `guess${i}`,
        password: 'x',
        understood: true,
      })
    expect((await (await somebody()).tryWith(PASSWORD)).status).toBe(429)
    expect((await owner.tryWith(PASSWORD)).status).toBe(200)
  })
  it('keep no name and no address', async () => {
    await new Caller(shop.base).post('sign-in', {
      login: 'ailsa.thorne',
      password: 'x',
      understood: true,
    })
    const { rows } = await shop.owner.query('select * from sign_in_tries')
    expect(JSON.stringify(rows)).not.toMatch(/ailsa|127\.0\.0\.1/)
  })
})
