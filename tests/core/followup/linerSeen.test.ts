import { describe, expect, it } from 'vitest'
import { demoModels } from '../../../demo/catalogue'
import { DEMO_RECORDS } from '../../../demo/records'
import { givesAfter, linerSeen, packOutForecast } from '../../../core/followup/packOutForecast'
import { recordSchema, type FittingRecord } from '../../../core/record/schema'

describe('what was seen of a liner', () => {
  const seen = (...followups: object[]) => linerSeen({ followups } as FittingRecord)
  const liner = { newMm: 10, nowMm: 8 }
  it('is the share that is gone, by days of use', () =>
    expect(seen({ daysUsed: 0, liner }, { daysUsed: 30, liner: { newMm: 8, nowMm: 6 } })).toEqual([
      { days: 0, share: 1 - 8 / 10 },
      { days: 30, share: 0.25 },
    ]))
  it('is nothing without days, without a liner, or with one of no thickness', () =>
    expect(
      seen({ liner }, { daysUsed: 10 }, { daysUsed: 10, liner: { newMm: 0, nowMm: 0 } }),
    ).toEqual([]))
  it('one that seems thicker has lost nothing', () =>
    expect(seen({ daysUsed: 10, liner: { newMm: 10, nowMm: 10.5 } })).toEqual([
      { days: 10, share: 0 },
    ]))
  it('is nothing where nobody came back', () => expect(linerSeen({} as FittingRecord)).toEqual([]))
})

describe('what gives first', () => {
  const after = (roomyDays: number | null, looseDays: number | null) =>
    givesAfter({ roomyDays, looseDays } as never)
  it('is loose before roomy, and what is so as new does not count', () => {
    expect(after(10, 40)).toBe(40)
    expect(after(10, null)).toBe(10)
    expect(after(10, 0)).toBe(10)
    expect(after(0, 0)).toBeNull()
    expect(after(null, null)).toBeNull()
  })
})

describe('a forecast', () => {
  const record = recordSchema.parse({
    ...structuredClone(DEMO_RECORDS['tove-marchetti']!),
    footwear: {
      sockMm: 1,
      chosen: { model: 'fern-traverse-99', sizeLeftMm: 265, sizeRightMm: 270 },
    },
  })
  const model = demoModels().find((m) => m.id === 'fern-traverse-99')!
  it('of one foot is told for that foot alone, in its own size', () => {
    const both = packOutForecast(record, model, 0).lines
    for (const [side, other] of [
      ['left', 'Right'],
      ['right', 'Left'],
    ] as const) {
      const { chosen } = record.footwear!
      const alone = {
        ...record,
        footwear: { ...record.footwear!, chosen: { ...chosen!, [`size${other}Mm`]: undefined } },
      }
      const lines = packOutForecast(alone, model, 0).lines
      expect(lines.length).toBeGreaterThan(2)
      expect(lines).toEqual(both.filter((l) => l.side === side))
    }
  })
  it('of a liner that does not pack out, or of nothing chosen, is none', () => {
    const stays = { ...model, liner: { ...model.liner, packOut: 0 } }
    const bare = structuredClone(record)
    for (const foot of [bare.feet.left, bare.feet.right])
      if (foot?.device) foot.device.shell.cover.material = 'none'
    expect(packOutForecast(bare, stays, 10).lines).toEqual([])
    const none = structuredClone(record)
    delete none.footwear
    expect(packOutForecast(none, model, 10).lines).toEqual([])
  })
})
