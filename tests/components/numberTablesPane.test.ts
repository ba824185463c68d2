import { describe, expect, test } from 'vitest'
import NumberTablesPane from '../../app/settings/NumberTablesPane.vue'
import { NUMBER_TABLES, OWN_PANES } from '../../app/settings/ownPanes'
import { HOUSE_TABLES, TABLES } from '../../core/record/tables'
import { THRESHOLDS } from '../../core/tables/ruleThresholds'
import { field, textOf, type } from './find'
import { mountWith } from './mountWith'

const mounted = async (what: 'tables' | 'rules', may = true) => {
  const { wrapper } = await mountWith(NumberTablesPane, {
    props: { draft: structuredClone(HOUSE_TABLES), may, what },
  })
  const last = (event: string) => wrapper.emitted(event)?.at(-1)?.[0]
  return { wrapper, last }
}

describe('every table is in Settings', () => {
  test('in a pane of its own or among the numbers', () =>
    expect([...NUMBER_TABLES, ...Object.values(OWN_PANES).flat()].sort()).toEqual(
      Object.keys(TABLES).sort(),
    ))

  test('those among the numbers with every number, name and source', async () => {
    const { wrapper } = await mounted('tables')
    const text = textOf(wrapper)
    for (const key of NUMBER_TABLES) {
      expect(text).toContain(TABLES[key].name)
      expect(text).toContain(TABLES[key].source)
    }
    const count = (value: unknown): number =>
      typeof value === 'number'
        ? 1
        : typeof value === 'object' && value
          ? Object.values(value).reduce((sum: number, v) => sum + count(v), 0)
          : 0
    const numbers = NUMBER_TABLES.reduce((sum, key) => sum + count(HOUSE_TABLES[key]), 0)
    expect(wrapper.findAll('td input')).toHaveLength(numbers)
  })
})

describe('the thresholds of the rules', () => {
  test('stand by rule, each with its words and unit', async () => {
    const { wrapper } = await mounted('rules')
    expect(wrapper.findAll('td input')).toHaveLength(Object.keys(THRESHOLDS).length)
    expect(field(wrapper, 'medial push heel stands everted by at least, °').element.value).toBe(
      '-4',
    )
  })

  test('a typed one changes that threshold alone', async () => {
    const { wrapper, last } = await mounted('rules')
    await type(wrapper, 'soft cover on the feet for at least, h', '6,5')
    expect(last('change')).toEqual({
      ruleThresholds: { ...HOUSE_TABLES.ruleThresholds, 'soft-cover.hours': 6.5 },
    })
    expect(last('trouble')).toBe('')
  })
})

describe('a typed number', () => {
  test('deep in a table changes that place alone', async () => {
    const { wrapper, last } = await mounted('tables')
    await type(
      wrapper,
      'Wearing in: first day, added, days between two steps; a full day gentle first, min',
      '45',
    )
    const { wearInPaces } = HOUSE_TABLES
    expect(last('change')).toEqual({
      wearInPaces: { ...wearInPaces, gentle: { ...wearInPaces.gentle, firstMin: 45 } },
    })
  })

  test.each([
    ['words', 'many', /“many” is not a number/],
    ['what the table refuses', '9999', /9999 is not taken: .*Nothing was changed\.$/],
  ])('%s: told, and nothing changes', async (_, typed, told) => {
    const { wrapper, last } = await mounted('tables')
    await type(wrapper, 'Ask “sure?” above a left–right gap of', typed)
    expect(last('trouble')).toMatch(told)
    expect(wrapper.emitted('change')).toBeUndefined()
    expect(field(wrapper, 'Ask “sure?” above a left–right gap of').element.value).toBe('12')
  })

  test('of one’s own is marked and says the house’s', async () => {
    const { wrapper } = await mountWith(NumberTablesPane, {
      props: {
        draft: { ...structuredClone(HOUSE_TABLES), sideGapMm: 14 },
        may: true,
        what: 'tables',
      },
    })
    expect(wrapper.findAll('.own')).toHaveLength(1)
    expect(wrapper.find('.own').attributes('title') ?? wrapper.html()).toContain('house: 12')
  })
})

test('lines are found by words of their name or labels', async () => {
  const { wrapper } = await mounted('tables')
  await field(wrapper, 'Find a number by its words').setValue('growth child')
  expect(wrapper.findAll('tbody tr')).toHaveLength(1)
  expect(textOf(wrapper)).toContain('Usual growth of a child’s foot by age')
  await field(wrapper, 'Find a number by its words').setValue('xyzzy')
  expect(textOf(wrapper)).toContain('No number is called that.')
})

test('who may not change them reads them', async () => {
  const { wrapper } = await mounted('rules', false)
  expect(wrapper.findAll('td input').every((i) => i.attributes('disabled') !== undefined)).toBe(
    true,
  )
})
