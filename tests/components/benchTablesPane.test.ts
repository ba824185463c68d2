import { describe, expect, test } from 'vitest'
import BenchTablesPane from '../../app/settings/BenchTablesPane.vue'
import { HOUSE_TABLES } from '../../core/record/tables'
import type { Process } from '../../core/tables/processes'
import { button, field, offered, pick, textOf, type } from './find'
import { settingsPane } from './settingsTables'

/** A short way of making, so that every change can be told by hand. */
const WAY: Process = {
  id: 'own-way',
  name: 'Own way',
  steps: [
    { id: 'warm', words: 'Warm it', minutes: 6, needs: ['oven'], heat: 'polypropylene' },
    { id: 'stand', words: 'Stand on it', minutes: 10, skinMin: 10 },
    { id: 'trim', words: 'Trim it', minutes: 4, after: ['warm', 'stand'] },
  ],
}
const open = (process: Process = WAY, may = true) =>
  settingsPane(BenchTablesPane, { may, tables: { processes: [process] } })
const steps = (pane: Awaited<ReturnType<typeof open>>) => pane.change()!.processes![0]!.steps
const step = (pane: Awaited<ReturnType<typeof open>>, id: string) =>
  steps(pane).find((s) => s.id === id)!

describe('a way of making', () => {
  test('its steps stand there with minutes, heat and what they hold', async () => {
    const { wrapper } = await open()
    for (const { words, minutes } of WAY.steps)
      expect(field(wrapper, `Minutes of ${words}`).element.value).toBe(String(minutes))
    expect(button(wrapper, 'Warm it holds Oven').attributes('aria-pressed')).toBe('true')
    expect(button(wrapper, 'Trim it holds Oven').attributes('aria-pressed')).toBe('false')
  })

  test('minutes are whole and two days at most', async () => {
    const pane = await open()
    await type(pane.wrapper, 'Minutes of Trim it', '12')
    expect(step(pane, 'trim').minutes).toBe(12)
    for (const wrong of ['2.5', '-1', '2881', 'a few']) {
      await type(pane.wrapper, 'Minutes of Trim it', wrong)
      expect(pane.trouble()).toBe(
        `Trim it: “${wrong}” is not a whole number from 0 to 2880. Nothing was changed.`,
      )
    }
    expect(pane.changes()).toHaveLength(1)
    await type(pane.wrapper, 'Minutes of Trim it', '2880')
    expect(step(pane, 'trim').minutes).toBe(2880)
    expect(pane.trouble()).toBe('')
  })

  test('what stands on warm material says for how long, half a minute at least', async () => {
    const pane = await open()
    await type(pane.wrapper, 'Minutes a foot stays on it: Stand on it', '0,5')
    expect(step(pane, 'stand').skinMin).toBe(0.5)
    await type(pane.wrapper, 'Minutes a foot stays on it: Stand on it', '0,4')
    expect(pane.changes()).toHaveLength(1)
    await type(pane.wrapper, 'Minutes a foot stays on it: Stand on it', '')
    expect(step(pane, 'stand')).not.toHaveProperty('skinMin')
  })

  test('a step takes its heat from the windows of the shop, or none', async () => {
    const pane = await open()
    const window = HOUSE_TABLES.heatWindows.at(-1)!
    await pick(pane.wrapper, 'Heat of Trim it', window.name)
    expect(step(pane, 'trim').heat).toBe(window.id)
    await pick(pane.wrapper, 'Heat of Warm it', 'no heat')
    expect(step(pane, 'warm')).not.toHaveProperty('heat')
  })

  test('a step comes after the one above, another, several, or nothing', async () => {
    const pane = await open()
    await pick(pane.wrapper, 'Trim it comes after', 'Warm it')
    expect(step(pane, 'trim').after).toEqual(['warm'])
    await pick(pane.wrapper, 'Trim it comes after', 'nothing')
    expect(step(pane, 'trim').after).toEqual([])
    await pick(pane.wrapper, 'Trim it comes after', 'the one above')
    expect(step(pane, 'trim')).not.toHaveProperty('after')
    await pick(pane.wrapper, 'Trim it comes after', 'warm and stand')
    expect(step(pane, 'trim').after).toEqual(['warm', 'stand'])
    expect(offered(pane.wrapper, 'Trim it comes after')).not.toContain('Trim it')
  })

  test('what a step holds is pressed on and off', async () => {
    const pane = await open()
    await button(pane.wrapper, 'Trim it holds Grinder').trigger('click')
    expect(step(pane, 'trim').needs).toEqual(['grinder'])
    await button(pane.wrapper, 'Warm it holds Oven').trigger('click')
    expect(step(pane, 'warm').needs).toEqual([])
  })

  test('steps change places', async () => {
    const pane = await open()
    await button(pane.wrapper, 'Stand on it up').trigger('click')
    expect(steps(pane).map((s) => s.id)).toEqual(['stand', 'warm', 'trim'])
    await button(pane.wrapper, 'Warm it down').trigger('click')
    expect(steps(pane).map((s) => s.id)).toEqual(['stand', 'warm', 'trim'])
    expect(button(pane.wrapper, 'Warm it up').element.disabled).toBe(true)
    expect(button(pane.wrapper, 'Trim it down').element.disabled).toBe(true)
  })

  test('a step does not go before what it waits for', async () => {
    const pane = await open()
    await button(pane.wrapper, 'Trim it up').trigger('click')
    expect(pane.changes()).toEqual([])
    expect(pane.trouble()).toContain('Nothing was changed.')
  })

  test('a step that goes leaves no other waiting for it', async () => {
    const pane = await open()
    await button(pane.wrapper, 'Take Stand on it out').trigger('click')
    expect(steps(pane).map((s) => s.id)).toEqual(['warm', 'trim'])
    expect(step(pane, 'trim').after).toEqual(['warm'])
  })

  test('the last step stays', async () => {
    const pane = await open({ ...WAY, steps: [WAY.steps[0]!] })
    expect(button(pane.wrapper, 'Take Warm it out').element.disabled).toBe(true)
  })

  test('a new step and a new way get ids of their own', async () => {
    const pane = await open({
      ...WAY,
      steps: [{ id: 'step-1', words: 'First', minutes: 5 }],
    })
    await button(pane.wrapper, 'Add a step').trigger('click')
    expect(steps(pane).map((s) => s.id)).toEqual(['step-1', 'step-2'])
    await button(pane.wrapper, 'New process').trigger('click')
    expect(pane.change()!.processes!.map((p) => p.id)).toEqual(['own-way', 'own-1'])
  })

  test('a name is not nothing', async () => {
    const pane = await open()
    await type(pane.wrapper, 'Name of the process', '  ')
    expect(pane.changes()).toEqual([])
    expect(pane.trouble()).toContain('Nothing was changed.')
  })
})

describe('what the bench has', () => {
  const has = async () => {
    const pane = await open()
    await pane.tab('What the bench has')
    return pane
  }

  test('how many, and from when to when', async () => {
    const pane = await has()
    const before = HOUSE_TABLES.benchResources
    await type(pane.wrapper, 'How many: Oven', '2')
    expect(pane.change()!.benchResources).toEqual(
      before.map((r) => (r.name === 'Oven' ? { ...r, count: 2 } : r)),
    )
    await type(pane.wrapper, 'Oven from', '07:30')
    expect(pane.change()!.benchResources!.find((r) => r.name === 'Oven')!.from).toBe('07:30')
  })

  test.each(['7:30', '24:00', '12:60', 'noon'])('“%s” is no time', async (typed) => {
    const pane = await has()
    await type(pane.wrapper, 'Oven from', typed)
    expect(pane.changes()).toEqual([])
    expect(pane.trouble()).toBe(`Oven: “${typed}” is not a time. Write it as HH:MM.`)
  })

  test('people are not counted here', async () => {
    const { wrapper } = await has()
    const people = HOUSE_TABLES.benchResources.find((r) => r.id === 'people')!
    expect(() => field(wrapper, `How many: ${people.name}`)).toThrow()
    expect(textOf(wrapper)).toContain('those on duty, chosen on the bench day')
  })
})

describe('heat and skin', () => {
  const heat = async () => {
    const pane = await open()
    await pane.tab('Heat and skin')
    return pane
  }
  const [window] = HOUSE_TABLES.heatWindows

  test('a window opens below where it closes', async () => {
    const pane = await heat()
    await type(pane.wrapper, `${window!.name} from`, String(window!.highC))
    expect(pane.changes()).toEqual([])
    expect(pane.trouble()).toBe(`${window!.name}: a window must open below where it closes.`)
    await type(pane.wrapper, `${window!.name} from`, String(window!.highC - 1))
    expect(pane.change()!.heatWindows![0]).toEqual({ ...window, lowC: window!.highC - 1 })
  })

  test('the margin of skin is set for adults and for children', async () => {
    const pane = await heat()
    await type(pane.wrapper, 'Margin of skin, child', '6')
    expect(pane.change()!.skinMarginK).toEqual({ ...HOUSE_TABLES.skinMarginK, child: 6 })
    await type(pane.wrapper, 'Margin of skin, adult', '16')
    expect(pane.changes()).toHaveLength(1)
    expect(pane.trouble()).toContain('from 0 to 15')
  })
})

test('who may not change the tables reads them', async () => {
  const { wrapper } = await open(WAY, false)
  const fields = wrapper
    .findAll<HTMLInputElement>('input:not([type=hidden])')
    .filter(({ element }) => element.getAttribute('aria-label') !== 'Process')
  expect(fields.every((i) => i.element.disabled)).toBe(true)
  expect(() => button(wrapper, 'Add a step')).toThrow()
  expect(() => button(wrapper, 'New process')).toThrow()
})
