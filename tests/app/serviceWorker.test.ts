import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { answerFor, type Store } from '../../app/service/answerFor'

const page = (words: string, status = 200) =>
  new Response(words, { status, headers: { 'content-type': 'text/html;charset=utf-8' } })
let kept: Map<string, Response>
let line: () => Promise<Response>
let asked = 0
const store: Store = {
  fetch: () => {
    asked++
    return line()
  },
  kept: async (file) => kept.get(file)?.clone(),
  keep: async (file, response) => void kept.set(file, response),
}
const text = async (answer: Promise<Response> | null) => (await answer)!.text()
beforeEach(() => {
  vi.useFakeTimers()
  kept = new Map([['/', page('kept')]])
  asked = 0
})
afterEach(() => vi.useRealTimers())

test('a page is the server’s where it answers, and is kept for later', async () => {
  line = async () => page('new')
  expect(await text(answerFor({ pathname: '/fittings/1/story', isPage: true }, store))).toBe('new')
  expect(await kept.get('/')!.text()).toBe('new')
})

test.each([
  ['no line', () => Promise.reject(new TypeError('no line'))],
  ['a server that stumbles', async () => page('Bad gateway', 502)],
])('%s: the page that was kept', async (_, to) => {
  line = to
  expect(await text(answerFor({ pathname: '/due', isPage: true }, store))).toBe('kept')
})

test('a server that is silent is waited for a little', async () => {
  line = () => new Promise(() => undefined)
  const answer = text(answerFor({ pathname: '/', isPage: true }, store))
  await vi.advanceTimersByTimeAsync(4_100)
  expect(await answer).toBe('kept')
})

test('what is no page is not kept for one, and without any the server’s word counts', async () => {
  line = async () => new Response('{}', { headers: { 'content-type': 'application/json' } })
  await answerFor({ pathname: '/x', isPage: true }, store)
  expect(await kept.get('/')!.text()).toBe('kept')
  kept.clear()
  line = async () => page('down for repairs', 503)
  expect(await text(answerFor({ pathname: '/', isPage: true }, store))).toBe('down for repairs')
  line = () => Promise.reject(new TypeError('no line'))
  await expect(answerFor({ pathname: '/', isPage: true }, store)).rejects.toThrow('no line')
})

test('a file is asked for once; one that is not there is not kept', async () => {
  line = async () => new Response('let it be')
  for (let i = 0; i < 3; i++)
    expect(await text(answerFor({ pathname: '/_nuxt/a.js', isPage: false }, store))).toBe(
      'let it be',
    )
  expect(asked).toBe(1)
  line = async () => new Response('gone', { status: 404 })
  await answerFor({ pathname: '/_nuxt/b.js', isPage: false }, store)
  expect(kept.has('/_nuxt/b.js')).toBe(false)
})

test('what people write and read goes past it', () => {
  line = () => Promise.reject(new Error('asked'))
  for (const pathname of ['/api/fittings/1', '/api/today', '/sw.js', '/robots.txt'])
    expect(answerFor({ pathname, isPage: false }, store)).toBeNull()
  expect(answerFor({ pathname: '/api/fittings/1/card', isPage: true }, store)).toBeNull()
})
