/**
 * One piece of work for all who ask before it begins: each gets an answer that was begun after they
 * asked, and no two run at once for the same thing.
 *
 * @param work what is done for a key
 */
export function freshest<T>(work: (key: string) => Promise<T>): (key: string) => Promise<T> {
  const running = new Map<string, Promise<T>>()
  const next = new Map<string, Promise<T>>()
  function begin(key: string): Promise<T> {
    const now = work(key).finally(() => {
      if (running.get(key) === now) running.delete(key)
    })
    running.set(key, now)
    return now
  }
  return (key) => {
    const before = running.get(key)
    if (!before) return begin(key)
    const known = next.get(key)
    if (known) return known
    const then = before
      .catch(() => undefined)
      .then(() => {
        next.delete(key)
        return begin(key)
      })
    next.set(key, then)
    return then
  }
}
