import { addDays, format } from 'date-fns'
import { describe, expect, test, vi } from 'vitest'
import Today from '../../app/pages/index.vue'
import type { VisitRow } from '../../shared/contracts'
import type { Role } from '../../shared/permissions'
import { button, field, textOf } from './find'
import { mountWith, settled } from './mountWith'

const visit = (more: Partial<VisitRow>): VisitRow =>
  ({
    id: 'v1',
    fittingId: 'f1',
    clientId: 'c1',
    code: 'HR-0007',
    name: 'Mirela Stanhope',
    occupation: 'nurse',
    bornOn: '1990-01-01',
    startsAt: '2026-11-29T09:30:00',
    minutes: 60,
    reason: 'cold toes',
    state: 'to-come',
    stations: [1, 2],
    version: 4,
    blocked: false,
    ...more,
  }) as VisitRow

async function open({
  visits = [visit({})],
  unfinished = [] as object[],
  role = 'owner' as Role,
  answers = {} as Record<string, unknown>,
} = {}) {
  const opened = await mountWith(Today, {
    role,
    answers: { today: { visits, unfinished }, timers: { timers: [] }, ...answers },
  })
  await settled()
  return opened
}

describe('visits', () => {
  test('each has its time, who it is, why, and the next station', async () => {
    const { wrapper } = await open()
    const row = wrapper.find('.visit').text()
    expect(row).toContain('09:30')
    expect(row).toContain('Mirela Stanhope')
    expect(row).toMatch(/3\d · nurse/)
    expect(row).toContain('cold toes')
    expect(wrapper.find('.visit a').attributes('href')).toBe('/fittings/f1/examine')
  })

  test('without a name its code stands there, and no age', async () => {
    const { wrapper } = await open({
      visits: [visit({ name: null, bornOn: null, occupation: null, reason: '' })],
    })
    const row = wrapper.find('.visit').text()
    expect(row).toContain('HR-0007')
    expect(row).not.toContain('·')
  })

  test('whoever must be seen by somebody else first is marked so', async () => {
    const { wrapper } = await open({ visits: [visit({ blocked: true })] })
    expect(wrapper.find('.visit').text()).toContain('Refer first')
  })

  test('who is in the chair is said, and one press goes back to them', async () => {
    const { wrapper } = await open({ visits: [visit({ state: 'now' })] })
    expect(textOf(wrapper)).toContain('Mirela Stanhope is in the chair')
    expect(button(wrapper, 'Back to Mirela').attributes('href')).toBe('/fittings/f1/examine')
    const none = await open()
    expect(textOf(none.wrapper)).toContain('Nobody is in the chair')
  })

  test.each([
    ['to-come', 'Is here', 'waiting'],
    ['waiting', 'Take in', 'now'],
    ['now', 'Seen', 'seen'],
    ['seen', 'Not yet', 'now'],
    ['cancelled', 'On again', 'to-come'],
    ['absent', 'On again', 'to-come'],
  ] as const)('one that is %s: “%s” makes it %s', async (state, act, next) => {
    const { wrapper, calls } = await open({ visits: [visit({ state })] })
    await button(wrapper, act).trigger('click')
    await settled()
    expect(calls).toContainEqual({
      path: 'visits/v1',
      method: 'PATCH',
      body: { state: next, version: 4 },
    })
    expect(calls.filter((c) => c.path === 'today')).toHaveLength(2)
  })

  test('one that is on again says who has its time now', async () => {
    const { wrapper } = await open({
      visits: [visit({ state: 'cancelled' })],
      answers: {
        'PATCH visits/v1': { version: 5, said: ['HR-0009 is booked from 09:00 to 10:00.'] },
      },
    })
    await button(wrapper, 'On again').trigger('click')
    await settled()
    expect(textOf(wrapper)).toContain('HR-0009 is booked from 09:00 to 10:00.')
  })

  test('all are counted', async () => {
    const states = ['seen', 'seen', 'now', 'waiting', 'to-come', 'to-come'] as const
    const { wrapper } = await open({
      visits: states.map((state, i) => visit({ id: `v${i}`, state })),
    })
    expect(textOf(wrapper)).toContain('2 seen, 1 now, 1 waiting, 2 to come')
  })

  test('another day is looked at by its arrows, and today again', async () => {
    const dayAfter = format(addDays(new Date(), 1), 'yyyy-MM-dd')
    const { wrapper, calls } = await open({
      answers: { [`today?day=${dayAfter}`]: { visits: [], unfinished: [] } },
    })
    const asked = () => calls.filter((c) => c.path.startsWith('today')).map((c) => c.path)
    await button(wrapper, 'The day after').trigger('click')
    await settled()
    expect(asked().at(-1)).toBe(`today?day=${dayAfter}`)
    expect(textOf(wrapper)).not.toContain('in the chair')
    await button(wrapper.find('.days') as never, 'Today').trigger('click')
    await settled()
    expect(asked().at(-1)).toBe('today')
  })

  test('a page that is left open over night shows the new day, whatever it was opened on', async () => {
    vi.useFakeTimers({ toFake: ['Date'], now: new Date('2026-12-01T22:00:00') })
    const { wrapper, calls } = await open()
    expect(textOf(wrapper)).toContain('Tuesday, 1 December')
    vi.setSystemTime(new Date('2026-12-02T08:00:00'))
    window.dispatchEvent(new Event('focus'))
    await wrapper.vm.$forceUpdate()
    await settled()
    expect(textOf(wrapper)).toContain('Wednesday, 2 December')
    expect(new Set(calls.map((c) => c.path).filter((path) => path.startsWith('today')))).toEqual(
      new Set(['today']),
    )
    vi.useRealTimers()
  })

  test('with whom it is booked stands beside why', async () => {
    const { wrapper } = await open({ visits: [visit({ personName: 'Rhona Ketteridge' })] })
    expect(wrapper.find('.visit').text()).toContain('cold toes · with Rhona Ketteridge')
  })

  test('no visits say how one begins', async () => {
    const { wrapper } = await open({ visits: [] })
    expect(textOf(wrapper)).toContain('No visits today. “New client” begins one.')
    expect(textOf(wrapper)).toContain('Everything begun is handed over.')
  })
})

describe('what a role sees', () => {
  test('the bench goes to Make, and finds no clients', async () => {
    const { wrapper } = await open({ role: 'bench' })
    expect(wrapper.find('.visit a').attributes('href')).toBe('/fittings/f1/make')
    expect(textOf(wrapper)).not.toContain('Find a client')
    expect(textOf(wrapper)).not.toContain('New client')
  })
  test('a reader moves nobody on', async () => {
    const { wrapper } = await open({ role: 'reader' })
    expect(wrapper.findAll('.visit button')).toHaveLength(0)
  })
})

describe('finding a client', () => {
  const client = (more: object) => ({
    id: 'c9',
    code: 'HR-0042',
    name: 'Ayo Brandvold',
    bornOn: null,
    occupation: 'guide',
    fittingId: 'f9',
    openedOn: '2026-11-01',
    ...more,
  })
  async function find(clients: object[], query = 'ayo b') {
    const opened = await open({ answers: { 'clients?q=ayo%20b': { clients } } })
    await field(opened.wrapper, 'Find a client by name or code').setValue(query)
    await new Promise((go) => setTimeout(go, 160))
    await settled()
    return opened
  }
  test('a fitting that is open is opened', async () => {
    const { wrapper } = await find([client({})])
    expect(wrapper.find('.found').text()).toContain('Ayo Brandvold')
    expect(wrapper.find('.found').text()).toContain('HR-0042 · guide')
    expect(button(wrapper, 'Open').attributes('href')).toBe('/fittings/f9/story')
  })
  test('where there is none, one is begun', async () => {
    const { wrapper, calls } = await find([client({ fittingId: null })])
    await button(wrapper, 'Begin').trigger('click')
    await settled()
    expect(calls).toContainEqual({ path: 'clients/c9/fittings', method: 'POST', body: {} })
  })
  test('nobody by that name says so; an emptied field shows nothing', async () => {
    const { wrapper } = await find([])
    expect(textOf(wrapper)).toContain('Nobody by that name.')
    await field(wrapper, 'Find a client by name or code').setValue('')
    await settled()
    expect(wrapper.find('.found').exists()).toBe(false)
  })
  test('only the last of what is typed is asked for', async () => {
    const { wrapper, calls } = await open()
    const box = field(wrapper, 'Find a client by name or code')
    for (const typed of ['a', 'ay', 'ayo']) await box.setValue(typed)
    await new Promise((go) => setTimeout(go, 160))
    expect(calls.map((c) => c.path).filter((p) => p.startsWith('clients?'))).toEqual([
      'clients?q=ayo',
    ])
  })
})

test('unfinished pairs go to where they stopped', async () => {
  const unfinished = [
    {
      fittingId: 'f3',
      clientId: 'c3',
      code: 'HR-0003',
      name: 'Idris Fallowfield',
      since: '2026-11-03',
      stations: [1, 2, 3, 4],
    },
  ]
  const { wrapper } = await open({ unfinished })
  expect(textOf(wrapper)).toContain('HR-0003 · since 3 Nov')
  expect(wrapper.find('.open a').attributes('href')).toBe('/fittings/f3/prescribe')
  expect(textOf(wrapper)).toContain('1 not handed over')
})

test('what came back says so, and more than a page is asked for', async () => {
  const row = (n: number) => ({
    fittingId: `f${n}`,
    clientId: `c${n}`,
    code: `HR-000${n}`,
    name: `Client ${n}`,
    since: '2026-11-03',
    isRound: n === 1,
    stations: [1],
  })
  const { wrapper } = await open({
    answers: {
      today: { visits: [], unfinished: [row(1), row(2)], unfinishedInAll: 3 },
      'unfinished?from=2': { unfinished: [row(2), row(3)], all: 3 },
    },
  })
  expect(textOf(wrapper)).toContain('HR-0001 · back since 3 Nov')
  expect(textOf(wrapper)).toContain('HR-0002 · since 3 Nov')
  await button(wrapper, '2 of 3: show more').trigger('click')
  await settled()
  expect(wrapper.findAll('.open')).toHaveLength(3)
  expect(textOf(wrapper)).not.toContain('show more')
})
