/**
 * One piece of work for all who ask before it begins: each gets an answer that was begun after they
 * asked, and no two run at once for the same thing.
 *
 * @param work what is done; the same thing is asked where what is asked is written the same
 */
export function freshest<A, T>(work: (asked: A) => Promise<T>): (asked: A) => Promise<T> {
  const running = new Map<string, Promise<T>>()
  const next = new Map<string, Promise<T>>()
  function begin(asked: A, key: string): Promise<T> {
    const now = work(asked).finally(() => {
      if (running.get(key) === now) running.delete(key)
    })
    running.set(key, now)
    return now
  }
  return (asked) => {
    const key = JSON.stringify(asked)
    const before = running.get(key)
    if (!before) return begin(asked, key)
    const known = next.get(key)
    if (known) return known
    const then = before
      .catch(() => undefined)
      .then(() => {
        next.delete(key)
        return begin(asked, key)
      })
    next.set(key, then)
    return then
  }
}
