import { HOUSE_TABLES } from '../../core/record/tables'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, test, vi } from 'vitest'
import { useBench } from '../../app/stores/bench'
import { useOutbox } from '../../app/stores/outbox'
import { useQueue } from '../../app/stores/queue'
import { useTimers } from '../../app/stores/timers'
import { EMPTY_PLAN, type DayPlan } from '../../core/bench/dayPlan'
import { schedule, type Schedule } from '../../core/bench/schedule/schedule'
import type { Day } from '../../core/bench/schedule/day'
import { jobSteps } from '../../core/bench/jobSteps'
import { DEMO_RECORDS } from '../../demo/records'
import type { BenchJobRow, BenchState, PlanRow } from '../../shared/contracts'
import { signedIn } from './signedIn'

vi.mock('~/browser/keptChanges', async () => (await import('./fakeDisk')).keptChanges)
vi.mock('~/browser/sealing', () => ({
  openFor: () => 'p',
  canSeal: () => true,
}))

/** The worker in this thread; with `slow`, answers wait until they are let go. */
const bench = vi.hoisted(() => ({
  stopped: 0,
  slow: false,
  waiting: [] as (() => void)[],
  asked: [] as boolean[],
}))
vi.mock('~/workers/scheduleWorker', () => ({
  stopScheduling: () => void bench.stopped++,
  scheduleWorker: () => ({
    plan: async (day: Day, keep: Schedule['steps'] | null, quick: boolean) => {
      bench.asked.push(quick)
      if (bench.slow) await new Promise<void>((go) => bench.waiting.push(go))
      return schedule(day, { work: 20_000, ...(keep && { keep }) })
    },
  }),
}))

/** The day that is planned, seen from the one before, so that no clock of this machine counts. */
const [EVE, DAY] = ['2026-11-25', '2026-11-26']
let plan: PlanRow
let puts: { version: number; plan: DayPlan }[]
/** what the next keeping of the plan is answered with, beside 200 */
let answers: number[]
/** The line of this device. */
let isDown = false
const steps = jobSteps(DEMO_RECORDS['mirela-stanhope']!, { processes: HOUSE_TABLES.processes })
const job = (id: string, more: Partial<BenchJobRow> = {}): BenchJobRow =>
  ({
    id,
    code: `HR-${id}`,
    name: null,
    steps: steps.map((s) => ({ ...s, state: 'open' })),
    jobsVersion: 1,
    blocked: false,
    promisedOn: DAY,
    ...more,
  }) as BenchJobRow

function state(): BenchState {
  return {
    day: DAY,
    today: EVE,
    resources: [
      'fitter',
      'bench',
      'grinder',
      'oven',
      'press',
      'chair',
      'tray',
      'blower',
      'vacuum',
      'mould',
    ].map((id) => ({ id, name: id, count: 2, from: '08:00', to: '19:00' })),
    processes: [],
    people: [
      { name: 'Rhona', role: 'owner' },
      { name: 'Bram', role: 'bench' },
    ],
    jobs: [job('a'), job('b', { promisedOn: '2026-11-30' }), job('c', { blocked: true }), ...far()],
    visits: [
      {
        id: 'v',
        job: 'a',
        code: 'HR-a',
        name: null,
        startsAt: `${DAY}T10:00:00`,
        minutes: 150,
        state: 'to-come',
        reason: 'fitting',
      },
    ],
    times: [],
    plan,
  } as unknown as BenchState
}
/** A job of some other time: the server sends its steps where the kept plan has it on this day. */
let hasFar = false
const far = () =>
  !hasFar
    ? []
    : [
        plan.plan.jobs.far
          ? job('far')
          : { ...job('far'), steps: [], handsMin: 40, promisedOn: '2027-02-01' },
      ]
beforeEach(() => {
  hasFar = false
  ;[plan, puts, answers] = [
    { day: DAY, version: 0, plan: EMPTY_PLAN } as unknown as PlanRow,
    [],
    [],
  ]
  isDown = false
  Object.assign(bench, { stopped: 0, slow: false, waiting: [], asked: [] })
  vi.stubGlobal(
    'fetch',
    async (path: string, { method = 'GET', body }: { method?: string; body?: string } = {}) => {
      await new Promise((go) => setTimeout(go, 5))
      if (isDown) throw new TypeError('no line')
      if (method === 'GET')
        return new Response(JSON.stringify(path.includes('/bench?') ? state() : {}))
      const status = answers.shift() ?? 200
      const put = JSON.parse(body!) as (typeof puts)[number]
      if (status !== 200 || put.version !== plan.version)
        return new Response(
          JSON.stringify({
            type: 'x',
            title: 'x',
            code: 'stale',
            status: status === 200 ? 409 : status,
            detail: 'Somebody changed the plan meanwhile.',
          }),
          { status: status === 200 ? 409 : status },
        )
      puts.push(put)
      plan = { ...plan, version: plan.version + 1, plan: put.plan }
      return new Response(JSON.stringify(plan))
    },
  )
  setActivePinia(createPinia())
  signedIn()
})
async function open() {
  const store = useBench()
  await store.load(DAY)
  return store
}

test('a day without a plan gets a proposal; nothing is kept before it is taken', async () => {
  const store = await open()
  expect(store.jobsOfDay.map((j) => j.id)).toEqual(['a'])
  expect(store.otherJobs.map((j) => j.id)).toEqual(['b', 'c'])
  expect(store.shown.length).toBeGreaterThan(3)
  expect([store.plan.steps.length, puts.length, store.missing]).toEqual([0, 0, 0])
  await store.take()
  expect(plan.plan.steps).toHaveLength(store.shown.length)
  expect([store.proposal, store.conflicts]).toEqual([null, []])
})

test('a job from far away put on this day comes with its steps, and they are planned', async () => {
  hasFar = true
  const store = await open()
  expect(store.otherJobs.map((j) => [j.id, j.steps.length])).toContainEqual(['far', 0])
  await store.change({ jobs: { far: true } }, 'put on')
  const there = store.jobsOfDay.find((j) => j.id === 'far')!
  expect([there.handsMin, there.steps.length]).toEqual([undefined, job('far').steps.length])
  expect(store.proposal?.steps.some((s) => s.job === 'far')).toBe(true)
})

test('quick keys do not overtake each other: what was typed last is what is kept, in one order', async () => {
  const store = await open()
  await store.take()
  const first = store.plan.steps[0]!
  const times = ['09:00', '09:05', '09:10', '09:15', '09:20']
  await Promise.all(times.map((at) => store.set(first.job, first.step, at)))
  expect(plan.plan.pinned).toEqual([{ job: first.job, step: first.step, at: '09:20' }])
  expect(store.plan).toEqual(plan.plan)
  // Those on the way went along with the last one: fewer calls than keys, none of them stale.
  expect(puts.length).toBeLessThan(1 + times.length)
  expect(store.trouble).toBe('')
})

test('what the server refuses is told, and the screen shows what is kept there', async () => {
  const store = await open()
  await store.take()
  const before = JSON.stringify(plan.plan)
  plan = { ...plan, version: 9 }
  await store.change({ onDuty: ['Bram'] }, 'Rhona off')
  expect(store.trouble).toMatch(/Somebody changed the plan/)
  expect([JSON.stringify(store.plan), store.onDuty]).toEqual([before, ['Rhona', 'Bram']])
  // From there it goes on with the version that stands.
  await store.change({ onDuty: ['Bram'] }, 'Rhona off')
  expect([store.onDuty, plan.version, store.trouble]).toEqual([['Bram'], 10, ''])
})

test('a day that was asked for before a change answers after it: the change stays', async () => {
  const store = await open()
  await store.take()
  // The answer to this question is made before the change is kept, and comes while it is.
  const asked = store.load(DAY)
  const kept = store.change({ onDuty: ['Bram'] }, 'Rhona off')
  await asked
  expect(store.onDuty).toEqual(['Bram'])
  await kept
  // An answer that was slower still says what was before.
  const answer = JSON.stringify({ ...state(), plan: { ...plan, version: 1, plan: EMPTY_PLAN } })
  const real = fetch
  vi.stubGlobal('fetch', async () => new Response(answer))
  await store.load(DAY)
  vi.stubGlobal('fetch', real)
  expect(store.onDuty).toEqual(['Bram'])
  await store.change({ jobs: { b: true } }, 'put on')
  expect(store.trouble).toBe('')
  expect(plan.plan).toMatchObject({ onDuty: ['Bram'], jobs: { b: true } })
})

test('a change that is still on its way when another day is opened goes to its own day', async () => {
  const store = await open()
  await store.take()
  const real = fetch
  const sent: { day: string }[] = []
  vi.stubGlobal('fetch', async (path: string, init: { method?: string; body?: string } = {}) => {
    if (init.method === 'PUT') sent.push(JSON.parse(init.body!) as { day: string })
    if (!path.includes(`day=${EVE}`)) return real(path, init as RequestInit)
    return new Response(JSON.stringify({ ...state(), day: EVE, plan: { ...plan, version: 40 } }))
  })
  const first = store.change({ onDuty: ['Bram'] }, 'Rhona off')
  // The first is under way; the second waits for its answer while the other day opens.
  await new Promise((go) => setTimeout(go, 0))
  const second = store.change({ onDuty: ['Rhona'] }, 'Bram off')
  await store.load(EVE)
  await Promise.all([first, second])
  expect([store.day, store.trouble]).toEqual([EVE, ''])
  expect(sent.map(({ day }) => day)).not.toContain(EVE)
  expect(plan.plan.onDuty).toEqual(['Rhona'])
})

test('a day that is left and opened again still has what was changed there', async () => {
  const store = await open()
  await store.take()
  const real = fetch
  vi.stubGlobal('fetch', async (path: string, init: RequestInit = {}) =>
    path.includes(`day=${EVE}`)
      ? new Response(JSON.stringify({ ...state(), day: EVE, plan: { ...plan, version: 0 } }))
      : real(path, init),
  )
  const first = store.change({ onDuty: ['Bram'] }, 'Rhona off')
  await new Promise((go) => setTimeout(go, 0))
  const second = store.change({ jobs: { b: true } }, 'put on')
  await store.load(EVE)
  await store.load(DAY)
  // The server may not have the second yet; what is changed now is changed on top of it.
  expect(store.plan).toMatchObject({ onDuty: ['Bram'], jobs: { b: true } })
  const third = store.change({ jobs: { ...store.plan.jobs, c: true } }, 'put on')
  await Promise.all([first, second, third])
  expect(store.trouble).toBe('')
  expect(plan.plan).toMatchObject({ onDuty: ['Bram'], jobs: { b: true, c: true } })
})

test('a refusal of a day that is not looked at any more says which day it was', async () => {
  const store = await open()
  await store.take()
  const real = fetch
  vi.stubGlobal('fetch', async (path: string, init: RequestInit = {}) =>
    path.includes(`day=${EVE}`)
      ? new Response(JSON.stringify({ ...state(), day: EVE, plan: { ...plan, version: 0 } }))
      : real(path, init),
  )
  answers = [409]
  const refused = store.change({ onDuty: ['Bram'] }, 'Rhona off')
  await new Promise((go) => setTimeout(go, 0))
  await store.load(EVE)
  await refused
  expect(store.day).toBe(EVE)
  expect(store.trouble).toBe(`${DAY}: Somebody changed the plan meanwhile.`)
})

test('the newest question for a plan wins, also when an older one answers last', async () => {
  const store = await open()
  bench.slow = true
  const old = store.propose(false)
  const put = store.keep((p) => ({ ...p, jobs: { b: true } }), 'put on')
  const young = store.propose(false)
  await put
  expect([store.planning, bench.stopped]).toEqual([true, 1])
  bench.waiting[1]!()
  await young
  const answer = store.proposal
  expect(new Set(answer!.steps.map((s) => s.job))).toEqual(new Set(['a', 'b']))
  bench.waiting[0]!()
  await old
  expect(store.proposal).toBe(answer)
  expect(store.planning).toBe(false)
})

test('stopping a plan leaves what was there, and a step set by hand stays where it was put', async () => {
  const store = await open()
  const before = store.proposal
  bench.slow = true
  const running = store.propose(false)
  store.stopPlanning()
  bench.waiting[0]!()
  await running
  expect([store.proposal, store.planning]).toEqual([before, false])
  bench.slow = false
  const { job: id, step } = store.shown[0]!
  await store.set(id, step, '13:00')
  expect(store.shown.find((s) => s.job === id && s.step === step)!.start).toBe('13:00')
  await store.set(id, step, null)
  expect(store.plan.pinned).toEqual([])
})

test('a job goes onto another day by hand and off this one, and both go by their codes', async () => {
  const store = await open()
  await store.change({ jobs: { a: false, b: true } }, 'b today')
  expect([store.jobsOfDay.map((j) => j.id), store.otherJobs.map((j) => j.id)]).toEqual([
    ['b'],
    ['a', 'c'],
  ])
  expect(store.whoOf('b')).toBe('HR-b')
  expect(store.wordsOf('b', steps[0]!.key)).toMatch(new RegExp(`^${steps[0]!.words}`))
})

test('the day that was asked for last is shown, whichever answer comes first', async () => {
  const store = await open()
  const answer = globalThis.fetch
  const late: (() => void)[] = []
  vi.stubGlobal('fetch', async (path: string, init?: RequestInit) => {
    if (path.includes(EVE)) await new Promise<void>((go) => late.push(go))
    const day = /day=([\d-]+)/.exec(path)![1]
    return new Response(JSON.stringify({ ...(await (await answer(path, init)).json()), day }))
  })
  const first = store.load(EVE)
  await store.load(DAY)
  late[0]!()
  await first
  expect([store.day, store.state?.day]).toEqual([DAY, DAY])
})

test('what was proposed before a change cannot be taken after it', async () => {
  const store = await open()
  await store.take()
  await store.propose(true)
  expect(store.proposal).not.toBeNull()
  bench.slow = true
  const own = [{ id: 'o', name: 'Lunch', minutes: 30, needs: [], at: '09:00' }]
  const changed = store.change({ own }, 'own work')
  expect(store.proposal).toBeNull()
  await expect.poll(() => bench.waiting.length).toBe(1)
  bench.waiting[0]!()
  await changed
  expect(store.proposal).not.toBeNull()
  await store.take()
  expect(store.conflicts).toEqual([])
})

test('a plan that is changed while the line is down stands here, and says what it was made from', async () => {
  const store = await open()
  await store.take()
  isDown = true
  await store.change({ onDuty: ['Bram'] }, 'Rhona off')
  expect([store.onDuty, store.trouble]).toEqual([['Bram'], ''])
  expect(store.said).toMatch(/kept on this device/)
  const own = [{ id: 'o', name: 'Sharpen', minutes: 20, needs: [] }]
  await store.change({ own }, 'own work')
  expect(store.plan).toMatchObject({ onDuty: ['Bram'], own: [{ name: 'Sharpen' }] })
  isDown = false
  await useOutbox().flush()
  // The server of this test merges nothing: the first goes in, the second tells what it is made from.
  expect(puts.at(-1)!.plan.onDuty).toEqual(['Bram'])
  expect(useOutbox().all[0]!.body).toMatchObject({
    was: { onDuty: ['Bram'], own: [] },
    plan: { onDuty: ['Bram'], own: [{ name: 'Sharpen' }] },
  })
})

test('a step that is begun while the line is down runs here, with its timer, and waits', async () => {
  const store = await open()
  const waiting = store.jobsOfDay[0]!.steps.find((s) => s.waiting && !s.overnight)!
  isDown = true
  expect(await store.act(store.jobsOfDay[0]!, waiting, { do: 'start', reason: 'ready' })).toBe('')
  const there = () => store.jobsOfDay[0]!.steps.find((s) => s.key === waiting.key)!
  expect([there().state, store.said]).toEqual([
    'running',
    expect.stringMatching(/kept on this device/),
  ])
  expect(useTimers().timers).toMatchObject([{ fittingId: 'a', state: 'running' }])
  expect(useQueue().all).toMatchObject([{ fittingId: 'a', part: 'jobs', version: 1 }])
})
