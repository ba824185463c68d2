import { describe, expect, test } from 'vitest'
import BindingCheck from '../../app/components/BindingCheck.vue'
import HandoverStation from '../../app/stations/handover/HandoverStation.vue'
import { useChanges } from '../../app/stores/changes'
import { button, field, textOf, type } from './find'
import { demo, mountWith } from './mountWith'

const CHOSEN = { shellChecks: [], tryOn: [], work: [] }
/** Tove with a shell chosen, on one of the screens that ask for the binding. */
async function open(
  screen: typeof BindingCheck | typeof HandoverStation,
  activity = 'ski-touring',
  change: (record: ReturnType<typeof demo>) => void = () => undefined,
) {
  const record = demo('Tove')
  record.story = { ...record.story!, activity }
  record.footwear = {
    candidates: [],
    chosen: { ...CHOSEN, model: 'a', sizeLeftMm: 265, sizeRightMm: 265 },
  }
  change(record)
  const opened = await mountWith(screen, { record })
  const binding = () => opened.fitting.record.footwear!.chosen!.binding
  const press = async (name: string) => {
    await button(opened.wrapper, name).trigger('submit')
    await new Promise((go) => setTimeout(go, 10))
  }
  return { ...opened, binding, press }
}

describe('the tick of a binding', () => {
  test('asks for the technician’s name, and keeps nothing without it', async () => {
    const { wrapper, binding, press } = await open(BindingCheck)
    expect(textOf(wrapper)).toContain('Binding to be set and tested: not tested')
    await press('Tested')
    expect(textOf(wrapper)).toContain('Name the certified technician who tested it.')
    expect(binding()).toBeUndefined()
  })

  test('keeps the name and what it was for; another size makes it due again', async () => {
    const { wrapper, binding, press, fitting } = await open(BindingCheck)
    await type(wrapper, /Certified technician/, '  Ansgar Holt ')
    await press('Tested')
    expect(binding()).toMatchObject({
      by: 'Ansgar Holt',
      basis: { shell: 'a', 'left size': '265 mm', 'body weight': '64 kg' },
    })
    expect(textOf(wrapper)).toContain('Binding set and tested by Ansgar Holt')
    const { footwear } = fitting.record
    const next = { ...footwear!, chosen: { ...footwear!.chosen!, sizeLeftMm: 275 } }
    useChanges().put('footwear', next, 'another size')
    await wrapper.vm.$nextTick()
    expect(textOf(wrapper)).toContain('left size 265 mm → 275 mm')
    expect(field(wrapper, /Certified technician/).element.value).toBe('')
  })

  test('is no matter of a walker', async () => {
    const { wrapper } = await open(BindingCheck, 'walking')
    expect(textOf(wrapper)).toBe('')
  })

  test('keeps the pair here until it is tested', async () => {
    const { wrapper, press } = await open(HandoverStation, 'ski-touring', (record) => {
      record.handover = { allTheSame: 'only the binding is looked at here' }
      for (const side of ['left', 'right'] as const) delete record.feet[side]!.device
      record.footwear!.chosen!.work = []
    })
    const go = () => button(wrapper, 'Hand over').element as HTMLButtonElement
    expect(go().disabled).toBe(true)
    expect(textOf(wrapper)).toContain(
      'The binding is set and tested by a certified technician first',
    )
    await type(wrapper, /Certified technician/, 'Ansgar Holt')
    await press('Tested')
    expect(go().disabled).toBe(false)
  })
})
