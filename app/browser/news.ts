import { NewsLine, type News } from './newsLine'
import type { TabSays } from '../workers/news.shared'

/** Where this tab hears the shop's news: from a worker that all tabs share, or on its own line. */
interface Source {
  says: (state: TabSays) => void
}

const listeners = new Set<(news: News) => void>()
const tellAll = (news: News) => listeners.forEach((listener) => listener(news))
let source: Source | null = null

function sharedSource(): Source {
  const { port } = new SharedWorker(new URL('../workers/news.shared.ts', import.meta.url), {
    type: 'module',
    name: 'gentle-arch-news',
  })
  port.onmessage = ({ data }: MessageEvent<News>) => tellAll(data)
  return { says: (state) => port.postMessage(state) }
}
function ownSource(): Source {
  const line = new NewsLine(tellAll)
  return { says: (state) => line.want(state === 'shown') }
}

const shown = (): TabSays =>
  listeners.size > 0 && document.visibilityState !== 'hidden' ? 'shown' : 'hidden'
const say = () => source?.says(shown())

function begin() {
  if (source) return
  source = typeof SharedWorker === 'undefined' ? ownSource() : sharedSource()
  document.addEventListener('visibilitychange', say)
  window.addEventListener('pagehide', () => source?.says('gone'))
  window.addEventListener('pageshow', say)
}

/**
 * Hears what changes in the shop until the returned function is called. All tabs of a browser share
 * one line, and none is held while nobody looks; after it comes back, `open` says to read again.
 */
export function hear(listener: (news: News) => void): () => void {
  begin()
  listeners.add(listener)
  say()
  return () => {
    listeners.delete(listener)
    say()
  }
}
