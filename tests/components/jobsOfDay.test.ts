import { describe, expect, test } from 'vitest'
import JobList from '../../app/stations/make/JobList.vue'
import WeekPromises from '../../app/stations/make/WeekPromises.vue'
import { useBench } from '../../app/stores/bench'
import { EMPTY_PLAN } from '../../core/bench/dayPlan'
import type { BenchJobRow, BenchState } from '../../shared/contracts'
import { button, textOf } from './find'
import { mountWith, settled } from './mountWith'

const TODAY = '2026-11-26'
const step = (words: string, more: object = {}) => ({
  key: words,
  words,
  minutes: 20,
  state: 'open',
  waiting: false,
  after: [],
  needs: [],
  ...more,
})
const job = (id: string, more: Partial<BenchJobRow> = {}): BenchJobRow =>
  ({
    id,
    code: `HR-${id}`,
    name: null,
    kinds: ['full-custom'],
    steps: [step('Grind', { state: 'done' }), step('Press'), step('Cool', { waiting: true })],
    blocked: false,
    ...more,
  }) as BenchJobRow

/** The bench of one day, without a planner: what is on it, what waits. */
async function open(component: object, jobs: BenchJobRow[], props: object = {}, on: string[] = []) {
  const state = {
    day: TODAY,
    today: TODAY,
    resources: [{ id: 'people', name: 'people', count: 2, from: '08:00', to: '18:00' }],
    processes: [],
    people: [
      { name: 'Rhona', role: 'owner' },
      { name: 'Bram', role: 'bench' },
    ],
    jobs,
    visits: [],
    times: [],
    plan: {
      version: 3,
      by: null,
      plan: { ...EMPTY_PLAN, jobs: Object.fromEntries(on.map((id) => [id, true])) },
    },
  } as unknown as BenchState
  const Host = {
    components: { Pane: component },
    setup: () => {
      const bench = useBench()
      bench.state = state
      bench.day = TODAY
      return { props }
    },
    template:
      '<Pane v-bind="props" @choose="(...a) => $emit(\'choose\', ...a)" @day="(d) => $emit(\'day\', d)" />',
    emits: ['choose', 'day'],
  }
  return mountWith(Host, { answers: { 'PUT bench/plan': { ...state.plan, version: 4 } } })
}

describe('jobs of the day', () => {
  test('say what is next, how far they are, and what was promised', async () => {
    const { wrapper } = await open(
      JobList,
      [job('a', { promisedOn: TODAY, promisedAt: '16:30' }), job('b', { name: 'Tove' })],
      { may: true },
      ['b'],
    )
    const rows = wrapper.findAll('.job').map((r) => r.text())
    expect(rows.find((r) => r.includes('HR-a'))).toMatch(
      /full-custom · 1 of 3.*next: Press.*promised today 16:30/,
    )
    expect(rows.find((r) => r.includes('Tove'))).toContain('no promise yet')
  })
  test('a promise that has passed is marked, not only coloured', async () => {
    const { wrapper } = await open(
      JobList,
      [job('a', { promisedOn: '2026-11-24' })],
      { may: true },
      ['a'],
    )
    const mark = wrapper.findComponent({ name: 'StatusMark' })
    expect(mark.exists()).toBe(true)
    expect(mark.text()).toContain('promised Tue 24 Nov')
  })
  test('a press takes the next step in hand', async () => {
    const { wrapper } = await open(JobList, [job('a', { promisedOn: TODAY })], { may: true })
    await wrapper.find('.job .what').trigger('click')
    expect(wrapper.emitted('choose')).toEqual([['a', 'Press']])
  })
  test('one is taken off, another put on, and the plan is kept', async () => {
    const jobs = [job('a', { promisedOn: TODAY }), job('b')]
    for (const [press, kept] of [
      ['Put HR-b on this day', { b: true }],
      ['Take HR-a off this day', { a: false }],
    ] as const) {
      const { wrapper, calls } = await open(JobList, jobs, { may: true })
      await button(wrapper, press).trigger('click')
      await settled()
      const put = calls.find((c) => c.method === 'PUT')!
      expect(put.body).toMatchObject({ day: TODAY, version: 0, plan: { jobs: kept } })
    }
  })
  test('who must be seen first is not put on a day', async () => {
    const { wrapper } = await open(JobList, [job('c', { blocked: true })], { may: true })
    expect(textOf(wrapper)).toContain('Refer first')
    expect(() => button(wrapper, 'Put HR-c on this day')).toThrow('nothing is called')
  })
  test('nothing on the day says where it comes from; a reader moves nothing', async () => {
    const { wrapper } = await open(JobList, [job('b')], { may: false })
    expect(textOf(wrapper)).toContain('Nothing on the bench this day.')
    expect(wrapper.findAll('button').map((b) => b.text())).not.toContain('On this day')
  })
})

describe('the week', () => {
  test('has seven days from Monday, each with what is promised and its minutes of hands', async () => {
    const { wrapper } = await open(WeekPromises, [
      job('a', { promisedOn: '2026-11-24', promisedAt: '12:00' }),
      job('b', { promisedOn: '2026-11-24' }),
    ])
    const days = wrapper.findAll('.day').map((d) => d.text())
    expect(days.slice(0, 7).map((d) => d.slice(0, 6))).toEqual([
      'Mon 23',
      'Tue 24',
      'Wed 25',
      'Thu 26',
      'Fri 27',
      'Sat 28',
      'Sun 29',
    ])
    // Only steps with hands that are open: one of 20 minutes each.
    expect(days[1]).toContain('2 promised')
    expect(days[1]).toContain('40 min of hands, 20.0 h there')
    expect(days[1]).toMatch(/HR-a12:00 · 20 min left/)
    expect(days[1]).toMatch(/HR-bby closing · 20 min left/)
  })
  test('what has passed and what has no promise stands beside', async () => {
    const { wrapper } = await open(WeekPromises, [
      job('a', { promisedOn: '2026-11-10' }),
      job('b'),
      job('c', { promisedOn: TODAY }),
    ])
    const none = wrapper.findAll('.day').at(-1)!.text()
    expect(none).toContain('promised 10 Nov')
    expect(none).toContain('HR-bno promise · 20 min')
    expect(none).not.toContain('HR-c')
  })
  test('a day is opened by its head', async () => {
    const { wrapper } = await open(WeekPromises, [])
    await wrapper.findAll('.day button')[4]!.trigger('click')
    expect(wrapper.emitted('day')).toEqual([['2026-11-27']])
  })
})
