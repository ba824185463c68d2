import fc from 'fast-check'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { nextTick } from 'vue'
import { useChanges } from '../../app/stores/changes'
import { useConflict } from '../../app/stores/conflict'
import { useFitting } from '../../app/stores/fitting'
import { useLedger } from '../../app/stores/ledger'
import { useQueue } from '../../app/stores/queue'
import { useWaiting } from '../../app/stores/waiting'
import { useUndo } from '../../app/stores/undo'
import { useSession } from '../../app/stores/session'
import type { Pending } from '../../app/browser/keptChanges'
import type { Command } from '../../core/record/commands'
import type { PartName } from '../../core/record/parts'
import { deviceSchema, type Reading } from '../../core/record/schema'
import { keyWords } from '../../core/record/tableNumbers'
import type { Side } from '../../core/tables/vocabulary'
import type { ReadingKind } from '../../core/kinds/readings/all'
import { FakeServer, type Line } from './fakeServer'
import { runs } from '../effort'

/** What the browser's own database holds; it outlives the page. */
const disk = vi.hoisted(() => new Map<string, Pending>())
const histories = vi.hoisted(() => new Map<string, unknown[]>())
vi.mock('~/browser/sealing', () => ({
  openFor: () => 'p',
  canSeal: () => true,
}))
vi.mock('~/browser/keptChanges', () => ({
  keepPending: async (item: Pending) =>
    void disk.set(item.id, JSON.parse(JSON.stringify(item)) as Pending),
  dropKept: async (id: string) => void disk.delete(id),
  keepRequest: async () => undefined,
  requestsOf: async () => [],
  closedCount: async () => ({ others: 0, own: 0 }),
  filesOf: async () => [],
  sealLegible: async () => undefined,
  pendingOf: async (person: string) =>
    [...disk.values()].filter((item) => item.person === person).sort((a, b) => a.order - b.order),
  keepHistory: async () => undefined,
  historyOf: async (_person: string, id: string) => {
    // A slow database: what is asked first may come last.
    if (histories.has(id)) await new Promise((late) => setTimeout(late, 50))
    return histories.has(id) ? { fittingId: id, undo: histories.get(id), redo: [] } : undefined
  },
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
  const changes = useChanges()
  await changes.open('fitting')
  return {
    fitting: useFitting(),
    changes,
    queue: useQueue(),
    conflict: useConflict(),
    undoing: useUndo(),
    ledger: useLedger(),
  }
}
beforeEach(() => {
  vi.useFakeTimers()
  disk.clear()
  histories.clear()
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

test('a fitting that is left before it was read puts nothing of its own into the next', async () => {
  const { fitting, changes, undoing, queue } = await openPage()
  changes.change(add('left', 'footLengthMm', 265), 'length')
  await settled()
  // Two fittings opened one upon the other: the first one's answers come late.
  histories.set('slow', [
    { part: 'story', before: { activity: 'hockey' }, words: 'not of this one' },
  ])
  const slow = changes.open('slow')
  const next = changes.open('fitting')
  await Promise.all([slow, next, vi.advanceTimersByTimeAsync(100)])
  expect(fitting.id).toBe('fitting')
  expect(undoing.next?.words).not.toBe('not of this one')
  expect(queue.waiting).toEqual([])
  expect(fitting.record.feet.left!.readings[0]!.trials).toEqual([265])
})

test('the same refusal twice is said twice', async () => {
  const { changes, queue } = await openPage()
  for (let i = 0; i < 2; i++) {
    changes.said = ''
    queue.refused = 'Could not keep "length".'
    await nextTick()
    expect(changes.said).toBe('Could not keep "length".')
  }
})

test('a change is on the screen at once and with the server soon after', async () => {
  const { fitting, changes } = await openPage()
  expect(changes.change(add('left', 'footLengthMm', 265), 'length')).toBeNull()
  expect(fitting.record.feet.left!.readings[0]!.trials).toEqual([265])
  expect(useWaiting().saved).toBe('saving')
  await settled()
  expect(useWaiting().saved).toBe('saved')
  expect(trialsOf(server.parts['readings.left']!.content, 'footLengthMm')).toEqual([265])
  expect(disk.size).toBe(0)
})

test('what is refused on the screen is not sent, and says why', async () => {
  const { changes, queue, undoing } = await openPage()
  expect(changes.change(add('left', 'footLengthMm', 2650), 'length')).toMatch(/2650 mm is outside/)
  await settled()
  expect([queue.waiting.length, server.applied.length, undoing.next]).toEqual([0, 0, null])
})

test('what the server refuses goes alone: changes made after it stay and are kept', async () => {
  const { fitting, changes, queue, conflict } = await openPage()
  server.line = 'broken'
  for (const value of [262, 263, 264])
    changes.change(add('left', 'footLengthMm', value), `length ${value}`)
  changes.change(add('left', 'archLengthMm', 190), 'arch')
  await settled()
  expect(useWaiting().saved).toBe('kept')
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
  expect(conflict.open).toBeNull()
  expect(trialsOf(server.parts['readings.left']!.content, 'footLengthMm')).toEqual([
    261, 266, 265, 262, 263,
  ])
  expect(trialsOf(server.parts['readings.left']!.content, 'archLengthMm')).toEqual([190])
  expect(changes.said).toMatch(/^Could not keep "length 264": At most 5 tries/)
  expect(fitting.parts['readings.left']!.content).toEqual(server.parts['readings.left']!.content)
  // What was refused stays on this device until somebody decides.
  expect([useWaiting().saved, queue.waiting.length, disk.size]).toEqual(['saved', 0, 1])
  const [left] = queue.all
  expect(left).toMatchObject({ words: 'length 264', refused: expect.stringMatching(/At most 5/) })
  await queue.decide(left!.id, 'again')
  await settled()
  expect(disk.size).toBe(1)
  await queue.decide(left!.id, 'let go')
  expect([queue.all.length, disk.size]).toEqual([0, 0])
})

const story = (content: object): Command => ({
  kind: 'part.put',
  part: 'story',
  content: { complaints: [], conditions: [], ...content },
})

test('what only one of two changed is kept without asking, of both', async () => {
  const { fitting, changes, conflict } = await openPage()
  changes.change(story({ goal: 'ski' }), 'goal')
  await settled()
  server.line = 'lost on the way'
  changes.change(story({ goal: 'ski', hours: 6 }), 'hours')
  changes.change(story({ goal: 'ski', hours: 6, terrain: 'ice' }), 'terrain')
  const pain = { foot: 'left', at: 'heelPlantar', score: 4 }
  server.other(story({ goal: 'ski', complaints: [pain] }))
  server.line = 'good'
  await settled()
  expect(conflict.open).toBeNull()
  const both = { goal: 'ski', hours: 6, terrain: 'ice', complaints: [pain] }
  expect(server.parts.story!.content).toMatchObject(both)
  expect(fitting.record.story).toMatchObject(both)
})

test('what both changed is asked with both values; the choice drops nothing else of either', async () => {
  const { fitting, changes, conflict } = await openPage()
  changes.change(story({ goal: 'ski' }), 'goal')
  changes.change(add('right', 'footLengthMm', 268), 'length right')
  await settled()
  server.line = 'lost on the way'
  changes.change(story({ goal: 'skate', hours: 6 }), 'goal and hours')
  changes.change(add('right', 'archLengthMm', 190), 'arch right')
  server.other(story({ goal: 'hike', terrain: 'scree' }))
  server.line = 'good'
  await settled()
  // Other parts go on meanwhile.
  expect(trialsOf(server.parts['readings.right']!.content, 'archLengthMm')).toEqual([190])
  expect(conflict.open).toMatchObject({
    who: 'Idris',
    places: [{ words: 'story: goal', mine: 'skate', theirs: 'hike', choice: null }],
  })
  conflict.keep()
  expect(conflict.open).not.toBeNull()
  conflict.choose(conflict.open!.places[0]!.id, 'theirs')
  conflict.keep()
  await settled()
  const kept = { goal: 'hike', terrain: 'scree', hours: 6 }
  expect(server.parts.story!.content).toMatchObject(kept)
  expect(fitting.record.story).toMatchObject(kept)
  expect([conflict.open, disk.size]).toEqual([null, 0])
})

test('what waits of another fitting is sent from wherever somebody is', async () => {
  const { changes, queue } = await openPage()
  server.line = 'lost on the way'
  changes.change(add('left', 'footLengthMm', 262), 'length')
  await settled()
  vi.clearAllTimers()
  // The page is opened again, at another fitting.
  server.line = 'good'
  setActivePinia(createPinia())
  useSession().person = { id: 'p', name: 'Rhona', role: 'owner', shop: 'Hollin Row' } as never
  const again = useQueue()
  await again.flush()
  await settled()
  expect(queue).not.toBe(again)
  expect(trialsOf(server.parts['readings.left']!.content, 'footLengthMm')).toEqual([262])
  expect(disk.size).toBe(0)
})

test('what waits belongs to whoever typed it: another person neither sees nor sends it', async () => {
  const { changes, queue } = await openPage()
  server.line = 'signed out'
  changes.change(add('left', 'footLengthMm', 262), 'length')
  await settled()
  server.line = 'good'
  useSession().person = { id: 'other', name: 'Idris', role: 'fitter' } as never
  await queue.flush()
  await settled()
  expect([queue.all.length, server.applied.length, disk.size]).toEqual([0, 0, 1])
  useSession().person = { id: 'p', name: 'Rhona', role: 'owner' } as never
  await queue.flush()
  await settled()
  expect([server.applied.length, disk.size]).toEqual([1, 0])
})

test('a change kept on this device that fits no longer does not shut the fitting: it opens, and says what could not be kept', async () => {
  let { fitting, changes, queue } = await openPage()
  server.line = 'lost on the way'
  changes.change(add('left', 'footLengthMm', 262), 'length 262')
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
  ;({ fitting, changes, queue } = await openPage())
  expect(trialsOf(fitting.parts['readings.left']!.content, 'footLengthMm')).toHaveLength(5)
  await settled()
  expect(changes.said).toMatch(/Could not keep "length 262"/)
  expect([queue.waiting.length, queue.all[0]!.refused, disk.size]).toEqual([
    0,
    expect.stringContaining('At most 5'),
    1,
  ])
})

test('what belongs together, as the two feet of a called-out line, is kept whole or not at all', async () => {
  const { fitting, changes } = await openPage()
  changes.change(
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
    changes.changeAll([
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
  const { changes, ledger } = await openPage()
  const device = deviceSchema.parse({
    layers: [
      { kind: 'metPad', heightMm: 20 },
      { kind: 'metPad', heightMm: 21 },
    ],
  })
  changes.put('device.left', device, 'pads')
  const outside = () => ledger.open.filter((e) => e.code === 'outside-usual').map((e) => e.words)
  expect(outside()).toHaveLength(2)
  ledger.decide(
    ledger.open.find((e) => e.words.includes('21 mm'))!,
    'set-aside',
    'asked for',
  )
  expect(outside()).toEqual([expect.stringContaining('20 mm')])
  changes.put(
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
  expect(useWaiting().saved).toBe('saved')
  ledger.reopen(ledger.decided[0]!.decision)
  expect(outside()).toHaveLength(2)
})

test('a session that ended keeps the change until somebody signs in again', async () => {
  const { changes, queue } = await openPage()
  server.line = 'signed out'
  changes.change(add('left', 'footLengthMm', 262), 'length')
  await settled()
  expect([useSession().locked, useWaiting().saved, disk.size]).toEqual([true, 'kept', 1])
  server.line = 'good'
  await queue.flush()
  expect(trialsOf(server.parts['readings.left']!.content, 'footLengthMm')).toEqual([262])
})

test('undo and redo walk back and forth through any run of changes', async () => {
  const { fitting, changes } = await openPage()
  const states = [JSON.stringify(fitting.record)]
  const next = [
    () => changes.put('story', { complaints: [], conditions: [], activity: 'hockey' }, 'activity'),
    () => changes.change(add('left', 'footLengthMm', 262), 'length'),
    () => changes.change(add('left', 'footLengthMm', 263), 'length again'),
    () =>
      changes.put(
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
    expect(changes.undo()).toMatch(/^Taken back/)
    expect(now()).toBe(states[i])
  }
  for (let i = 2; i <= next.length; i++) {
    expect(changes.redo()).toMatch(/^Done again/)
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
      let { fitting, changes, queue } = await openPage()
      let value = 200
      const made: string[] = []
      for (const e of events) {
        if (e.do === 'mine') {
          if (changes.change(add(e.side, e.what, ++value), `${e.what} ${value}`) === null)
            made.push(queue.waiting.at(-1)!.id)
        } else if (e.do === 'theirs') {
          if (trialsOf(server.parts[`readings.${e.side}`]?.content, e.what).length < 5)
            server.other(add(e.side, e.what, ++value))
        } else if (e.do === 'line') server.line = e.line
        else if (e.do === 'wait') await vi.advanceTimersByTimeAsync(e.ms)
        else if (server.line === 'good') {
          await vi.advanceTimersByTimeAsync(10)
          vi.clearAllTimers()
          ;({ fitting, changes, queue } = await openPage())
        }
      }
      server.line = 'good'
      void queue.flush()
      for (let i = 0; i < 60 && queue.waiting.length > 0; i++)
        await vi.advanceTimersByTimeAsync(2000)
      expect(queue.waiting).toEqual([])
      expect([...disk.keys()].sort()).toEqual([...server.refused].sort())
      expect([...server.applied, ...server.refused].sort()).toEqual([...made].sort())
      expect(server.applied).toEqual(made.filter((id) => !server.refused.includes(id)))
      await vi.advanceTimersByTimeAsync(2000)
      for (const [part, { version }] of Object.entries(server.parts))
        await queue.heard(part as PartName, version)
      for (const s of ['left', 'right'] as const)
        expect(fitting.parts[`readings.${s}`]?.content).toEqual(
          server.parts[`readings.${s}`]?.content,
        )
    }),
    { numRuns: runs(400) },
  )
})

test('somebody else who signs in over the open page sees, undoes and sends nothing of the first one', async () => {
  const { fitting, changes, undoing, queue } = await openPage()
  server.line = 'signed out'
  changes.change(story({ goal: 'hers alone' }), 'goal')
  await settled()
  server.line = 'good'
  useSession().person = { id: 'other', name: 'Idris', role: 'fitter' } as never
  await settled()
  expect(fitting.record.story?.goal).toBeUndefined()
  expect(undoing.next).toBeNull()
  changes.change(story({ hours: 3 }), 'hours')
  await settled()
  expect(server.parts.story!.content).toMatchObject({ hours: 3 })
  expect(server.parts.story!.content).not.toHaveProperty('goal')
  // When she is back, hers goes under her own name, beside his.
  useSession().person = { id: 'p', name: 'Rhona', role: 'owner' } as never
  await settled()
  expect(server.parts.story!.content).toMatchObject({ hours: 3, goal: 'hers alone' })
  expect(queue.all).toEqual([])
})

test('however much waits, the server is asked once in a while and not once for each', async () => {
  const { changes } = await openPage()
  let asked = 0
  server.line = 'broken'
  vi.stubGlobal('fetch', (path: string, init?: object) => (asked++, server.answer(path, init)))
  for (let i = 0; i < 20; i++) {
    changes.change(story({ hours: i }), 'hours')
    await vi.advanceTimersByTimeAsync(0)
  }
  asked = 0
  await vi.advanceTimersByTimeAsync(15_000)
  expect(asked).toBeGreaterThan(5)
  expect(asked).toBeLessThanOrEqual(11)
})

const PLACES = ['heelPlantar', 'navicular', 'greatToe', 'shin'] as const
const WHO = ['mine', 'theirs'] as const
const edit = fc.record({
  by: fc.constantFrom(...WHO),
  at: fc.constantFrom(...PLACES),
  score: fc.option(fc.integer({ min: 0, max: 10 }), { nil: null }),
  line: fc.constantFrom<Line>('good', 'good', 'lost on the way', 'lost on the way back', 'broken'),
  ms: fc.constantFrom(0, 0, 30, 2000),
})

test('two people write one story: nobody’s entry is lost, and only what both wrote is asked', async () => {
  await fc.assert(
    fc.asyncProperty(fc.array(edit, { maxLength: 40 }), async (edits) => {
      disk.clear()
      server = new FakeServer()
      const { fitting, changes, queue, conflict } = await openPage()
      type Complaints = { at: string; score?: number }[]
      const told = (content: unknown) =>
        (content as { complaints?: Complaints } | undefined)?.complaints ?? []
      const put = (content: unknown, at: string, score: number | null) => {
        const others = told(content).filter((c) => c.at !== at)
        return story({
          complaints: score === null ? others : [...others, { foot: 'left', at, score }],
        })
      }
      const last = { mine: new Map<string, number | null>(), theirs: new Map() }
      for (const { by, at, score, line, ms } of edits) {
        server.line = line
        if (by === 'mine') changes.change(put(fitting.parts.story?.content, at, score), 'pain')
        else server.other(put(server.parts.story?.content, at, score))
        last[by].set(at, score)
        await vi.advanceTimersByTimeAsync(ms)
        if (conflict.open) {
          conflict.chooseAll('mine')
          conflict.keep()
        }
      }
      server.line = 'good'
      void queue.flush()
      for (let i = 0; i < 60 && queue.waiting.length > 0; i++) {
        await vi.advanceTimersByTimeAsync(2000)
        if (!conflict.open) continue
        for (const { words } of conflict.open.places) {
          const place = PLACES.find((p) => words.toLowerCase().includes(keyWords(p)))!
          // Asked is only what both have written.
          expect([last.mine.has(place), last.theirs.has(place)]).toEqual([true, true])
        }
        conflict.chooseAll('mine')
        conflict.keep()
      }
      expect([queue.waiting.length, disk.size]).toEqual([0, 0])
      for (const at of PLACES) {
        const here = told(server.parts.story?.content).find((c) => c.at === at)?.score ?? null
        const [mine, theirs] = WHO.map((who) => last[who].get(at))
        if (mine === undefined) expect(here).toBe(theirs ?? null)
        else if (theirs === undefined) expect(here).toBe(mine)
        else expect([mine, theirs]).toContain(here)
      }
    }),
    { numRuns: runs(300) },
  )
})
