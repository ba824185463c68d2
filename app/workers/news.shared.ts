import { NewsLine, type News } from '../browser/newsLine'

/** What a tab says of itself: somebody looks at it, nobody does, or it is closed. */
export type TabSays = 'shown' | 'hidden' | 'gone'

/** One line for all tabs of this browser; none while nobody looks at any of them. */
const tabs = new Map<MessagePort, boolean>()
const line = new NewsLine((news: News) => {
  for (const port of tabs.keys()) port.postMessage(news)
})
const weigh = () => line.want([...tabs.values()].some(Boolean))

const scope = globalThis as unknown as { onconnect: (event: MessageEvent) => void }
scope.onconnect = ({ ports: [port] }) => {
  if (!port) return
  tabs.set(port, false)
  port.onmessage = ({ data }: MessageEvent<TabSays>) => {
    if (data === 'gone') tabs.delete(port)
    else tabs.set(port, data === 'shown')
    weigh()
  }
}
