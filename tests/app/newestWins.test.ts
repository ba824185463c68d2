import fc from 'fast-check'
import { expect, test } from 'vitest'
import { newestWins } from '../../app/workers/deviceWorker'
import { runs } from '../effort'

/** A task whose runs are ended by hand, in any order of failing and succeeding. */
function byHand() {
  const running: { args: number; end: (ok: boolean) => void }[] = []
  const done: number[] = []
  const ask = newestWins<number, number>(
    (args) =>
      new Promise((resolve, reject) =>
        running.push({ args, end: (ok) => (ok ? resolve(args) : reject(new Error('stopped'))) }),
      ),
    (r) => done.push(r),
  )
  return { ask, running, done }
}
const turn = () => new Promise((go) => setTimeout(go))

test('while one runs, only the newest of what follows is kept, and stale answers are dropped', async () => {
  const { ask, running, done } = byHand()
  for (const n of [1, 2, 3, 4]) ask(n)
  expect(running.map((r) => r.args)).toEqual([1])
  running[0]!.end(true)
  await turn()
  expect([done, running.map((r) => r.args)]).toEqual([[], [1, 4]])
  running[1]!.end(true)
  await turn()
  expect(done).toEqual([4])
})

test('the last question is always answered, and never two at a time', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.boolean(), { minLength: 1, maxLength: 20 }),
      async (endsBetween) => {
        const { ask, running, done } = byHand()
        let ended = 0
        for (const [n, end] of endsBetween.entries()) {
          ask(n)
          expect(running.length - ended).toBe(1)
          if (end) running[ended++]!.end(true)
          await turn()
        }
        while (ended < running.length) {
          running[ended++]!.end(true)
          await turn()
        }
        expect(done.at(-1)).toBe(endsBetween.length - 1)
        expect([...done].sort((a, b) => a - b)).toEqual(done)
      },
    ),
    { numRuns: runs(40) },
  )
})
