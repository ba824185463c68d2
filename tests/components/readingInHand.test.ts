import { describe, expect, test, vi } from 'vitest'
import { nextTick } from 'vue'
import ReadingInHand from '../../app/stations/measure/ReadingInHand.vue'
import { useHand } from '../../app/stores/hand'
import type { ReadingKind } from '../../core/kinds/readings/all'
import type { FittingRecord, Reading } from '../../core/record/schema'
import { button, field, pick, textOf, type } from './find'
import { demo, mountWith } from './mountWith'

const reading = (what: ReadingKind, trials: number[], more: Partial<Reading> = {}): Reading => ({
  what,
  posture: 'standing',
  trials,
  struck: [],
  ...more,
})
async function open(
  left: Reading[],
  {
    right = left,
    what = 'footLengthMm' as ReadingKind,
    role = undefined as 'reader' | undefined,
  } = {},
) {
  const record: FittingRecord = demo('Tove')
  record.feet.left!.readings = structuredClone(left)
  record.feet.right!.readings = structuredClone(right)
  const Host = {
    components: { ReadingInHand },
    setup: () => void useHand().take(what, 'standing'),
    template: '<ReadingInHand />',
  }
  const opened = await mountWith(Host, { record, ...(role && { role }) })
  const kept = (side: 'left' | 'right') =>
    opened.fitting.record.feet[side]!.readings.find((r) => r.what === what)
  return { ...opened, kept, said: () => opened.wrapper.find('.say') }
}
const focused = () => document.activeElement?.getAttribute('aria-label')
const TRY = (n: number, side = 'left') => `${side} Foot length, try ${n}, mm`

describe('tries of the reading in hand', () => {
  test('stand there, and the next one may be typed, the one after it not yet', async () => {
    const { wrapper } = await open([reading('footLengthMm', [264, 265])])
    expect(field(wrapper, TRY(1)).element.value).toBe('264')
    expect(field(wrapper, TRY(3)).element.disabled).toBe(false)
    expect(field(wrapper, TRY(4)).element.disabled).toBe(true)
  })

  test('one is added, changed, and taken out when it is emptied', async () => {
    const { wrapper, kept } = await open([reading('footLengthMm', [264, 265])])
    await type(wrapper, TRY(3), '264,5')
    expect(kept('left')!.trials).toEqual([264, 265, 264.5])
    await nextTick()
    await type(wrapper, TRY(2), '266')
    expect(kept('left')!.trials).toEqual([264, 266, 264.5])
    await nextTick()
    await type(wrapper, TRY(1), '')
    expect(kept('left')!.trials).toEqual([266, 264.5])
  })

  test('a try that goes takes its strike along, and leaves the others where they were', async () => {
    const { wrapper, kept } = await open([
      reading('footLengthMm', [264, 290, 265], { struck: [1, 2] }),
    ])
    await type(wrapper, TRY(2), '')
    expect(kept('left')).toMatchObject({ trials: [264, 265], struck: [1] })
  })

  test('one is struck and brought back, and stays in the record', async () => {
    const { wrapper, kept } = await open([reading('footLengthMm', [264, 270])])
    await button(wrapper, 'Strike left try 2').trigger('click')
    expect(kept('left')).toMatchObject({ trials: [264, 270], struck: [1] })
    await nextTick()
    await button(wrapper, 'Bring back left try 2').trigger('click')
    expect(kept('left')).toMatchObject({ trials: [264, 270], struck: [] })
  })
})

describe('what is typed wrong', () => {
  test('words are not kept, and it says how a number is typed', async () => {
    const { wrapper, kept, said } = await open([reading('footLengthMm', [264])])
    await type(wrapper, TRY(2), 'long')
    expect(kept('left')!.trials).toEqual([264])
    expect(said().text()).toContain(
      '“long” is not a number. Type the foot length in mm, like 264.5.',
    )
  })

  test('centimetres are refused, and what was meant is one press away', async () => {
    const { wrapper, kept, said } = await open([reading('footLengthMm', [264])])
    await type(wrapper, TRY(2), '26.5')
    expect(kept('left')!.trials).toEqual([264])
    expect(said().exists()).toBe(true)
    await button(wrapper, 'It is 265').trigger('click')
    expect(kept('left')!.trials).toEqual([264, 265])
  })

  test('the other foot’s value is asked about before it is kept', async () => {
    const { wrapper, kept, said } = await open([reading('footLengthMm', [250, 250])], {
      right: [reading('footLengthMm', [262, 262])],
    })
    await type(wrapper, TRY(3), '262')
    expect(kept('left')!.trials).toEqual([250, 250])
    expect(said().text()).toContain('looks like the right foot’s value')
  })

  test('a side that was named goes before the field it was typed in', async () => {
    const { wrapper, kept, said } = await open([reading('footLengthMm', [264])])
    await type(wrapper, TRY(2), 'R 268')
    expect(kept('left')!.trials).toEqual([264])
    expect(said().text()).toContain('looks like the right foot’s value')
  })

  test('what is unlikely is kept, and can be taken back at once', async () => {
    const { wrapper, kept, said } = await open([reading('footLengthMm', [264])], {
      right: [reading('footLengthMm', [264])],
    })
    await type(wrapper, TRY(2), '285')
    expect(kept('left')!.trials).toEqual([264, 285])
    expect(said().text()).toContain('It is kept.')
    await button(wrapper, 'Take back').trigger('click')
    await nextTick()
    expect(kept('left')!.trials).toEqual([264])
    expect(said().exists()).toBe(false)
  })
})

describe('what goes with a reading', () => {
  test('its usual instrument, until another was used', async () => {
    const { wrapper, kept } = await open([reading('ballGirthMm', [])], { what: 'ballGirthMm' })
    await type(wrapper, 'left Ball girth, try 1, mm', '246')
    expect(kept('left')!.instrument).toBe('tape')
    await nextTick()
    await pick(wrapper, 'Instrument', 'by eye')
    expect(kept('left')!.instrument).toBe('by eye')
    expect(kept('right')?.instrument).not.toBe('by eye')
  })

  test('the height a calf was taken at, within reach', async () => {
    const { wrapper, kept, said } = await open([reading('calfGirthMm', [360])], {
      what: 'calfGirthMm',
    })
    await type(wrapper, 'Height above the floor, mm', '310')
    expect(kept('left')!.heightMm).toBe(310)
    expect(kept('right')!.heightMm).toBe(310)
    await nextTick()
    await type(wrapper, 'Height above the floor, mm', '701')
    expect(said().text()).toContain('is no height from 50 to 700 mm')
    expect(kept('left')!.heightMm).toBe(310)
  })

  test('no height is asked for where none is written', async () => {
    const { wrapper } = await open([reading('footLengthMm', [264])])
    expect(() => field(wrapper, 'Height above the floor, mm')).toThrow()
  })
})

test('Enter goes to the next try, and after the last to the other foot', async () => {
  const { wrapper } = await open([reading('footLengthMm', [264, 265, 264, 264, 264])])
  await field(wrapper, TRY(1)).trigger('keydown', { key: 'Enter' })
  await vi.waitFor(() => expect(focused()).toBe(TRY(2)))
  await field(wrapper, TRY(5)).trigger('keydown', { key: 'Enter' })
  await vi.waitFor(() => expect(focused()).toBe(TRY(1, 'right')))
})

test('tries that lie too far apart ask for one more', async () => {
  const { wrapper } = await open([reading('footLengthMm', [264, 268])])
  expect(textOf(wrapper)).toContain('Take again above a spread of 2 mm')
  expect(wrapper.find('.verdict').classes()).toContain('watch-text')
})

test('a reader sees the tries and changes none', async () => {
  const { wrapper } = await open([reading('footLengthMm', [264])], { role: 'reader' })
  expect(field(wrapper, TRY(1)).element.disabled).toBe(true)
  expect(button(wrapper, 'Strike left try 1').element.disabled).toBe(true)
})
