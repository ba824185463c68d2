import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { ApiError } from '../../app/browser/api'
import { useLine } from '../../app/stores/line'

const answers = vi.hoisted(() => new Map<string, { answer: unknown; at: number }>())
/** whose key is open */
let owner: string | null = 'rhona'
vi.mock('~/browser/sealing', () => ({ openFor: () => owner }))
vi.mock('~/browser/lastAnswers', () => ({
  rememberAnswer: async (path: string, answer: unknown, asker: string | null) =>
    void (asker === owner && answers.set(path, { answer, at: Date.now() })),
  lastAnswer: async (path: string) => answers.get(path) ?? null,
  dropAnswer: async (path: string) => void answers.delete(path),
}))

let status: number | 'silent' = 200
beforeEach(() => {
  vi.useFakeTimers({ now: new Date('2026-11-28T09:00:00') })
  setActivePinia(createPinia())
  answers.clear()
  status = 200
  vi.stubGlobal('fetch', async (path: string) => {
    if (status === 'silent') throw new TypeError('no line')
    return status === 200
      ? Response.json({ path })
      : Response.json({ status, code: 'c', detail: `said ${status}` }, { status })
  })
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

test.each(['silent', 503, 502, 429] as const)(
  'where the server does not answer (%s), what it said last is shown, with its time',
  async (trouble) => {
    const line = useLine()
    await line.read('today')
    await vi.advanceTimersByTimeAsync(60_000)
    await line.read('fittings/1')
    expect(line.shownFrom).toBeNull()
    status = trouble
    expect(await line.read('fittings/1')).toEqual({ path: '/api/fittings/1' })
    expect(line.shownFrom).toBe(+new Date('2026-11-28T09:01:00'))
    // The oldest of what is shown is what is told.
    await line.read('today')
    expect(line.shownFrom).toBe(+new Date('2026-11-28T09:00:00'))
    status = 200
    await line.read('today')
    expect(line.shownFrom).toBeNull()
  },
)

test('what is not known from before is not made up', async () => {
  status = 'silent'
  await expect(useLine().read('today')).rejects.toThrow(ApiError)
  expect(useLine().shownFrom).toBeNull()
})

test.each([401, 403, 404])('a server that says no (%i) is believed', async (no) => {
  const line = useLine()
  await line.read('clients/1')
  status = no
  await expect(line.read('clients/1')).rejects.toThrow(`said ${no}`)
  // Erased or no longer allowed: this device forgets it too.
  expect(answers.has('clients/1')).toBe(no === 401)
})

test('an answer that comes after its asker left is not kept for who came then', async () => {
  const asked = useLine().read('fittings/1')
  owner = 'bram'
  await asked
  expect(answers.size).toBe(0)
  owner = 'rhona'
})
