import { HOUSE_NORMS } from '../../../core/record/tables'
import { describe, expect, it } from 'vitest'
import { demoModels } from '../../../demo/catalogue'
import { DEMO_RECORDS } from '../../../demo/records'
import { givesAfter, linerSeen, packOutForecast } from '../../../core/followup/packOutForecast'
import { tableCurve } from '../../../core/followup/packOut'
import { recordSchema, type FittingRecord } from '../../../core/record/schema'

const models = demoModels()

describe('a liner', () => {
  const record = recordSchema.parse({
    ...structuredClone(DEMO_RECORDS['tove-marchetti']!),
    footwear: {
      sockMm: 1,
      chosen: { model: 'fern-traverse-99', sizeLeftMm: 265, sizeRightMm: 270 },
    },
  })
  const model = models.find((m) => m.id === 'fern-traverse-99')!
  it('packs out by the house curve until it is measured, and more room comes with the days', () => {
    const at = (days: number) => packOutForecast(record, model, days)
    expect(at(0).curve).toEqual(tableCurve(HOUSE_NORMS))
    const [fresh, later] = [at(0).lines, at(10).lines]
    expect(fresh.length).toBeGreaterThan(4)
    for (const line of fresh) {
      const same = later.find((l) => l.side === line.side && l.station === line.station)!
      expect(line.nowMm).toBeCloseTo(line.newMm, 9)
      expect(same.nowMm).toBeGreaterThan(line.nowMm)
      if (line.roomyDays !== null && line.looseDays !== null)
        expect(line.looseDays).toBeGreaterThanOrEqual(line.roomyDays)
    }
    // Soonest first by what packing out does; what was roomy as new stands behind.
    const gives = fresh.map(givesAfter)
    expect(gives.filter((d) => d !== null)).toEqual(
      [...gives].filter((d) => d !== null).sort((a, b) => a! - b!),
    )
    expect(gives.slice(gives.indexOf(null)).every((d) => d === null)).toBe(true)
    expect(givesAfter({ ...fresh[0]!, roomyDays: 0, looseDays: null })).toBeNull()
    // A heel liner of 8 mm a side has lost half of its 20 % after ten days: 0.8 mm a side.
    const heel = later.find((l) => l.station === 'heel' && l.side === 'left')!
    expect(heel.nowMm - heel.newMm).toBeCloseTo(0.1 * model.liner.thicknessMm.heel, 6)
  })
  it('measured thinner is loose sooner', () => {
    const thin = {
      ...record,
      followups: [
        { on: '2026-12-01', pain: [], daysUsed: 20, liner: { newMm: 10, nowMm: 6.5 } },
        { on: '2027-01-01', pain: [], daysUsed: 40, liner: { newMm: 10, nowMm: 6 } },
      ],
    } as FittingRecord
    expect(linerSeen(thin)).toEqual([
      { days: 20, share: 0.35 },
      { days: 40, share: 0.4 },
    ])
    const [house, own] = [packOutForecast(record, model, 0), packOutForecast(thin, model, 0)]
    expect(own.curve.endShare).toBeGreaterThan(house.curve.endShare)
    for (const line of own.lines) {
      const same = house.lines.find((l) => l.side === line.side && l.station === line.station)
      if (same?.looseDays) expect(line.looseDays).toBeLessThan(same.looseDays)
    }
  })
})
