import { describe, expect, test } from 'vitest'
import { nextTick } from 'vue'
import SizesCard from '../../app/stations/measure/SizesCard.vue'
import type { ReadingKind } from '../../core/kinds/readings/all'
import type { FittingRecord } from '../../core/record/schema'
import { HOUSE_TABLES } from '../../core/record/tables'
import { button, textOf } from './find'
import { demo, mountWith, settled, type Answers } from './mountWith'

/** A pair of feet of so many millimetres, standing, each reading by one try. */
async function open(
  left: Partial<Record<ReadingKind, number>>,
  change: (record: FittingRecord) => void = () => {},
  answers: Answers = {},
) {
  const record = demo('Tove')
  for (const side of ['left', 'right'] as const)
    record.feet[side]!.readings = Object.entries(side === 'left' ? left : {}).map(
      ([what, value]) => ({
        what: what as ReadingKind,
        posture: 'standing' as const,
        trials: [value],
        struck: [],
      }),
    )
  change(record)
  const { wrapper } = await mountWith(SizesCard, { record, answers })
  const rows = () =>
    wrapper.findAll('tbody tr').map((tr) =>
      tr
        .findAll('td')
        .slice(1)
        .map((td) => td.text()),
    )
  const tab = async (name: string) => {
    await wrapper
      .findAll('[role="tab"]')
      .find((t) => t.text() === name)!
      .trigger('click')
    await nextTick()
  }
  return { wrapper, rows, tab }
}

describe('sizes of a foot of 260 mm', () => {
  // By hand, with 10 mm of allowance in boots: Mondo is the foot itself, 26.0; EU is 1.5 × 27.0 cm
  // = 40.5; UK is 27.0 cm in thirds of an inch less 25: 31.89 − 25 = 6.89, so 7; US is one up, 8,
  // and one and a half more for women.
  test('in boots', async () => {
    const { rows } = await open({ footLengthMm: 260, forefootWidthMm: 98 })
    expect(rows()[0]).toEqual(['260.0 / 98.0', '26.0', '40½', '7', '8', '9½'])
  })

  test('in shoes they are larger by six millimetres of allowance', async () => {
    const { wrapper, rows } = await open({ footLengthMm: 260 })
    expect(textOf(wrapper)).toContain('allowance 10 mm for')
    await button(wrapper, 'shoes').trigger('click')
    await nextTick()
    expect(textOf(wrapper)).toContain('allowance 16 mm for')
    // EU: 1.5 × 27.6 cm = 41.4, so 41½.
    expect(rows()[0]!.slice(0, 3)).toEqual(['260.0', '26.0', '41½'])
  })

  test('a shoe activity begins with shoes', async () => {
    const { wrapper } = await open({ footLengthMm: 260 }, (r) => (r.story!.activity = 'ward'))
    expect(button(wrapper, 'shoes').attributes('aria-pressed')).toBe('true')
  })
})

test('a foot without a length has no size, and it says what to take', async () => {
  const { rows } = await open({ footLengthMm: 260 })
  expect(rows()[1]).toEqual(['Take the foot length to see sizes'])
})

test('a child’s foot is told in children’s sizes', async () => {
  const { rows } = await open({ footLengthMm: 180 })
  expect(rows()[0]!.slice(3).join(' ')).toContain('child')
})

test('lengths stand and sit apart, and grow by the difference', async () => {
  const { rows, tab } = await open({ footLengthMm: 260 }, (r) =>
    r.feet.left!.readings.push({
      what: 'footLengthMm',
      posture: 'sitting',
      trials: [256],
      struck: [],
    }),
  )
  await tab('Length')
  expect(rows()[0]!.slice(0, 3)).toEqual(['256.0', '260.0', '4.0'])
  expect(rows()[1]!.slice(0, 3)).toEqual(['–', '–', '–'])
})

test('shape is told region by region, and what was not taken is said', async () => {
  const { rows, tab } = await open({ footLengthMm: 260, waistGirthMm: 240 })
  await tab('Shape')
  const shape = rows().map(([left]) => left)
  // 240 / 260 = 0.923, between the house's 0.89 and 0.95.
  expect(shape[1]).toBe('medium, 0.923 of length')
  expect(shape[0]).toBe('not taken')
  expect(rows().every(([, right]) => right === 'not taken')).toBe(true)
})

test('a second toe that leads by three millimetres is told, by less it is not', async () => {
  const leads = await open({ footLengthMm: 260, secondToeLeadMm: 3 })
  expect(textOf(leads.wrapper)).toContain('second toe leads by 3 mm')
  const not = await open({ footLengthMm: 260, secondToeLeadMm: 2.5 })
  expect(textOf(not.wrapper)).not.toContain('second toe leads')
})

describe('among the clients of the shop', () => {
  const share = (clients: number, size: string | null = null) => ({
    what: 'waistGirthMm',
    age: 'adult',
    size,
    clients,
    median: 0.92,
    spread: 0.02,
    quantiles: [0.86, 0.9, 0.96],
  })
  const shape = async (shares: object[]) => {
    const answers = { 'norms/own': { shares, ownRecords: HOUSE_TABLES.ownRecords } }
    const opened = await open({ footLengthMm: 250, waistGirthMm: 225 }, undefined, answers)
    await opened.tab('Shape')
    await settled()
    return textOf(opened.wrapper)
  }

  test('a share of the length has its place, once fifty are held', async () => {
    // 225 of 250 is 0.9: half of a hundred lie below it.
    expect(await shape([share(71)])).toContain(
      '0.900 of length, 50 of 100 below, of 71 clients here',
    )
    expect(await shape([share(49)])).not.toContain('of 100 below')
  })

  test('those of its own size come first', async () => {
    expect(await shape([share(400), share(60, 'middle')])).toContain('of 60 middle-sized feet here')
  })

  test('nobody yet, nothing said', async () => {
    expect(await shape([])).toContain('0.900 of length')
    expect(await shape([])).not.toContain('here')
  })
})
