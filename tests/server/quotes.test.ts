import Papa from 'papaparse'
import { describe, expect, it } from 'vitest'
import { useShop } from './shop'

const shop = useShop(21751)
const LINE = { words: 'Pair of insoles', count: 1, amount: 120, taxPercent: 20 }
const QUOTE = {
  on: '2031-03-01',
  validUntil: '2031-03-31',
  currency: '€',
  withTax: true,
  guaranteeMonths: 12,
  lines: [LINE],
}
const fitting = async (name: string): Promise<string> =>
  (await shop.rhona.post('clients', { details: { name } })).json.fittingId
async function put(id: string, content: object[]) {
  const { parts } = (await shop.rhona.get(`fittings/${id}`)).json
  const command = { kind: 'part.put', part: 'quotes', content } as never
  return shop.rhona.command(id, parts.quotes?.version ?? 0, command)
}
const kept = async (id: string) =>
  (await shop.rhona.get(`fittings/${id}`)).json.parts.quotes.content as { id: string; no: string }[]

describe('the number of a quote', () => {
  it('is the shop’s next, whoever asks; it stays, and nobody writes one themselves', async () => {
    const [a, b] = [await fitting('Number One'), await fitting('Number Two')]
    await put(a, [{ ...QUOTE, id: 'q1', no: '1999-0001' }])
    const [first] = await kept(a)
    expect(first!.no).toMatch(/^2031-\d{4}$/)
    await put(b, [{ ...QUOTE, id: 'q1' }])
    const [second] = await kept(b)
    expect(Number(second!.no.slice(5))).toBe(Number(first!.no.slice(5)) + 1)
    const answered = { ...QUOTE, id: 'q1', no: 'mine', answer: 'accepted', acceptedBy: 'N. One' }
    await put(a, [answered, { ...QUOTE, id: 'q2' }])
    const both = await kept(a)
    expect(both.map((q) => q.no)).toEqual([first!.no, expect.stringMatching(/^2031-\d{4}$/)])
    expect(both[1]!.no).not.toBe(second!.no)
  })
  it('is never given twice, however many ask at once', async () => {
    const ids = await Promise.all(Array.from({ length: 6 }, (_, i) => fitting(`At Once ${i}`)))
    await Promise.all(ids.map((id) => put(id, [{ ...QUOTE, id: 'q' }])))
    const numbers = await Promise.all(ids.map(async (id) => (await kept(id))[0]!.no))
    expect(new Set(numbers).size).toBe(6)
  })
})

describe('what was sold', () => {
  it('goes out line by line for the days asked: accepted alone, and no formula of a name', async () => {
    const id = await fitting('=Sum Trick')
    const lines = [LINE, { ...LINE, words: 'Pad, "soft"', count: 2, amount: 9.5 }]
    await put(id, [
      { ...QUOTE, id: 'old', answer: 'accepted', answeredOn: '2031-05-31', lines },
      { ...QUOTE, id: 'in', answer: 'accepted', answeredOn: '2031-06-02', lines },
      { ...QUOTE, id: 'no', answer: 'declined', answeredOn: '2031-06-03' },
      { ...QUOTE, id: 'open' },
    ])
    const answer = await shop.rhona.get('sold?from=2031-06-01&to=2031-06-30')
    const { data } = Papa.parse<Record<string, string>>(answer.json as string, {
      header: true,
      skipEmptyLines: true,
    })
    expect(data.map((r) => [r.accepted, r.what, r.count, r.each, r['quote in all']])).toEqual([
      ['2031-06-02', 'Pair of insoles', '1', '120.00', '139.00'],
      ['2031-06-02', 'Pad, "soft"', '2', '9.50', '139.00'],
    ])
    expect(data[0]!.name).toBe("'=Sum Trick")
    expect((await shop.rhona.get('sold?from=2031-06-01')).status).toBe(400)
  })
})
