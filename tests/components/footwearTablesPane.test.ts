import { describe, expect, test } from 'vitest'
import FootwearTablesPane from '../../app/settings/FootwearTablesPane.vue'
import { houseRow } from '../../core/footwear/targets'
import { STATIONS, STATION_KINDS } from '../../core/kinds/stations/all'
import { HOUSE_TABLES, type ShopTables } from '../../core/record/tables'
import { button, field, pick, textOf, type } from './find'
import { settingsPane } from './settingsTables'

const open = (more: Parameters<typeof settingsPane>[1] = {}) =>
  settingsPane(FootwearTablesPane, more)

describe('target clearances', () => {
  const BALL = STATION_KINDS.of('ball').name
  const house = houseRow('rigid-shell', 'ball')

  test('every station of the family stands there with its bands', async () => {
    const { wrapper } = await open()
    for (const station of STATIONS) {
      const { name } = STATION_KINDS.of(station)
      const [low, high] = houseRow('rigid-shell', station).race
      expect(field(wrapper, `${name} race from`).element.value).toBe(String(low))
      expect(field(wrapper, `${name} race to`).element.value).toBe(String(high))
    }
  })

  test('another family has its own', async () => {
    const { wrapper } = await open()
    await pick(wrapper, 'Family', 'shoes')
    const [low] = houseRow('shoe', 'length').comfort
    const name = STATION_KINDS.of('length').name
    expect(field(wrapper, `${name} comfort from`).element.value).toBe(String(low))
  })

  test('an own band is kept under its family and station', async () => {
    const { wrapper, change, trouble } = await open()
    await type(wrapper, `${BALL} race to`, String(house.race[1] + 0.5))
    expect(change()!.matchTargets).toEqual({
      'rigid-shell.ball': { ...house, race: [house.race[0], house.race[1] + 0.5] },
    })
    expect(trouble()).toBe('')
  })

  test('the house’s band again is none of its own', async () => {
    const own = structuredClone(house) as ShopTables['matchTargets'][string]
    own.race[1] += 0.5
    const { wrapper, change } = await open({
      tables: { matchTargets: { 'rigid-shell.ball': own } },
    })
    expect(textOf(wrapper)).toContain('this shop')
    await type(wrapper, `${BALL} race to`, String(house.race[1]))
    expect(change()!.matchTargets).toEqual({})
  })

  test('a band whose ends have crossed is refused', async () => {
    const { wrapper, changes, trouble } = await open()
    await type(wrapper, `${BALL} race from`, String(house.race[1] + 1))
    expect(changes()).toEqual([])
    expect(trouble()).toBe(`${BALL} race: the lower end must not lie above the upper one.`)
  })

  test.each(['61', '-31', 'roomy'])('a band from “%s” is refused', async (typed) => {
    const { wrapper, changes, trouble } = await open()
    await type(wrapper, `${BALL} race from`, typed)
    expect(changes()).toEqual([])
    expect(trouble()).toContain(`“${typed}” is not a number from -30 to 60`)
  })
})

describe('activities and spring-back', () => {
  const activities = async () => {
    const pane = await open()
    await pane.tab('Activities, spring-back')
    return pane
  }

  test('a shift is changed, and the others stay', async () => {
    const pane = await activities()
    const [key, mm] = Object.entries(HOUSE_TABLES.activityShiftMm)[0]!
    const row = pane.wrapper.find('tbody tr')
    const name = row
      .findAll('td')
      .slice(0, 2)
      .map((td) => td.text())
      .join(' ')
    await type(pane.wrapper, name, String(mm + 0.5))
    expect(pane.change()!.activityShiftMm).toEqual({
      ...HOUSE_TABLES.activityShiftMm,
      [key]: mm + 0.5,
    })
  })

  test('a new one begins at half a millimetre', async () => {
    const pane = await activities()
    await pick(pane.wrapper, 'Activity of a new shift', 'Dress shoes')
    await pick(pane.wrapper, 'Station of a new shift', STATION_KINDS.of('heel').name)
    await pane.wrapper.find('form').trigger('submit')
    const added = pane.change()!.activityShiftMm!
    const fresh = Object.keys(added).filter((k) => !(k in HOUSE_TABLES.activityShiftMm))
    expect(fresh).toHaveLength(1)
    expect(fresh[0]).toMatch(/\.heel$/)
    expect(added[fresh[0]!]).toBe(0.5)
  })

  test('what a foot is like moves a band by up to six millimetres', async () => {
    const pane = await activities()
    await type(pane.wrapper, 'numb toes, mm', '6')
    expect(pane.change()!.characterShiftMm!.numb).toBe(6)
    await type(pane.wrapper, 'numb toes, mm', '6.1')
    expect(pane.changes()).toHaveLength(1)
  })

  test('spring-back is a share', async () => {
    const pane = await activities()
    await type(pane.wrapper, 'Spring-back share', '1')
    expect(pane.change()!.springBackShare).toBe(1)
    await type(pane.wrapper, 'Spring-back share', '1.01')
    expect(pane.changes()).toHaveLength(1)
    expect(pane.trouble()).toContain('from 0 to 1')
  })
})

describe('the flex scale', () => {
  const flex = async (flexPoints: Record<string, [number, number][]> = {}) => {
    const pane = await open({ tables: { flexPoints } })
    await pane.tab('Flex scale')
    return pane
  }

  test('a maker’s numbers are changed, added and taken out', async () => {
    const pane = await flex({ Fernhalt: [[90, 4]] })
    expect(textOf(pane.wrapper)).toContain('house line until two points')
    await type(pane.wrapper, 'Fernhalt step 1', '5')
    expect(pane.change()!.flexPoints).toEqual({ Fernhalt: [[90, 5]] })
    await button(pane.wrapper, 'Add a point').trigger('click')
    expect(pane.change()!.flexPoints).toEqual({
      Fernhalt: [
        [90, 4],
        [100, 5],
      ],
    })
    await button(pane.wrapper, 'Remove point 1 of Fernhalt').trigger('click')
    expect(pane.change()!.flexPoints).toEqual({ Fernhalt: [] })
  })

  test('an own step goes from one to ten', async () => {
    const pane = await flex({ Fernhalt: [[90, 4]] })
    await type(pane.wrapper, 'Fernhalt step 1', '10')
    await type(pane.wrapper, 'Fernhalt step 1', '11')
    await type(pane.wrapper, 'Fernhalt step 1', '0')
    expect(pane.changes()).toEqual([{ flexPoints: { Fernhalt: [[90, 10]] } }])
  })

  test('two points need no house line', async () => {
    const pane = await flex({
      Fernhalt: [
        [90, 4],
        [130, 8],
      ],
    })
    expect(textOf(pane.wrapper)).not.toContain('house line until two points')
  })
})
