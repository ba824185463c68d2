import { newId } from '~/browser/newId'
import { defineStore } from 'pinia'
import type { StepDoes } from '../../core/record/stepState'
import {
  changedTimer,
  leftMs,
  rings,
  stepKeyOfTimer,
  timerOfStep,
  type TimedStep,
  type Timer,
  type TimerChange,
} from '../../core/bench/timer'
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
    async start(name: string, minutes: number) {
      const id = newId()
      const waits = await this.send('timers', 'POST', { id, name, minutes }, `timer ${name}`)
      if (waits) this.expect(this.made(id, name, minutes))
    },
    /** A timer as the server will make it. */
    made(id: string, name: string, plannedMin: number, more: Partial<Timer> = {}): Timer {
      const now = this.serverNow
      return {
        id,
        name,
        plannedMin,
        startedAt: now,
        endsAt: now + plannedMin * 60_000,
        leftMs: null,
        state: 'running',
        stoppedAt: null,
        fittingId: null,
        step: null,
        by: null,
        ...more,
      }
    },
    /** It runs here until the server has it, which is told by its next list. */
    expect(timer: Timer) {
      this.timers = [...this.timers, timer]
    },
    /**
     * What a change of a step does to its timer. The server does the same when it takes the change;
     * here it is done at once, so that it rings though the line is down.
     */
    follow(code: string, fittingId: string, step: TimedStep, what: StepDoes, minutes = 1) {
      const key = stepKeyOfTimer(step.key)
      const isOwn = (t: Timer) => t.fittingId === fittingId && t.step === key
      if (what === 'start') {
        const made = timerOfStep(code, step)
        if (made) this.expect(this.made(newId(), made.name, made.minutes, { fittingId, step: key }))
      } else if (what === 'longer')
        this.timers = this.timers.map((t) =>
          isOwn(t) ? changedTimer(t, { do: 'extend', minutes }, this.serverNow)! : t,
        )
      else this.timers = this.timers.filter((t) => !isOwn(t))
    },
    async change(id: string, change: TimerChange) {
      const name = this.timers.find((t) => t.id === id)?.name ?? ''
      const words = `timer ${name}: ${change.do}`
      if (!(await this.send(`timers/${id}`, 'PATCH', change, words))) return
      this.timers = this.timers.flatMap((t) =>
        t.id === id ? (changedTimer(t, change, this.serverNow) ?? []) : t,
      )
    },
    /** Sends a change of a timer, or keeps it for later. @returns whether it waits */
    async send(
      path: string,
      method: 'POST' | 'PATCH',
      body: unknown,
      words: string,
    ): Promise<boolean> {
      const sent = Date.now()
      // Nobody's first page waits for what it takes to send.
      const { useOutbox } = await import('./outbox')
      try {
        const done = await useOutbox().write<Answer>({ path, method, body, words })
        this.trouble = ''
        if ('waits' in done) return true
        this.take(done.answer, sent)
      } catch (error) {
        this.trouble = (error as Error).message
        await this.load()
      }
      return false
    },
  },
})
