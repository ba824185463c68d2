import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { readCatalogueCsv, writeCatalogueCsv } from '../../core/formats/catalogueCsv'
import type { FootwearModel } from '../../core/footwear/catalogueSchema'
import { demoModels } from '../../demo/catalogue'
import { DEMO_RECORDS } from '../../demo/records'
import { Caller, startServer } from './client'

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
