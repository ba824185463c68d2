import { describe, expect, test, vi } from 'vitest'
import { nextTick } from 'vue'
import TimerTray from '../../app/components/TimerTray.vue'
import { useTimers } from '../../app/stores/timers'
import { button, field, textOf } from './find'
import { mountWith, settled } from './mountWith'

vi.mock('~/browser/alarm', () => ({ ringOnce: vi.fn() }))

const at = (clock: string) => Date.parse(`2026-11-29T${clock}Z`)
const NOW = at('10:00:00')
vi.useFakeTimers({ toFake: ['Date'], now: new Date(NOW) })
const timer = (more: object) => ({
  id: 't1',
  name: 'Oven',
  plannedMin: 5,
  endsAt: at('10:04:00'),
  leftMs: null,
  state: 'running',
  by: 'Bram Oduya',
  ...more,
})
async function open(timers: object[], role: 'owner' | 'reader' = 'owner') {
  const answer = { now: NOW, timers }
  const opened = await mountWith(TimerTray, {
    role,
    answers: { timers: answer, 'timers/t1': answer },
  })
  await button(opened.wrapper, /^Timers/).trigger('click')
  await settled()
  const pop = opened.wrapper.findComponent({ name: 'VMenu' })
  const patches = () => opened.calls.filter((c) => c.method !== 'GET')
  return { ...opened, pop, patches }
}

describe('the header', () => {
  test('tells the next to end, of those that run', async () => {
    const { wrapper } = await open([
      timer({ id: 'a', name: 'Press', endsAt: at('10:09:00') }),
      timer({ id: 'b', name: 'Oven', endsAt: at('10:04:00') }),
    ])
    expect(button(wrapper, /^Timers/).attributes('aria-label')).toBe('Timers: Oven, 4:00')
  })
  test('nothing runs', async () => {
    const { wrapper } = await open([])
    expect(button(wrapper, 'Timers').exists()).toBe(true)
    expect(document.body.textContent).toContain('No timer runs.')
  })
})

describe('what can be done with one', () => {
  const press = async (name: string, timers = [timer({})]) => {
    const opened = await open(timers)
    const found = [...document.querySelectorAll<HTMLButtonElement>('button')].find(
      (b) => b.getAttribute('aria-label') === name || b.textContent === name,
    )!
    found.click()
    await settled()
    return opened.patches()
  }
  test.each([
    ['Pause Oven', { do: 'pause' }],
    ['One minute more for Oven', { do: 'extend', minutes: 1 }],
    ['Stop Oven', { do: 'stop' }],
  ])('%s', async (name, body) => {
    expect(await press(name)).toEqual([{ path: 'timers/t1', method: 'PATCH', body }])
  })
  test('a paused one goes on', async () => {
    const paused = timer({ state: 'paused', endsAt: null, leftMs: 60_000 })
    expect(await press('Go on with Oven', [paused])).toEqual([
      { path: 'timers/t1', method: 'PATCH', body: { do: 'resume' } },
    ])
  })
  test('a new one has a name and minutes', async () => {
    const { calls } = await open([])
    const name = document.querySelector<HTMLInputElement>(
      'input[aria-label="Name of a new timer"]',
    )!
    name.value = ' Glue '
    name.dispatchEvent(new Event('input'))
    document.querySelector('form')!.dispatchEvent(new Event('submit'))
    await settled()
    expect(calls.find((c) => c.method === 'POST')!.body).toMatchObject({
      name: 'Glue',
      minutes: 5,
    })
  })
})

describe('an alarm', () => {
  const over = timer({ endsAt: at('09:59:30') })
  test('stands on the page until somebody is done', async () => {
    const { wrapper, patches } = await open([over])
    const alarm = wrapper.find('[role="alertdialog"]')
    expect(alarm.text()).toContain('Oven')
    await alarm
      .findAll('button')
      .find((b) => b.text() === 'Done')!
      .trigger('click')
    await settled()
    expect(patches()).toEqual([{ path: 'timers/t1', method: 'PATCH', body: { do: 'stop' } }])
  })
  test('one that still runs is none', async () => {
    const { wrapper } = await open([timer({})])
    expect(wrapper.find('[role="alertdialog"]').exists()).toBe(false)
  })
  test('a reader sees it and ends nothing', async () => {
    const { wrapper } = await open([over], 'reader')
    expect(wrapper.find('[role="alertdialog"]').findAll('button')).toHaveLength(0)
  })
})

test('a server that does not answer is told, and times go on', async () => {
  const { wrapper } = await open([timer({})])
  useTimers().away = true
  await nextTick()
  expect(document.body.textContent).toContain('The server does not answer')
  expect(textOf(wrapper)).toContain('4:00')
  expect(() => field(wrapper, 'nothing of that name')).toThrow('nothing is called')
})
