import { expect, test } from 'vitest'
import { nextTick, ref } from 'vue'
import ShellCheckDialog from '../../app/stations/match/ShellCheckDialog.vue'
import { useModels } from '../../app/stores/models'
import { checksMade } from '../../core/footwear/checksMade'
import { parseRecord } from '../../core/record/parse'
import type { FittingRecord } from '../../core/record/schema'
import { demoModels } from '../../demo/catalogue'
import { button, field, offered, pick, textOf } from './find'
import { demo, mountWith } from './mountWith'

const MODEL = demoModels().find((m) => m.id === 'fern-traverse-99')!

const OTHER = demoModels().find((m) => m.id === 'tarn-col-96')!
const both = (left: string, right = left) => ({
  left: { model: left, sizeMm: 265 },
  right: { model: right, sizeMm: 265 },
})

/** The check of whatever is on the feet; the dialog itself lies over the page, its contents are mounted. */
async function open(worn = both(MODEL.id), change: (r: FittingRecord) => void = () => undefined) {
  const record: FittingRecord = demo('Tove')
  delete record.footwear
  change(record)
  const on = ref(worn)
  const isOpen = ref(true)
  const Host = {
    components: { ShellCheckDialog },
    setup: () => ({ on, isOpen }),
    template: '<ShellCheckDialog v-model="isOpen" :worn="on" />',
  }
  const opened = await mountWith(Host, { record })
  useModels().models = [MODEL, OTHER]
  await nextTick()
  const dialog = opened.wrapper.findComponent({ name: 'VCard' }) as never as typeof opened.wrapper
  const measure = async (name: string, mm: string) => {
    const gap = field(dialog, name)
    await gap.setValue(mm)
    await gap.trigger('change')
    await nextTick()
  }
  const keep = async () => {
    await button(dialog, 'Keep this check').trigger('click')
    await nextTick()
  }
  /** Closed without keeping, and opened for something else. */
  const reopen = async (other: typeof worn) => {
    isOpen.value = false
    await nextTick()
    on.value = other
    isOpen.value = true
    await nextTick()
  }
  return {
    ...opened,
    reopen,
    dialog,
    measure,
    keep,
    checks: () => checksMade(opened.fitting.record.footwear),
  }
}

test('a place that was looked at and then not is kept as not looked at', async () => {
  const { dialog, checks, fitting, measure, keep } = await open()
  expect(offered(dialog, 'left ball')).toEqual(['not looked', 'clear', 'touches', 'presses'])
  await pick(dialog, 'left ball', 'presses')
  await pick(dialog, 'left ball', 'not looked')
  await pick(dialog, 'left ankle', 'touches')
  await measure('left gap behind the heel, mm', '14')
  await keep()
  expect(checks()).toHaveLength(1)
  expect(checks()[0]!.looks).toEqual({ ankle: 'touches' })
  expect(() => parseRecord(JSON.parse(JSON.stringify(fitting.record)))).not.toThrow()
})

test('every look begins as not looked, in words', async () => {
  const { dialog } = await open()
  const shown = dialog.findAll('.v-select__selection-text').map((s) => s.text())
  expect(shown.filter((words) => words === 'not looked')).toHaveLength(8)
})

test('what was not chosen is checked too: one model on each foot, each against its own prediction', async () => {
  const { dialog, checks, measure, keep, fitting } = await open(both(MODEL.id, OTHER.id))
  expect(textOf(dialog)).toContain(`Shell check, ${MODEL.name} and ${OTHER.name}`)
  await measure('left gap behind the heel, mm', '14')
  await measure('right gap behind the heel, mm', '9')
  await keep()
  expect(fitting.record.footwear!.chosen).toBeUndefined()
  expect(checks()).toMatchObject([
    { model: MODEL.id, sizeMm: 265, foot: 'left', gapMm: 14 },
    { model: OTHER.id, sizeMm: 265, foot: 'right', gapMm: 9 },
  ])
  for (const check of checks()) {
    const model = check.model === MODEL.id ? MODEL : OTHER
    // Both are drawn at 265: nothing grows.
    const inside = model.at.lengthMm!
    expect(check.insideMm).toBeCloseTo(inside, 6)
    expect(check.predictedMm).toBeCloseTo(inside - check.footMm!, 1)
  }
})

test('a check that was logged by mistake is struck, the others stay', async () => {
  const { dialog, checks, measure, keep } = await open()
  await measure('left gap behind the heel, mm', '14')
  await measure('right gap behind the heel, mm', '40')
  await keep()
  await button(dialog, `Strike the check of ${MODEL.name} right, 40 mm`).trigger('click')
  await nextTick()
  expect(checks().map((c) => c.gapMm)).toEqual([14])
})

test('one that an older fitting keeps with what was chosen is shown and can be struck', async () => {
  const old = {
    model: MODEL.id,
    sizeMm: 265,
    foot: 'left' as const,
    gapMm: 11,
    onDevice: false,
    kneeBent: false,
    looks: {},
  }
  const { dialog, checks } = await open(both(MODEL.id), (r) => {
    r.footwear = {
      candidates: [],
      chosen: { model: MODEL.id, shellChecks: [old], tryOn: [], work: [] },
    }
  })
  expect(textOf(dialog)).toContain('11 mm, predicted –')
  await button(dialog, /^Strike the check/).trigger('click')
  await nextTick()
  expect(checks()).toEqual([])
})

test('what was typed for one shell and not kept is never kept as another’s', async () => {
  const { dialog, checks, measure, keep, reopen } = await open(both(MODEL.id))
  await measure('left gap behind the heel, mm', '14')
  await pick(dialog, 'left ankle', 'presses')
  await reopen(both(OTHER.id))
  expect(field(dialog, 'left gap behind the heel, mm').element.value).toBe('none')
  expect(button(dialog, 'Keep this check').element.disabled).toBe(true)
  await measure('right gap behind the heel, mm', '9')
  await keep()
  expect(checks()).toMatchObject([{ model: OTHER.id, foot: 'right', gapMm: 9, looks: {} }])
})
