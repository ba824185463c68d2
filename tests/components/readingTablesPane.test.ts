import { expect, test } from 'vitest'
import ReadingTablesPane from '../../app/settings/ReadingTablesPane.vue'
import { READINGS, READING_KINDS } from '../../core/kinds/readings/all'
import { HOUSE_TABLES } from '../../core/record/tables'
import { field, textOf, type } from './find'
import { settingsPane } from './settingsTables'

const open = () => settingsPane(ReadingTablesPane)

test('every reading stands there with its bounds', async () => {
  const { wrapper } = await open()
  for (const what of READING_KINDS) {
    const { name } = READINGS.of(what)
    expect(textOf(wrapper)).toContain(name)
    const [low, high] = HOUSE_TABLES.hardBoundsMm[what]
    expect(field(wrapper, `${name} refused below`).element.value).toBe(String(low))
    expect(field(wrapper, `${name} refused above`).element.value).toBe(String(high))
  }
})

test('one end of one bound changes', async () => {
  const { wrapper, change } = await open()
  await type(wrapper, 'Foot length refused above', '380')
  expect(change()).toEqual({
    hardBoundsMm: { ...HOUSE_TABLES.hardBoundsMm, footLengthMm: [80, 380] },
  })
})

test('a share and its SD keep what else the row says', async () => {
  const { wrapper, change } = await open()
  const { name } = READINGS.of('archLengthMm')
  await type(wrapper, `${name} SD`, '0,02')
  expect(change()!.ratioToLength).toEqual({
    ...HOUSE_TABLES.ratioToLength,
    archLengthMm: { ...HOUSE_TABLES.ratioToLength.archLengthMm, sd: 0.02 },
  })
})

test.each([
  ['no number', 'long', '“long” is not a number'],
  ['what the table refuses', '-20', '-20 is not taken'],
])('%s is told by the reading’s name and not kept', async (_, typed, told) => {
  const { wrapper, changes, trouble } = await open()
  await type(wrapper, 'Foot length again above', typed)
  expect(changes()).toEqual([])
  expect(trouble()).toMatch(/^Foot length: /)
  expect(trouble()).toContain(told)
})
