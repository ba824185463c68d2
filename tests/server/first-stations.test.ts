import pg from 'pg'
import sharp from 'sharp'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { HOUSE_NORMS } from '../../core/record/tables'
import { readFootprintCsv } from '../../core/formats/footprintCsv'
import { readFootprint } from '../../core/measure/footprint'
import { Caller, startServer } from './client'

let server: Awaited<ReturnType<typeof startServer>>
let db: pg.Client
let rhona: Caller
let sunniva: Caller
let bram: Caller
const client = async (name: string) =>
  (await rhona.get(`clients?q=${name}`)).json.clients[0].id as string
beforeAll(async () => {
  server = await startServer(21730)
  db = new pg.Client({ connectionString: inject('urls').MIGRATION_URL })
  await db.connect()
  rhona = await new Caller(server.base).signIn('rhona')
  sunniva = await new Caller(server.base).signIn('sunniva')
  bram = await new Caller(server.base).signIn('bram')
})
afterAll(async () => {
  await db.end()
  await server.stop()
})
const newFitting = async (name: string, body: object = {}) =>
  (await rhona.post(`clients/${await client(name)}/fittings`, body)).json.fittingId as string

describe('photographs', () => {
  const jpeg = async (width = 2400) =>
    (
      await sharp({ create: { width, height: 1200, channels: 3, background: '#7a5c3c' } })
        .jpeg()
        .withExif({
          IFD0: { Copyright: 'somebody', Make: 'a camera' },
          IFD3: { GPSLatitude: '47/1 0/1 0/1' },
        })
        .toBuffer()
    ).toString('base64')
  it('are written anew: smaller, without what the camera knew, seen by staff only', async () => {
    const fitting = await newFitting('anselm')
    const { json, status } = await rhona.post(`fittings/${fitting}/photos`, { data: await jpeg() })
    expect([status, json.width, json.height]).toEqual([200, 1600, 800])
    const stored = (await db.query('select jpeg from photos where id = $1', [json.id])).rows[0]
      .jpeg as Buffer
    const meta = await sharp(stored).metadata()
    expect([meta.format, meta.exif]).toEqual(['jpeg', undefined])
    expect(stored.includes(Buffer.from('somebody'))).toBe(false)
    expect((await bram.get(`photos/${json.id}`)).status).toBe(403)
    expect((await new Caller(server.base).get(`photos/${json.id}`)).status).toBe(401)
    expect((await rhona.get(`photos/${json.id}`)).headers.get('content-type')).toBe('image/jpeg')
    const everything = (await rhona.get(`clients/${await client('anselm')}/export`)).json
    expect(Buffer.from(everything.photos[0].jpegBase64, 'base64').equals(stored)).toBe(true)
    expect((await rhona.call('DELETE', `photos/${json.id}`, {})).status).toBe(200)
    expect((await rhona.get(`fittings/${fitting}/photos`)).json.photos).toEqual([])
  })
  it('refuse what is no picture, what is too big, and a ninth one', async () => {
    const fitting = await newFitting('anselm')
    const add = (data: string) => rhona.post(`fittings/${fitting}/photos`, { data })
    expect((await add(Buffer.from('<svg onload="x"/>').toString('base64'))).json.code).toBe(
      'not-a-picture',
    )
    expect((await add('A'.repeat(12_000_004))).status).toBeGreaterThanOrEqual(400)
    const small = await jpeg(40)
    for (let i = 0; i < 8; i++) expect((await add(small)).status).toBe(200)
    expect((await add(small)).json.code).toBe('enough-photos')
  })
})

describe('tables of norms', () => {
  it('come in versions: a new fitting takes the new one, an old one keeps its own', async () => {
    const old = await newFitting('anselm')
    const norms = {
      ...HOUSE_NORMS,
      source: 'lengths of this shop, a test',
      repeatLimitMm: { ...HOUSE_NORMS.repeatLimitMm, footLengthMm: 0.5 },
      hardBoundsMm: { ...HOUSE_NORMS.hardBoundsMm, footLengthMm: [200, 300] },
    }
    expect((await rhona.post('norms', { basedOn: 1, norms })).status).toBe(403)
    const latest = ((await sunniva.get('norms')).json.versions[0]?.norms.version ?? 1) as number
    expect((await sunniva.post('norms', { basedOn: latest, norms })).json.norms.version).toBe(
      latest + 1,
    )
    expect((await sunniva.post('norms', { basedOn: latest, norms })).status).toBe(409)
    expect(
      (
        await sunniva.post('norms', {
          basedOn: latest + 1,
          norms: { ...norms, waistShare: [1, 0.5] },
        })
      ).json,
    ).toMatchObject({ status: 400, detail: expect.stringContaining('waistShare') })
    const fresh = await newFitting('anselm')
    const add = (fitting: string) =>
      rhona.command(fitting, 0, {
        kind: 'readings.add',
        side: 'left',
        what: 'footLengthMm',
        posture: 'standing',
        values: [190],
      })
    expect((await add(old)).status).toBe(200)
    expect((await add(fresh)).json).toMatchObject({
      status: 400,
      detail: expect.stringContaining('200 to 300'),
    })
    expect((await rhona.get(`fittings/${fresh}/record`)).json.norms.version).toBe(latest + 1)
    expect((await rhona.get(`fittings/${old}/record`)).json.norms?.version ?? 1).toBeLessThan(
      latest + 1,
    )
    expect(
      (await rhona.command(fresh, 1, { kind: 'part.put', part: 'norms', content: HOUSE_NORMS }))
        .json.code,
    ).toBe('kept-table')
    // Put the house values back for the tests that follow.
    expect(
      (
        await sunniva.post('norms', {
          basedOn: latest + 1,
          norms: { ...HOUSE_NORMS, source: 'back to the house values' },
        })
      ).status,
    ).toBe(200)
  })
})

describe('a client who comes again', () => {
  it('has told their conditions already; signs are asked anew, and no clearance opens a new fitting', async () => {
    const first = await newFitting('yasmin')
    const { version } = (await rhona.get(`fittings/${first}`)).json.parts.story ?? { version: 0 }
    const content = {
      complaints: [{ foot: 'left', at: 'heelPlantar', score: 4 }],
      conditions: ['diabetes'],
      history: [{ kind: 'operation', what: 'left ankle, plates' }],
      signs: { suddenPop: 'yes' },
      clearances: [{ code: 'sign-suddenPop', by: 'Dr Amara Quill', on: '2026-11-25' }],
    }
    const kept = await rhona.command(first, version, { kind: 'part.put', part: 'story', content })
    expect(kept.status).toBe(200)
    for (const body of [{}, { copyFrom: first }, { activity: 'walking' }]) {
      const next = await newFitting('yasmin', body)
      const story = (await rhona.get(`fittings/${next}`)).json.parts.story.content
      expect(story).toMatchObject({ conditions: ['diabetes'], complaints: [] })
      expect(story.history).toEqual(content.history)
      // From which day it is: it is asked whether it is still so.
      expect(story.healthOn).toMatch(/^\d{4}-\d{2}-\d{2}$/)
      expect(story).not.toHaveProperty('signs')
      expect(story).not.toHaveProperty('clearances')
    }
    // Told after the fitting that is copied: it is the client's all the same.
    const later = await newFitting('yasmin')
    const kept2 = await rhona.command(later, 1, {
      kind: 'part.put',
      part: 'story',
      content: { complaints: [], conditions: ['neuropathy'] },
    })
    expect(kept2.status).toBe(200)
    const copy = await newFitting('yasmin', { copyFrom: first })
    const { conditions } = (await rhona.get(`fittings/${copy}`)).json.parts.story.content
    expect(conditions.toSorted()).toEqual(['diabetes', 'neuropathy'])
  })
})

describe('making', () => {
  it('waits for a clearance of every reason, for every role', async () => {
    const fitting = await newFitting('anselm')
    const story = (extra: object, version: number) =>
      rhona.command(fitting, version, {
        kind: 'part.put',
        part: 'story',
        content: { complaints: [], conditions: [], signs: { suddenPop: 'yes' }, ...extra },
      })
    const { version } = (await rhona.get(`fittings/${fitting}`)).json.parts.story ?? { version: 0 }
    await story({}, version)
    const step = (v: number) =>
      bram.command(fitting, v, {
        kind: 'part.put',
        part: 'jobs',
        content: [{ step: 'full-custom:make', done: true }],
      })
    expect((await step(0)).json.code).toBe('refer-first')
    expect((await rhona.get(`fittings/${fitting}/ticket`)).json.code).toBe('refer-first')
    expect((await bram.get(`fittings/${fitting}`)).json).toMatchObject({
      blocked: true,
      // What to do, and nothing of why.
      cautions: [{ code: 'bench-wait', kind: 'stop' }, { code: 'bench-ask' }],
    })
    await story(
      { clearances: [{ code: 'sign-suddenPop', by: 'Dr Amara Quill', on: '2026-11-25' }] },
      version + 1,
    )
    expect((await step(0)).status).toBe(200)
    expect((await rhona.get(`fittings/${fitting}/ticket`)).headers.get('content-type')).toBe(
      'application/pdf',
    )
  })
})

describe('today', () => {
  it('marks the fitting that waits for a clearance, for a bench hand too', async () => {
    for (const caller of [rhona, bram]) {
      const { visits } = (await caller.get('today')).json as {
        visits: { code: string; blocked: boolean; reason: string }[]
      }
      expect(visits.filter((v) => v.code === 'HR-0174').map((v) => v.blocked)).toContain(true)
      expect(visits.find((v) => v.code === 'HR-0412')!.blocked).toBe(false)
    }
  })
})

describe('a further fitting', () => {
  it('takes readings, findings and health along, not the complaints or the devices', async () => {
    const first = (await rhona.get(`clients/${await client('anselm')}`)).json.fittings.at(-1).id
    const id = await newFitting('anselm', { activity: 'road-riding', copyFrom: first })
    const { parts } = (await rhona.get(`fittings/${id}`)).json
    expect(parts.story.content).toMatchObject({
      activity: 'road-riding',
      complaints: [],
      conditions: ['diabetes'],
      school: 'comfort',
    })
    expect(parts['readings.right'].content.length).toBe(8)
    expect(parts['device.right']).toBeUndefined()
    const foreign = await newFitting('anselm', {
      activity: 'walking',
      copyFrom: await rhona.fittingOf('tove'),
    })
    expect((await rhona.get(`fittings/${foreign}`)).json.parts['readings.right']).toBeUndefined()
  })

  it('for something of the shop’s own is told and listed by its name, and as what is told later', async () => {
    const own = {
      name: 'Ice stock',
      like: 'walking',
      families: ['shoe', 'laced-boot'],
      force: 'light',
      ask: 'On natural ice?',
      cautions: [],
      terrains: ['ice'],
    }
    const id = await newFitting('anselm', { activity: 'walking', ownActivity: own })
    const listed = async () => {
      const { fittings } = (await rhona.get(`clients/${await client('anselm')}`)).json
      return fittings.find((f: { id: string }) => f.id === id).activity
    }
    expect(await listed()).toBe('Ice stock')
    const { story } = (await rhona.get(`fittings/${id}`)).json.parts
    expect(story.content).toMatchObject({ activity: 'walking', ownActivity: own })
    await rhona.command(id, story.version, {
      kind: 'part.put',
      part: 'story',
      content: { ...story.content, activity: 'ward' },
    })
    expect(await listed()).toBe('ward')
    const wrong = await rhona.call('POST', `clients/${await client('anselm')}/fittings`, {
      activity: 'walking',
      ownActivity: { ...own, like: 'juggling' },
    })
    expect(wrong.status).toBe(400)
  })
})

describe('the stand-in plate', () => {
  it("gives a file that the reader takes, with the client's load and a repeatable noise", async () => {
    const fitting = await rhona.fittingOf('tove')
    const step = (seed: number) =>
      rhona.get(`standins/plate?fitting=${fitting}&side=right&seed=${seed}`)
    const [a, b, c] = [(await step(3)).json, (await step(3)).json, (await step(4)).json]
    expect(a).toBe(b)
    expect(a).not.toBe(c)
    const { side, print } = readFootprintCsv(a as string)
    const reading = readFootprint(print, side!)
    expect(side).toBe('right')
    expect(reading.forceN).toBeGreaterThan(0.9 * 64 * 9.81 * 0.5)
    expect(reading.forceN).toBeLessThan(1.1 * 64 * 9.81 * 0.5)
    expect(reading.archIndex).toBeGreaterThan(0.1)
    expect(reading.archIndex).toBeLessThan(0.4)
    const empty = await newFitting('anselm')
    expect((await rhona.get(`standins/plate?fitting=${empty}&side=left`)).json.code).toBe(
      'no-length',
    )
  })
})

describe('double readings', () => {
  it('are filed under who took them, within bounds', async () => {
    const pair = {
      what: 'waistGirthMm',
      subject: 'HR-0412 R',
      first: 248,
      second: 250,
      takenOn: '2026-11-25',
    }
    expect((await rhona.post('double-readings', { ...pair, first: 2.48 })).json.code).toBe(
      'out-of-bounds',
    )
    const { id } = (await rhona.post('double-readings', pair)).json
    expect((await sunniva.get('double-readings')).json.readings).toContainEqual({
      id,
      fitter: 'Rhona Ketteridge',
      ...pair,
    })
    expect((await rhona.call('DELETE', `double-readings/${id}`, {})).status).toBe(200)
    expect((await rhona.call('DELETE', `double-readings/${id}`, {})).status).toBe(404)
  })
})
