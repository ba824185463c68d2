import { expect, test } from 'vitest'
import { nextTick } from 'vue'
import ShellCheckDialog from '../../app/stations/match/ShellCheckDialog.vue'
import { parseRecord } from '../../core/record/parse'
import type { FittingRecord } from '../../core/record/schema'
import { demoModels } from '../../demo/catalogue'
import { button, field, offered, pick } from './find'
import { demo, mountWith } from './mountWith'

const MODEL = demoModels().find((m) => m.id === 'fern-traverse-99')!

/** The check of a chosen shell; the dialog itself lies over the page, its contents are mounted. */
async function open() {
  const record: FittingRecord = demo('Tove')
  record.footwear = {
    ...record.footwear!,
    chosen: {
      model: MODEL.id,
      sizeLeftMm: 265,
      sizeRightMm: 270,
      shellChecks: [],
      work: [],
      tryOn: [],
    } as never,
  }
  const Host = {
    components: { ShellCheckDialog },
    setup: () => ({ model: MODEL }),
    template: '<ShellCheckDialog :model="model" :model-value="true" />',
  }
  const opened = await mountWith(Host, { record })
  const dialog = opened.wrapper.findComponent({ name: 'VCard' }) as never as typeof opened.wrapper
  return {
    ...opened,
    dialog,
    checks: () => opened.fitting.record.footwear!.chosen!.shellChecks,
  }
}

test('a place that was looked at and then not is kept as not looked at', async () => {
  const { dialog, checks, fitting } = await open()
  expect(offered(dialog, 'left ball')).toEqual(['not looked', 'clear', 'touches', 'presses'])
  await pick(dialog, 'left ball', 'presses')
  await pick(dialog, 'left ball', 'not looked')
  await pick(dialog, 'left ankle', 'touches')
  const gap = field(dialog, 'left gap behind the heel, mm')
  await gap.setValue('14')
  await gap.trigger('change')
  await nextTick()
  await button(dialog, 'Keep this check').trigger('click')
  await nextTick()
  expect(checks()).toHaveLength(1)
  expect(checks()[0]!.looks).toEqual({ ankle: 'touches' })
  expect(() => parseRecord(JSON.parse(JSON.stringify(fitting.record)))).not.toThrow()
})

test('every look begins as not looked, in words', async () => {
  const { dialog } = await open()
  const shown = dialog.findAll('.v-select__selection-text').map((s) => s.text())
  expect(shown.filter((words) => words === 'not looked')).toHaveLength(8)
})
