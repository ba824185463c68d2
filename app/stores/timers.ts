import { defineStore } from 'pinia'
import { leftMs, rings, type Timer } from '../../core/bench/timer'
import { api, ApiError } from '~/composables/api'

interface Answer {
  now: number
  timers: Timer[]
}

/** Timers of the shop. The server's clock is the truth; this device only knows how far its own is off. */
export const useTimers = defineStore('timers', {
  state: () => ({ timers: [] as Timer[], offMs: 0, now: Date.now(), away: false, trouble: '', stream: null as EventSource | null, tick: undefined as ReturnType<typeof setInterval> | undefined }),
  getters: {
    serverNow: (s) => s.now + s.offMs,
    ringing(): Timer[] {
      return this.timers.filter((t) => rings(t, this.serverNow))
    },
  },
  actions: {
    take({ now, timers }: Answer, sentAt = Date.now()) {
      // Half the way there and back is how old the server's time is when it arrives.
      this.offMs = now + (Date.now() - sentAt) / 2 - Date.now()
      this.timers = timers
      this.away = false
    },
    async load() {
      const sent = Date.now()
      try {
        this.take(await api<Answer>('timers'), sent)
      } catch (error) {
        // Timers that are known go on by this device's clock until the server is back.
        this.away = error instanceof ApiError && error.problem === null
      }
    },
    /** Listens as long as somebody is signed in; reads all again whenever the line comes back. */
    listen() {
      if (this.tick) return
      this.tick = setInterval(() => (this.now = Date.now()), 250)
      this.stream = new EventSource('/api/timers/events')
      for (const name of ['timers', 'open']) this.stream.addEventListener(name, () => void this.load())
      this.stream.addEventListener('error', () => (this.away = true))
      void this.load()
    },
    quiet() {
      clearInterval(this.tick)
      this.tick = undefined
      this.stream?.close()
      this.stream = null
      this.timers = []
    },
    left(t: Timer): number {
      return leftMs(t, this.serverNow)
    },
    async start(name: string, minutes: number, about: { fittingId?: string; step?: string } = {}) {
      await this.send('timers', 'POST', { id: crypto.randomUUID(), name, minutes, ...about })
    },
    async change(id: string, body: { do: 'pause' | 'resume' | 'stop' } | { do: 'extend'; minutes: number } | { do: 'rename'; name: string }) {
      await this.send(`timers/${id}`, 'PATCH', body)
    },
    async send(path: string, method: 'POST' | 'PATCH', body: unknown) {
      const sent = Date.now()
      try {
        this.take(await api<Answer>(path, method, body), sent)
        this.trouble = ''
      } catch (error) {
        this.trouble = (error as Error).message
        await this.load()
      }
    },
  },
})
