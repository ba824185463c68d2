import { describe, expect, test } from 'vitest'
import FeelingPane from '../../app/stations/examine/FeelingPane.vue'
import type { Findings } from '../../core/kinds/findings/all'
import { textOf, type } from './find'
import { demo, mountWith } from './mountWith'

const FULL: Findings = { sensationFelt: 10, pulses: 'both', deformity: 'none' }

async function open(left: Findings, right: Findings = left, role: 'owner' | 'reader' = 'owner') {
  const record = demo('Tove')
  record.feet.left!.findings = left
  record.feet.right!.findings = right
  record.story = { ...record.story!, conditions: ['diabetes'] }
  const opened = await mountWith(FeelingPane, { record, role })
  const press = async (group: string, word: string) =>
    opened.wrapper
      .find(`[aria-label="${group}"]`)
      .findAll('button')
      .find((b) => b.text() === word)!
      .trigger('click')
  return {
    ...opened,
    press,
    sets: () => (opened.wrapper.emitted('set') ?? []) as [string, Partial<Findings>, string][],
  }
}

describe('the grade of risk', () => {
  test.each([
    ['not given', {}, FULL],
    ['0: feeling and flow kept', FULL, FULL],
    ['1: feeling lost or flow reduced', { ...FULL, sensationFelt: 4 }, FULL],
    ['1: feeling lost or flow reduced', FULL, { ...FULL, pulses: 'absent' }],
    ['2: both, or one with a deformity', { ...FULL, sensationFelt: 4, deformity: 'present' }, FULL],
    ['2: both, or one with a deformity', { ...FULL, sensationFelt: 4, pulses: 'absent' }, FULL],
  ] as [string, Findings, Findings][])('is %s', async (words, left, right) => {
    const { wrapper } = await open(left, right)
    expect(textOf(wrapper)).toContain(`Risk grade ${words}`)
  })

  test('what was not looked at is not a no', async () => {
    const { wrapper } = await open({ sensationFelt: 10 })
    expect(textOf(wrapper)).toContain('what was not looked at is not a no')
  })

  test('a foot at risk says so, a foot that feels does not', async () => {
    const lost = await open({ ...FULL, sensationFelt: 4 })
    expect(textOf(lost.wrapper)).toContain('Treated as a foot at risk.')
    const kept = await open(FULL)
    expect(textOf(kept.wrapper)).not.toContain('Treated as a foot at risk.')
  })
})

describe('points felt', () => {
  test('are from none to ten; the one that stands is pressed, pressed again it goes', async () => {
    const { wrapper, press, sets } = await open({ sensationFelt: 7 })
    const row = wrapper.find('[aria-label="left points felt"]').findAll('button')
    expect(row.map((b) => b.text())).toEqual('0 1 2 3 4 5 6 7 8 9 10'.split(' '))
    expect(row.filter((b) => b.attributes('aria-pressed') === 'true').map((b) => b.text())).toEqual(
      ['7'],
    )
    await press('left points felt', '0')
    await press('left points felt', '7')
    expect(sets()).toEqual([
      ['left', { sensationFelt: 0 }, 'points felt'],
      ['left', { sensationFelt: undefined }, 'points felt'],
    ])
  })
})

describe('numbness', () => {
  test('toes come in their order and go again; what was told beside stays', async () => {
    const { press, sets } = await open({ numbness: { toes: [2, 4], when: 'always' } })
    await press('right numb toes', '3')
    await press('right numb toes', '4')
    expect(sets()).toEqual([
      ['right', { numbness: { toes: [2, 3, 4], when: 'always' } }, 'numbness'],
      ['right', { numbness: { toes: [2], when: 'always' } }, 'numbness'],
    ])
  })

  test('when it comes is a word, without a toe', async () => {
    const { press, sets } = await open({})
    await press('left When numb', 'after hours')
    expect(sets()).toEqual([['left', { numbness: { toes: [], when: 'after-hours' } }, 'numbness']])
  })

  test('minutes until feeling returns: 0 to 2000, else told with the side', async () => {
    const { wrapper, sets } = await open({})
    for (const typed of ['0', '2000', '2001', '-1', 'soon'])
      await type(wrapper, 'left minutes until feeling returns', typed)
    expect(sets().map(([, part]) => part.numbness!.returnsWithinMin)).toEqual([0, 2000])
    expect(textOf(wrapper)).toContain('left minutes: a number from 0 to 2000. “soon” was not kept.')
  })

  test('like a stocking goes on and off', async () => {
    const off = await open({})
    await off.wrapper
      .findAll('button')
      .find((b) => b.text() === 'both like a stocking')!
      .trigger('click')
    expect(off.sets()).toEqual([
      ['left', { numbness: { toes: [], bothLikeStocking: true } }, 'numbness'],
    ])
    const on = await open({ numbness: { toes: [1], bothLikeStocking: true } })
    await on.wrapper
      .findAll('button')
      .find((b) => b.text() === 'both like a stocking')!
      .trigger('click')
    expect(on.sets()).toEqual([
      ['left', { numbness: { toes: [1], bothLikeStocking: undefined } }, 'numbness'],
    ])
  })
})

describe('the calf', () => {
  test('its height is 100 to 500 mm and keeps the shape', async () => {
    const { wrapper, sets } = await open({ calf: { lowMm: 300, shape: 'full' } })
    await type(wrapper, 'right calf height, mm', '320')
    await type(wrapper, 'right calf height, mm', '99')
    expect(sets()).toEqual([['right', { calf: { lowMm: 320, shape: 'full' } }, 'calf height']])
    expect(textOf(wrapper)).toContain(
      'right calf height: a number from 100 to 500. “99” was not kept.',
    )
  })

  test('its shape keeps the height', async () => {
    const { wrapper, sets } = await open({ calf: { lowMm: 300, shape: 'full' } })
    await wrapper
      .findAll('button')
      .find((b) => b.text() === 'slim')!
      .trigger('click')
    expect(sets()).toEqual([['left', { calf: { lowMm: 300, shape: 'slim' } }, 'calf shape']])
  })
})

test('one word out of a few is chosen, and taken back by the same press', async () => {
  const { wrapper, press } = await open({ pulses: 'weak' })
  await press('left Pulses', 'one')
  await press('right Pulses', 'weak')
  expect(wrapper.emitted('choose')).toEqual([
    ['pulses', 'left', 'one'],
    ['pulses', 'right', undefined],
  ])
})

test('a reader presses nothing', async () => {
  const { wrapper } = await open(FULL, FULL, 'reader')
  for (const b of wrapper.findAll<HTMLButtonElement>('.feel button'))
    expect(b.element.disabled).toBe(true)
})
