import { expect, it } from 'vitest'
import { freshest } from '../../server/database/freshest'

/** Work that ends when it is told to, and answers with how often it was begun. */
function slow() {
  let begun = 0
  const ends: ((isGood: boolean) => void)[] = []
  const ask = freshest(
    () =>
      new Promise<number>((done, fail) => {
        const mine = ++begun
        ends.push((isGood) => (isGood ? done(mine) : fail(new Error(`broke ${mine}`))))
      }),
  )
  return { ask, begun: () => begun, end: (i: number, isGood = true) => ends[i]!(isGood) }
}
const settle = () => new Promise((done) => setImmediate(done))

it('does one piece of work for all who ask before it begins, and never two at once', async () => {
  const { ask, begun, end } = slow()
  const first = ask('a')
  const later = [ask('a'), ask('a'), ask('a')]
  expect(begun()).toBe(1)
  end(0)
  expect(await first).toBe(1)
  await settle()
  // Whoever asked while it ran may not be told what was found before they asked.
  expect(begun()).toBe(2)
  end(1)
  expect(await Promise.all(later)).toEqual([2, 2, 2])
  const again = ask('a')
  expect(begun()).toBe(3)
  end(2)
  expect(await again).toBe(3)
})

it('keeps things apart that are asked by different keys', async () => {
  const { ask, begun, end } = slow()
  const both = [ask('a'), ask('b')]
  expect(begun()).toBe(2)
  end(1)
  end(0)
  expect(await Promise.all(both)).toEqual([1, 2])
})

it('tells a failure to those who asked for it, and works again for the others', async () => {
  const { ask, end } = slow()
  const first = ask('a')
  const second = ask('a')
  end(0, false)
  await expect(first).rejects.toThrow('broke 1')
  await settle()
  end(1)
  expect(await second).toBe(2)
})
