import { newId } from '~/browser/newId'
import { defineStore } from 'pinia'
import type { StepDoes } from '../../core/record/stepState'
import { leftMs, rings, type Timer } from '../../core/bench/timer'
import { api, ApiError } from '~/browser/api'
import { hear } from '~/browser/news'

interface Answer {
  now: number
  timers: Timer[]
}

/**
 * Timers of the shop. The server's clock is the truth; this device only knows how far its own is
 * off.
 */
export const useTimers = defineStore('timers', {
  state: () => ({
    timers: [] as Timer[],
    offMs: 0,
    now: Date.now(),
    away: false,
    trouble: '',
    benchTold: 0,
    stop: null as (() => void) | null,
    tick: undefined as ReturnType<typeof setInterval> | undefined,
  }),
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
      this.stop = hear(({ what }) => {
        if (what === 'timers' || what === 'open') void this.load()
        if (what === 'bench' || what === 'open') this.benchTold++
        if (what === 'away') this.away = true
      })
      void this.load()
    },
    quiet() {
      clearInterval(this.tick)
      this.tick = undefined
      this.stop?.()
      this.stop = null
      this.timers = []
    },
    left(t: Timer): number {
      return leftMs(t, this.serverNow)
    },
    async start(name: string, minutes: number, about: { fittingId?: string; step?: string } = {}) {
      await this.send('timers', 'POST', { id: newId(), name, minutes, ...about })
    },
    /**
     * A waiting step that begins brings a timer along; one that ends, is split or taken back lets
     * it go; more minutes go to both.
     */
    async forStep(
      code: string,
      fittingId: string,
      step: {
        step: string
        key: string
        words: string
        foot?: string
        minutes: number
        waiting?: boolean
        overnight?: boolean
      },
      what: StepDoes,
      minutes = 1,
    ) {
      const own = this.timers.filter(
        (t) => t.fittingId === fittingId && t.step === step.key.slice(0, 80),
      )
      if (what === 'start' && step.waiting && !step.overnight && step.minutes > 0)
        await this.start(
          `${code}: ${step.words}${step.foot ? `, ${step.foot}` : ''}`.slice(0, 80),
          Math.min(1440, step.minutes),
          { fittingId, step: step.key.slice(0, 80) },
        )
      else if (what === 'longer')
        for (const t of own) await this.change(t.id, { do: 'extend', minutes })
      else for (const t of own) await this.change(t.id, { do: 'stop' })
    },
    async change(
      id: string,
      body:
        | { do: 'pause' | 'resume' | 'stop' }
        | { do: 'extend'; minutes: number }
        | { do: 'rename'; name: string },
    ) {
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
