import { expect, test } from 'vitest'
import { nextTick } from 'vue'
import ComplaintsPane from '../../app/stations/story/ComplaintsPane.vue'
import type { Complaint } from '../../core/record/schema'
import { button, field, pick, textOf, type } from './find'
import { demo, mountWith } from './mountWith'

async function open(complaints: Complaint[] = [], role?: 'reader') {
  const record = demo('Tove')
  record.story!.complaints = complaints
  const opened = await mountWith(ComplaintsPane, { record, ...(role && { role }) })
  return { ...opened, told: () => opened.fitting.record.story!.complaints }
}
const HEEL: Complaint = { foot: 'left', at: 'heelPlantar', words: 'first steps' }

test('nothing told yet says what to do', async () => {
  const { wrapper } = await open()
  expect(textOf(wrapper)).toContain('No complaint told. Tap a place on the map.')
})

test('a place elsewhere is added on the chosen side, once', async () => {
  const { wrapper, told } = await open()
  await button(wrapper, 'Right').trigger('click')
  await button(wrapper, 'Knee').trigger('click')
  await button(wrapper, 'Knee').trigger('click')
  expect(told()).toEqual([{ foot: 'right', at: 'knee' }])
  await button(wrapper, 'Left').trigger('click')
  await button(wrapper, 'Knee').trigger('click')
  expect(told()).toEqual([
    { foot: 'right', at: 'knee' },
    { foot: 'left', at: 'knee' },
  ])
})

test('words, when, how much and numb are kept one by one', async () => {
  const { wrapper, told } = await open([HEEL])
  const words = wrapper.find<HTMLInputElement>('input[aria-label^="Words for left"]')
  const name = words.attributes('aria-label')!.replace('Words for ', '')
  await type(wrapper, `Words for ${name}`, ' sharp at dawn ')
  await pick(wrapper, `When ${name} hurts`, 'in the morning')
  await button(wrapper, 'numb').trigger('click')
  const scale = wrapper.find(`[aria-label="Pain ${name}, 0 to 10"]`)
  await scale.findAll('[role="radio"]')[7]!.trigger('click')
  await nextTick()
  expect(told()).toEqual([
    {
      foot: 'left',
      at: 'heelPlantar',
      words: 'sharp at dawn',
      when: 'morning',
      numb: true,
      score: 7,
    },
  ])
  expect(scale.findAll('[role="radio"]')[7]!.attributes('aria-checked')).toBe('true')
})

test('what is emptied is taken off, and nothing else of the complaint', async () => {
  const { wrapper, told } = await open([{ ...HEEL, when: 'start', numb: true, score: 4 }])
  const label = wrapper.find('input[aria-label^="Words for left"]').attributes('aria-label')!
  await type(wrapper, label, '  ')
  await pick(wrapper, label.replace('Words for', 'When') + ' hurts', 'when?')
  await button(wrapper, 'numb').trigger('click')
  expect(told()).toEqual([{ foot: 'left', at: 'heelPlantar', score: 4 }])
})

test('one of two is taken off', async () => {
  const { wrapper, told } = await open([HEEL, { foot: 'right', at: 'knee', score: 2 }])
  await button(wrapper, /^Take off left/).trigger('click')
  expect(told()).toEqual([{ foot: 'right', at: 'knee', score: 2 }])
})

test('a reader sees it and changes nothing', async () => {
  const { wrapper, told } = await open([HEEL], 'reader')
  expect(field(wrapper, /^Words for left/).element.value).toBe('first steps')
  expect(field(wrapper, /^Words for left/).element.disabled).toBe(true)
  await button(wrapper, 'Knee').trigger('click')
  expect(told()).toEqual([HEEL])
})

test('a score that is pressed again is taken back; 0 is a score of its own', async () => {
  const { wrapper, told } = await open([{ ...HEEL, score: 4 }])
  const at = (n: number) => wrapper.findAll('[role="radio"]')[n]!
  await at(4).trigger('click')
  expect(told()).toEqual([HEEL])
  await at(0).trigger('click')
  expect(told()).toEqual([{ ...HEEL, score: 0 }])
  await at(0).trigger('click')
  expect(told()).toEqual([HEEL])
})
