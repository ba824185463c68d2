import { defineStore } from 'pinia'
import { markRaw } from 'vue'
import type { HeatReading } from '../../core/bench/heat/heatLog'
import { priorOf } from '../../core/bench/heat/heatStory'
import type { HeatPrior } from '../../core/bench/heat/fitHeat'
import { HEAT_WINDOWS, type HeatWindow } from '../../core/bench/heat/windows'
import type { HeatLogRow } from '../../shared/contracts'
import { api } from '~/composables/api'

/** Which apparatus a window is usually reached in; the name of the stand-in probe too. */
const USUAL: Record<string, string> = { 'thermoplastic-blank': 'tray', liner: 'blower', 'boot-shell': 'blower', 'resistive-mould': 'mould' }
export const APPARATUS = ['oven', 'tray', 'blower', 'mould'] as const

/** Logs of heat. Readings come from a probe over server-sent events, or are typed; both are kept in the same log. */
export const useHeat = defineStore('heat', {
  state: () => ({ logs: [] as HeatLogRow[], windows: [...HEAT_WINDOWS] as HeatWindow[], trouble: '', streams: {} as Record<string, EventSource>, lastAt: {} as Record<string, number>, priors: {} as Record<string, HeatPrior | undefined> }),
  actions: {
    async load() {
      try {
        const { logs, windows } = await api<{ logs: HeatLogRow[]; windows: HeatWindow[] }>('heat')
        this.logs = logs
        this.windows = windows
        this.priors = Object.fromEntries(APPARATUS.map((a) => [a, priorOf(logs.filter((l) => l.apparatus === a && l.stoppedAt && l.readings.length > 8).slice(0, 8).map((l) => l.readings))]))
        this.trouble = ''
      } catch (error) {
        this.trouble = (error as Error).message
      }
    },
    windowOf(id: string | null): HeatWindow | undefined {
      return this.windows.find((w) => w.id === id)
    },
    apparatusOf: (windowId: string) => USUAL[windowId] ?? 'oven',
    priorOf(apparatus: string): HeatPrior | undefined {
      return this.priors[apparatus]
    },
    async start(l: { name: string; apparatus: string; window?: string; fittingId?: string }): Promise<string | null> {
      const id = crypto.randomUUID()
      try {
        this.logs = (await api<{ logs: HeatLogRow[] }>('heat', 'POST', { id, ...l })).logs
        this.trouble = ''
        return id
      } catch (error) {
        this.trouble = (error as Error).message
        return null
      }
    },
    async send(id: string, body: { do: 'add'; readings: HeatReading[] } | { do: 'strike'; minutes: number } | { do: 'stop' }): Promise<boolean> {
      try {
        const { log } = await api<{ log: HeatLogRow }>(`heat/${id}`, 'PATCH', body)
        this.logs = this.logs.map((l) => (l.id === id ? log : l))
        this.trouble = ''
        return true
      } catch (error) {
        this.trouble = (error as Error).message
        return false
      }
    },
    listening(id: string): boolean {
      return id in this.streams
    },
    /** Takes a probe's readings into a log, from where it stands; they are sent on in little bundles, and kept until they are. */
    listen(id: string, drive?: number) {
      this.quiet(id)
      const log = this.logs.find((l) => l.id === id)
      if (!log) return
      const last = log.readings.at(-1)
      const query = new URLSearchParams({ apparatus: log.apparatus, drive: String(drive ?? last?.drive ?? 1), from: String(last ? last.minutes + 0.05 : 0), start: String(last?.celsius ?? 21) })
      const stream = markRaw(new EventSource(`/api/standins/probe?${query.toString()}`))
      const waiting: HeatReading[] = []
      let sending = false
      stream.addEventListener('reading', async (event) => {
        const reading = JSON.parse((event as MessageEvent<string>).data) as HeatReading
        waiting.push(reading)
        this.lastAt[id] = Date.now()
        const mine = this.logs.find((l) => l.id === id)
        if (mine) mine.readings = [...mine.readings.filter((r) => r.minutes !== reading.minutes), reading]
        if (sending || waiting.length < 3) return
        sending = true
        const bundle = waiting.slice(0, 600)
        if (await this.send(id, { do: 'add', readings: bundle })) waiting.splice(0, bundle.length)
        sending = false
      })
      // The browser opens a broken line again by itself, from the start of the address: better to stop and say so.
      stream.addEventListener('error', () => {
        this.quiet(id)
        this.trouble = 'The probe does not answer. The clock goes on; type readings, or put the probe on again.'
      })
      this.streams = { ...this.streams, [id]: stream }
    },
    quiet(id: string) {
      this.streams[id]?.close()
      const { [id]: _, ...others } = this.streams
      this.streams = others
    },
    async stop(id: string) {
      this.quiet(id)
      if (await this.send(id, { do: 'stop' })) await this.load()
    },
  },
})
