import { HOUSE_NORMS } from '../../../core/record/tables'
import { describe, expect, it } from 'vitest'
import { stationAt } from '../../../core/footwear/character'
import { feltOffsets, insoleWords, tryOnWords } from '../../../core/footwear/felt'
import { matchRecord } from '../../../core/footwear/matchRecord'
import type { TryOn } from '../../../core/record/schema'
import { demoModels } from '../../../demo/catalogue'
import { DEMO_RECORDS } from '../../../demo/records'

const tove = DEMO_RECORDS['tove-marchetti']!
const model = demoModels().find((m) => m.id === 'fern-traverse-99')!
const tryOn = (reading: Partial<TryOn['readings'][number]>, worn = model.id): TryOn => ({
  id: 't1',
  startedAt: '2026-11-25T10:00:00Z',
  onDevice: true,
  worn: { left: { model: worn, sizeMm: 265 }, right: { model: worn, sizeMm: 265 } },
  readings: [
    { minute: 0, foot: 'right', toesFlexed: 'press', hotSpots: [] },
    {
      minute: 15,
      foot: 'right',
      toesUpright: 'touch',
      toesFlexed: 'off' as never,
      hotSpots: [],
      ...reading,
    },
  ],
})
const felt = (reading: Partial<TryOn['readings'][number]>) =>
  feltOffsets(
    { sockMm: 1, candidates: [], tryOns: [tryOn({ toesFlexed: 'clear', ...reading })] },
    { right: 266 },
    HOUSE_NORMS,
  )

describe('what is felt in a try-on', () => {
  it('counts only what stays: touching upright and coming off when flexed is right', () =>
    expect(felt({})).toEqual([]))
  it('corrects the prediction where it is felt, by its rule', () => {
    expect(felt({ toesFlexed: 'press' })).toMatchObject([
      { foot: 'right', station: 'length', mm: -5 },
    ])
    expect(felt({ toesFlexed: 'touch' })).toMatchObject([{ station: 'length', mm: -3 }])
    expect(felt({ toesUpright: 'clear' })).toMatchObject([{ station: 'length', mm: 2 }])
    expect(felt({ heelLiftMm: 4 })).toEqual([])
    expect(felt({ heelLiftMm: 6 })).toMatchObject([{ station: 'heel', mm: 1 }])
    expect(
      felt({ heelLiftMm: 9, numb: 'numb', hold: 'tight' }).map((o) => [o.station, o.mm]),
    ).toEqual([
      ['heel', 2],
      ['instep', -1.5],
      ['waist', -1.5],
    ])
  })
  it('takes the worst of the hot spots at a station and none under the sole', () => {
    const spots = [
      { view: 'medial', xMm: 30, yMm: 185, level: 1 },
      { view: 'medial', xMm: 32, yMm: 190, level: 3 },
      { view: 'plantar', xMm: 0, yMm: 180, level: 3 },
    ] as const
    expect(felt({ hotSpots: [...spots] }).map((o) => [o.station, o.mm])).toEqual([['firstMet', -3]])
    expect([
      stationAt('lateral', -40, 172, 266),
      stationAt('medial', 30, 120, 266),
      stationAt('dorsal', 0, 130, 266),
      stationAt('lateral', -30, 20, 266),
      stationAt('plantar', 0, 0, 266),
    ]).toEqual(['fifthMet', 'navicular', 'instepHeight', 'heel', undefined])
  })
  it('re-ranks with reasons: the model that hurt falls, the others stay', () => {
    const models = demoModels().filter((m) => m.family === 'rigid-shell')
    const before = matchRecord(tove, models)
    const first = before.pair[0]!.model
    const after = matchRecord(
      {
        ...tove,
        footwear: {
          sockMm: 1,
          candidates: [],
          tryOns: [
            tryOn(
              {
                toesFlexed: 'clear',
                hotSpots: [{ view: 'medial', xMm: 40, yMm: 190, level: 3 }],
                numb: 'numb',
              },
              first,
            ),
          ],
        },
      },
      models,
    )
    const place = (r: typeof before, id: string) => r.pair.findIndex((p) => p.model === id)
    expect(place(after, first) === -1 || place(after, first) > 0).toBe(true)
    expect(JSON.stringify(after)).toContain('felt at 15 min: toes go numb')
    for (const p of before.pair.slice(1))
      expect(after.pair.find((q) => q.model === p.model)!.score).toBe(p.score)
  })
  it('is told in words; firm and even needs the whole quarter of an hour', () => {
    expect(tryOnWords(tryOn({ toesFlexed: 'clear', hold: 'even' }), 'right', HOUSE_NORMS)).toEqual({
      kind: 'good',
      words: 'firm and even after 15 min',
    })
    expect(tryOnWords(tryOn({ minute: 5, toesFlexed: 'clear' }), 'right', HOUSE_NORMS)!.kind).toBe(
      'watch',
    )
    expect(tryOnWords(tryOn({ numb: 'numb' }), 'right', HOUSE_NORMS)!.kind).toBe('stop')
    expect(tryOnWords(tryOn({}), 'left', HOUSE_NORMS)).toBeNull()
    expect([
      insoleWords(2).kind,
      insoleWords(-3).kind,
      insoleWords(-12).kind,
      insoleWords(-25).kind,
    ]).toEqual(['stop', 'watch', 'good', 'watch'])
  })
})
