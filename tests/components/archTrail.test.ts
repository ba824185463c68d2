import { describe, expect, test } from 'vitest'
import ArchTrail from '../../app/components/ArchTrail.vue'
import { mountWith } from './mountWith'

const open = async (props: Record<string, unknown>) =>
  (await mountWith(ArchTrail, { props })).wrapper
const labels = (wrapper: Awaited<ReturnType<typeof open>>) =>
  wrapper.findAll('.stop').map((s) => s.attributes('aria-label'))

describe('nine stations on their arch', () => {
  test('say where they stand, and need no colour for it', async () => {
    const wrapper = await open({ now: 4, done: [1, 2], watch: [2, 3] })
    expect(labels(wrapper)).toEqual([
      '1 Story, done',
      '2 Measure, done, needs attention',
      '3 Examine, to come, needs attention',
      '4 Capture, now',
      '5 Prescribe, to come',
      '6 Match, to come',
      '7 Make, to come',
      '8 Handover, to come',
      '9 Follow-up, to come',
    ])
    expect(wrapper.findAll('[aria-current="step"] .name').map((s) => s.text())).toEqual(['Capture'])
  })
  test('a press goes there', async () => {
    const wrapper = await open({ now: 1 })
    await wrapper.findAll('.stop')[5]!.trigger('click')
    expect(wrapper.emitted('go')).toEqual([[6]])
  })
  test('the middle stands highest and the ends level', async () => {
    const wrapper = await open({})
    const tops = wrapper
      .findAll('.stop')
      .map((s) => Number.parseFloat((s.element as HTMLElement).style.top))
    expect(Math.min(...tops)).toBe(tops[4])
    expect(tops[0]).toBeCloseTo(tops[8]!, 9)
  })
  test('the way that was walked ends at the furthest station', async () => {
    const points = (wrapper: Awaited<ReturnType<typeof open>>) =>
      (wrapper.find('.walked').attributes('d') ?? '').split('L').length
    expect(points(await open({ now: 2, done: [1, 6] }))).toBe(6)
    expect(points(await open({ now: 7, done: [1, 2] }))).toBe(7)
  })
})

describe('as a picture of the day', () => {
  test('it carries initials, a number where there are several, and is not pressed', async () => {
    const wrapper = await open({ live: false, initials: { 2: ['MS'], 5: ['AB', 'TM'] } })
    const words = wrapper.findAll('.stop .disc').map((s) => s.text())
    expect(words).toEqual(['1', 'MS', '3', '4', '2×', '6', '7', '8', '9'])
    expect(wrapper.findAll('button')).toHaveLength(0)
    await wrapper.findAll('.stop')[1]!.trigger('click')
    expect(wrapper.emitted('go')).toBeUndefined()
  })
})
