import { describe, expect, test } from 'vitest'
import Heat from '../../app/pages/heat.vue'
import { HOUSE_TABLES } from '../../core/record/tables'
import type { HeatLogRow } from '../../shared/contracts'
import type { Role } from '../../shared/permissions'
import { button, textOf, type } from './find'
import { mountWith, settled } from './mountWith'

const WINDOW = HOUSE_TABLES.heatWindows.find((w) => w.id === 'polypropylene')!
/** An oven that goes to 180 °C from 20 with a time constant of four minutes. */
const at = (minutes: number) => ({
  minutes,
  celsius: 180 - 160 * Math.exp(-minutes / 4),
  drive: 1,
})
const log = (more: Partial<HeatLogRow> = {}): HeatLogRow => ({
  id: 'l1',
  name: 'HR-0412 right sheet',
  apparatus: 'oven',
  window: WINDOW.id,
  fittingId: null,
  startedAt: '2026-11-29T09:00:00Z',
  stoppedAt: null,
  by: 'Bram Oduya',
  readings: [],
  ...more,
})
async function open(logs: HeatLogRow[], role: Role = 'owner') {
  const opened = await mountWith(Heat, {
    role,
    answers: {
      'GET heat': { logs, windows: HOUSE_TABLES.heatWindows },
      'POST heat': { logs: [log({ id: 'new' })] },
      'PATCH heat/l1': { log: logs[0] },
    },
  })
  await settled()
  const sent = () => opened.calls.filter((c) => c.method !== 'GET' && c.path.startsWith('heat'))
  return { ...opened, sent }
}
/** Readings every half minute up to a minute. */
const until = (end: number) => Array.from({ length: end * 2 + 1 }, (_, i) => at(i / 2))

describe('a piece in the heat', () => {
  test('tells how warm it is, and when it is in its window', async () => {
    const { wrapper } = await open([log({ readings: until(4) })])
    const now = at(4).celsius
    expect(wrapper.find('.deg').text()).toBe(`${now.toFixed(1)} °C`)
    expect(textOf(wrapper)).toMatch(/in the window in \d+:\d\d min/)
    expect(textOf(wrapper)).toContain('Steady at this drive')
  })
  test('in its window it is worked, one degree below it is not', async () => {
    const at = (celsius: number) => [{ minutes: 0, celsius, drive: 1 }]
    const inside = await open([log({ readings: at(WINDOW.lowC) })])
    expect(textOf(inside.wrapper)).toContain('In the window: work now')
    const below = await open([log({ readings: at(WINDOW.lowC - 1) })])
    expect(textOf(below.wrapper)).not.toContain('In the window: work now')
  })
  test('above it, it is taken out', async () => {
    const readings = [{ minutes: 0, celsius: WINDOW.highC + 5, drive: 1 }]
    const { wrapper } = await open([log({ readings })])
    expect(textOf(wrapper)).toContain('Too hot: take it out')
  })
  test('that was just begun says nothing it does not know', async () => {
    const { wrapper } = await open([log()])
    expect(wrapper.find('.deg').text()).toBe('–')
    expect((button(wrapper, 'CSV').element as HTMLButtonElement).disabled).toBe(true)
  })
  test('no log yet', async () => {
    const { wrapper } = await open([])
    expect(textOf(wrapper)).toContain('Nothing was heated yet.')
  })
})

describe('a typed reading', () => {
  const typed = async (text: string, readings = until(2)) => {
    const opened = await open([log({ readings })])
    await type(opened.wrapper, /^Typed reading/, text)
    await opened.wrapper
      .findAll('form')
      .find((f) => f.text().includes('Keep'))!
      .trigger('submit')
    await settled()
    return opened
  }
  test('has its own time, or the next one', async () => {
    const { sent } = await typed('141 5:20')
    expect(sent()).toEqual([
      {
        path: 'heat/l1',
        method: 'PATCH',
        body: { do: 'add', readings: [{ minutes: 5.333, celsius: 141, drive: 1 }] },
      },
    ])
    const after = (await typed('141')).sent()[0]!.body as { readings: { minutes: number }[] }
    expect(after.readings[0]!.minutes).toBeGreaterThan(2)
  })
  test('that is none is told, and not sent', async () => {
    for (const text of ['hot', '141 5:99', '1001', '-51', '141 -1']) {
      const { wrapper, sent } = await typed(text)
      expect(textOf(wrapper)).toContain(`“${text}” is not a temperature`)
      expect(sent()).toEqual([])
    }
  })
})

describe('a new piece', () => {
  const begin = async (name: string) => {
    const opened = await open([])
    await type(opened.wrapper, 'Name of the piece', name)
    await opened.wrapper.find('form.new').trigger('submit')
    await settled()
    return opened
  }
  test('needs a name', async () => {
    const { wrapper, sent } = await begin('  ')
    expect(textOf(wrapper)).toContain('Give the piece a name')
    expect(sent()).toEqual([])
  })
  test('goes into the heat with its apparatus and material', async () => {
    const { sent } = await begin(' HR-0500 left ')
    expect(sent()[0]).toMatchObject({
      path: 'heat',
      method: 'POST',
      body: { name: 'HR-0500 left', apparatus: 'oven', window: 'polypropylene' },
    })
  })
})

test('the last reading can be struck, and the piece taken out', async () => {
  const { wrapper, sent } = await open([log({ readings: until(1) })])
  await button(wrapper, 'Strike last').trigger('click')
  await settled()
  await button(wrapper, 'Out of the heat').trigger('click')
  await settled()
  expect(sent().map((c) => c.body)).toEqual([{ do: 'strike', minutes: 1 }, { do: 'stop' }])
})

test('a reader looks, and a log that was ended takes nothing', async () => {
  const reader = await open([log({ readings: until(1) })], 'reader')
  expect(() => button(reader.wrapper, 'Keep')).toThrow('nothing is called')
  const ended = await open([log({ readings: until(1), stoppedAt: '2026-11-29T09:10:00Z' })])
  expect(() => button(ended.wrapper, 'Out of the heat')).toThrow('nothing is called')
})
