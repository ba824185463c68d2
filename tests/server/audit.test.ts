import Papa from 'papaparse'
import { beforeAll, describe, expect, it } from 'vitest'
import type { AuditRow } from '../../shared/auditKinds'
import { useShop } from './shop'

const shop = useShop(21729)
let clientId = ''
beforeAll(async () => {
  const { rhona } = shop
  const details = { name: '=HYPERLINK("x")', massKg: 70 }
  clientId = (await rhona.post('clients', { details })).json.clientId
  await rhona.call('PATCH', `clients/${clientId}`, { changes: { massKg: { from: 70, to: 72 } } })
  await rhona.get(`clients/${clientId}`)
})

const ask = async (query: string): Promise<{ lines: AuditRow[]; more: boolean }> =>
  (await shop.sunniva.get(`audit?${query}`)).json

describe('the trail', () => {
  it('holds what a client was and is, newest first', async () => {
    const { lines } = await ask(`client=${clientId}`)
    const change = lines.find((l) => l.action === 'client.change')!
    expect(change).toMatchObject({
      person: 'Rhona Ketteridge',
      detail: { before: { massKg: 70 }, after: { massKg: 72 } },
    })
    expect(lines.map((l) => Number(l.id))).toEqual(
      lines.map((l) => Number(l.id)).sort((a, b) => b - a),
    )
  })
  it('is found by person, kind and day', async () => {
    expect((await ask('person=ketter')).lines.length).toBeGreaterThan(0)
    expect((await ask('person=nobody')).lines).toEqual([])
    expect((await ask('person=%25')).lines).toEqual([])
    const looked = (await ask(`client=${clientId}&kind=looked`)).lines
    expect(new Set(looked.map((l) => l.action))).toEqual(new Set(['client.see']))
    expect((await ask('until=2020-01-01')).lines).toEqual([])
    expect((await ask('from=2020-01-01')).lines.length).toBeGreaterThan(0)
  })
  it('goes on where the last page ended', async () => {
    const all = (await ask('')).lines
    const rest = (await ask(`before=${all[1]!.id}`)).lines
    expect(rest[0]!.id).toBe(all[2]!.id)
  })
  it.each(['client=x', 'kind=all', 'from=2026-02-30', 'before=-1', 'before=1e3'])(
    '%s is refused',
    async (query) => expect((await shop.sunniva.get(`audit?${query}`)).status).toBe(400),
  )
  it('goes out as CSV with codes, and no cell is a formula', async () => {
    const { json, headers } = await shop.sunniva.get(`audit/export?client=${clientId}`)
    expect(headers.get('content-type')).toContain('text/csv')
    const { data } = Papa.parse<string[]>(String(json).trim())
    expect(data.length).toBeGreaterThan(3)
    for (const row of data) for (const cell of row) expect(cell).not.toMatch(/^[=+@-]/)
  })
  it('is not for fitters or bench hands', async () => {
    for (const path of ['audit', 'audit/export'])
      expect((await shop.rhona.get(path)).status).toBe(403)
  })
})
