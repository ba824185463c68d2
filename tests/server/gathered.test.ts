import { describe, expect, it } from 'vitest'
import { gathered } from '../../server/database/gathered'

/** Work that is done when the test says so, or fails. */
function byHand() {
  const batches: string[][] = []
  const ends: { done: () => void; fail: (error: Error) => void }[] = []
  const add = gathered((things: string[]) => {
    batches.push(things)
    return new Promise<void>((done, fail) => ends.push({ done, fail }))
  })
  return { add, batches, ends }
}
const soon = () => new Promise((go) => setTimeout(go, 1))

describe('things of many', () => {
  it('are done at once when alone', async () => {
    const { add, batches, ends } = byHand()
    const one = add('a')
    expect(batches).toEqual([['a']])
    ends[0]!.done()
    await one
    const two = add('b')
    expect(batches).toEqual([['a'], ['b']])
    ends[1]!.done()
    await two
  })
  it('wait together while some are being done, and none is told done before it is', async () => {
    const { add, batches, ends } = byHand()
    const first = add('a')
    let told = ''
    const rest = ['b', 'c', 'd'].map((thing) => add(thing).then(() => (told += thing)))
    expect(batches).toEqual([['a']])
    ends[0]!.done()
    await first
    await soon()
    expect(batches).toEqual([['a'], ['b', 'c', 'd']])
    expect(told).toBe('')
    ends[1]!.done()
    await Promise.all(rest)
    expect(told).toBe('bcd')
  })
  it('are refused with their batch, and the next ones go on', async () => {
    const { add, batches, ends } = byHand()
    const first = add('a')
    const second = add('b')
    ends[0]!.fail(new Error('no room'))
    await expect(first).rejects.toThrow('no room')
    await soon()
    expect(batches[1]).toEqual(['b'])
    ends[1]!.fail(new Error('still none'))
    await expect(second).rejects.toThrow('still none')
    const third = add('c')
    expect(batches[2]).toEqual(['c'])
    ends[2]!.done()
    await third
  })
  it('are each done once, whenever they come', async () => {
    const seen: number[] = []
    const add = gathered(async (things: number[]) => {
      await new Promise((go) => setTimeout(go, things.length % 3))
      seen.push(...things)
    })
    const all = Array.from({ length: 300 }, async (_, i) => {
      await new Promise((go) => setTimeout(go, (i * 7) % 20))
      await add(i)
      expect(seen).toContain(i)
    })
    await Promise.all(all)
    expect(seen.toSorted((a, b) => a - b)).toEqual(Array.from({ length: 300 }, (_, i) => i))
  })
})
