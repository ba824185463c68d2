import { describe, expect, test } from 'vitest'
import Audit from '../../app/pages/audit.vue'
import Due from '../../app/pages/due.vue'
import Worked from '../../app/pages/worked.vue'
import type { WorkedRow } from '../../core/followup/worked'
import type { DueRow } from '../../shared/contracts'
import { button, pick, textOf } from './find'
import { mountWith, settled } from './mountWith'

describe('Due', () => {
  const row = (more: Partial<DueRow>): DueRow => ({
    kind: 'outcome',
    key: 'outcome twoWeeks',
    on: '2026-11-20',
    words: 'ask how it goes: two weeks',
    lateDays: 0,
    fittingId: 'f1',
    clientId: 'c1',
    code: 'HR-0001',
    name: 'Mirela Stanhope',
    phone: null,
    unreminded: null,
    mark: null,
    ...more,
  })
  async function open(due: DueRow[], more = 0) {
    const of = (kind: string) => due.filter((d) => d.kind === kind)
    const kinds = [...new Set(due.map((d) => d.kind))]
    const counts = {
      all: due.length + more,
      late: due.filter((d) => d.lateDays > 0).length,
      settled: 0,
      byKind: Object.fromEntries(kinds.map((k) => [k, of(k).length])),
    }
    const answers = {
      [`due?from=${due.length}`]: { due: [row({ name: 'The Last' })], counts },
      'due?from=0': { due, counts },
      ...Object.fromEntries(kinds.map((k) => [`due?from=0&kind=${k}`, { due: of(k), counts }])),
    }
    const opened = await mountWith(Due, { answers })
    await settled()
    return opened
  }
  const lines = (wrapper: Awaited<ReturnType<typeof open>>['wrapper']) =>
    wrapper.findAll('tbody tr').map((r) => r.text())

  test('says how late or how soon', async () => {
    const { wrapper } = await open([
      row({ lateDays: 2 }),
      row({ lateDays: 1 }),
      row({ lateDays: 0 }),
      row({ lateDays: -1 }),
      row({ lateDays: -5 }),
    ])
    const told = lines(wrapper)
    for (const [i, words] of [
      '2 days late',
      '1 day late',
      'today',
      'in 1 day',
      'in 5 days',
    ].entries())
      expect(told[i]).toContain(words)
    expect(textOf(wrapper)).toContain('2 late, 3 to come')
  })
  test('shows one kind where one is asked for', async () => {
    const { wrapper } = await open([row({}), row({ kind: 'guarantee', words: 'guarantee ends' })])
    await pick(wrapper, 'Kind of reminder', 'Guarantee')
    await settled()
    expect(lines(wrapper)).toHaveLength(1)
    expect(lines(wrapper)[0]).toContain('guarantee ends')
  })
  test('nothing is cut off unsaid: more is shown on demand', async () => {
    const { wrapper } = await open([row({}), row({})], 1)
    await button(wrapper, '2 of 3: show more').trigger('click')
    await settled()
    expect(lines(wrapper)).toHaveLength(3)
    expect(textOf(wrapper)).toContain('The Last')
    expect(textOf(wrapper)).not.toContain('show more')
  })
  test('opens the follow-up', async () => {
    const { wrapper } = await open([row({})])
    expect(button(wrapper, 'Open the follow-up of Mirela Stanhope').attributes('href')).toBe(
      '/fittings/f1/followup',
    )
  })
  test('nothing due is said in words', async () => {
    const { wrapper } = await open([])
    expect(textOf(wrapper)).toContain('Nothing is due.')
  })
})

describe('Audit trail', () => {
  const line = (id: string, more: object = {}) => ({
    id,
    at: '2026-11-29T08:01:02',
    person: 'Rhona Kestle',
    action: 'client.change',
    clientId: 'c1',
    code: 'HR-0001',
    detail: null,
    ...more,
  })
  const open = async (answers: Record<string, unknown>) => {
    const opened = await mountWith(Audit, { answers })
    await settled()
    return opened
  }

  test('says when, who, what, and what it was and is', async () => {
    const detail = { before: { massKg: 70, name: 'A' }, after: { massKg: 72, name: 'A' } }
    const lines = [line('2', { detail }), line('1', { person: null, clientId: null, code: null })]
    const { wrapper } = await open({ 'audit?': { lines, more: false } })
    const [first, second] = wrapper.findAll('tbody tr')
    expect(first!.text()).toMatch(
      /29 Nov 2026 08:01:02.*Rhona Kestle.*changed the client.*HR-0001.*mass, kg: 70 → 72/,
    )
    expect(first!.text()).not.toContain('name')
    expect(first!.find('a').attributes('href')).toBe('/clients/c1')
    expect(second!.text()).toContain('–')
    expect(second!.find('a').exists()).toBe(false)
  })
  test('a client who was erased is no link', async () => {
    const { wrapper } = await open({
      'audit?': { lines: [line('1', { code: null })], more: false },
    })
    expect(wrapper.find('tbody').text()).toContain('erased')
    expect(wrapper.find('tbody a').exists()).toBe(false)
  })
  test('is asked by person and kind, and the file is of the same', async () => {
    const { wrapper } = await open({
      'audit?': { lines: [line('2'), line('1')], more: false },
      'audit?kind=out': { lines: [line('2')], more: false },
    })
    await pick(wrapper, 'What', 'Went out')
    await settled()
    expect(wrapper.findAll('tbody tr')).toHaveLength(1)
    expect(button(wrapper, 'CSV').attributes('href')).toBe('/api/audit/export?kind=out')
  })
  test('older lines follow those that are there', async () => {
    const { wrapper } = await open({
      'audit?': { lines: [line('9'), line('8')], more: true },
      'audit?before=8': { lines: [line('7')], more: false },
    })
    await button(wrapper, 'Show older lines').trigger('click')
    await settled()
    expect(wrapper.findAll('tbody tr')).toHaveLength(3)
    expect(textOf(wrapper)).not.toContain('Show older lines')
  })
  test('no line yet', async () => {
    const { wrapper } = await open({ 'audit?': { lines: [], more: false } })
    expect(textOf(wrapper)).toContain('No line says that.')
  })
})

describe('What worked', () => {
  const mean = (value: number) => ({ mean: value, low: value - 1, high: value + 1, count: 12 })
  const row = (more: Partial<WorkedRow>): WorkedRow => ({
    region: 'ball',
    modification: 'Met pad',
    clients: 12,
    cameBack: 11,
    neverBack: 1,
    pain: mean(-2.7),
    comfort: null,
    list: [{ client: 'HR-0001', before: 6, after: 3, comfort: 12 }],
    ...more,
  })
  const FIGURES = {
    waitingMin: { mean: 31, most: 44, count: 3 },
    redone: { count: 1, of: 5 },
    firstTimeFit: { count: 16, of: 18 },
    neverBack: { count: 0, of: 0 },
  }
  async function open(rows: WorkedRow[], figures: object = FIGURES) {
    const opened = await mountWith(Worked, {
      answers: { worked: { rows, figures, fittings: 18, counts: { pain: 1.5, comfort: 14 } } },
    })
    await settled()
    return opened
  }
  test('an average has its interval, a few have a list', async () => {
    const { wrapper } = await open([
      row({}),
      row({ region: 'heel', modification: 'Skive', clients: 2, cameBack: 2, pain: null }),
    ])
    const [many, few] = wrapper.findAll('tbody tr').map((r) => r.text())
    expect(many).toMatch(/ball of the foot: Met pad.*11 back of 12.*-2\.7.*-3\.7 to -1\.7/)
    expect(few).toContain('Few: list')
  })
  test('the clients of a row are told on demand, and put away again', async () => {
    const { wrapper } = await open([row({})])
    expect(textOf(wrapper)).not.toContain('HR-0001')
    await button(wrapper, /Met pad/).trigger('click')
    expect(textOf(wrapper)).toContain('HR-0001: 6 → 3, comfort +12.0')
    await button(wrapper, /Met pad/).trigger('click')
    expect(textOf(wrapper)).not.toContain('HR-0001')
  })
  test('what is not believed is the shop’s own limit', async () => {
    const { wrapper } = await open([row({})])
    expect(textOf(wrapper)).toContain('band: ± 1.5')
    await button(wrapper, 'Comfort').trigger('click')
    expect(textOf(wrapper)).toContain('band: ± 14')
  })
  test('sorts by what changed', async () => {
    const { wrapper } = await open([
      row({ modification: 'Met pad', pain: mean(-1) }),
      row({ modification: 'Bar', pain: mean(-4) }),
      row({ modification: 'Cut-out', pain: mean(-2) }),
    ])
    const order = () =>
      wrapper.findAll('tbody tr').map((r) => /Met pad|Bar|Cut-out/.exec(r.text())![0])
    expect(order()).toEqual(['Met pad', 'Bar', 'Cut-out'])
    await wrapper.findAll('th')[2]!.trigger('click')
    expect(order()).toEqual(['Bar', 'Cut-out', 'Met pad'])
    await wrapper.findAll('th')[2]!.trigger('click')
    expect(order()).toEqual(['Met pad', 'Cut-out', 'Bar'])
  })
  test('one region can be looked at', async () => {
    const { wrapper } = await open([row({}), row({ region: 'heel', modification: 'Skive' })])
    await pick(wrapper, 'Complaint', 'heel')
    expect(wrapper.findAll('tbody tr')).toHaveLength(1)
  })
  test('a share of a few is no per cent', async () => {
    const { wrapper } = await open([])
    expect(textOf(wrapper)).toContain('31 min, 44 at most')
    expect(textOf(wrapper)).toContain('1 of 5')
    expect(textOf(wrapper)).not.toContain('20 %')
    expect(textOf(wrapper)).toContain('16 of 18, 89 %')
    expect(textOf(wrapper)).toContain('none yet')
  })
  test('nothing timed, nothing handed over', async () => {
    const { wrapper } = await open([], { ...FIGURES, waitingMin: null })
    expect(textOf(wrapper)).toContain('not timed yet')
    expect(textOf(wrapper)).toContain('Nothing handed over with a complaint and a device yet.')
    expect((button(wrapper, 'CSV').element as HTMLButtonElement).disabled).toBe(true)
  })
})
