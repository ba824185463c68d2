import { describe, expect, it } from 'vitest'
import { meanInterval, workedCsv, workedRows, type WorkedCase } from '../../../core/followup/worked'

const one = (client: string, more: Partial<WorkedCase> = {}): WorkedCase => ({
  client,
  region: 'heel',
  modifications: ['pad'],
  painBefore: 6,
  painAfter: 4,
  comfortBefore: null,
  comfortAfter: null,
  days: 20,
  ...more,
})

describe('one client in a row', () => {
  const kept = (...cases: WorkedCase[]) => workedRows(cases)[0]!.list[0]!
  const asked = one('A', { painBefore: 3 })

  it('counts with the case that was answered', () => {
    const never = one('A', { painBefore: 9, painAfter: null })
    expect([kept(asked, never).before, kept(never, asked).before]).toEqual([3, 3])
  })
  it('of two that were answered, or two that were not, with the one that hurt more', () => {
    const worse = one('A', { painBefore: 8 })
    expect([kept(asked, worse).before, kept(worse, asked).before]).toEqual([8, 8])
    const [never, least] = [
      one('A', { painBefore: 9, painAfter: null }),
      one('A', { painBefore: 2, painAfter: null }),
    ]
    expect([kept(never, least).before, kept(least, never).before]).toEqual([9, 9])
  })
  it('of two alike with the first', () =>
    expect(kept(asked, one('A', { painBefore: 3, painAfter: 0 })).after).toBe(4))
})

describe('averages', () => {
  const row = (n: number, comfort: number) =>
    workedRows(
      Array.from({ length: n }, (_, i) =>
        one(`c${i}`, i < comfort ? { comfortBefore: 40, comfortAfter: 60 } : {}),
      ),
    )[0]!
  it('stand from ten answers on, of pain and of comfort each by itself', () => {
    expect([row(9, 0).pain, row(9, 9).comfort]).toEqual([null, null])
    expect(row(10, 9)).toMatchObject({
      pain: { mean: -2, low: -2, high: -2, count: 10 },
      comfort: null,
    })
    expect(row(12, 10).comfort).toEqual({ mean: 20, low: 20, high: 20, count: 10 })
  })
  it('of comfort need both its ends', () => {
    const { list, comfort } = workedRows([
      one('A', { comfortBefore: 40 }),
      one('B', { comfortAfter: 60 }),
      one('C', { comfortBefore: 40, comfortAfter: 35 }),
    ])[0]!
    expect(list.map((l) => l.comfort)).toEqual([null, null, -5])
    expect(comfort).toBeNull()
  })
  it('of two and of many: Student’s t over the root of how many', () => {
    // 1, 3: mean 2, SD √2, t(1) 12.706 over √2.
    const two = meanInterval([1, 3])!
    expect([two.mean, two.count]).toEqual([2, 2])
    expect(two.high - two.mean).toBeCloseTo(12.706, 2)
    expect(two.mean - two.low).toBeCloseTo(12.706, 2)
  })
})

describe('rows', () => {
  it('stand by the number of clients, then by their names', () => {
    const rows = workedRows([
      one('A', { region: 'toes' }),
      one('A', { region: 'ball' }),
      one('A', { region: 'ball', modifications: ['bar', 'arch'] }),
      one('A'),
      one('B'),
    ])
    expect(rows.map((r) => [r.region, r.modification, r.clients])).toEqual([
      ['heel', 'pad', 2],
      ['ball', 'arch', 1],
      ['ball', 'bar', 1],
      ['ball', 'pad', 1],
      ['toes', 'pad', 1],
    ])
  })
  it('count those who never came back beside', () => {
    const [row] = workedRows([one('A'), one('B', { painAfter: null })])
    expect([row!.clients, row!.cameBack, row!.neverBack]).toEqual([2, 1, 1])
  })
  it('are CSV: a head, words in quotes, numbers to hundredths', () => {
    const tens = Array.from({ length: 10 }, (_, i) =>
      one(`c${i}`, { painAfter: i % 3, modifications: ['"soft" pad'] }),
    )
    const [head, row] = workedCsv(workedRows(tens)).split('\n')
    const titles = [
      'complaint,given,clients,came back,never back',
      'pain change,pain low,pain high',
      'comfort change,comfort low,comfort high',
    ]
    expect(head).toBe(
      titles
        .join(',')
        .split(',')
        .map((title) => `"${title}"`)
        .join(','),
    )
    // Changes −6 −5 −4 by turns, ten of them: mean −5.1, SD 0.876, t(9) 2.262: ± 0.63.
    expect(row).toMatch(/^"heel","""soft"" pad",10,10,0,-5\.1,-5\.7\d,-4\.4\d,,,$/)
  })
})
