import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import pg from 'pg'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { hashSecret } from '../../server/security/secrets'
import { PERMISSIONS, ROLES, type Permission, type Role } from '../../shared/permissions'
import { DEMO_RECORDS } from '../../demo/records'
import { Caller, startServer } from './client'

/** Every route file with its method, path and declared permission. */
const routes = (readdirSync('server/api', { recursive: true }) as string[])
  .filter((f) => f.endsWith('.ts') && f !== '[...].ts')
  .map((file) => {
    const text = readFileSync(join('server/api', file), 'utf8')
    const [, method] = /\.(get|post|put|patch|delete)\.ts$/.exec(file)!
    return {
      file,
      method: method!.toUpperCase(),
      path: file.replace(/\.(get|post|put|patch|delete)\.ts$/, '').replace(/\/?index$/, ''),
      permission: /export default (?:route|paperRoute)\(\s*\{\s*permission: '([^']+)'/.exec(
        text,
      )?.[1],
    }
  })
const PUBLIC = [
  'claim.post.ts',
  'first-owner.post.ts',
  'health.get.ts',
  'sign-in.get.ts',
  'sign-in.post.ts',
  'sign-out.post.ts',
  'unlock.post.ts',
]
/** A whole picture of one point, PNG. */
const PIXEL =
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg=='
const LOGIN: Record<Role, string> = {
  owner: 'sunniva',
  fitter: 'rhona',
  bench: 'bram',
  reader: 'reader',
}

let server: Awaited<ReturnType<typeof startServer>>
let db: pg.Client
let fitting = ''
let client = ''
beforeAll(async () => {
  server = await startServer(21710)
  db = new pg.Client({ connectionString: inject('urls').MIGRATION_URL })
  await db.connect()
  const shop = (await db.query('select id from shops')).rows[0].id
  await db.query(
    "insert into people (shop_id, name, login, role, demo) values ($1, 'Reader', 'reader', 'reader', true) on conflict do nothing",
    [shop],
  )
  const other = (await db.query("insert into shops (name) values ('Other shop') returning id"))
    .rows[0].id
  await db.query(
    "insert into people (shop_id, name, login, role, password_hash) values ($1, 'Otto', 'otto', 'owner', $2)",
    [other, await hashSecret('a long password')],
  )
  const rhona = await new Caller(server.base).signIn('rhona')
  fitting = await rhona.fittingOf('oskar')
  client = (await rhona.get('clients?q=oskar')).json.clients[0].id
})
afterAll(async () => {
  await db.end()
  await server.stop()
})
/** A path with real ids that must not be erased or changed by an empty body. */
const real = (path: string) => path.replace('[id]', path.startsWith('clients') ? client : fitting)

describe('permissions', () => {
  it('are declared by every route, and the public ones are the known ones', () => {
    for (const r of routes)
      expect(r.permission === 'public' || r.permission! in PERMISSIONS, r.file).toBe(true)
    expect(
      routes
        .filter((r) => r.permission === 'public')
        .map((r) => r.file)
        .sort(),
    ).toEqual(PUBLIC)
  })
  it('let nobody in without signing in', async () => {
    for (const r of routes.filter((x) => x.permission !== 'public'))
      expect(
        (
          await new Caller(server.base).call(
            r.method,
            real(r.path),
            r.method === 'GET' ? undefined : {},
          )
        ).status,
        r.file,
      ).toBe(401)
  })
  it.each(ROLES)('stop the %s wherever the table says so, and only there', async (role) => {
    const caller = await new Caller(server.base).signIn(LOGIN[role])
    for (const r of routes.filter(
      (x) =>
        x.permission !== 'public' &&
        // Streams do not end, and a locked session would say 401 to all the rest.
        !['events', 'probe', 'lock.post'].some((name) => x.file.includes(name)),
    )) {
      const allowed = (PERMISSIONS[r.permission as Permission] as readonly Role[]).includes(role)
      // Erasing is tried on nothing, so that an allowed role erases nothing.
      const path =
        r.method === 'DELETE' || r.path.endsWith('fittings')
          ? r.path.replace('[id]', '00000000-0000-4000-8000-000000000000')
          : real(r.path)
      const { status } = await caller.call(r.method, path, r.method === 'GET' ? undefined : {})
      if (allowed) expect([200, 400, 404, 409], `${role} ${r.file}: ${status}`).toContain(status)
      else expect(status, `${role} ${r.file}`).toBe(403)
    }
  })
  it('show a bench hand what follows from health, and nothing of it', async () => {
    const rhona = await new Caller(server.base).signIn('rhona')
    const bram = await new Caller(server.base).signIn('bram')
    const record = structuredClone(DEMO_RECORDS['tove-marchetti']!)
    record.client = { name: 'Hidden Person', bornOn: '1961-03-03', massKg: 91.7 }
    record.story = { ...record.story!, conditions: ['neuropathy', 'diabetes'] }
    const secret = 'burns at the inner ankle'
    for (const side of ['left', 'right'] as const)
      record.feet[side]!.findings = {
        ...record.feet[side]!.findings,
        marks: [{ kind: 'callus', view: 'plantar', xMm: 0, yMm: 80 }] as never,
      }
    const model = (await rhona.get('models')).json.models[0].id as string
    const startedAt = '2026-11-01T09:00:00Z'
    record.footwear = {
      ...record.footwear!,
      candidates: [model],
      chosen: {
        model,
        sizeLeftMm: 270,
        sizeRightMm: 270,
        shellChecks: [],
        tryOn: [{ id: 't', worn: {}, onDevice: true, startedAt, words: secret, readings: [] }],
        work: [
          {
            id: 'w',
            foot: 'left',
            model,
            sizeMm: 270,
            station: 'navicular',
            does: 'stretch',
            at: { fromHeelMm: 90, heightMm: 40, side: 'medial' },
            amountMm: 3,
            because: secret,
            state: 'planned',
          },
        ],
      },
    } as never
    record.story.clearances = [{ code: 'sign-openWound', by: 'Dr Imaginary', on: '2026-11-01' }]
    const imported = await rhona.post('records', record)
    expect(imported.status, JSON.stringify(imported.json)).toBe(200)
    const { fittingId } = imported.json
    const full = await rhona.get(`fittings/${fittingId}`)
    const { json } = await bram.get(`fittings/${fittingId}`)
    expect(JSON.stringify(full.json)).toMatch(/91\.7/)
    // What the shop writes of its processes is about nobody.
    const seen = JSON.stringify([json.client, json.parts, json.cautions])
    expect(seen).not.toMatch(
      /Hidden|91\.7|1961|neuropath|diabet|feeling|circulation|callus|inner ankle|Dr Imaginary/i,
    )
    expect(json.cautions.map((c: { code: string }) => c.code)).toContain('bench-soft-edges')
    for (const path of ['ordersheet', 'devices?as=prescription', 'card', 'quote', 'form', 'scans'])
      expect((await bram.get(`fittings/${fittingId}/${path}`)).status, path).toBe(403)
    expect(full.json.blocked).toBe(false)
    // What speaks against the device is said, and for what reason is not.
    const papers = [bram, rhona].map((who) => who.pdf(`fittings/${fittingId}/ticket`))
    const [own, whole] = await Promise.all(papers)
    expect(whole).toMatch(/may not feel/)
    expect(own).toMatch(/Soft edges/)
    expect(own).toMatch(/Something speaks against this device/)
    expect(own).not.toMatch(/may not feel|neuropath|diabet|Hidden|inner ankle/i)
  })
  it('show a bench hand no name, no story and no complaint, and let them change jobs only', async () => {
    const bram = await new Caller(server.base).signIn('bram')
    const tove = await (await new Caller(server.base).signIn('rhona')).fittingOf('tove')
    const { json } = await bram.get(`fittings/${tove}`)
    expect(JSON.stringify(json)).not.toMatch(/Tove|Marchetti|medialAnkle|bornOn/)
    expect(json.parts['device.left'].content.layers.length).toBeGreaterThan(0)
    expect(
      (
        await bram.command(tove, json.parts['device.left'].version, {
          kind: 'part.put',
          part: 'device.left',
          content: null,
        })
      ).status,
    ).toBe(403)
    expect(
      (
        await bram.command(tove, 0, {
          kind: 'part.put',
          part: 'jobs',
          content: [{ step: 'x', done: true }],
        })
      ).status,
    ).toBe(200)
    expect(JSON.stringify((await bram.get('today')).json)).not.toMatch(/Tove|Juno/)
  })
  it('show a bench hand the shells without what the binding was tested for: it holds a weight', async () => {
    const rhona = await new Caller(server.base).signIn('rhona')
    const { fittingId } = (
      await rhona.post('clients', { details: { name: 'Ski Er', massKg: 71.5 } })
    ).json as { fittingId: string }
    const content = {
      candidates: [],
      brought: [
        { id: 'own:1', name: 'grey boots', family: 'shoe', sizeMm: 270, words: 'after the fall' },
      ],
      chosen: {
        model: 'own:1',
        sizeLeftMm: 270,
        binding: { by: 'Ansgar Holt', basis: { shell: 'own:1', 'body weight': '71.5 kg' } },
      },
    }
    const put = { kind: 'part.put', part: 'footwear', content } as never
    expect((await rhona.command(fittingId, 0, put)).status).toBe(200)
    const whole = JSON.stringify((await rhona.get(`fittings/${fittingId}`)).json.parts.footwear)
    expect(whole).toMatch(/Ansgar Holt/)
    const bram = await new Caller(server.base).signIn('bram')
    const own = JSON.stringify((await bram.get(`fittings/${fittingId}`)).json)
    expect(own).toContain('grey boots')
    expect(own).not.toMatch(/71[.,]5|Ansgar Holt|after the fall|Ski Er/)
  })
  it('keep shops apart, route by route', async () => {
    const otto = new Caller(server.base)
    expect(
      (await otto.post('sign-in', { login: 'otto', password: 'a long password', understood: true }))
        .status,
    ).toBe(200)
    const place = (await otto.get('sign-in')).json.place.here as string
    const nothingDone = { kind: 'part.put', part: 'jobs', content: [] }
    /** Bodies that each route would take of its own shop's things. */
    const bodies: [RegExp, object][] = [
      [/commands/, { id: crypto.randomUUID(), version: 0, command: nothingDone }],
      [/^clients.*patch/, { changes: {} }],
      [/^visits/, { state: 'seen', version: 1 }],
      [/photos.index\.post/, { data: PIXEL }],
      [/order\.post/, { feet: ['left'] }],
      [/reply\.post/, { order: 'x', replies: [{ foot: 'left', code: 'x', words: 'x' }] }],
      [/cancel\.post/, { order: 'x' }],
      [/^timers/, { do: 'pause' }],
      [/^heat/, { do: 'stop' }],
      [/place\.put|close\.post/, { place }],
      [/^places.*patch/, { name: 'Ours now' }],
    ]
    for (const r of routes.filter((x) => x.path.includes('[id]'))) {
      const [, body] = bodies.find(([file]) => file.test(r.file)) ?? [null, {}]
      expect([404, 409], r.file).toContain(
        (await otto.call(r.method, real(r.path), r.method === 'GET' ? undefined : body)).status,
      )
    }
    expect((await otto.get('clients?q=o')).json.clients).toEqual([])
    expect((await otto.get('models')).json.models).toEqual([])
  })
})

describe('what is no route', () => {
  it.each([
    ['GET', 'nothing', 404],
    ['GET', 'fittings/a/b/c', 404],
    ['PUT', 'today', 405],
    ['DELETE', 'health', 405],
    ['POST', 'clients/00000000-0000-4000-8000-000000000000', 405],
    ['PATCH', 'fittings/00000000-0000-4000-8000-000000000000/commands', 405],
  ])('%s %s is a problem, %i, never a page', async (method, path, status) => {
    const rhona = await new Caller(server.base).signIn('rhona')
    const answer = await rhona.call(method, path, method === 'GET' ? undefined : {})
    expect([answer.status, answer.json.status]).toEqual([status, status])
    expect(answer.headers.get('content-type')).toContain('application/problem+json')
    if (status === 405) expect(answer.headers.get('allow')).toMatch(/GET|POST|PUT/)
  })

  it.each([
    ['GET', 'clients?q=%00', undefined],
    ['GET', 'clients?q=a%00b', undefined],
    ['POST', 'clients', { details: { name: 'a\u0000b' } }],
  ])('%s %s with a character that cannot be kept is no failure', async (method, path, body) => {
    const rhona = await new Caller(server.base).signIn('rhona')
    expect((await rhona.call(method, path, body)).status).toBeLessThan(500)
  })

  it('a version out of range is refused', async () => {
    const rhona = await new Caller(server.base).signIn('rhona')
    for (const version of [-1, 0.5, 2 ** 31, 1e20]) {
      const answer = await rhona.command(fitting, version, {
        kind: 'part.put',
        part: 'making',
        content: {},
      })
      expect([400, 409]).toContain(answer.status)
    }
  })
})

describe('the edge', () => {
  it('sends security headers and no foreign origin in its policy', async () => {
    const { headers } = await fetch(`${server.base}/sign-in`).then((r) => r)
    const policy = headers.get('content-security-policy')!
    expect(policy).toMatch(/script-src[^;]*'nonce-/)
    expect(policy).not.toMatch(/https?:|unsafe-eval|script-src[^;]*unsafe-inline/)
    expect(headers.get('x-content-type-options')).toBe('nosniff')
    expect(headers.get('x-frame-options')).toBeTruthy()
  })
  it('refuses foreign origins, other content types, broken and oversized JSON, with one problem document each', async () => {
    const rhona = await new Caller(server.base).signIn('rhona')
    const foreign = await rhona.call('POST', 'records', {}, { origin: 'http://elsewhere.example' })
    expect([foreign.status, foreign.json.code]).toEqual([403, 'foreign-origin'])
    expect(
      (
        await rhona.call('POST', 'records', 'a=b', {
          'content-type': 'application/x-www-form-urlencoded',
        })
      ).status,
    ).toBe(415)
    expect((await rhona.call('POST', 'records', '{"a":', {})).json).toMatchObject({
      code: 'not-json',
      status: 400,
    })
    expect([413, 400]).toContain(
      (await rhona.call('POST', 'records', JSON.stringify({ x: 'y'.repeat(2_100_000) }))).status,
    )
    expect((await rhona.get('fittings/not-an-id')).status).toBe(404)
    expect((await rhona.get("clients?q=' or 1=1 --")).json.clients).toEqual([])
  })
  it('slows sign-in after failures without telling names, and forgets on success', async () => {
    const nobody = new Caller(server.base)
    const tries = []
    for (let i = 0; i < 4; i++)
      tries.push(
        (await nobody.post('sign-in', { login: 'ghost', password: 'x', understood: true })).status,
      )
    expect(tries).toEqual([401, 401, 401, 429])
    const real = await nobody.post('sign-in', {
      login: 'otto',
      password: 'wrong',
      understood: true,
    })
    expect(real.json.detail).toBe('Name and password do not belong together.')
    expect((await nobody.post('sign-in', { login: 'rhona', password: '' })).status).toBe(400)
  })
  it('locks a session after a pause', async () => {
    const quick = await startServer(21711, { ARCH_IDLE_MINUTES: '0.003' })
    const rhona = await new Caller(quick.base).signIn('rhona')
    await new Promise((done) => setTimeout(done, 400))
    expect((await rhona.get('today')).json).toMatchObject({ status: 401, code: 'locked' })
    await quick.stop()
  })
})
