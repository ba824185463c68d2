import fc from 'fast-check'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { useFitting } from '../../app/stores/fitting'
import { useSession } from '../../app/stores/session'
import type { Pending } from '../../app/composables/commandQueue'
import type { Command } from '../../core/record/commands'
import type { PartName } from '../../core/record/parts'
import { deviceSchema, type Reading } from '../../core/record/schema'
import type { ReadingKind, Side } from '../../core/record/vocabulary'
import { FakeServer, type Line } from './fakeServer'

/** What the browser's own database holds; it outlives the page. */
const disk = vi.hoisted(() => new Map<string, Pending>())
vi.mock('~/composables/commandQueue', () => ({
  keepPending: async (item: Pending) =>
    void disk.set(item.id, JSON.parse(JSON.stringify(item)) as Pending),
  dropPending: async (id: string) => void disk.delete(id),
  pendingOf: async () => [...disk.values()].sort((a, b) => a.order - b.order),
  keepHistory: async () => undefined,
  historyOf: async () => undefined,
  dropHistory: async () => undefined,
}))

const WHATS: ReadingKind[] = ['footLengthMm', 'archLengthMm', 'ballGirthMm']
const add = (side: Side, what: ReadingKind, value: number): Command => ({
  kind: 'readings.add',
  side,
  what,
  posture: 'standing',
  values: [value],
})
let server: FakeServer

/** Opens the page anew: nothing of the last one is left but its database. */
async function openPage() {
  setActivePinia(createPinia())
  useSession().person = { id: 'p', name: 'Rhona', role: 'owner', shop: 'Hollin Row' } as never
  const fitting = useFitting()
  await fitting.open('fitting')
  return fitting
}
beforeEach(() => {
  vi.useFakeTimers()
  disk.clear()
  server = new FakeServer()
  vi.stubGlobal('fetch', (path: string, init?: object) => server.answer(path, init))
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

const settled = () => vi.advanceTimersByTimeAsync(4000)
const trialsOf = (content: unknown, what: ReadingKind) =>
  (content as Reading[] | undefined)?.find((r) => r.what === what)?.trials ?? []

test('a change is on the screen at once and with the server soon after', async () => {
  const fitting = await openPage()
  expect(fitting.change(add('left', 'footLengthMm', 265), 'length')).toBeNull()
  expect(fitting.record.feet.left!.readings[0]!.trials).toEqual([265])
  expect(fitting.saved).toBe('saving')
  await settled()
  expect(fitting.saved).toBe('saved')
  expect(trialsOf(server.parts['readings.left']!.content, 'footLengthMm')).toEqual([265])
  expect(disk.size).toBe(0)
})

test('what is refused on the screen is not sent, and says why', async () => {
  const fitting = await openPage()
  expect(fitting.change(add('left', 'footLengthMm', 2650), 'length')).toMatch(/2650 mm is outside/)
  await settled()
  expect([fitting.queue.length, server.applied.length, fitting.undoStack.length]).toEqual([0, 0, 0])
})

test('what the server refuses goes alone: changes made after it stay and are kept', async () => {
  const fitting = await openPage()
  server.line = 'broken'
  for (const value of [262, 263, 264])
    fitting.change(add('left', 'footLengthMm', value), `length ${value}`)
  fitting.change(add('left', 'archLengthMm', 190), 'arch')
  await settled()
  expect(fitting.saved).toBe('kept')
  // Somebody else took two tries meanwhile; on top of theirs the third of ours is one too many.
  server.other({
    kind: 'readings.add',
    side: 'left',
    what: 'footLengthMm',
    posture: 'standing',
    values: [261, 266, 265],
  })
  server.line = 'good'
  await settled()
  expect(fitting.conflict?.current.changedBy).toBe('Idris')
  fitting.resolve('mine')
  await settled()
  expect(trialsOf(server.parts['readings.left']!.content, 'footLengthMm')).toEqual([
    261, 266, 265, 262, 263,
  ])
  expect(trialsOf(server.parts['readings.left']!.content, 'archLengthMm')).toEqual([190])
  expect(fitting.message).toMatch(/^Could not keep "length 264": At most 5 tries/)
  expect(fitting.parts['readings.left']!.content).toEqual(server.parts['readings.left']!.content)
  expect([fitting.saved, fitting.queue.length, disk.size]).toEqual(['saved', 0, 0])
})

test('theirs instead of mine: what waited for that part goes, other parts keep theirs', async () => {
  const fitting = await openPage()
  server.line = 'lost on the way'
  fitting.change(add('left', 'footLengthMm', 262), 'length left')
  fitting.change(add('right', 'footLengthMm', 268), 'length right')
  server.other(add('left', 'footLengthMm', 261))
  server.line = 'good'
  await settled()
  fitting.resolve('theirs')
  await settled()
  expect(trialsOf(fitting.parts['readings.left']!.content, 'footLengthMm')).toEqual([261])
  expect(trialsOf(server.parts['readings.right']!.content, 'footLengthMm')).toEqual([268])
})

test('a change kept on this device that fits no longer does not shut the fitting: it opens, and says what could not be kept', async () => {
  let fitting = await openPage()
  server.line = 'lost on the way'
  fitting.change(add('left', 'footLengthMm', 262), 'length 262')
  await settled()
  server.line = 'good'
  server.other({
    kind: 'readings.add',
    side: 'left',
    what: 'footLengthMm',
    posture: 'standing',
    values: [261, 261, 261, 262, 262],
  })
  // The clock of the old page stands still; a new one is opened.
  vi.clearAllTimers()
  fitting = await openPage()
  expect(trialsOf(fitting.parts['readings.left']!.content, 'footLengthMm')).toHaveLength(5)
  await settled()
  fitting.resolve('mine')
  await settled()
  expect(fitting.message).toMatch(/Could not keep "length 262"/)
  expect([fitting.queue.length, disk.size]).toEqual([0, 0])
})

test('what belongs together, as the two feet of a called-out line, is kept whole or not at all', async () => {
  const fitting = await openPage()
  fitting.change(
    {
      kind: 'readings.add',
      side: 'right',
      what: 'footLengthMm',
      posture: 'standing',
      values: [268, 268, 267, 268],
    },
    'right',
  )
  const both = (...right: number[]) =>
    fitting.changeAll([
      { command: add('left', 'footLengthMm', 262), words: 'left' },
      {
        command: {
          kind: 'readings.add',
          side: 'right',
          what: 'footLengthMm',
          posture: 'standing',
          values: right,
        },
        words: 'right',
      },
    ])
  expect(both(267, 268)).toMatch(/At most 5 tries/)
  expect(fitting.record.feet.left!.readings).toEqual([])
  expect(both(267)).toBeNull()
  await settled()
  expect(
    (['left', 'right'] as const).map(
      (s) => trialsOf(server.parts[`readings.${s}`]!.content, 'footLengthMm').length,
    ),
  ).toEqual([1, 5])
})

test('what is set aside in Why covers one layer, whatever the order; the other stays open', async () => {
  const fitting = await openPage()
  const device = deviceSchema.parse({
    layers: [
      { kind: 'metPad', heightMm: 20 },
      { kind: 'metPad', heightMm: 21 },
    ],
  })
  fitting.put('device.left', device, 'pads')
  const outside = () =>
    fitting.openEntries.filter((e) => e.code === 'outside-usual').map((e) => e.words)
  expect(outside()).toHaveLength(2)
  fitting.decide(
    fitting.openEntries.find((e) => e.words.includes('21 mm'))!,
    'set-aside',
    'asked for',
  )
  expect(outside()).toEqual([expect.stringContaining('20 mm')])
  fitting.put(
    'device.left',
    {
      ...device,
      posts: [{ at: 'rearfoot', style: 'extrinsic', angleDeg: 2 }],
      layers: [deviceSchema.parse({ layers: [{ kind: 'archFill' }] }).layers[0]!, ...device.layers],
    },
    'a layer before them',
  )
  expect(outside()).toEqual([expect.stringContaining('20 mm')])
  await settled()
  expect(fitting.saved).toBe('saved')
  fitting.reopen(fitting.ledger.decided[0]!.decision)
  expect(outside()).toHaveLength(2)
})

test('a session that ended keeps the change until somebody signs in again', async () => {
  const fitting = await openPage()
  server.line = 'signed out'
  fitting.change(add('left', 'footLengthMm', 262), 'length')
  await settled()
  expect([useSession().locked, fitting.saved, disk.size]).toEqual([true, 'kept', 1])
  server.line = 'good'
  await fitting.flush()
  expect(trialsOf(server.parts['readings.left']!.content, 'footLengthMm')).toEqual([262])
})

test('undo and redo walk back and forth through any run of changes', async () => {
  const fitting = await openPage()
  const states = [JSON.stringify(fitting.record)]
  const next = [
    () => fitting.put('story', { complaints: [], conditions: [], activity: 'hockey' }, 'activity'),
    () => fitting.change(add('left', 'footLengthMm', 262), 'length'),
    () => fitting.change(add('left', 'footLengthMm', 263), 'length again'),
    () =>
      fitting.put(
        'story',
        { complaints: [], conditions: ['diabetes'], activity: 'hockey' },
        'conditions',
      ),
  ]
  for (const step of next) {
    expect(step()).toBeNull()
    states.push(
      JSON.stringify(fitting.record.feet.left!.readings.map((r) => r.trials)) +
        JSON.stringify(fitting.record.story),
    )
  }
  const now = () =>
    JSON.stringify(fitting.record.feet.left!.readings.map((r) => r.trials)) +
    JSON.stringify(fitting.record.story)
  for (let i = next.length - 1; i >= 1; i--) {
    expect(fitting.undo()).toMatch(/^Taken back/)
    expect(now()).toBe(states[i])
  }
  for (let i = 2; i <= next.length; i++) {
    expect(fitting.redo()).toMatch(/^Done again/)
    expect(now()).toBe(states[i])
  }
  await settled()
  expect(fitting.parts.story!.content).toEqual(server.parts.story!.content)
  expect([...new Set(server.applied)]).toHaveLength(server.applied.length)
})

type Event =
  | { do: 'mine' | 'theirs'; side: Side; what: ReadingKind }
  | { do: 'line'; line: Line }
  | { do: 'wait'; ms: number }
  | { do: 'reload' }
const side = fc.constantFrom<Side>('left', 'right')
const what = fc.constantFrom(...WHATS)
const event: fc.Arbitrary<Event> = fc.oneof(
  { weight: 5, arbitrary: fc.record({ do: fc.constant('mine' as const), side, what }) },
  { weight: 1, arbitrary: fc.record({ do: fc.constant('theirs' as const), side, what }) },
  {
    weight: 2,
    arbitrary: fc.record({
      do: fc.constant('line' as const),
      line: fc.constantFrom<Line>(
        'good',
        'lost on the way',
        'lost on the way back',
        'broken',
        'signed out',
      ),
    }),
  },
  {
    weight: 2,
    arbitrary: fc.record({
      do: fc.constant('wait' as const),
      ms: fc.integer({ min: 0, max: 3000 }),
    }),
  },
  { weight: 1, arbitrary: fc.constant({ do: 'reload' as const }) },
)

test('whatever happens to the line, the page and the other screens: every change counts once, in order, or is named', async () => {
  await fc.assert(
    fc.asyncProperty(fc.array(event, { maxLength: 40 }), async (events) => {
      disk.clear()
      server = new FakeServer()
      let fitting = await openPage()
      let value = 200
      const made: string[] = []
      for (const e of events) {
        if (e.do === 'mine') {
          if (fitting.change(add(e.side, e.what, ++value), `${e.what} ${value}`) === null)
            made.push(fitting.queue.at(-1)!.id)
        } else if (e.do === 'theirs') {
          if (trialsOf(server.parts[`readings.${e.side}`]?.content, e.what).length < 5)
            server.other(add(e.side, e.what, ++value))
        } else if (e.do === 'line') server.line = e.line
        else if (e.do === 'wait') await vi.advanceTimersByTimeAsync(e.ms)
        else if (server.line === 'good') {
          await vi.advanceTimersByTimeAsync(10)
          vi.clearAllTimers()
          fitting = await openPage()
        }
      }
      server.line = 'good'
      void fitting.flush()
      for (let i = 0; i < 60 && (fitting.queue.length > 0 || fitting.conflict); i++) {
        await vi.advanceTimersByTimeAsync(2000)
        if (fitting.conflict) fitting.resolve('mine')
      }
      expect(fitting.queue).toEqual([])
      expect(disk.size).toBe(0)
      expect([...server.applied, ...server.refused].sort()).toEqual([...made].sort())
      expect(server.applied).toEqual(made.filter((id) => !server.refused.includes(id)))
      await vi.advanceTimersByTimeAsync(2000)
      for (const [part, { version }] of Object.entries(server.parts))
        await fitting.heard(part as PartName, version)
      for (const s of ['left', 'right'] as const)
        expect(fitting.parts[`readings.${s}`]?.content).toEqual(
          server.parts[`readings.${s}`]?.content,
        )
    }),
    { numRuns: 400 },
  )
})
