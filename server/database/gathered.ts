/**
 * Things of many, done together: what comes while some are being done waits for them and is done next,
 * all at once. Alone, a thing is done at once.
 *
 * @param work does some things, all of them or none
 *
 * @returns waits until the thing is done; refuses where its batch was refused
 */
export function gathered<T>(work: (things: T[]) => Promise<void>): (thing: T) => Promise<void> {
  let waiting: T[] = []
  let next: Promise<void> | null = null
  let running: Promise<void> = Promise.resolve()
  let isIdle = true
  async function go(): Promise<void> {
    const things = waiting
    waiting = []
    next = null
    isIdle = false
    running = work(things).finally(() => (isIdle = waiting.length === 0))
    return running
  }
  return (thing) => {
    waiting.push(thing)
    if (isIdle) return go()
    next ??= running.catch(() => undefined).then(go)
    return next
  }
}
