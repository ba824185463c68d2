import { HOUSE_TABLES } from '../../../core/record/tables'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { benchRecords } from '../../../demo/benchRecords'
import { pastRecords } from '../../../demo/pastRecords'
import { clientWaited, rightAtOnce, shopFigures } from '../../../core/followup/shopFigures'
import {
  casesOf,
  FEW,
  meanInterval,
  WITHOUT,
  workedCsv,
  workedRows,
  type WorkedCase,
} from '../../../core/followup/worked'

const TODAY = '2026-11-25'
const jobs = benchRecords(TODAY)
const past = pastRecords(TODAY)

describe('what worked here', () => {
  const all = Object.values(past)
  const cases = all.flatMap((r) => casesOf(r, r.client!.code!))
  it('is told with an interval from ten clients on, else as a list, and those who never came back beside', () => {
    const rows = workedRows(cases)
    const pads = rows.find((r) => r.region === 'ball' && r.modification === 'Met pad')!
    expect([pads.clients, pads.cameBack, pads.neverBack]).toEqual([12, 11, 1])
    // By hand: changes −4 −2 −3 −5 +1 −3 −2 −3 −3 −4 −2 of the eleven; mean −30/11, SD 1.555, t(10)
    // 2.228.
    expect(pads.pain!.mean).toBeCloseTo(-30 / 11, 6)
    expect(pads.pain!.high - pads.pain!.mean).toBeCloseTo((2.228 * 1.5551) / Math.sqrt(11), 1)
    const skives = rows.filter((r) => r.modification === 'Medial heel skive')
    expect(
      skives.every((r) => r.pain === null && r.clients < FEW && r.list.length === r.clients),
    ).toBe(true)
  })
  it('counts one client once a row, and what stood on the foot at the handover, not what was changed later', () => {
    const two = structuredClone(all[0]!)
    two.story!.complaints.push({ foot: 'left', at: 'firstMetHead', score: 2 } as never)
    expect(casesOf(two, 'A')).toHaveLength(1)
    expect(workedRows([...casesOf(two, 'A'), ...casesOf(all[0]!, 'A')])[0]!.clients).toBe(1)
    const changed = structuredClone(all[0]!)
    const foot = changed.feet.right!
    foot.deviceVersions = [
      {
        device: { ...foot.device!, layers: [] },
        words: 'before: pad added',
        at: '2026-11-20T10:00:00Z',
      },
    ]
    expect(casesOf(changed, 'B')[0]!.modifications).toEqual([WITHOUT])
    expect(rightAtOnce(changed)).toBe(false)
    expect(rightAtOnce(all[0]!)).toBe(true)
  })
  it('has intervals that hold the mean and narrow with more clients; nobody who is missing is guessed', () => {
    const one = fc.record({
      before: fc.integer({ min: 1, max: 10 }),
      after: fc.option(fc.integer({ min: 0, max: 10 }), { nil: null }),
    })
    fc.assert(
      fc.property(fc.array(one, { minLength: 1, maxLength: 60 }), (list) => {
        const made = list.map((c, i): WorkedCase => ({
          client: `c${i}`,
          region: 'heel',
          modifications: ['x'],
          painBefore: c.before,
          painAfter: c.after,
          comfortBefore: null,
          comfortAfter: null,
          days: 20,
        }))
        const [row] = workedRows(made)
        expect(row!.clients).toBe(list.length)
        expect(row!.cameBack + row!.neverBack).toBe(list.length)
        expect(row!.pain === null).toBe(row!.cameBack < FEW)
        if (row!.pain)
          expect(row!.pain.low <= row!.pain.mean && row!.pain.mean <= row!.pain.high).toBe(true)
        expect(row!.comfort).toBeNull()
      }),
    )
    const width = (n: number) => {
      const i = meanInterval(Array.from({ length: n }, (_, k) => (k % 2 ? -1 : -3)))!
      return i.high - i.low
    }
    expect(width(40)).toBeLessThan(width(10))
    expect(meanInterval([-3])).toBeNull()
  })
  it('goes out as CSV that a spreadsheet takes for words, not for formulas', () => {
    const csv = workedCsv(
      workedRows([
        {
          client: 'x',
          region: 'ball',
          modifications: ['=cmd()'],
          painBefore: 5,
          painAfter: 2,
          comfortBefore: null,
          comfortAfter: null,
          days: 14,
        },
      ]),
    )
    expect(csv.split('\n')[1]).toBe(`"ball of the foot","'=cmd()",1,1,0,,,,,,`)
  })
  it("knows the shop's figures: waiting between a client's own steps, steps done again, right the first time", () => {
    const record = structuredClone(jobs['wendeline-achterberg']!.record)
    const step = (
      id: string,
      from: string,
      to: string,
      actualMin: number,
      foot?: 'left' | 'right',
      redone?: number,
    ) => ({
      step: `heat-moulded:${id}`,
      ...(foot && { foot }),
      done: true,
      state: 'done' as const,
      startedAt: `${TODAY}T${from}:00.000Z`,
      doneAt: `${TODAY}T${to}:00.000Z`,
      actualMin,
      ...(redone && { redone }),
    })
    record.jobs = [
      step('impression', '10:00', '10:04', 4, 'left'),
      step('impression', '10:04', '10:08', 4, 'right'),
      step('oven', '10:04', '10:10', 6),
      step('place', '10:12', '10:13', 1, 'left', 1),
      step('try', '10:40', '10:43', 3),
    ]
    expect(clientWaited(record, HOUSE_TABLES)).toBe(43 - 12)
    expect(shopFigures([record, ...all], HOUSE_TABLES)).toMatchObject({
      waitingMin: { mean: 31, most: 31, count: 1 },
      redone: { count: 1, of: 5 },
      firstTimeFit: { count: 16, of: 16 },
      neverBack: { count: 2, of: 18 },
    })
  })
})
