import { expect, test } from 'vitest'
import { nextTick } from 'vue'
import StoryHealth from '../../app/stations/story/StoryHealth.vue'
import { CONDITIONS } from '../../core/kinds/conditions/all'
import type { FittingRecord } from '../../core/record/schema'
import { button, pick, textOf, type } from './find'
import { demo, mountWith } from './mountWith'

async function open(change: (story: NonNullable<FittingRecord['story']>) => void = () => {}) {
  const record = demo('Tove')
  record.story = { ...record.story!, conditions: [] }
  delete record.story.history
  delete record.story.school
  change(record.story)
  const opened = await mountWith(StoryHealth, { record })
  return { ...opened, story: () => opened.fitting.record.story! }
}

test('a condition is told and taken back, beside the others', async () => {
  const { wrapper, story } = await open((s) => (s.conditions = ['pregnancy']))
  const diabetes = CONDITIONS.of('diabetes').name
  await button(wrapper, diabetes).trigger('click')
  expect(story().conditions).toEqual(['pregnancy', 'diabetes'])
  await nextTick()
  await button(wrapper, `✓ ${CONDITIONS.of('pregnancy').name}`).trigger('click')
  expect(story().conditions).toEqual(['diabetes'])
})

test('what was broken or operated is added with its foot', async () => {
  const { wrapper, story } = await open()
  expect(button(wrapper, 'Add').element.disabled).toBe(true)
  await pick(wrapper, 'Which foot', 'right')
  await type(wrapper, 'What happened', ' ankle, 2019, plate still in ')
  await button(wrapper, 'Add').trigger('click')
  await nextTick()
  expect(story().history).toEqual([
    { kind: 'break', foot: 'right', what: 'ankle, 2019, plate still in' },
  ])
  expect(textOf(wrapper)).toContain('ankle, 2019, plate still in')
  expect(button(wrapper, 'Add').element.disabled).toBe(true)
})

test('both feet are no foot of their own', async () => {
  const { wrapper, story } = await open()
  await type(wrapper, 'What happened', 'toes, as a child')
  await wrapper.find('input[aria-label="What happened"]').trigger('keydown', { key: 'Enter' })
  expect(story().history).toEqual([{ kind: 'break', what: 'toes, as a child' }])
})

test('one line of history is taken off', async () => {
  const { wrapper, story } = await open(
    (s) =>
      (s.history = [
        { kind: 'break', what: 'ankle' },
        { kind: 'operation', what: 'bunion', foot: 'left' },
      ]),
  )
  await button(wrapper, 'Take off ankle').trigger('click')
  expect(story().history).toEqual([{ kind: 'operation', what: 'bunion', foot: 'left' }])
})

test('a school leads, and none again', async () => {
  const { wrapper, story } = await open()
  await button(wrapper, 'Tissue stress').trigger('click')
  expect(story().school).toBe('tissue-stress')
  await nextTick()
  await button(wrapper, 'Tissue stress').trigger('click')
  expect(story().school).toBeUndefined()
})

test('what was told in an earlier fitting is asked again until it is confirmed', async () => {
  const { wrapper, story, fitting } = await open((s) => {
    s.conditions = ['bloodThinners']
    s.history = [{ kind: 'break', what: 'ankle' }]
    s.healthOn = '2025-03-01'
  })
  expect(textOf(wrapper)).toContain('Told on 2025-03-01: blood thinners, ankle.')
  await button(wrapper, 'Still so').trigger('click')
  await nextTick()
  expect(story()).toMatchObject({ conditions: ['bloodThinners'], healthOn: fitting.today })
  expect(textOf(wrapper)).not.toContain('Told on')
})

test('one thing that changed confirms none of the others', async () => {
  const { wrapper, story } = await open((s) => {
    s.conditions = ['bloodThinners']
    s.healthOn = '2025-03-01'
  })
  await button(wrapper, CONDITIONS.of('diabetes').name).trigger('click')
  await nextTick()
  expect(story()).toMatchObject({
    conditions: ['bloodThinners', 'diabetes'],
    healthOn: '2025-03-01',
  })
  expect(textOf(wrapper)).toContain('Told on 2025-03-01')
})
