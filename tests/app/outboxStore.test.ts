import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import type { Request } from '../../app/browser/keptChanges'
import { useOutbox } from '../../app/stores/outbox'
import { useQueue } from '../../app/stores/queue'
import { useSession } from '../../app/stores/session'
import { useWaiting } from '../../app/stores/waiting'

const disk = vi.hoisted(() => new Map<string, Request>())
/** Does the browser keep anything for us? */
let keeps = true
vi.mock('~/browser/sealing', () => ({
  openFor: () => 'p',
  canSeal: () => keeps,
}))
vi.mock('~/browser/keptChanges', () => ({
  keepRequest: async (item: Request) => void disk.set(item.id, structuredClone(item)),
  dropKept: async (id: string) => void disk.delete(id),
  requestsOf: async (person: string) =>
    [...disk.values()].filter((i) => i.person === person).sort((a, b) => a.order - b.order),
  pendingOf: async () => [],
  sealLegible: async () => undefined,
  closedCount: async () => ({ others: 0, own: 0 }),
  filesOf: async () => [],
}))

interface Call {
  path: string
  id: string | null
  body: unknown
}
let calls: Call[] = []
/** What the server does: a status for every call, or no answer at all. */
let status: number | 'silent' = 200
let answered = new Map<string, unknown>()

function openPage(person = 'p') {
  setActivePinia(createPinia())
  useSession().person = { id: person, name: 'Rhona', role: 'owner' } as never
  return { outbox: useOutbox(), waiting: useWaiting(), queue: useQueue() }
}
beforeEach(() => {
  keeps = true
  vi.useFakeTimers()
  disk.clear()
  calls = []
  status = 200
  answered = new Map()
  vi.stubGlobal('fetch', async (input: string, init: RequestInit = {}) => {
    const id = new Headers(init.headers).get('x-write-id')
    const body: unknown = init.body ? JSON.parse(String(init.body)) : null
    const path = String(input).replace('/api/', '')
    calls.push({ path, id, body })
    if (status === 'silent') throw new TypeError('no line')
    if (status >= 300)
      return new Response(
        JSON.stringify({ type: '', title: '', status, code: 'c', detail: `said ${status}` }),
        { status },
      )
    if (init.method === 'GET') return Response.json({ details: { massKg: 80 } })
    // Counted once by its id.
    if (id && !answered.has(id)) answered.set(id, { number: answered.size + 1 })
    return Response.json(answered.get(id ?? ''))
  })
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})
const visit = { method: 'PATCH' as const, path: 'visits/1', body: { state: 'now' }, words: 'visit' }

test('what is typed is sent with an id of its own, and answered', async () => {
  const { outbox, waiting } = openPage()
  const sent = outbox.write(visit)
  await vi.advanceTimersByTimeAsync(0)
  expect(await sent).toEqual({ answer: { number: 1 } })
  expect(calls).toMatchObject([{ path: 'visits/1', body: { state: 'now' } }])
  expect(calls[0]!.id).toMatch(/^[0-9a-f-]{36}$/)
  expect([disk.size, waiting.saved]).toEqual([0, 'saved'])
})

test.each([['silent' as const], [500], [503], [429]])(
  'no good answer (%s): it waits, is told to wait, and goes by itself in order, under the same id',
  async (trouble) => {
    const { outbox, waiting } = openPage()
    status = trouble
    const first = outbox.write<{ number: number }>(visit)
    await vi.advanceTimersByTimeAsync(0)
    expect(await first).toEqual({ waits: true })
    const second = outbox.write({ ...visit, words: 'second' })
    await vi.advanceTimersByTimeAsync(0)
    expect(await second).toEqual({ waits: true })
    expect([disk.size, waiting.saved, waiting.lines.map((l) => l.words)]).toEqual([
      2,
      'kept',
      ['visit', 'second'],
    ])
    status = 200
    await vi.advanceTimersByTimeAsync(5000)
    expect([disk.size, waiting.saved]).toEqual([0, 'saved'])
    expect(new Set(calls.filter((c) => c.id === calls[0]!.id).map((c) => c.path)).size).toBe(1)
    expect([...answered.keys()]).toEqual([calls[0]!.id, calls.at(-1)!.id])
  },
)

test('a crash and a page opened again send it, once', async () => {
  const { outbox } = openPage()
  status = 'silent'
  void outbox.write(visit)
  await vi.advanceTimersByTimeAsync(0)
  vi.clearAllTimers()
  status = 200
  const again = openPage()
  await again.outbox.flush()
  await again.outbox.flush()
  expect(answered.size).toBe(1)
  expect(disk.size).toBe(0)
})

test('a session that ended locks the page; it goes after the same person has signed in', async () => {
  const { outbox } = openPage()
  status = 401
  void outbox.write(visit)
  await vi.advanceTimersByTimeAsync(0)
  expect(useSession().locked).toBe(true)
  status = 200
  useSession().person = { id: 'other', name: 'Idris', role: 'fitter' } as never
  await outbox.flush()
  expect([answered.size, outbox.all.length, disk.size]).toEqual([0, 0, 1])
  useSession().person = { id: 'p', name: 'Rhona', role: 'owner' } as never
  await outbox.flush()
  expect([answered.size, disk.size]).toEqual([1, 0])
})

test('refused at once: whoever typed it is told and still has it before them', async () => {
  const { outbox, waiting } = openPage()
  status = 400
  const refused = outbox.write(visit).catch((error: Error) => error.message)
  await vi.advanceTimersByTimeAsync(0)
  expect(await refused).toBe('said 400')
  expect([waiting.lines, disk.size]).toEqual([[], 0])
})

test('refused later: it stays, with why, until somebody decides', async () => {
  const { outbox, waiting } = openPage()
  status = 'silent'
  const change = { changes: { massKg: { from: 70, to: 72 } } }
  void outbox.write({ ...visit, path: 'clients/7', body: change, words: 'client: mass' })
  await vi.advanceTimersByTimeAsync(0)
  status = 409
  await vi.advanceTimersByTimeAsync(5000)
  expect(waiting.refused).toMatchObject([{ words: 'client: mass', refused: 'said 409' }])
  expect(disk.size).toBe(1)
  // Again, on top of what the client is by now.
  status = 200
  await waiting.decide(waiting.refused[0]!.id, 'again')
  expect(calls.at(-1)).toMatchObject({
    path: 'clients/7',
    body: { changes: { massKg: { from: 80, to: 72 } } },
  })
  expect([waiting.lines, disk.size]).toEqual([[], 0])
})

test('what is let go is gone', async () => {
  const { outbox, waiting } = openPage()
  status = 'silent'
  void outbox.write(visit)
  await vi.advanceTimersByTimeAsync(0)
  await waiting.decide(waiting.lines[0]!.id, 'let go')
  status = 200
  await vi.advanceTimersByTimeAsync(5000)
  expect([waiting.lines, disk.size, answered.size]).toEqual([[], 0, 0])
})

test('a client is shown as typed while it waits', async () => {
  const { outbox } = openPage()
  status = 'silent'
  for (const [field, to] of [
    ['massKg', 72],
    ['guardian', null],
  ] as const)
    void outbox.write({ ...visit, path: 'clients/7', body: { changes: { [field]: { to } } } })
  await vi.advanceTimersByTimeAsync(0)
  expect(outbox.withOwn('7', { massKg: 70, guardian: 'Ola', name: 'Nils' })).toEqual({
    massKg: 72,
    name: 'Nils',
  })
  expect(outbox.withOwn('8', { massKg: 70 })).toEqual({ massKg: 70 })
})

test('kept is said only of what lies on the device; else the page must stay open', async () => {
  keeps = false
  const { outbox, waiting } = openPage()
  status = 'silent'
  void outbox.write(visit)
  expect(waiting.saved).toBe('saved')
  await vi.advanceTimersByTimeAsync(0)
  expect(waiting.saved).toBe('on this page')
})

test('a run that is under way may send it: whoever typed it gets the answer all the same', async () => {
  const { outbox } = openPage()
  status = 'silent'
  void outbox.write(visit)
  await vi.advanceTimersByTimeAsync(0)
  status = 200
  // The next one is typed while what waited is on its way.
  const run = outbox.flush()
  const typed = outbox.write({ ...visit, words: 'second' })
  await vi.advanceTimersByTimeAsync(0)
  await run
  expect(await typed).toEqual({ answer: { number: 2 } })
})

test('however much waits, the server is asked once in a while and not once for each', async () => {
  const { outbox } = openPage()
  status = 'silent'
  for (let i = 0; i < 20; i++) {
    void outbox.write({ ...visit, words: `change ${i}` })
    await vi.advanceTimersByTimeAsync(0)
  }
  calls = []
  await vi.advanceTimersByTimeAsync(15_000)
  expect(calls.length).toBeGreaterThan(5)
  expect(calls.length).toBeLessThanOrEqual(11)
})
