/** Work that waits for a task of its own, first come first served. */
const waiting: (() => void)[] = []
let running = false

function next() {
  const work = waiting.shift()
  if (!work) return void (running = false)
  // What it changes is on the page by the end of this task; the next one is the browser's again.
  // Asked for first: one that fails does not keep the others waiting.
  setTimeout(next)
  work()
}

/**
 * Does something in a task of its own, after what was asked for before: a page that is opened in
 * pieces answers keys and fingers between them.
 *
 * @returns how to take it back before its turn
 */
export function inTurn(work: () => void): () => void {
  waiting.push(work)
  if (!running) {
    running = true
    setTimeout(next)
  }
  return () => {
    const at = waiting.indexOf(work)
    if (at >= 0) waiting.splice(at, 1)
  }
}
