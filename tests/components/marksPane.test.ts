import { describe, expect, test } from 'vitest'
import { nextTick } from 'vue'
import MarksPane from '../../app/stations/examine/MarksPane.vue'
import type { Mark } from '../../core/kinds/findings/markSchema'
import { button, field, textOf, type } from './find'
import { demo, mountWith } from './mountWith'

const CALLUS: Mark = { kind: 'callus', view: 'plantar', xMm: 5, yMm: 180, sizeMm: 12 }
const BONE: Mark = { kind: 'bonyPoint', view: 'medial', xMm: 20, yMm: 110 }
async function open(marks: Mark[] = [], role?: 'reader') {
  const record = demo('Tove')
  record.feet.left!.findings = { ...record.feet.left!.findings, marks }
  record.feet.right!.findings = { ...record.feet.right!.findings, marks: [] }
  const opened = await mountWith(MarksPane, { record, ...(role && { role }) })
  return {
    ...opened,
    kept: () => opened.fitting.record.feet.left!.findings!.marks!,
    trouble: () => opened.wrapper.emitted<[string]>('trouble')?.at(-1)?.[0],
  }
}

test('nothing marked yet says what to do', async () => {
  const { wrapper } = await open()
  expect(textOf(wrapper)).toContain('Choose a kind, then tap the place.')
})

test('every mark stands there with its side, where it is, and how large', async () => {
  const { wrapper } = await open([CALLUS])
  expect(textOf(wrapper)).toContain('sole, 180 mm from the heel')
  expect(field(wrapper, 'Size of Callus, mm').element.value).toBe('12')
})

describe('amounts of a mark', () => {
  test.each([
    ['Size of Callus, mm', 'sizeMm', '120', 120],
    ['Tenderness of Callus, 0 to 10', 'tenderness', '10', 10],
    ['Tenderness of Callus, 0 to 10', 'tenderness', '0', 0],
    ['Size of Callus, mm', 'sizeMm', '12,5', 12.5],
  ])('%s is kept', async (label, key, typed, value) => {
    const { wrapper, kept } = await open([CALLUS])
    await type(wrapper, label, typed)
    expect(kept()).toEqual([{ ...CALLUS, [key]: value }])
  })

  test.each([
    ['Size of Callus, mm', '121', 120],
    ['Size of Callus, mm', '-1', 120],
    ['Tenderness of Callus, 0 to 10', '11', 10],
    ['Tenderness of Callus, 0 to 10', 'much', 10],
  ])('%s of “%s” is told, and nothing is bent into reach', async (label, typed, most) => {
    const { wrapper, kept, trouble } = await open([CALLUS])
    await type(wrapper, label, typed)
    expect(kept()).toEqual([CALLUS])
    expect(trouble()).toBe(
      `${label}: “${typed}” is not a number from 0 to ${most}. Nothing was kept.`,
    )
  })

  test('an emptied one is taken off', async () => {
    const { wrapper, kept } = await open([CALLUS])
    await type(wrapper, 'Size of Callus, mm', '')
    expect(kept()[0]!.sizeMm).toBeUndefined()
  })

  test('only what stands out is asked how far', async () => {
    const { wrapper, kept } = await open([CALLUS, BONE])
    expect(() => field(wrapper, 'How far Callus stands out, mm')).toThrow()
    await type(wrapper, 'How far Bony point stands out, mm', '4.5')
    expect(kept()[1]).toEqual({ ...BONE, proudMm: 4.5 })
  })
})

test('a mark is taken off, and the others stay', async () => {
  const { wrapper, kept } = await open([CALLUS, BONE])
  await button(wrapper, 'Take off Callus left').trigger('click')
  expect(kept()).toEqual([BONE])
})

test('a chosen mark shows the side of the foot it lies on', async () => {
  const { wrapper } = await open([CALLUS, BONE])
  const views = () =>
    wrapper.findAll('[aria-label="Side of the foot"] .v-btn--active').map((b) => b.text())
  expect(views()).toEqual(['Sole'])
  await button(wrapper, /Bony point.*110 mm/).trigger('click')
  await nextTick()
  expect(views()).toEqual(['Inner'])
})

test('a reader sees marks and changes none', async () => {
  const { wrapper } = await open([CALLUS], 'reader')
  expect(field(wrapper, 'Size of Callus, mm').element.disabled).toBe(true)
  expect(button(wrapper, 'Take off Callus left').element.disabled).toBe(true)
})
