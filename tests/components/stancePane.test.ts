import { describe, expect, test } from 'vitest'
import StancePane from '../../app/stations/examine/StancePane.vue'
import { POSTURE_ITEMS } from '../../core/kinds/findings/posture'
import type { Findings } from '../../core/kinds/findings/all'
import type { FittingRecord } from '../../core/record/schema'
import { textOf, type } from './find'
import { demo, mountWith } from './mountWith'

type Leg = FittingRecord['legLengthDifferenceMm']
async function open({ findings = {}, leg }: { findings?: Findings; leg?: Leg } = {}) {
  const record = demo('Tove')
  record.feet.left!.findings = findings
  delete record.legLengthDifferenceMm
  if (leg) record.legLengthDifferenceMm = leg
  const opened = await mountWith(StancePane, { record, props: { child: false } })
  const press = async (group: string, word: string) =>
    opened.wrapper
      .find(`[aria-label="${group}"]`)
      .findAll('button')
      .find((b) => b.text() === word)!
      .trigger('click')
  const plain = (word: string) => opened.wrapper.findAll('button').find((b) => b.text() === word)!
  return {
    ...opened,
    press,
    plain,
    sets: () => (opened.wrapper.emitted('set') ?? []) as [string, Partial<Findings>, string][],
    leg: () => opened.fitting.record.legLengthDifferenceMm,
  }
}

describe('posture', () => {
  test('six items, five steps each, with a real minus', async () => {
    const { wrapper } = await open()
    for (const item of POSTURE_ITEMS)
      expect(
        wrapper
          .find(`[aria-label="left ${item}"]`)
          .findAll('button')
          .map((b) => b.text()),
      ).toEqual(['−2', '−1', '0', '+1', '+2'])
  })

  test('one step changes its item only', async () => {
    const { press, sets } = await open({ findings: { posture: [1, 1, 2, 0, -1, 2] } })
    await press('left Heel from behind', '−2')
    expect(sets()).toEqual([['left', { posture: [1, 1, -2, 0, -1, 2] }, 'heel from behind']])
  })

  test('the first item leaves the others unseen; pressed again it is unseen too', async () => {
    const { press, sets } = await open()
    await press('left Forefoot in or out', '+1')
    expect(sets()).toEqual([
      ['left', { posture: [null, null, null, null, null, 1] }, 'forefoot in or out'],
    ])
  })
  test('an item that is pressed again is taken back', async () => {
    const { press, sets } = await open({
      findings: { posture: [null, null, 2, null, null, 1] },
    })
    await press('left Heel from behind', '+2')
    expect(sets()[0]![1]).toEqual({ posture: [null, null, null, null, null, 1] })
  })
})

describe('heel raises', () => {
  test('are whole numbers from 0 to 100', async () => {
    const { wrapper, sets } = await open({ findings: { heelRaise: { inverts: true } } })
    for (const typed of ['0', '100', '101', '-1', '2.5', 'some'])
      await type(wrapper, 'left heel raises', typed)
    expect(sets().map(([, part]) => part.heelRaise)).toEqual([
      { inverts: true, count: 0 },
      { inverts: true, count: 100 },
    ])
    expect(textOf(wrapper)).toContain(
      'Heel raises: a whole number from 0 to 100. “some” was not kept.',
    )
  })

  test('emptied, the count goes and what the heel did stays', async () => {
    const { wrapper, sets } = await open({ findings: { heelRaise: { count: 12, inverts: false } } })
    await type(wrapper, 'left heel raises', '')
    expect(sets()).toEqual([
      ['left', { heelRaise: { inverts: false, count: undefined } }, 'heel raises'],
    ])
  })

  test('turning in is pressed on and off', async () => {
    const { plain, sets } = await open({ findings: { heelRaise: { count: 12, inverts: true } } })
    expect(plain('turns in').attributes('aria-pressed')).toBe('true')
    await plain('turns in').trigger('click')
    await plain('stays out').trigger('click')
    expect(sets().map(([, part]) => part.heelRaise)).toEqual([
      { count: 12, inverts: undefined },
      { count: 12, inverts: false },
    ])
  })
})

describe('the difference of the legs', () => {
  test('before a number stands there is nothing to say of it', async () => {
    const { plain } = await open()
    for (const word of ['left shorter', 'blocks', 'shown twice', 'new', 'gone when levelled'])
      expect((plain(word).element as HTMLButtonElement).disabled).toBe(true)
  })

  test('a number, then which leg, how, and how often', async () => {
    const { wrapper, plain, leg } = await open()
    await type(wrapper, 'Leg length difference, mm', '8,5')
    expect(leg()).toEqual({ value: 8.5, shorter: 'left' })
    for (const word of ['right shorter', 'blocks', 'shown twice', 'long-standing'])
      await plain(word).trigger('click')
    expect(leg()).toEqual({
      value: 8.5,
      shorter: 'right',
      method: 'blocks',
      shownTwice: true,
      known: 'long-standing',
    })
    await plain('shown twice').trigger('click')
    await plain('gone when levelled').trigger('click')
    expect(leg()).toMatchObject({ shownTwice: false, goneWhenLevelled: true })
  })

  test('0 to 100 mm, else told', async () => {
    const { wrapper, leg } = await open({ leg: { value: 6, shorter: 'right' } })
    for (const typed of ['101', '-1', 'a bit']) await type(wrapper, /^Leg length/, typed)
    expect(leg()).toEqual({ value: 6, shorter: 'right' })
    expect(textOf(wrapper)).toContain('Leg length difference: 0 to 100 mm. “a bit” was not kept.')
    await type(wrapper, /^Leg length/, '100')
    expect(leg()).toEqual({ value: 100, shorter: 'right' })
  })
})
