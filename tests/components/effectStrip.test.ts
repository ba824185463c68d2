import { beforeEach, expect, test } from 'vitest'
import EffectStrip from '../../app/stations/prescribe/EffectStrip.vue'
import { plainDevice } from '../../core/device/buildDevice'
import { button, textOf } from './find'
import { mountWith } from './mountWith'

beforeEach(() => localStorage.clear())

/** The strip over a right foot that may not be estimated and a left one that is being reckoned. */
const open = () =>
  mountWith(EffectStrip, {
    props: {
      studio: { device: () => plainDevice() },
      estimates: {
        effects: {},
        refused: { right: 'Under 16 the tissue is another; no pressure numbers.' },
        bought: {},
        facts: () => [],
        pushOf: () => null,
      },
    },
  })

test('folded, it still says why a foot gets no numbers', async () => {
  const { wrapper } = await open()
  expect(textOf(wrapper)).toContain('Under 16 the tissue is another')
  expect(textOf(wrapper)).not.toContain('reckoning')
})

test('opens to both feet, and stays as it was left on this device', async () => {
  const { wrapper } = await open()
  await button(wrapper, 'Show all of effects').trigger('click')
  expect(textOf(wrapper)).toContain('reckoning')
  const again = await open()
  expect(textOf(again.wrapper)).toContain('reckoning')
  await button(again.wrapper, 'Fold effects').trigger('click')
  expect(textOf((await open()).wrapper)).not.toContain('reckoning')
})
