import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { readCatalogueCsv, writeCatalogueCsv } from '../../core/formats/catalogueCsv'
import type { FootwearModel } from '../../core/footwear/catalogueSchema'
import { demoModels } from '../../demo/catalogue'
import { DEMO_RECORDS } from '../../demo/records'
import { Caller, startServer } from './client'
import { seeded } from '../../core/capture/standin/random'

let server: Awaited<ReturnType<typeof startServer>>
let rhona: Caller
let owner: Caller
beforeAll(async () => {
  server = await startServer(21770)
  rhona = await new Caller(server.base).signIn('rhona')
  owner = await new Caller(server.base).signIn('sunniva')
})
afterAll(() => server.stop())
const models = async (): Promise<FootwearModel[]> => (await rhona.get('models')).json.models

const pdfText = (path: string) => rhona.pdf(path)

describe('the catalogue', () => {
  it('counts the shelf, measures a shell, and takes a model out, with a line in the audit each', async () => {
    expect(
      (await rhona.post('models/stock', { model: 'fern-traverse-99', sizeMm: 265, count: 7 }))
        .status,
    ).toBe(200)
    expect((await models()).find((m) => m.id === 'fern-traverse-99')!.stock['265']).toBe(7)
    expect(
      (await rhona.post('models/stock', { model: 'fern-traverse-99', sizeMm: 999, count: 7 }))
        .status,
    ).toBe(400)
    expect(
      (await rhona.post('models/stock', { model: 'fern-traverse-99', sizeMm: 230, count: 7 }))
        .status,
    ).toBe(404)
    const own = {
      ...demoModels()[0]!,
      id: 'own-shell',
      name: 'Own',
      measured: { by: 'Rhona Ketteridge', on: '2026-11-25' },
    }
    expect((await rhona.post('models/measured', own)).status).toBe(200)
    expect((await models()).at(-1)).toEqual(own)
    expect(
      (
        await owner.call('PUT', 'models', {
          format: 'gentle-arch/catalogue',
          version: 1,
          models: [{ ...own, family: 'clog' }],
        })
      ).json.detail,
    ).toContain('models.0.family')
    expect((await owner.post('models/remove', { model: 'own-shell' })).status).toBe(200)
    expect((await owner.post('models/remove', { model: 'own-shell' })).status).toBe(404)
    const audit = (await owner.get('audit')).json
    expect(JSON.stringify(audit)).toMatch(/models\.stock/)
    const bram = await new Caller(server.base).signIn('bram')
    expect(
      (await bram.post('models/stock', { model: 'fern-traverse-99', sizeMm: 265, count: 2 }))
        .status,
    ).toBe(200)
    expect(
      (
        await rhona.call('PUT', 'models', {
          format: 'gentle-arch/catalogue',
          version: 1,
          models: [own],
        })
      ).status,
    ).toBe(403)
    expect(
      (
        await bram.call('PUT', 'models', {
          format: 'gentle-arch/catalogue',
          version: 1,
          models: [own],
        })
      ).status,
    ).toBe(403)
  })
  it('takes ten thousand rows, keeps their order and lets nothing half in', async () => {
    const base = demoModels()
    const many = Array.from({ length: 10_000 }, (_, i) => ({
      ...base[i % base.length]!,
      id: `bulk-${String(i).padStart(5, '0')}`,
    }))
    const check = readCatalogueCsv(writeCatalogueCsv(many))
    expect([check.models.length, check.bad.length]).toEqual([10_000, 0])
    expect(
      (
        await owner.call('PUT', 'models', {
          format: 'gentle-arch/catalogue',
          version: 1,
          models: check.models,
        })
      ).json,
    ).toEqual({ models: 10_000 })
    const kept = await models()
    expect(kept.filter((m) => m.id.startsWith('bulk-')).map((m) => m.id)).toEqual(
      many.map((m) => m.id),
    )
    const bad = await owner.call('PUT', 'models', {
      format: 'gentle-arch/catalogue',
      version: 1,
      models: [
        { ...base[0]!, id: 'fresh' },
        { ...base[0]!, id: 'fresh' },
      ],
    })
    expect([bad.status, bad.json.code]).toEqual([400, 'duplicate-model'])
    expect((await models()).some((m) => m.id === 'fresh')).toBe(false)
    for (let i = 0; i < 3; i++) await owner.post('models/remove', { model: `bulk-0000${i}` })
    expect((await models()).filter((m) => m.id.startsWith('bulk-'))).toHaveLength(9997)
  }, 60_000)
})

describe('fingers of a fitter', () => {
  it('are calibrated in their own profile and refused when they are none', async () => {
    const fresh = await new Caller(server.base).signIn('rhona')
    expect((await fresh.call('PUT', 'me/fingers', { one: 15.5, two: 32 })).status).toBe(200)
    expect((await fresh.get('me/fingers')).json).toEqual({ fingers: { one: 15.5, two: 32 } })
    expect((await (await new Caller(server.base).signIn('bram')).get('me/fingers')).json).toEqual({
      fingers: null,
    })
    expect((await fresh.call('PUT', 'me/fingers', { one: 31, two: 40 })).json.detail).toContain(
      '8 to 30 mm',
    )
    expect((await fresh.call('PUT', 'me/fingers', { one: 20, two: 18 })).status).toBe(400)
  })
})

describe('wearing in as a calendar', () => {
  it('begins on the day of the handover, a day an event, under the code', async () => {
    const { fittingId } = (
      await rhona.post('records', {
        ...DEMO_RECORDS['juno-abara']!,
        client: { ...DEMO_RECORDS['juno-abara']!.client, code: undefined, name: 'Wilf Wearin' },
        handover: { on: '2026-11-25', wearInStart: '2026-11-27' },
      })
    ).json
    const { status, json, headers } = await rhona.get(`fittings/${fittingId}/wearin`)
    const events = [...String(json).matchAll(/DTSTART;VALUE=DATE:(\d{8})/g)].map((m) => m[1])
    expect([status, headers.get('content-type'), events.slice(0, 3)]).toEqual([
      200,
      'text/calendar; charset=utf-8',
      ['20261127', '20261128', '20261129'],
    ])
    expect(String(json)).toContain('Footbeds: 1 hour')
    expect(String(json)).not.toContain('Wilf')
    // It tells what is worn at home, so it is not for the bench.
    expect(
      (await (await new Caller(server.base).signIn('bram')).get(`fittings/${fittingId}/wearin`))
        .status,
    ).toBe(403)
  })
})

describe('papers of the shell work', () => {
  it('carry settings, distances and stops under the code, never the name; without a chosen model there is none', async () => {
    const work = [
      {
        id: 'w1',
        foot: 'right',
        model: 'fern-traverse-99',
        sizeMm: 265,
        station: 'ball',
        does: 'stretch',
        at: { fromHeelMm: 190, heightMm: 18, side: 'both' },
        amountMm: 2,
      },
      {
        id: 'w2',
        foot: 'left',
        model: 'fern-traverse-99',
        sizeMm: 265,
        station: 'navicular',
        does: 'stretch',
        at: { fromHeelMm: 120, heightMm: 44, side: 'medial' },
        amountMm: 9,
      },
    ]
    const record = {
      ...DEMO_RECORDS['tove-marchetti']!,
      client: {
        ...DEMO_RECORDS['tove-marchetti']!.client,
        code: undefined,
        name: 'Wenna Workplan',
      },
      footwear: {
        sockMm: 1,
        candidates: [],
        chosen: {
          model: 'fern-traverse-99',
          sizeLeftMm: 265,
          sizeRightMm: 265,
          shellChecks: [],
          tryOn: [],
          work,
        },
      },
    }
    const { fittingId } = (await rhona.post('records', record)).json
    const text = await pdfText(`fittings/${fittingId}/workplan`)
    expect(text).toMatch(
      /stretch 2 mm a side, press to 2\.4 mm; both sides, 190 mm from the back inside, 18 mm over the boot board/,
    )
    expect(text).toMatch(/STOP: 9 mm asked; this wall stretches 6 mm/)
    expect(text).toMatch(/heat evenly to 110 °C, never above 120 °C/)
    expect(text).not.toContain('Wenna')
    // The ticket tells the same decided work, with its stop; what was dropped is not on it.
    const ticket = await pdfText(`fittings/${fittingId}/ticket`)
    expect(ticket).toMatch(/right: Ball: stretch 2 mm a side, press to 2\.4 mm/)
    expect(ticket).toMatch(/STOP: 9 mm asked; this wall stretches 6 mm/)
    const { version, content } = (await rhona.get(`fittings/${fittingId}`)).json.parts.footwear
    await rhona.command(fittingId, version, {
      kind: 'part.put',
      part: 'footwear',
      content: {
        ...content,
        chosen: {
          ...content.chosen,
          work: content.chosen.work.map((w: { id: string }) =>
            w.id === 'w2' ? { ...w, state: 'dropped' } : { ...w, state: 'done', gainedMm: 1.5 },
          ),
        },
      },
    })
    const later = await pdfText(`fittings/${fittingId}/ticket`)
    expect(later).toMatch(/about 35 min, done/)
    expect(later).not.toContain('STOP')
    const sheet = await pdfText(`fittings/${fittingId}/ordersheet`)
    expect(sheet).toMatch(/Calf girth.*Foot length/)
    expect(sheet).not.toContain('Wenna')
    const bare = (
      await rhona.post('records', {
        ...record,
        client: { ...record.client, name: 'Wenna Without' },
        footwear: undefined,
      })
    ).json.fittingId
    expect((await rhona.get(`fittings/${bare}/workplan`)).json.code).toBe('no-model')
    // Before a clearance nothing of it goes to the bench.
    const refer = (
      await rhona.post('records', {
        ...record,
        client: { ...record.client, name: 'Wenna Wound' },
        story: { ...record.story!, signs: { ...record.story!.signs, openWound: 'yes' } },
      })
    ).json.fittingId
    for (const paper of ['workplan', 'ordersheet', 'ticket'])
      expect((await rhona.get(`fittings/${refer}/${paper}`)).json.code, paper).toBe('refer-first')
  })
})

describe('a pair on the shelf', () => {
  const MODEL = 'fern-traverse-99'
  const shelf = async (who = rhona) => (await who.get('models/shelf')).json
  const lies = async (sizeMm: number) => (await shelf()).stock[MODEL][String(sizeMm)]
  /** Which of some fittings wait for a size; demo clients may wait too. */
  const waiting = async (sizeMm: number, ...of: string[]): Promise<string[]> => {
    const ids: string[] = (await shelf()).reserved[MODEL]?.[String(sizeMm)] ?? []
    return ids.filter((id) => of.includes(id))
  }
  const count = (sizeMm: number, to: number) =>
    rhona.post('models/stock', { model: MODEL, sizeMm, count: to })
  const fitting = async (name: string): Promise<string> =>
    (await rhona.post('clients', { details: { name } })).json.fittingId
  const put = async (id: string, part: string, content: object) => {
    const { parts } = (await rhona.get(`fittings/${id}`)).json
    const command = { kind: 'part.put', part, content } as never
    return rhona.command(id, parts[part]?.version ?? 0, command)
  }
  const choose = (id: string, left: number | null, right = left, model = MODEL) =>
    put(id, 'footwear', left ? { chosen: { model, sizeLeftMm: left, sizeRightMm: right } } : {})
  const handOver = (id: string, more = {}) =>
    put(id, 'handover', { on: '2026-11-30', allTheSame: 'of the shelf', ...more })

  it('waits for whoever chose it, goes with them once, comes back, and can be counted anew', async () => {
    await count(265, 3)
    await count(270, 1)
    const id = await fitting('Shelf Life')
    await choose(id, 265)
    expect(await waiting(265, id)).toEqual([id])
    expect(await lies(265)).toBe(3)
    await handOver(id)
    expect([await lies(265), await waiting(265, id)]).toEqual([2, []])
    // Handed over again, and written into again: no second pair goes.
    await handOver(id, { note: 'fits well' })
    await choose(id, 265)
    expect(await lies(265)).toBe(2)
    // Another size instead: the first lies there again.
    await choose(id, 265, 270)
    expect([await lies(265), await lies(270)]).toEqual([2, 0])
    await handOver(id, { footwearBackOn: '2026-12-05' })
    expect([await lies(265), await lies(270), await waiting(265, id)]).toEqual([3, 1, []])
    await handOver(id)
    await count(265, 9)
    await put(id, 'handover', {})
    expect([await lies(265), await lies(270), await waiting(265, id)]).toEqual([10, 1, [id]])
  })
  it('that does not lie there is not taken, and none comes back of it; the own boots are on no shelf', async () => {
    await count(275, 0)
    const id = await fitting('Ordered Pair')
    await choose(id, 275)
    await handOver(id)
    expect(await lies(275)).toBe(0)
    await count(275, 4)
    await handOver(id, { note: 'arrived' })
    await put(id, 'handover', {})
    expect(await lies(275)).toBe(4)
    const own = await fitting('Own Boots')
    await choose(own, 265, 265, 'own:1')
    expect(JSON.stringify((await shelf()).reserved)).not.toContain(own)
    expect((await handOver(own)).status).toBe(200)
  })
  it('stays sold when its client is erased', async () => {
    await count(280, 2)
    const { fittingId, clientId } = (await rhona.post('clients', { details: { name: 'Erased' } }))
      .json
    await choose(fittingId, 280)
    await handOver(fittingId)
    expect((await owner.call('DELETE', `clients/${clientId}`, {})).status).toBe(200)
    expect([await lies(280), await waiting(280, fittingId)]).toEqual([1, []])
  })
  it('is not put back by a price, a measuring or a file that were made of an older count', async () => {
    await count(265, 5)
    const old = (await models()).find((m) => m.id === MODEL)!
    const id = await fitting('Meanwhile')
    await choose(id, 265)
    await handOver(id)
    expect((await owner.post('models/details', { ...old, price: 655 })).status).toBe(200)
    expect((await rhona.post('models/measured', { ...old, price: 656 })).status).toBe(200)
    const file = { format: 'gentle-arch/catalogue', version: 1, models: [{ ...old, price: 657 }] }
    expect((await owner.call('PUT', 'models?shelf=stays', file)).status).toBe(200)
    expect((await models()).find((m) => m.id === MODEL)).toMatchObject({ price: 657 })
    expect(await lies(265)).toBe(4)
    expect((await owner.call('PUT', 'models', file)).status).toBe(200)
    expect(await lies(265)).toBe(5)
  })
  it('through any lives of three fittings is there or with somebody', async () => {
    const { next: random } = seeded(7)
    const pick = <T>(list: readonly T[]) => list[Math.floor(random() * list.length)]!
    const ids = [await fitting('One'), await fitting('Two'), await fitting('Three')]
    const sizes = [255, 260]
    for (const size of sizes) await count(size, 3)
    const with_ = new Map(ids.map((id) => [id, { has: null as number | null, over: false }]))
    for (let i = 0; i < 40; i++) {
      const id = pick(ids)
      const now = with_.get(id)!
      if (random() < 0.5) {
        now.has = pick([null, ...sizes])
        expect((await choose(id, now.has)).status).toBe(200)
      } else {
        now.over = !now.over
        expect(
          (await put(id, 'handover', now.over ? { on: '2026-11-30', allTheSame: 'so' } : {}))
            .status,
        ).toBe(200)
      }
      for (const size of sizes) {
        const gone = [...with_.values()].filter((w) => w.over && w.has === size).length
        expect(await lies(size), `${size} after ${i + 1} changes`).toBe(3 - gone)
      }
    }
  })
  it('is not handed over on a binding that nobody tested', async () => {
    const id = await fitting('Bound Foot')
    await put(id, 'story', { complaints: [], conditions: [], activity: 'ski-touring' })
    await choose(id, 265)
    const refused = await handOver(id)
    expect([refused.status, refused.json.code]).toEqual([409, 'binding-not-tested'])
    expect(refused.json.detail).toContain('not tested for these shells yet')
    expect((await put(id, 'handover', { note: 'waits' })).status).toBe(200)
    const { footwear } = (await rhona.get(`fittings/${id}`)).json.parts
    const record = { ...footwear.content }
    record.chosen.binding = {
      by: 'Ansgar Holt',
      basis: { shell: MODEL, 'left size': '265 mm', 'right size': '265 mm' },
    }
    expect((await put(id, 'footwear', record)).status).toBe(200)
    expect((await handOver(id)).status).toBe(200)
    // Handed over once, it stays so, whatever changes: notes can be written.
    await choose(id, 270)
    expect((await handOver(id, { note: 'another size' })).status).toBe(200)
  })
})
