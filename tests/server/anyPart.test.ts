import { randomUUID } from 'node:crypto'
import fc from 'fast-check'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { PART_NAMES, PART_SCHEMAS, type PartName } from '../../core/record/parts'
import { storableDeep } from '../../core/record/storable'
import { arbitraryOf } from '../fixtures/arbitraryOf'
import { Caller, startServer } from './client'
import { runs } from '../effort'

let server: Awaited<ReturnType<typeof startServer>>
let rhona: Caller
beforeAll(async () => {
  server = await startServer(21740)
  rhona = await new Caller(server.base).signIn('rhona')
})
afterAll(() => server.stop())

/** As it arrives: without what is not there, and without what no database holds. */
const asStored = (value: unknown): unknown => storableDeep(JSON.parse(JSON.stringify(value)))
/**
 * A fitting keeps its table of norms; a list of jobs is checked against its steps, which other
 * tests do; orders are kept by sending them to a lab.
 */
const OTHERS: readonly PartName[] = ['norms', 'jobs', 'orders']

/** Who and when are the server's to say (changes.test.ts): in these parts, by these names. */
const STAMPED: Readonly<Record<string, readonly string[]>> = {
  story: ['recordedBy'],
  readings: ['by', 'at'],
  findings: ['by', 'at'],
  capture: ['by', 'at'],
  footwear: ['by', 'doneAt', 'recordedBy', 'testedAt'],
  // A quote's number is the shop's own (quotes.test.ts).
  quotes: ['by', 'no'],
  rounds: ['by'],
  ledger: ['by', 'at'],
}
function withoutStamps(part: PartName, value: unknown): unknown {
  const names = STAMPED[part.split('.')[0]!] ?? []
  const isStamp = (key: string, inside: unknown) =>
    names.includes(key) && typeof inside === 'string'
  const bare: unknown = JSON.parse(
    JSON.stringify(value, (key, inside: unknown) => (isStamp(key, inside) ? undefined : inside)),
  )
  return part.startsWith('findings.') ? withoutEmptyTaken(bare as Record<string, unknown>) : bare
}
/** An angle of which only who and when was told is told nothing of without them. */
function withoutEmptyTaken({ taken, ...rest }: Record<string, unknown>): unknown {
  const told = Object.entries((taken as object | undefined) ?? {}).filter(
    ([, entry]) => Object.keys(entry as object).length > 0,
  )
  return told.length > 0 ? { ...rest, taken: Object.fromEntries(told) } : rest
}

describe('any part that the format takes', () => {
  it.each(PART_NAMES.filter((p) => !OTHERS.includes(p)))(
    '%s is kept and read back as it was sent, or refused with its place',
    async (part) => {
      const { fittingId } = (await rhona.post('clients', { details: { name: 'Any Part' } }))
        .json as { fittingId: string }
      // Rounds come after a handover (rounds.test.ts).
      if (part === 'rounds') {
        const content = { on: '2026-12-01', allTheSame: 'nothing to look at' }
        const first = { kind: 'part.put', part: 'handover', content } as never
        expect((await rhona.command(fittingId, 0, first)).status).toBe(200)
      }
      let version = 0
      await fc.assert(
        fc.asyncProperty(arbitraryOf(PART_SCHEMAS[part]), async (content) => {
          const answer = await rhona.command(
            fittingId,
            version,
            { kind: 'part.put', part, content } as never,
            randomUUID(),
          )
          const waits = answer.status === 409 && answer.json.code === 'not-ready'
          if (answer.status === 400 || waits) {
            expect(answer.json).toMatchObject({ detail: expect.stringMatching(/\S.{8,}/) })
            return
          }
          expect(answer.status, JSON.stringify(answer.json)).toBe(200)
          version = answer.json.state.version
          const asSent = withoutStamps(part, asStored(PART_SCHEMAS[part].parse(asStored(content))))
          expect(withoutStamps(part, answer.json.state.content)).toEqual(asSent)
          const { parts } = (await rhona.get(`fittings/${fittingId}`)).json
          expect(withoutStamps(part, parts[part].content)).toEqual(asSent)
        }),
        { numRuns: runs(15) },
      )
      expect(version).toBeGreaterThan(0)
    },
  )
})
