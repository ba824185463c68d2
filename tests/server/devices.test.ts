import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { strFromU8, unzipSync } from 'fflate'
import pg from 'pg'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { plainDevice } from '../../core/device/buildDevice'
import { riskOf } from '../../core/examine/risk'
import { readMesh } from '../../core/formats/mesh/readMesh'
import { DEMO_RECORDS } from '../../demo/records'
import { standinLab } from '../../server/standins/lab'
import { Caller, startServer } from './client'

let server: Awaited<ReturnType<typeof startServer>>
let rhona: Caller
let tove = ''
const folder = mkdtempSync(join(tmpdir(), 'arch-devices-'))
beforeAll(async () => {
  server = await startServer(21750)
  rhona = await new Caller(server.base).signIn('rhona')
  tove = await rhona.fittingOf('tove')
})
afterAll(async () => {
  rmSync(folder, { recursive: true })
  await server.stop()
})
const bytes = async (path: string) => {
  const cookie = (rhona as unknown as { cookie: string }).cookie
  const answer = await fetch(`${server.base}/api/${path}`, { headers: { cookie } })
  return {
    status: answer.status,
    type: answer.headers.get('content-type'),
    data: new Uint8Array(await answer.arrayBuffer()),
  }
}
const keep = (name: string, data: Uint8Array) => {
  const path = join(folder, name)
  writeFileSync(path, data)
  return path
}

type Line = readonly (readonly [number, number])[]
const lengthOf = (l: Line) =>
  l.slice(1).reduce((sum, [x, y], i) => sum + Math.hypot(x - l[i]![0], y - l[i]![1]), 0)
/** Distance of a point from a line of points, mm. */
const offLine = ([x, y]: readonly [number, number], l: Line) =>
  l.slice(1).reduce((least, [bx, by], i) => {
    const [ax, ay] = l[i]!
    const size = (bx - ax) ** 2 + (by - ay) ** 2
    const t =
      size === 0
        ? 0
        : Math.min(1, Math.max(0, ((x - ax) * (bx - ax) + (y - ay) * (by - ay)) / size))
    return Math.min(least, Math.hypot(x - ax - t * (bx - ax), y - ay - t * (by - ay)))
  }, Infinity)

/** Longest run of ink in any row of a raw grey picture (PGM), pixels. */
function longestRun(pgm: Buffer): number {
  const [, width, height] = /^P5\s+(\d+)\s+(\d+)\s+255\s/
    .exec(pgm.subarray(0, 80).toString('latin1'))!
    .map(Number)
  const start = pgm.length - width! * height!
  let [most, run] = [0, 0]
  for (let i = 0; i < width! * height!; i++) {
    if (i % width! === 0) run = 0
    run = pgm[start + i]! < 150 ? run + 1 : 0
    if (run > most) most = run
  }
  return most
}

describe('the devices of a fitting', () => {
  it('come as one zip: solids, sole surfaces, templates, papers; no name in any of it', async () => {
    const { type, data } = await bytes(`fittings/${tove}/devices?as=zip`)
    expect(type).toBe('application/zip')
    const files = unzipSync(data)
    expect(Object.keys(files).sort()).toEqual([
      'left-positive.stl',
      'left-sole.stl',
      'left-template.dxf',
      'left-template.svg',
      'left.3mf',
      'left.obj',
      'left.stl',
      'pair.3mf',
      'prescription.json',
      'prescription.pdf',
      'right-positive.stl',
      'right-sole.stl',
      'right-template.dxf',
      'right-template.svg',
      'right.3mf',
      'right.obj',
      'right.stl',
      'templates.pdf',
    ])
    expect(readMesh('left.stl', files['left.stl']!).triangles.length).toBeGreaterThan(60_000)
    expect(
      JSON.parse(strFromU8(files['prescription.json']!)).feet.right.words.length,
    ).toBeGreaterThan(4)
    for (const name of ['prescription.json', 'left-template.svg', 'left-template.dxf'])
      expect(strFromU8(files[name]!)).not.toMatch(/Tove|Marchetti/)
    const words = execFileSync(
      'pdftotext',
      ['-layout', keep('p.pdf', files['prescription.pdf']!), '-'],
      { encoding: 'utf8' },
    )
    expect(words).not.toMatch(/Tove|Marchetti/)
    for (const word of [
      'Prescription',
      'HR-0412',
      'LEFT',
      'RIGHT',
      'Medial heel skive',
      'Reached on the solid',
      'Estimated',
      'Against a plain device, standing, estimate',
      'It leaves out flow of the heel pad',
      'Cautions',
    ])
      expect(words.replace(/\s+/g, ' ')).toContain(word)
  })
  it('print templates at 1:1: every line of the PDF lies where SVG and DXF have it, 100 mm is 100 mm', async () => {
    const zip = unzipSync((await bytes(`fittings/${tove}/devices?as=zip`)).data)
    const pdf = keep('t.pdf', (await bytes(`fittings/${tove}/devices?as=template`)).data)
    expect(execFileSync('pdfinfo', [pdf], { encoding: 'utf8' })).toMatch(/Pages:\s+2\n/)
    for (const [page, side] of [
      [1, 'left'],
      [2, 'right'],
    ] as const) {
      const drawn = join(folder, `${side}.svg`)
      execFileSync('pdftocairo', ['-svg', '-f', String(page), '-l', String(page), pdf, drawn])
      // Points of 1/72 inch from the top left, as they were drawn; the page's own scale is measured
      // below.
      const lines = [...readFileSync(drawn, 'utf8').matchAll(/<path[^>]*stroke-width[^>]*>/g)].map(
        ([tag]) =>
          [...(/ d="([^"]+)"/.exec(tag)?.[1] ?? '').matchAll(/[ML] (-?[\d.]+) (-?[\d.]+)/g)].map(
            ([, x, y]) => [(Number(x) / 72) * 25.4, (Number(y) / 72) * 25.4] as const,
          ),
      )
      const svg = strFromU8(zip[`${side}-template.svg`]!)
      const wanted = [...svg.matchAll(/<path id="([^"]+)" d="M([^"Z]+)/g)].map(([, id, d]) => ({
        id,
        points: d!.split('L').map((p) => p.split(' ').map(Number) as [number, number]),
      }))
      for (const { id, points } of wanted) {
        // The converter leaves out points on a straight line: every point must lie on some drawn
        // line, and that line be no longer.
        const same = lines.find(
          (l) =>
            l.length > 1 &&
            points.every((p) => offLine(p, l) < 0.05) &&
            // A closed line may come back with its first point once more.
            [points, [...points, points[0]!]].some(
              (line) => Math.abs(lengthOf(l) - lengthOf(line)) < 0.5,
            ),
        )
        expect(same, `${side} ${id}`).toBeDefined()
      }
      execFileSync('pdftoppm', [
        '-r',
        '400',
        '-gray',
        '-f',
        String(page),
        '-l',
        String(page),
        '-singlefile',
        pdf,
        join(folder, side),
      ])
      // The longest run of ink across the sheet is the control line, with half a tick's stroke (0.2
      // mm) at either end.
      expect((longestRun(readFileSync(join(folder, `${side}.pgm`))) / 400) * 25.4).toBeCloseTo(
        100.4,
        0.6,
      )
    }
  })
})

describe('a client who must be seen first', () => {
  it('has nothing made: no files, no papers, no order before a clearance', async () => {
    const record = Object.values(DEMO_RECORDS).find((r) => riskOf(r).blocked)!
    const device = { ...plainDevice(), layers: [] }
    const { fittingId } = (
      await rhona.post('records', {
        ...record,
        client: { ...record.client, code: undefined, name: 'Made-up Refer' },
        feet: { left: { ...record.feet.left, device }, right: { ...record.feet.right, device } },
      })
    ).json
    for (const as of ['zip', 'template', 'prescription'])
      expect((await rhona.get(`fittings/${fittingId}/devices?as=${as}`)).json).toMatchObject({
        status: 409,
        code: 'refer-first',
      })
    expect(
      (await rhona.post(`fittings/${fittingId}/order`, { feet: ['left'] })).json,
    ).toMatchObject({ status: 409, code: 'refer-first' })
  })
})

describe('the lab', () => {
  it('takes an order, asks back what is too thin, and promises a day when nothing is open; both are kept and audited', async () => {
    const { json: state } = await rhona.get(`fittings/${tove}`)
    const left = state.parts['device.left']
    const put = (content: unknown, version: number) =>
      rhona.command(tove, version, { kind: 'part.put', part: 'device.left', content })
    await put({ ...left.content, shell: { ...left.content.shell, thicknessMm: 1.5 } }, left.version)
    const asked = await rhona.post(`fittings/${tove}/order`, { feet: ['left'] })
    expect(asked.json.order.answer).toMatchObject({
      status: 'queries',
      queries: [{ foot: 'left', code: 'too-thin' }],
    })
    expect(asked.json.order.answer.dueOn).toBeUndefined()
    await put(left.content, left.version + 1)
    const taken = await rhona.post(`fittings/${tove}/order`, {
      feet: ['left', 'right'],
      note: 'soft edges',
    })
    expect(taken.json.order).toMatchObject({
      feet: ['left', 'right'],
      note: 'soft edges',
      answer: { status: 'accepted', queries: [] },
    })
    expect(taken.json.order.answer.dueOn).toMatch(/^\d{4}-\d{2}-\d{2}$/)
    expect(
      taken.json.order.files.every((f: { sha256: string }) => /^[0-9a-f]{64}$/.test(f.sha256)),
    ).toBe(true)
    expect((await rhona.get(`fittings/${tove}`)).json.parts.orders.content).toHaveLength(2)
    const db = new pg.Client({ connectionString: inject('urls').MIGRATION_URL })
    await db.connect()
    // Two orders, each kept before it went out and again with its answer.
    const { rows } = await db.query(
      "select count(*)::int as n from audit where action = 'device.order'",
    )
    await db.end()
    expect(rows[0].n).toBe(4)
    expect((await rhona.post(`fittings/${tove}/order`, { feet: [] })).json.detail).toContain(
      'at least one foot',
    )
  })
  it('keeps an order before it goes out; a lab that is silent, refuses or answers late is never ordered from twice', async () => {
    // A lab of its own, that does what it is told and remembers what reached it.
    const got: string[] = []
    let says: 'nothing' | 'no' | 'yes' = 'nothing'
    const other = createServer((request, response) => {
      let text = ''
      request.on('data', (more) => (text += more))
      request.on('end', () => {
        got.push((JSON.parse(text) as { order: string }).order)
        if (says === 'nothing') return request.socket.destroy()
        response.writeHead(says === 'no' ? 422 : 200, { 'content-type': 'application/json' })
        response.end(JSON.stringify({ status: 'accepted', queries: [], dueOn: '2026-12-24' }))
      })
    })
    await new Promise<void>((done) => other.listen(0, '127.0.0.1', done))
    const { port } = other.address() as AddressInfo
    const own = await startServer(21731, { LAB_URL: `http://127.0.0.1:${port}/orders` })
    try {
      const caller = await new Caller(own.base).signIn('rhona')
      const tove = await caller.fittingOf('tove')
      const before = (await caller.get(`fittings/${tove}`)).json.parts.orders?.content ?? []
      const id = crypto.randomUUID()
      const order = (more: object = {}) =>
        caller.post(`fittings/${tove}/order`, { id, feet: ['left'], ...more })
      const kept = async () =>
        (await caller.get(`fittings/${tove}`)).json.parts.orders.content.slice(before.length)
      expect((await order()).json.order.answer.status).toBe('no answer')
      expect(await kept()).toMatchObject([{ id, answer: { status: 'no answer' } }])
      says = 'yes'
      expect((await order()).json.order.answer).toMatchObject({ status: 'accepted' })
      // The lab has spoken: it is not asked again.
      expect((await order()).json.order.answer.dueOn).toBe('2026-12-24')
      expect(got).toEqual([id, id])
      expect(await kept()).toMatchObject([{ id, answer: { status: 'accepted' } }])
      says = 'no'
      const second = await order({ id: crypto.randomUUID() })
      expect(second.json.order.answer.status).toBe('refused')
      expect(await kept()).toHaveLength(2)
    } finally {
      await own.stop()
      other.close()
    }
  })
  it('is answered what it asked back, and takes an order back while it can', async () => {
    const { json: state } = await rhona.get(`fittings/${tove}`)
    const left = state.parts['device.left']
    const put = (content: unknown, version: number) =>
      rhona.command(tove, version, { kind: 'part.put', part: 'device.left', content })
    await put({ ...left.content, shell: { ...left.content.shell, thicknessMm: 1.5 } }, left.version)
    const { order } = (
      await rhona.post(`fittings/${tove}/order`, { feet: ['left'], wantedOn: '2026-01-05' })
    ).json
    expect(order.answer.queries.map((q: { code: string }) => q.code)).toEqual([
      'too-thin',
      'too-soon',
    ])
    const reply = (code: string, words = 'leave it so') =>
      rhona.post(`fittings/${tove}/order/reply`, {
        order: order.id,
        replies: [{ foot: code === 'too-soon' ? 'both' : 'left', code, words }],
      })
    expect((await reply('no-post')).json).toMatchObject({ status: 409, code: 'not-asked' })
    expect((await reply('too-thin', ' ')).json.detail).toContain('Write an answer')
    const half = (await reply('too-thin')).json.order
    expect(half.answer).toMatchObject({ status: 'queries', queries: [{ code: 'too-soon' }] })
    const whole = (await reply('too-soon')).json.order
    expect(whole.answer).toMatchObject({ status: 'accepted', queries: [] })
    expect(whole.replies).toMatchObject([
      { code: 'too-thin', words: 'leave it so', by: expect.stringContaining('Rhona') },
      { code: 'too-soon' },
    ])
    expect((await reply('too-soon')).json).toMatchObject({ status: 409, code: 'nothing-asked' })
    const cancel = () => rhona.post(`fittings/${tove}/order/cancel`, { order: order.id })
    expect((await cancel()).json.order.answer.status).toBe('cancelled')
    // Twice is once.
    expect((await cancel()).json.order.answer.status).toBe('cancelled')
    const again = await rhona.post(`fittings/${tove}/order`, {
      feet: ['left'],
      remakeOf: order.id,
      remakeWhy: 'the shell broke at its edge',
    })
    expect(again.json.order).toMatchObject({ remakeOf: order.id })
    const stranger = { feet: ['left'], remakeOf: 'nobody', remakeWhy: 'x' }
    expect((await rhona.post(`fittings/${tove}/order`, stranger)).json.code).toBe('no-order')
    const silent = { feet: ['left'], remakeOf: order.id }
    expect((await rhona.post(`fittings/${tove}/order`, silent)).json.code).toBe('no-reason')
    await put(left.content, left.version + 1)
  })
  it('asks when what came does not add up, and takes nothing back that is in the oven', () => {
    const stl = (longMm: number) => {
      const bytes = Buffer.alloc(84 + 50)
      bytes.writeUInt32LE(1, 80)
      bytes.writeFloatLE(longMm, 84 + 12 + 12 + 4)
      return bytes.toString('base64')
    }
    const ask = (more: object, longMm = 180) =>
      JSON.parse(
        standinLab(
          JSON.stringify({
            format: 'gentle-arch/lab-order',
            on: '2026-11-25',
            order: 'abcdefgh',
            client: {},
            files: [{ name: 'left.stl', base64: stl(longMm) }],
            prescription: { feet: { left: { device: plainDevice() } } },
            ...more,
          }),
        ),
      ).queries.map((q: { code: string }) => q.code)
    const left = { readings: { footLengthMm: 265 }, making: 'pressed' }
    expect(ask({ feet: { left } })).toEqual([])
    expect(ask({ feet: { left } }, 90)).toEqual(['length'])
    expect(ask({ feet: { left: { ...left, making: 'printed' } } })).toEqual(['making'])
    expect(ask({ feet: { left }, footwear: { sizeMm: { left: 240 } } })).toEqual(['footwear'])
    expect(ask({ feet: { left }, wantedOn: '2026-11-30' })).toEqual(['too-soon'])
    const back = (on: string) =>
      JSON.parse(
        standinLab(
          JSON.stringify({ format: 'gentle-arch/lab-cancel', order: 'a', on, dueOn: '2026-12-04' }),
        ),
      ).status
    expect([back('2026-11-30'), back('2026-12-03')]).toEqual(['cancelled', 'accepted'])
  })
  it('looks at what it gets by its own rules', () => {
    const order = (device: unknown, extra = {}) =>
      JSON.parse(
        standinLab(
          JSON.stringify({
            on: '2026-11-25',
            order: 'abcdefgh',
            client: {},
            files: [],
            prescription: { feet: { left: { device } } },
            ...extra,
          }),
        ),
      )
    const codes = (device: unknown, extra = {}) =>
      order(device, extra).queries.map((q: { code: string }) => q.code)
    expect(codes({ ...plainDevice(), layers: [{ kind: 'firstRayCutOut' }] })).toEqual([
      'no-post',
      'no-file',
    ])
    expect(codes({ ...plainDevice(), shell: { material: 'bamboo', thicknessMm: 4 } })).toContain(
      'material',
    )
    expect(
      codes(
        { ...plainDevice(), shell: { material: 'polypropylene', thicknessMm: 2.5 } },
        { client: { massKg: 120 } },
      ),
    ).toContain('too-thin')
    const cut = Buffer.alloc(90).toString('base64')
    expect(codes(plainDevice(), { files: [{ name: 'left.stl', base64: cut }] })).toEqual([
      'broken-file',
    ])
    const whole = Buffer.alloc(84).toString('base64')
    // Seven working days after Wednesday 25 November 2026.
    expect(order(plainDevice(), { files: [{ name: 'left.stl', base64: whole }] })).toMatchObject({
      status: 'accepted',
      dueOn: '2026-12-04',
    })
  })
})

describe('presets of the shop', () => {
  it("are kept once by name, without one client's reasons, read by all, removed by those who may", async () => {
    const device = {
      ...plainDevice(),
      layers: [{ kind: 'medialSkive', depthMm: 3, on: true, because: 'medial-push' }],
    }
    const made = await rhona.post('presets', { name: 'Tourer', device })
    expect(made.status).toBe(200)
    expect((await rhona.post('presets', { name: 'Tourer', device })).json).toMatchObject({
      status: 409,
      code: 'name-taken',
    })
    expect((await rhona.post('presets', { name: 'x', device })).json.detail).toContain(
      'two letters',
    )
    const bram = await new Caller(server.base).signIn('bram')
    const { presets } = (await bram.get('presets')).json
    expect(presets[0]).toMatchObject({
      name: 'Tourer',
      device: { layers: [{ kind: 'medialSkive' }] },
    })
    expect(JSON.stringify(presets)).not.toContain('medial-push')
    expect((await bram.call('DELETE', `presets/${made.json.id}`, {})).status).toBe(403)
    expect((await rhona.call('DELETE', `presets/${made.json.id}`, {})).status).toBe(200)
    expect((await rhona.get('presets')).json.presets).toEqual([])
  })
})

describe('shell checks', () => {
  it("teach a model's bias from all fittings of the shop, from five on, without anybody's name", async () => {
    const { json: state } = await rhona.get(`fittings/${tove}`)
    const { models } = (await rhona.get('models')).json
    const check = (i: number) => ({
      model: models[0].id,
      sizeMm: 265,
      foot: i % 2 ? 'left' : 'right',
      gapMm: 15 + (i % 2) / 5,
      predictedMm: 12,
    })
    const put = (count: number, version: number) =>
      rhona.command(tove, version, {
        kind: 'part.put',
        part: 'footwear',
        content: {
          chosen: {
            model: models[0].id,
            shellChecks: Array.from({ length: count }, (_, i) => check(i)),
          },
        },
      })
    const version = state.parts.footwear?.version ?? 0
    await put(4, version)
    expect((await rhona.get('models')).json.learned[models[0].id]).toMatchObject({
      count: 4,
      used: false,
      usedMm: 0,
    })
    await put(10, version + 1)
    const { learned } = (await rhona.get('models')).json
    expect(learned[models[0].id]).toMatchObject({ count: 10, used: true })
    expect(learned[models[0].id].usedMm).toBeCloseTo(3.1 * (10 / 15), 6)
    expect(JSON.stringify(learned)).not.toMatch(/Tove|HR-0412|left/)
    await put(0, version + 2)
  })

  it('teach as well of what was only tried, and of what another device of the foot is worn in', async () => {
    const { json: state } = await rhona.get(`fittings/${tove}`)
    const { models } = (await rhona.get('models')).json
    const [tried, chosen, other] = models.map((m: { id: string }) => m.id)
    const checks = (model: string, count: number) =>
      Array.from({ length: count }, (_, i) => ({
        model,
        sizeMm: 265,
        foot: 'left',
        gapMm: 15 + (i % 2) / 5,
        predictedMm: 12,
        at: `2026-11-0${i + 1}T10:00:00Z`,
      }))
    const { version } = state.parts.footwear
    await rhona.command(tove, version, {
      kind: 'part.put',
      part: 'footwear',
      content: {
        shellChecks: checks(tried, 6),
        chosen: { model: chosen, shellChecks: checks(chosen, 5) },
        moreChosen: [{ model: other, shellChecks: checks(other, 7) }],
      },
    })
    const { learned } = (await rhona.get('models')).json
    expect([tried, chosen, other].map((id) => learned[id].count)).toEqual([6, 5, 7])
    await rhona.command(tove, version + 1, {
      kind: 'part.put',
      part: 'footwear',
      content: { shellChecks: checks(tried, 1) },
    })
    expect((await rhona.get('models')).json.learned[tried].count).toBe(1)
    await rhona.command(tove, version + 2, { kind: 'part.put', part: 'footwear', content: {} })
  })
})

describe('several devices of a foot', () => {
  it('come in with a file, change places, and go out as they came', async () => {
    const record = structuredClone(DEMO_RECORDS['tove-marchetti']!) as unknown as {
      client: { name: string }
      feet: Record<'left' | 'right', Record<string, unknown>>
    }
    record.client.name = 'Two Pairs'
    for (const foot of Object.values(record.feet)) {
      const device = foot.device as object
      delete foot.device
      foot.devices = [
        { ...device, name: 'boots' },
        { ...device, name: 'shoes', heelLiftMm: 2 },
      ]
    }
    const { fittingId } = (await rhona.post('records', record)).json as { fittingId: string }
    const out = async () =>
      ((await rhona.get(`fittings/${fittingId}/record`)).json as typeof record).feet
        .left as unknown as {
        device?: object
        devices: { name: string; heelLiftMm: number }[]
      }
    const left = await out()
    expect(left.device).toBeUndefined()
    expect(left.devices.map((d) => d.name)).toEqual(['boots', 'shoes'])
    expect(left.devices[1]!.heelLiftMm).toBe(2)
  })
})
