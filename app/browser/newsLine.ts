import type { PartName } from '../../core/record/parts'

/** Word of what changed in the shop; `open` after the line came back, `away` when it went. */
export type News =
  | { what: 'part'; fitting: string; part: PartName; version: number }
  | { what: 'timers' | 'bench' | 'sessions' | 'open' | 'away' }

const RETRY_MS = 5_000

/** One line on which the server tells what changed, as long as somebody wants to hear it. */
export class NewsLine {
  private stream: EventSource | null = null
  private retry: ReturnType<typeof setTimeout> | undefined
  private wanted = false

  constructor(private readonly tell: (news: News) => void) {}

  want(is: boolean) {
    if (is === this.wanted) return
    this.wanted = is
    if (is) return this.open()
    clearTimeout(this.retry)
    this.stream?.close()
    this.stream = null
  }

  private open() {
    const stream = new EventSource('/api/events')
    this.stream = stream
    for (const what of ['timers', 'bench', 'sessions', 'open'] as const)
      stream.addEventListener(what, () => this.tell({ what }))
    stream.addEventListener('part', (event) => {
      const { data } = event as MessageEvent<string>
      this.tell({ what: 'part', ...(JSON.parse(data) as Omit<News & { what: 'part' }, 'what'>) })
    })
    stream.addEventListener('error', () => {
      this.tell({ what: 'away' })
      // The browser tries again by itself unless the server said no, as after a sign-out.
      if (stream.readyState !== EventSource.CLOSED || this.stream !== stream) return
      this.stream = null
      this.retry = setTimeout(() => this.wanted && this.open(), RETRY_MS)
    })
  }
}
