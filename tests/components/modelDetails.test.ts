import { expect, test } from 'vitest'
import ModelDetails from '../../app/components/ModelDetails.vue'
import type { FootwearModel } from '../../core/footwear/catalogueSchema'
import { demoModels } from '../../demo/catalogue'
import { button, field, pick, textOf } from './find'
import { mountWith } from './mountWith'

const MODEL = demoModels().find((m) => m.id === 'fern-traverse-99')!

/** The details of a model; the dialog itself lies over the page, its contents are mounted. */
async function open() {
  const kept: FootwearModel[] = []
  const Host = {
    components: { ModelDetails },
    setup: () => ({ model: MODEL, keep: (m: FootwearModel) => kept.push(m) }),
    template: '<ModelDetails :model="model" :model-value="true" @keep="keep" />',
  }
  const { wrapper } = await mountWith(Host, {})
  const dialog = wrapper.findComponent({ name: 'VCard' }) as never as typeof wrapper
  const keep = async () => {
    await dialog.find('form').trigger('submit')
    await wrapper.vm.$nextTick()
  }
  return { dialog, kept, keep }
}

test('a price, a plastic and shared shells are kept; the rest is as it was', async () => {
  const { dialog, kept, keep } = await open()
  await field(dialog, 'Price').setValue('655,5')
  await field(dialog, 'Plastic').setValue('nylon')
  await pick(dialog, 'Shells', 'two sizes share one')
  await keep()
  expect(kept).toEqual([
    {
      ...MODEL,
      price: 655.5,
      shellStep: 'whole',
      plastic: { ...MODEL.plastic, name: 'nylon' },
    },
  ])
})

test('what cannot be is said, and nothing is kept', async () => {
  const { dialog, kept, keep } = await open()
  await field(dialog, 'All its sizes').setValue('255 many')
  await keep()
  expect(kept).toEqual([])
  expect(textOf(dialog)).toContain('All its sizes: “255 many” is no list of sizes in mm')
  await field(dialog, 'All its sizes').setValue('255; 265')
  await keep()
  expect(kept[0]!.sizesMm).toEqual([255, 265])
  expect(() => button(dialog, 'Close')).not.toThrow()
})
