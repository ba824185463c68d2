import { describe, expect, test } from 'vitest'
import FoundAfterCooling from '../../app/components/FoundAfterCooling.vue'
import { useModels } from '../../app/stores/models'
import { demoModels } from '../../demo/catalogue'
import { textOf, type } from './find'
import { demo, mountWith } from './mountWith'

const MODEL = demoModels().find((m) => m.family === 'rigid-shell')!
const piece = (id: string, more: object = {}) => ({
  id,
  foot: 'right' as const,
  model: MODEL.id,
  sizeMm: 265,
  station: 'ball',
  does: 'stretch' as const,
  at: { fromHeelMm: 180, heightMm: 14, side: 'lateral' as const },
  amountMm: 2,
  state: 'done' as const,
  pressedMm: 2.4,
  ...more,
})
async function open(work: object[], may = true) {
  const record = demo('Tove')
  record.footwear = {
    candidates: [],
    chosen: { model: MODEL.id, shellChecks: [], tryOn: [], work } as never,
  }
  const opened = await mountWith(FoundAfterCooling, {
    record,
    props: { may },
    answers: { models: { models: [MODEL], learned: {} } },
  })
  await useModels().load()
  await opened.wrapper.vm.$nextTick()
  return { ...opened, work: () => opened.fitting.record.footwear!.chosen!.work }
}

describe('what was found after cooling', () => {
  test('is told of what is done on the chosen shell by stretching or grinding, and of nothing else', async () => {
    const { wrapper } = await open([
      piece('a'),
      piece('b', { does: 'grind', station: 'fifthMet' }),
      piece('c', { state: 'planned' }),
      piece('d', { does: 'pad', station: 'heel' }),
      piece('e', { model: 'another' }),
    ])
    expect(wrapper.findAll('li')).toHaveLength(2)
    expect(textOf(wrapper)).toContain('2 done')
    expect(wrapper.findAll('li')[1]!.text()).not.toContain('pressed to')
  })
  test('goes into the plan of work, where it moves the prediction', async () => {
    const { wrapper, work } = await open([piece('a')])
    await type(wrapper, /^1: pressed to/, '2.8')
    await type(wrapper, /^1: found after cooling/, '1.5')
    expect(work()[0]).toMatchObject({ pressedMm: 2.8, gainedMm: 1.5 })
  })
  test('is not there while nothing is done, and closed to who may not', async () => {
    const { wrapper } = await open([piece('a', { state: 'planned' })])
    expect(textOf(wrapper)).toBe('')
    const closed = await open([piece('a')], false)
    expect(closed.wrapper.findAll('button:not([disabled])')).toHaveLength(0)
  })
})
