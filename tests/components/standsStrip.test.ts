import { describe, expect, test, vi } from 'vitest'
import { VMenu } from 'vuetify/components'
import SectionView from '../../app/drawing/SectionView.vue'
import StandsStrip from '../../app/stations/prescribe/StandsStrip.vue'
import { plainDevice } from '../../core/device/buildDevice'
import type { Stands } from '../../core/device/stands'
import type { Section } from '../../core/device/section'
import { HOUSE_NORMS } from '../../core/record/tables'
import { button, textOf } from './find'
import { mountWith } from './mountWith'

const LEVEL: Stands = {
  rollDeg: 0.1,
  pitchDeg: 0,
  onMm: [[0, 30]],
  largestGapMm: 0.4,
  baseGapMm: 0,
  rocks: false,
  rocksDeg: 0.1,
  travelDeg: 0.2,
  words: 'stands level on a flat floor',
  floor: { a: 0, b: 0, c: 0 },
}
const ROCKS: Stands = {
  ...LEVEL,
  rollDeg: 5,
  rocks: true,
  rocksDeg: 4,
  words: 'rocks on a flat floor',
}

/** The strip over a studio in which each foot's device stands as it is told. */
async function open(
  left: Stands | null,
  right: Stands | null,
  {
    readOnly = false,
    heelMm = [6, 6] as const,
  }: { readOnly?: boolean; heelMm?: readonly [number, number] } = {},
) {
  const heel = (mm: number) => ({ stackMm: { heelMm: mm } })
  const keep = vi.fn()
  const studio = {
    fitting: { readOnly, record: {}, norms: HOUSE_NORMS },
    shapes: { left: heel(heelMm[0]), right: heel(heelMm[1]) },
    standing: {
      left: { stands: left, forefootDeg: 7 },
      right: { stands: right, forefootDeg: 0 },
    },
    stored: () => plainDevice(),
    keep,
  }
  const { wrapper } = await mountWith(StandsStrip, { props: { studio } })
  return { wrapper, keep }
}

describe('how devices stand', () => {
  test('heels that stand unevenly are told, with which is higher', async () => {
    const { wrapper } = await open(LEVEL, LEVEL, { heelMm: [9, 6] })
    expect(textOf(wrapper)).toContain('The left heel stands 3.0 mm higher')
    const even = await open(LEVEL, LEVEL, { heelMm: [6, 7.5] })
    expect(textOf(even.wrapper)).not.toContain('heel stands')
  })
  test('is said of both, and nothing is offered where they stand', async () => {
    const { wrapper } = await open(LEVEL, LEVEL)
    expect(textOf(wrapper).match(/stands level on a flat floor/g)).toHaveLength(2)
    expect(() => button(wrapper, /Make the/)).toThrow()
  })
  test('one that rocks is marked, and what makes it stand is one press away', async () => {
    const { wrapper, keep } = await open(ROCKS, LEVEL)
    expect(textOf(wrapper)).toContain('rocks on a flat floor')
    await button(wrapper, 'Make the left stand').trigger('click')
    const items = wrapper.findComponent(VMenu).findAllComponents({ name: 'VListItem' })
    expect(items.map((item) => item.text())).toEqual([
      'Platform: hold the forefoot’s 7° by shape',
      'Wedge of 7° below the front',
      'Flat post 0° under the heel',
      'Grind the heel flat',
    ])
    await items[2]!.trigger('click')
    const [side, edit] = keep.mock.calls[0]!
    expect(side).toBe('left')
    expect(edit(plainDevice()).posts).toEqual([{ at: 'rearfoot', style: 'extrinsic', angleDeg: 0 }])
  })
  test('one that falls over says so; a reader is offered nothing', async () => {
    const { wrapper } = await open(null, ROCKS, { readOnly: true })
    expect(textOf(wrapper)).toContain('falls over on a flat floor')
    expect(() => button(wrapper, /Make the/)).toThrow()
  })
})

test('a section shows the floor as the device stands on it', async () => {
  const section: Section = {
    yMm: 30,
    turnDeg: 0,
    xMm: [-10, 0, 10],
    cast: [5, 4, 5],
    top: [5, 4, 5],
    bottom: [2, 1, 2],
    shellBottom: [2, 1, 2],
  }
  const lineOf = async (side: 'left' | 'right', floor: Stands['floor'] | null) => {
    const { wrapper } = await mountWith(SectionView, { props: { side, section, floor } })
    const d = wrapper.find('path[stroke="var(--ink)"]').attributes('d')!
    const [, left, right] = /M\S+ (\S+)L\S+ (\S+)/.exec(d)!
    return Number(right) - Number(left)
  }
  expect(await lineOf('left', null)).toBe(0)
  const rolled = { a: 0, b: 0.1, c: 0 }
  const [left, right] = [await lineOf('left', rolled), await lineOf('right', rolled)]
  // The floor rises to the inner side, which lies right on one foot and left on the other.
  expect(Math.abs(left)).toBeGreaterThan(9)
  expect(left).toBeCloseTo(-right, 6)
})
