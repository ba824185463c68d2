import { flushPromises } from '@vue/test-utils'
import { describe, expect, test, vi } from 'vitest'
import MatchStation from '../../app/stations/match/MatchStation.vue'
import { matchRecord } from '../../core/footwear/matchRecord'
import { parseRecord } from '../../core/record/parse'
import type { FootwearModel } from '../../core/footwear/catalogueSchema'
import type { FittingRecord } from '../../core/record/schema'
import { demoModels } from '../../demo/catalogue'
import { sizeWords } from '../../core/footwear/reasons'
import { useHand } from '../../app/stores/hand'
import { button, field, pick, textOf } from './find'
import { demo, mountWith } from './mountWith'

vi.mock('comlink', async () => (await import('./workerHere')).comlinkHere())
vi.mock('~/workers/matchWorker', async () => {
  const { workerHere } = await import('./workerHere')
  const worker = await workerHere(() => import('../../app/workers/match.worker'))
  return { matchWorker: () => worker }
})

const MODELS = demoModels().filter((m) => m.family === 'rigid-shell')
async function open(
  change: (record: FittingRecord) => void = () => undefined,
  role: 'owner' | 'reader' = 'owner',
  models: FootwearModel[] = MODELS,
) {
  const record = demo('Tove')
  delete record.footwear
  record.story = { ...record.story!, activity: 'alpine' as never }
  change(record)
  const opened = await mountWith(MatchStation, {
    record,
    role,
    answers: { models: { models, learned: {} } },
  })
  const settled = async () => {
    for (let i = 0; i < 20; i++) {
      await flushPromises()
      await new Promise((go) => setTimeout(go, 10))
    }
  }
  await settled()
  return {
    ...opened,
    record,
    settled,
    rows: () =>
      opened.wrapper.findAll('.item').map((row) => ({
        row,
        name: row.find('b.strong').text(),
        text: row.text(),
      })),
  }
}

describe('candidates', () => {
  test('stand in the order of the core’s own ranking, with their work', async () => {
    const { rows, record } = await open()
    const { pair } = matchRecord(record, MODELS)
    const names = pair.slice(0, 5).map((p) => MODELS.find((m) => m.id === p.model)!.name)
    expect(
      rows()
        .slice(0, 5)
        .map((r) => r.name),
    ).toEqual(names)
    expect(rows()[0]!.text).toMatch(/(no work|\d+ min of work)/)
  })

  test('what cannot be made to fit says why', async () => {
    // In one size only, far too small for a foot of 265 mm.
    const tiny = { ...MODELS[0]!, id: 'tiny', name: 'Tiny', sizesMm: [200], stock: {} }
    const { wrapper } = await open(() => undefined, 'owner', [...MODELS, tiny])
    const out = wrapper.findAll('.no').map((b) => b.text())
    expect(out).toHaveLength(1)
    expect(out[0]).toMatch(/^Tiny .*too short: −\d/)
  })

  test('without a length there is nothing to compare, and the way to Measure', async () => {
    const { wrapper } = await open((r) => {
      for (const side of ['left', 'right'] as const) r.feet[side]!.readings = []
    })
    expect(textOf(wrapper)).toContain('Take a foot length first')
    expect(wrapper.find('a[href="/fittings/fitting/measure"]').exists()).toBe(true)
  })
})

describe('choosing', () => {
  test('keeps model and both sizes, and the best beside it', async () => {
    const { wrapper, fitting, rows, settled } = await open()
    const name = rows()[0]!.name
    await button(wrapper, `Choose ${name}`).trigger('click')
    await settled()
    const model = MODELS.find((m) => m.name === name)!
    const { chosen, candidates } = fitting.record.footwear!
    expect(chosen!.model).toBe(model.id)
    expect(model.sizesMm).toContain(chosen!.sizeLeftMm)
    expect(model.sizesMm).toContain(chosen!.sizeRightMm)
    expect(candidates).toHaveLength(4)
    expect(candidates![0]).toBe(model.id)
    const said = button(wrapper, `Chosen: ${name}`).element as HTMLButtonElement
    expect(said.disabled).toBe(true)
  })

  test('another one that is looked at is chosen without what was set on the first', async () => {
    const { wrapper, fitting, rows, settled } = await open((r) => {
      const chosen = { model: MODELS[0]!.id, forwardLeanDeg: 16 }
      r.footwear = parseRecord({ ...r, footwear: { chosen } }).footwear!
    })
    const other = rows().find((row) => row.name !== MODELS[0]!.name)!
    await other.row.find('button').trigger('click')
    await settled()
    await button(wrapper, `Choose ${other.name}`).trigger('click')
    await settled()
    const { chosen } = fitting.record.footwear!
    expect(chosen!.model).toBe(MODELS.find((m) => m.name === other.name)!.id)
    // It begins as its maker made it.
    const made = MODELS.find((m) => m.name === other.name)!
    expect(chosen!.forwardLeanDeg).toBe(made.cuffLeanDeg)
  })

  test('a reader chooses nothing', async () => {
    const { wrapper } = await open(() => undefined, 'reader')
    expect((button(wrapper, /^Choose/).element as HTMLButtonElement).disabled).toBe(true)
  })
})

describe('another size', () => {
  const sizeOf = (wrapper: Parameters<typeof field>[0], side: string) =>
    field(wrapper, `${side} size`)

  test('is taken for one foot alone, told with its clearances, and chosen', async () => {
    const { wrapper, fitting, rows, settled } = await open()
    const name = rows()[0]!.name
    const model = MODELS.find((m) => m.name === name)!
    const before = rows()[0]!.text
    const ranked = matchRecord(demo('Tove'), MODELS).pair[0]!
    const other = model.sizesMm.find((mm) => mm > ranked.left!.sizeMm)!
    await pick(wrapper, 'left size', sizeWords(other))
    await settled()
    expect(rows()[0]!.text).not.toBe(before)
    await button(wrapper, `Choose ${name}`).trigger('click')
    await settled()
    expect(fitting.record.footwear!.chosen).toMatchObject({
      model: model.id,
      sizeLeftMm: other,
    })
    expect(fitting.record.footwear!.chosen!.sizeRightMm).toBe(ranked.right!.sizeMm)
    // And the way back.
    await button(wrapper, 'Best sizes').trigger('click')
    await settled()
    expect(rows()[0]!.text.replace(' · chosen', '')).toBe(before)
  })

  test('what was chosen stands in the sizes it was chosen in', async () => {
    const model = MODELS[0]!
    const sizeMm = model.sizesMm.at(-1)!
    const { wrapper } = await open((r) => {
      const chosen = { model: model.id, sizeLeftMm: sizeMm, sizeRightMm: sizeMm }
      r.footwear = parseRecord({ ...r, footwear: { chosen } }).footwear!
    })
    const shown = wrapper.findAllComponents({ name: 'VSelect' }).map((s) => s.props('modelValue'))
    expect(shown.filter((v) => v === sizeMm)).toHaveLength(2)
    expect(button(wrapper, `Chosen: ${model.name}`).element.hasAttribute('disabled')).toBe(true)
  })

  test('what cannot be made to fit is drawn with why, and can be chosen all the same', async () => {
    const tiny = { ...MODELS[0]!, id: 'tiny', name: 'Tiny', sizesMm: [200], stock: {} }
    const { wrapper, fitting, settled } = await open(() => undefined, 'owner', [...MODELS, tiny])
    await wrapper.find('.no').trigger('click')
    await settled()
    expect(textOf(wrapper)).toMatch(/⬣ left 20\.0: .*too short.*right 20\.0: /)
    expect(sizeOf(wrapper, 'left')).toBeTruthy()
    await button(wrapper, 'Choose Tiny').trigger('click')
    await settled()
    expect(fitting.record.footwear!.chosen).toMatchObject({ model: 'tiny', sizeLeftMm: 200 })
  })

  test('a reading that is missing is named, and one key takes it', async () => {
    const { wrapper } = await open()
    await button(wrapper, 'Take Toe width').trigger('click')
    expect(useHand()).toMatchObject({ what: 'toeWidthMm', posture: 'standing' })
    expect(navigateTo).toHaveBeenCalledWith('/fittings/fitting/measure')
  })
})

describe('the model that is looked at', () => {
  test('the first has nothing before it; the second says what the first does better', async () => {
    const { wrapper, rows, settled } = await open()
    await button(wrapper, 'Why not').trigger('click')
    expect(textOf(wrapper)).toContain('It ranks first.')
    await rows()[1]!.row.find('button').trigger('click')
    await settled()
    expect(textOf(wrapper)).not.toContain('It ranks first.')
  })

  test('the ways of a pair are told with score, work and price', async () => {
    const { wrapper } = await open()
    await button(wrapper, /^Split\?/).trigger('click')
    const ways = wrapper.findAll('tbody tr').map((r) => r.text())
    expect(ways[0]).toContain('One size, worked')
    expect(ways.at(-1)).toContain('Made to measure')
  })
})

describe('side by side', () => {
  test('the two best at first, ticked ones instead, four at most', async () => {
    const { wrapper, rows, settled } = await open()
    const box = (i: number) => rows()[i]!.row.find<HTMLInputElement>('input[type="checkbox"]')
    expect(rows().filter((_, i) => box(i).element.checked)).toHaveLength(2)
    for (const i of [2, 3, 4]) {
      await box(i).trigger('click')
      await settled()
    }
    expect(rows().flatMap((_, i) => (box(i).element.checked ? [i] : []))).toEqual([1, 2, 3, 4])
    await box(4).trigger('click')
    await settled()
    expect(rows().flatMap((_, i) => (box(i).element.checked ? [i] : []))).toEqual([1, 2, 3])
    const compared = [1, 2, 3].map((i) => rows()[i]!.name)
    await button(wrapper, 'Side by side').trigger('click')
    await settled()
    for (const name of compared) expect(textOf(wrapper)).toContain(name)
  })
})
