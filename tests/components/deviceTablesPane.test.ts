import { describe, expect, test } from 'vitest'
import DeviceTablesPane from '../../app/settings/DeviceTablesPane.vue'
import { LAYERS } from '../../core/kinds/layers/all'
import { HOUSE_TABLES } from '../../core/record/tables'
import { button, field, textOf, type } from './find'
import { settingsPane } from './settingsTables'

const open = (more: Parameters<typeof settingsPane>[1] = {}) => settingsPane(DeviceTablesPane, more)
const house = (id: string) => HOUSE_TABLES.shellMaterials.find((m) => m.id === id)!

describe('shell materials', () => {
  test('stand there with their numbers', async () => {
    const { wrapper } = await open()
    for (const { name, youngMPa } of HOUSE_TABLES.shellMaterials) {
      expect(textOf(wrapper)).toContain(name)
      expect(field(wrapper, `${name} E, MPa`).element.value).toBe(String(youngMPa))
    }
  })

  test('a typed number changes that material alone', async () => {
    const { wrapper, change, trouble } = await open()
    await type(wrapper, 'Polypropylene E, MPa', '1250')
    const changed = change()!.shellMaterials!
    expect(changed.find((m) => m.id === 'polypropylene')).toEqual({
      ...house('polypropylene'),
      youngMPa: 1250,
    })
    expect(changed.filter((m) => m.id !== 'polypropylene')).toEqual(
      HOUSE_TABLES.shellMaterials.filter((m) => m.id !== 'polypropylene'),
    )
    expect(trouble()).toBe('')
  })

  test.each([
    ['words', 'stiff'],
    ['less than nothing', '-3'],
    ['more than any material', '200001'],
  ])('%s for a modulus: nothing is changed, and it says from where to where', async (_, typed) => {
    const { wrapper, changes, trouble } = await open()
    await type(wrapper, 'Polypropylene E, MPa', typed)
    expect(changes()).toEqual([])
    expect(trouble()).toBe(
      `Polypropylene E, MPa: “${typed}” is not a number from 0.1 to 200000. Nothing was changed.`,
    )
    expect(field(wrapper, 'Polypropylene E, MPa').element.value).toBe('1300')
  })

  test('the two ends of a range stay in order', async () => {
    const { wrapper, change } = await open()
    const [, most] = house('polypropylene').usualMm
    await type(wrapper, 'Polypropylene usual from, mm', String(most + 1))
    const [low, high] = change()!.shellMaterials!.find((m) => m.id === 'polypropylene')!.usualMm
    expect(low).toBe(most + 1)
    expect(high).toBeGreaterThan(low)
  })

  test('a hardness on the A scale becomes a modulus of a soft material', async () => {
    const { wrapper, change, trouble } = await open()
    await type(wrapper, 'High-density EVA from Shore A', '60')
    // Gent 1958: E = 0.0981 (56 + 7.62336 S) / (0.137505 (254 − 2.54 S)), by hand for S = 60.
    const modulus = (0.0981 * (56 + 7.62336 * 60)) / (0.137505 * (254 - 2.54 * 60))
    expect(change()!.shellMaterials!.find((m) => m.id === 'eva-60')).toMatchObject({
      youngMPa: Number(modulus.toFixed(2)),
      rigid: false,
      state: 'Gent 1958, ÷2…×2',
    })
    expect(trouble()).toBe('')
  })

  test('a hardness that is none is told, and other scales too', async () => {
    const { wrapper, changes, trouble } = await open()
    await type(wrapper, 'High-density EVA from Shore A', '60 D')
    expect(changes()).toEqual([])
    expect(trouble()).toContain('Other Shore scales cannot be turned into a modulus here.')
  })

  test('a new one begins with a name of its own', async () => {
    const { wrapper, change } = await open()
    await type(wrapper, 'Name of a new material', ' Beech laminate 3-ply ')
    await wrapper.find('form').trigger('submit')
    expect(change()!.shellMaterials!.at(-1)).toMatchObject({
      id: 'beech-laminate-3-ply',
      name: 'Beech laminate 3-ply',
      state: 'own assumption',
    })
    expect(field(wrapper, 'Name of a new material').element.value).toBe('')
  })

  test.each(['Polypropylene', '…'])('“%s” is no new name', async (name) => {
    const { wrapper, changes, trouble } = await open()
    await type(wrapper, 'Name of a new material', name)
    await wrapper.find('form').trigger('submit')
    expect(changes()).toEqual([])
    expect(trouble()).toContain(name)
  })

  test('one is taken out, but never the last', async () => {
    const { wrapper, change } = await open()
    await button(wrapper, 'Remove Cork blend').trigger('click')
    expect(change()!.shellMaterials!.map((m) => m.name)).not.toContain('Cork blend')
    const only = await open({ tables: { shellMaterials: [house('polypropylene')] } })
    expect(button(only.wrapper, 'Remove Polypropylene').element.disabled).toBe(true)
  })
})

describe('limits of layers', () => {
  const layers = async (more: Parameters<typeof settingsPane>[1] = {}) => {
    const pane = await open(more)
    await pane.tab('Limits of layers')
    return pane
  }
  const NAME = 'Medial heel skive depth usual'
  const [low, high] = LAYERS.of('medialSkive').amounts.find((a) => a.key === 'depthMm')!.usual

  test('every amount of every layer is there', async () => {
    const { wrapper } = await layers()
    for (const layer of LAYERS.all)
      for (const amount of layer.amounts)
        expect(field(wrapper, `${layer.name} ${amount.label} usual from`).element.value).toBe(
          String(amount.usual[0]),
        )
  })

  test('an own limit is kept beside the house’s, and goes when it is the house’s again', async () => {
    const pane = await layers()
    await type(pane.wrapper, `${NAME} to`, String(high + 1))
    expect(pane.change()!.layerUsual).toEqual({ 'medialSkive.depthMm': [low, high + 1] })
    const own = await layers({
      tables: { layerUsual: { 'medialSkive.depthMm': [low, high + 1] } },
    })
    await type(own.wrapper, `${NAME} to`, String(high))
    expect(own.change()!.layerUsual).toEqual({})
  })

  test('limits that cross are refused', async () => {
    const { wrapper, changes, trouble } = await layers()
    await type(wrapper, `${NAME} from`, String(high))
    expect(changes()).toEqual([])
    expect(trouble()).toBe('Medial heel skive depth: the lower limit must be below the upper one.')
  })
})

describe('blanks', () => {
  const blanks = async () => {
    const pane = await open({ tables: { blanks: HOUSE_TABLES.blanks.slice(0, 2) } })
    await pane.tab('Blanks')
    return pane
  }

  test('a size is changed, a line is added and taken out', async () => {
    const { wrapper, draft, change } = await blanks()
    const first = draft.blanks[0]!
    await type(wrapper, `${first.name} ${first.sizeMm} arch height`, '21,5')
    expect(change()!.blanks![0]).toEqual({ ...first, archHeightMm: 21.5 })
    await button(wrapper, 'Add a blank').trigger('click')
    expect(change()!.blanks!.at(-1)).toMatchObject({ id: 'own', name: 'Own line' })
    await button(wrapper, `Remove ${first.name} ${first.sizeMm}`).trigger('click')
    expect(change()!.blanks).toEqual(draft.blanks.slice(1))
  })

  test('a new name is a new line; no name changes nothing', async () => {
    const { wrapper, change, changes } = await blanks()
    await type(wrapper, 'Name of blank 1', 'Winter, thick')
    expect(change()!.blanks![0]).toMatchObject({ id: 'winter-thick', name: 'Winter, thick' })
    await type(wrapper, 'Name of blank 1', '   ')
    expect(changes()).toHaveLength(1)
  })
})

test('who may not change the tables reads them', async () => {
  const { wrapper } = await open({ may: false })
  expect(
    wrapper.findAll<HTMLInputElement>('input:not([type=hidden])').every((i) => i.element.disabled),
  ).toBe(true)
  expect(button(wrapper, 'Remove Cork blend').element.disabled).toBe(true)
})

describe('covers', () => {
  const covers = async (more: Parameters<typeof settingsPane>[1] = {}) => {
    const pane = await open(more)
    await pane.tab('Covers')
    return pane
  }
  const NONE = HOUSE_TABLES.coverMaterials.at(-1)!

  test('a new one stands before the cover that is none', async () => {
    const { wrapper, change } = await covers()
    await field(wrapper, 'Name of a new cover').setValue('Wool felt')
    await wrapper.find('form').trigger('submit')
    expect(change()!.coverMaterials!.slice(-2)).toEqual([
      { id: 'wool-felt', name: 'Wool felt', packOut: 0 },
      NONE,
    ])
  })

  test('the name of one there is already is refused in words', async () => {
    const { wrapper, changes, trouble } = await covers()
    await field(wrapper, 'Name of a new cover').setValue('Leather')
    await wrapper.find('form').trigger('submit')
    expect(changes()).toEqual([])
    expect(trouble()).toContain('“Leather”')
  })

  test('how much of a cover packs out is typed in per cent, and survives a new name', async () => {
    const { wrapper, change, trouble } = await covers()
    await type(wrapper, 'Leather packs out, per cent', '12,5')
    expect(change()!.coverMaterials!.find((m) => m.id === 'leather')!.packOut).toBe(0.125)
    await type(wrapper, 'EVA foam, soft packs out, per cent', '95')
    expect(trouble()).toContain('0 to 90 %')
    await type(wrapper, 'Name of cover EVA foam, soft', 'Soft foam')
    expect(change()!.coverMaterials![0]).toEqual({ id: 'eva-35', name: 'Soft foam', packOut: 0.2 })
  })
  test('a new name keeps the cover', async () => {
    const { wrapper, change } = await covers()
    await type(wrapper, 'Name of cover Leather', 'Pigskin')
    expect(change()!.coverMaterials!.find((m) => m.id === 'leather')!.name).toBe('Pigskin')
  })

  test('any but none can be removed', async () => {
    const { wrapper, change } = await covers()
    expect(() => button(wrapper, `Remove ${NONE.name}`)).toThrow()
    await button(wrapper, 'Remove Leather').trigger('click')
    expect(change()!.coverMaterials!.map((m) => m.id)).toEqual(['eva-35', 'microfibre', 'none'])
  })
})
