import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest'
import type { KeyRow, Sealed } from '../../app/browser/deviceStore'
import type { WaitingScan } from '../../app/browser/keptChanges'

/** What the browser's own database holds; it outlives the page. */
const disk = vi.hoisted(() => ({
  keys: new Map<string, KeyRow>(),
  sealed: new Map<string, Sealed>(),
  legible: [] as unknown[],
}))
vi.mock('~/browser/deviceStore', () => ({ deviceStore: store() }))
vi.mock('../../app/browser/deviceStore', () => ({ deviceStore: store() }))
function store() {
  return {
    put: async (row: Sealed) => void disk.sealed.set(row.id, row),
    drop: async (id: string) => void disk.sealed.delete(id),
    putAll: async (rows: Sealed[]) => rows.forEach((row) => disk.sealed.set(row.id, row)),
    one: async (id: string) => disk.sealed.get(id),
    all: async () => [...disk.sealed.values()],
    ofPerson: async (person: string) =>
      [...disk.sealed.values()].filter((r) => r.person === person),
    keys: async () => [...disk.keys.values()],
    key: async (person: string) => disk.keys.get(person),
    putKey: async (row: KeyRow) => void disk.keys.set(row.person, row),
    legible: async () => disk.legible,
    dropLegible: async () => void (disk.legible = []),
  }
}

/** A page that was loaded anew: nothing of the last one is left but the database. */
async function page() {
  vi.resetModules()
  const sealing = await import('../../app/browser/sealing')
  const kept = await import('../../app/browser/keptChanges')
  const answers = await import('../../app/browser/lastAnswers')
  return { ...sealing, ...kept, ...answers }
}
beforeEach(() => {
  disk.keys.clear()
  disk.sealed.clear()
  disk.legible = []
})

const item = (person: string, id = 'one') => ({
  id,
  person,
  order: 1,
  words: 'born on',
  method: 'PATCH' as const,
  path: 'clients/1',
  body: { changes: { guardian: { to: 'Ottilie Marchbank' } } },
})
/** Every byte that lies on the device, as somebody who takes it away would read it. */
const onDisk = () =>
  [...disk.sealed.values()]
    .map((row) => JSON.stringify(row) + new TextDecoder('latin1').decode(row.box.data))
    .join()

test('what waits comes back after a reload, and lies closed on the device meanwhile', async () => {
  const first = await page()
  await first.unlock('rhona', 'quiet larch')
  await first.keepRequest(item('rhona'))
  expect(onDisk()).not.toMatch(/Ottilie|guardian|born on/)
  const second = await page()
  await second.unlock('rhona')
  expect(await second.requestsOf('rhona')).toEqual([item('rhona')])
  await second.dropKept('one')
  expect(disk.sealed.size).toBe(0)
})

const scan = (id: string) =>
  ({
    id,
    person: 'rhona',
    order: 1,
    words: 'scan left.stl',
    fittingId: 'f',
    row: { id, name: 'left.stl' },
  }) as unknown as WaitingScan
const inkOf = (words: string) => new TextEncoder().encode(words)

test('a file that waits comes back byte for byte, lies closed meanwhile, and leaves nothing', async () => {
  const first = await page()
  await first.unlock('rhona', 'quiet larch')
  const bytes = inkOf('solid Ottilie Marchbank, left')
  await first.keepFile(scan('one'), bytes)
  expect(onDisk()).not.toMatch(/Ottilie|left/)
  const second = await page()
  await second.unlock('rhona')
  const [back] = await second.filesOf('rhona')
  expect(back).toEqual(scan('one'))
  expect(await second.bytesOfFile(back!)).toEqual(bytes)
  // It counts as one thing that waits, whoever looks.
  expect(await second.closedCount('rhona')).toEqual({ others: 0, own: 0 })
  expect(await second.closedCount('idris')).toEqual({ others: 1, own: 0 })
  await second.dropFile('one')
  expect(disk.sealed.size).toBe(0)
})

test('a file kept before its owner’s words were known is sealed under them with all else', async () => {
  const first = await page()
  await first.unlock('rhona')
  await first.keepFile(scan('one'), inkOf('solid x'))
  await first.keepRequest(item('rhona', 'two'))
  const second = await page()
  await second.unlock('rhona', 'quiet larch')
  await second.lockAway('rhona')
  const third = await page()
  await third.unlock('rhona', 'quiet larch')
  expect(await third.requestsOf('rhona')).toEqual([item('rhona', 'two')])
  expect(await third.bytesOfFile(scan('one'))).toEqual(inkOf('solid x'))
})

test('what the server said last is read by its own person alone, and is no change that waits', async () => {
  const first = await page()
  await first.unlock('rhona', 'quiet larch')
  await first.rememberAnswer('today', { visits: ['Ottilie Marchbank'] }, 'rhona')
  expect(onDisk()).not.toContain('Ottilie')
  expect(await first.closedCount('rhona')).toEqual({ others: 0, own: 0 })
  // Asked for by somebody who has left meanwhile: it is nobody's here.
  await first.rememberAnswer('due', { due: [] }, 'idris')
  expect(disk.sealed.size).toBe(1)
  const second = await page()
  expect(await second.lastAnswer('today')).toBeNull()
  expect(await second.peopleHere()).toEqual(['rhona'])
  await second.unlock('rhona')
  expect(await second.lastAnswer('today')).toMatchObject({
    answer: { visits: ['Ottilie Marchbank'] },
  })
  const other = await page()
  await other.unlock('idris', 'tall alder')
  expect(await other.lastAnswer('today')).toBeNull()
  // Signed out, nobody is here, and nothing is left.
  await second.dropAnswers('rhona')
  await second.lockAway('rhona')
  expect(await second.peopleHere()).toEqual(['idris'])
  expect(disk.sealed.size).toBe(0)
})

test('of what was said only the newest is kept', async () => {
  const { unlock, rememberAnswer, lastAnswer } = await page()
  await unlock('rhona', 'quiet larch')
  vi.useFakeTimers({ toFake: ['Date'], now: new Date('2026-11-01T09:00:00Z') })
  await rememberAnswer('fittings/0', 'eight days old', 'rhona')
  vi.setSystemTime(new Date('2026-11-09T09:00:00Z'))
  for (let i = 1; i <= 150; i++) {
    vi.setSystemTime(Date.now() + 1000)
    await rememberAnswer(`fittings/${i}`, i, 'rhona')
  }
  vi.useRealTimers()
  expect(disk.sealed.size).toBeLessThanOrEqual(140)
  expect(await lastAnswer('fittings/0')).toBeNull()
  expect(await lastAnswer('fittings/150')).toMatchObject({ answer: 150 })
})

test('the key on the device can be used and never taken away', async () => {
  const { unlock } = await page()
  await unlock('rhona', 'quiet larch')
  const { live } = disk.keys.get('rhona')!
  expect(live!.extractable).toBe(false)
  await expect(crypto.subtle.exportKey('raw', live!)).rejects.toThrow()
})

test('after sign-out only the same words open it', async () => {
  const first = await page()
  await first.unlock('rhona', 'quiet larch')
  await first.keepRequest(item('rhona'))
  await first.lockAway('rhona')
  expect(disk.keys.get('rhona')!.live).toBeUndefined()
  const back = await page()
  expect(await back.unlock('rhona', 'quiet larch')).toBe('open')
  expect(await back.requestsOf('rhona')).toHaveLength(1)
})

test('other words open nothing, say so, and leave what lies there', async () => {
  const first = await page()
  await first.unlock('rhona', 'quiet larch')
  await first.keepRequest(item('rhona'))
  await first.lockAway('rhona')
  const wrong = await page()
  expect(await wrong.unlock('rhona', 'another word')).toBe('former')
  expect(await wrong.requestsOf('rhona')).toEqual([])
  expect(await wrong.closedCount('rhona')).toEqual({ others: 0, own: 1 })
  await wrong.keepRequest(item('rhona', 'two'))
  expect(await wrong.requestsOf('rhona')).toEqual([item('rhona', 'two')])
})

test('another person learns that something waits, not what', async () => {
  const first = await page()
  await first.unlock('rhona', 'quiet larch')
  await first.keepRequest(item('rhona'))
  const other = await page()
  await other.unlock('idris', 'slate')
  expect(await other.requestsOf('rhona')).toEqual([])
  expect(await other.requestsOf('idris')).toEqual([])
  expect(await other.closedCount('idris')).toEqual({ others: 1, own: 0 })
})

test('a reload after signing out asks for the words, and loses nothing of what waits', async () => {
  const first = await page()
  await first.unlock('rhona', 'quiet larch')
  await first.keepRequest(item('rhona'))
  await first.lockAway('rhona')
  // The server never heard of it: its cookie still says who was here.
  const again = await page()
  expect(await again.unlock('rhona')).toBe('asks')
  expect(await again.requestsOf('rhona')).toEqual([])
  expect(await again.unlock('rhona', 'quiet larch')).toBe('open')
  expect(await again.requestsOf('rhona')).toEqual([item('rhona')])
})

test('what was kept before there were words is sealed anew under them', async () => {
  const first = await page()
  await first.unlock('rhona')
  await first.keepRequest(item('rhona'))
  const second = await page()
  await second.unlock('rhona', 'quiet larch')
  expect(await second.requestsOf('rhona')).toEqual([item('rhona')])
  await second.lockAway('rhona')
  expect(disk.keys.get('rhona')).toMatchObject({ wrapped: {} })
  expect(disk.keys.get('rhona')!.live).toBeUndefined()
  const third = await page()
  await third.unlock('rhona', 'quiet larch')
  expect(await third.requestsOf('rhona')).toEqual([item('rhona')])
})

describe('a browser without a cipher', () => {
  beforeEach(() => vi.stubGlobal('crypto', { randomUUID: () => 'id' }))
  afterEach(() => void vi.unstubAllGlobals())

  test('writes nothing down, and still gives nobody what another typed', async () => {
    const { unlock, keepRequest, requestsOf, closedCount, keepHistory, dropHistory, historyOf } =
      await page()
    await unlock('rhona', 'quiet larch')
    await keepRequest(item('rhona'))
    await keepHistory('rhona', { fittingId: 'f', undo: [], redo: [] })
    expect([disk.sealed.size, disk.keys.size]).toEqual([0, 0])
    await dropHistory('idris')
    await unlock('idris', 'slate')
    expect(await requestsOf('idris')).toEqual([])
    expect(await historyOf('idris', 'f')).toBeUndefined()
    expect(await closedCount('idris')).toEqual({ others: 1, own: 0 })
    expect(await requestsOf('rhona')).toEqual([item('rhona')])
    expect(await historyOf('rhona', 'f')).toBeDefined()
  })
})

test('what an earlier version kept legible is sealed and no longer lies there', async () => {
  const content = { goal: 'ski' }
  const command = { kind: 'part.put', part: 'story', content }
  disk.legible = [{ id: 'old', order: 3, fittingId: 'f', part: 'story', words: 'goal', command }]
  const { unlock, sealLegible, pendingOf } = await page()
  await unlock('rhona', 'quiet larch')
  await sealLegible('rhona')
  expect(disk.legible).toEqual([])
  expect(await pendingOf('rhona')).toMatchObject([
    { id: 'old', person: 'rhona', words: 'goal', after: content },
  ])
  expect(onDisk()).not.toContain('goal')
})

test('what could be taken back is forgotten at sign-out; what waits is not', async () => {
  const { unlock, keepHistory, historyOf, dropHistory, keepRequest, requestsOf } = await page()
  await unlock('rhona', 'quiet larch')
  const history = { fittingId: 'f', undo: [], redo: [] }
  await keepHistory('rhona', history)
  await keepRequest(item('rhona'))
  expect(await historyOf('rhona', 'f')).toEqual(history)
  await dropHistory('rhona')
  expect(await historyOf('rhona', 'f')).toBeUndefined()
  expect(await requestsOf('rhona')).toHaveLength(1)
})
