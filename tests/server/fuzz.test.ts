import { readdirSync, readFileSync } from 'node:fs'
import fc from 'fast-check'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { runs } from '../effort'
import { Caller, startServer } from './client'

/** Every route that takes a body, by method and path. */
const routes = (readdirSync('server/api', { recursive: true }) as string[])
  .map((file) => /^(.*?)(?:\/?index)?\.(post|put|patch|delete)\.ts$/.exec(file))
  .flatMap((found) => (found ? [{ path: found[1]!, method: found[2]!.toUpperCase() }] : []))
  // These end the session that asks, or everybody's.
  .filter(({ path }) => !/^(sign-out|sessions\/end|lock|unlock|sign-in|first-owner)/.test(path))
/** Words that bodies are made of somewhere in the program. */
const KEYS = [
  ...new Set(
    ['shared/contracts.ts', 'core/record/schema.ts', 'core/record/commands.ts']
      .flatMap((file) => readFileSync(file, 'utf8').match(/\b[a-zA-Z]+(?=: z)/g) ?? [])
      .concat('constructor', '__proto__', 'format', 'version'),
  ),
]
const WORDS = [
  'left',
  'right',
  'part.put',
  'readings.add',
  'story',
  'mm',
  'add',
  'gentle-arch/fitting',
]
const ODD = ['', '\u0000', '\ud800', "'; drop table clients; --", '<script>', '../../etc/passwd']

const odd = fc.oneof(
  fc.constantFrom(...WORDS, ...ODD, null, true, -1, 0, 1e308, -0.5, 2 ** 53, '2026-02-31'),
  fc.string({ unit: 'binary', maxLength: 300 }),
  fc.double(),
  fc.uuid(),
)
const value = fc.letrec((tie) => ({
  any: fc.oneof(
    { maxDepth: 4, withCrossShrink: true },
    odd,
    fc.array(tie('any'), { maxLength: 5 }),
    fc.dictionary(fc.constantFrom(...KEYS), tie('any'), { maxKeys: 6 }),
  ),
})).any
const body = fc.oneof(
  { weight: 6, arbitrary: fc.dictionary(fc.constantFrom(...KEYS), value, { maxKeys: 8 }) },
  { weight: 1, arbitrary: value },
)
const deep = (depth: number) => `${'{"a":['.repeat(depth)}${']}'.repeat(depth)}`

let server: Awaited<ReturnType<typeof startServer>>
let sunniva: Caller
let ids: { fittings: string; clients: string }
beforeAll(async () => {
  server = await startServer(21737)
  sunniva = await new Caller(server.base).signIn('sunniva')
  // Somebody of its own, whom nobody misses.
  const { json } = await sunniva.post('clients', { details: { name: 'Fuzz' } })
  ids = { fittings: json.fittingId, clients: json.id ?? json.clientId }
})
afterAll(() => server.stop())
const real = (path: string) =>
  path.replace('[id]', ids[path.split('/')[0] as keyof typeof ids] ?? ids.fittings)

describe('whatever is sent', () => {
  it.each(routes)('$method $path is taken or refused in a sentence, and never fails', async (r) => {
    await fc.assert(
      fc.asyncProperty(body, async (sent) => {
        const text = JSON.stringify(sent)
        // Erasing is left to the tests of erasing.
        const path =
          r.method === 'DELETE' ? r.path.replace('[id]', crypto.randomUUID()) : real(r.path)
        const { status, json } = await sunniva.call(r.method, path, text)
        expect(status, `${JSON.stringify(json)} for ${text.slice(0, 400)}`).toBeLessThan(500)
        if (status >= 400) {
          expect(json).toMatchObject({ code: expect.any(String), detail: expect.any(String) })
          // What went wrong is told in our words, not the database's.
          expect(json.detail).not.toMatch(/syntax|relation|column|constraint|undefined|\[object/i)
        }
      }),
      { numRuns: runs(500, 15) },
    )
  })
  it('a body that is no JSON, cut off, or as deep as a well is refused', async () => {
    const bodies = ['', '{', 'null', '[]', '"x"', '\ufeff{}', '{"a":1}{', deep(2000), deep(100_000)]
    for (const { method, path } of routes.filter((r) => r.method !== 'DELETE'))
      for (const text of bodies) {
        const { status } = await sunniva.call(method, real(path), text)
        expect(status, `${method} ${path} ${text.slice(0, 20)}`).toBeLessThan(500)
      }
    expect((await sunniva.get('health')).json.live).toBe(true)
  })
})
