import { expect, test } from 'vitest'
import OutcomeAsk from '../../app/stations/followup/OutcomeAsk.vue'
import type { Followup } from '../../core/record/schema'
import { field, type } from './find'
import { mountWith } from './mountWith'

const VISIT: Followup = { on: '2026-11-28', pain: [], comfort: 60, daysUsed: 12 }
async function open(current: Followup = VISIT, disabled = false) {
  const { wrapper } = await mountWith(OutcomeAsk, { props: { current, disabled } })
  return {
    wrapper,
    puts: () => (wrapper.emitted<[Followup, string]>('put') ?? []).map(([next]) => next),
    troubles: () => (wrapper.emitted<[string]>('trouble') ?? []).map(([words]) => words),
  }
}
const ASKS = [
  ['Comfort, 0 – 100', 'comfort', 100, 'Comfort'],
  ['Days used', 'daysUsed', 2000, 'Days used'],
  ['Hours a day', 'hoursADay', 24, 'Hours a day'],
] as const

test.each(ASKS)('%s is kept from nothing to its most', async (label, key, most) => {
  const { wrapper, puts, troubles } = await open()
  await type(wrapper, label, '0')
  await type(wrapper, label, String(most))
  expect(puts()).toEqual([
    { ...VISIT, [key]: 0 },
    { ...VISIT, [key]: most },
  ])
  expect(troubles()).toEqual([])
})

test.each(ASKS)('%s beyond its ends is told and not kept', async (label, _, most, name) => {
  const { wrapper, puts, troubles } = await open()
  for (const typed of [String(most + 1), '-1', 'fine']) await type(wrapper, label, typed)
  expect(puts()).toEqual([])
  expect(troubles()).toEqual(
    [String(most + 1), '-1', 'fine'].map(
      (typed) => `${name} goes from 0 to ${most}. “${typed}” was not kept.`,
    ),
  )
})

test('days are whole, hours need not be', async () => {
  const { wrapper, puts } = await open()
  await type(wrapper, 'Days used', '3.5')
  await type(wrapper, 'Hours a day', '3,5')
  expect(puts()).toEqual([{ ...VISIT, hoursADay: 3.5 }])
})

test('what is emptied was not asked', async () => {
  const { wrapper, puts } = await open()
  await type(wrapper, 'Comfort, 0 – 100', '')
  expect(puts()).toEqual([{ ...VISIT, comfort: undefined }])
})

test('numb toes and hot spots are told by side', async () => {
  const { wrapper, puts } = await open({ ...VISIT, numbToes: 'left' })
  const numb = wrapper.find('[aria-label="Numb toes"]').findAll('[role="radio"]')
  expect(numb.map((r) => r.attributes('aria-checked'))).toEqual(['false', 'true', 'false', 'false'])
  await numb[3]!.trigger('click')
  await wrapper.find('[aria-label="Hot spots"]').findAll('[role="radio"]')[0]!.trigger('click')
  expect(puts()).toMatchObject([{ numbToes: 'both' }, { numbToes: 'left', hotSpots: 'no' }])
})

test('words are kept without the blanks around them, and nothing as nothing', async () => {
  const { wrapper, puts } = await open({ ...VISIT, words: 'better' })
  await type(wrapper, 'In their words', '  much better ')
  await type(wrapper, 'In their words', '  ')
  await type(wrapper, 'What would you change', ' softer ')
  expect(puts()).toMatchObject([
    { words: 'much better' },
    { words: undefined },
    { wouldChange: 'softer' },
  ])
})

test('who may not change it reads it', async () => {
  const { wrapper } = await open(VISIT, true)
  expect(field(wrapper, 'Days used').element.disabled).toBe(true)
  expect(
    wrapper.findAll<HTMLButtonElement>('[role="radio"]').every((b) => b.element.disabled),
  ).toBe(true)
})
