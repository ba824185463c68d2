/**
 * Sends what waits, one after the other: never two at once, and once more in a while when the line is
 * gone, however many have failed meanwhile.
 *
 * @param ready what has to be read before anything is sent
 * @param first sends what has waited longest; false where the rest has to wait
 */
export function sendInOrder(
  ready: () => Promise<unknown>,
  first: () => Promise<boolean>,
  retryMs: number,
): { flush: () => Promise<void>; retry: () => void } {
  let line: Promise<unknown> = Promise.resolve()
  let timer: ReturnType<typeof setTimeout> | undefined
  function flush(): Promise<void> {
    const run = line.then(async () => {
      await ready()
      while (await first());
    })
    line = run.catch(() => undefined)
    return run
  }
  function retry() {
    clearTimeout(timer)
    timer = setTimeout(() => void flush(), retryMs)
  }
  return { flush, retry }
}
