import { newId } from '~/browser/newId'
import { defineStore } from 'pinia'
import { markRaw } from 'vue'
import type { HeatReading } from '../../core/bench/heat/heatLog'
import { priorsByApparatus } from '../../core/bench/heat/priors'
import type { HeatPrior } from '../../core/bench/heat/fitHeat'
import type { HeatWindow } from '../../core/tables/heatWindows'
import type { HeatLogRow } from '../../shared/contracts'
import { api, ApiError } from '~/browser/api'
import { KEPT_HERE, useOutbox } from './outbox'
import { useLine } from './line'

/** Which apparatus a window is usually reached in; the name of the stand-in probe too. */
const USUAL: Record<string, string> = {
  'thermoplastic-blank': 'tray',
  liner: 'blower',
  'boot-shell': 'blower',
  'resistive-mould': 'mould',
}
/** So many readings are sent on at once, and so many at most. */
const BUNDLE = 3
const MOST_READINGS = 600
const RETRY_MS = 3000
/** Answers that another try does not change. */
const REFUSED = new Set([400, 404, 409, 422])
/** What is done with a log. */
export type HeatChange =
  { do: 'add'; readings: HeatReading[] } | { do: 'strike'; minutes: number } | { do: 'stop' }
const HEAT_WORDS: Record<HeatChange['do'], string> = {
  add: 'reading',
  strike: 'a reading struck',
  stop: 'out of the heat',
}
/** A log that the server does not have yet. */
const begun = (
  id: string,
  {
    name,
    apparatus,
    window,
    fittingId,
  }: { name: string; apparatus: string; window?: string; fittingId?: string },
): HeatLogRow => ({
  id,
  name,
  apparatus,
  window: window ?? null,
  fittingId: fittingId ?? null,
  startedAt: new Date().toISOString(),
  stoppedAt: null,
  by: null,
  readings: [],
})
/** A log as it will be once what waits has gone; readings that wait are told apart. */
function expected(log: HeatLogRow, body: HeatChange): HeatLogRow {
  if (body.do === 'stop') return { ...log, stoppedAt: new Date().toISOString() }
  return body.do === 'strike'
    ? { ...log, readings: log.readings.filter((r) => r.minutes !== body.minutes) }
    : log
}
export const APPARATUS = ['oven', 'tray', 'blower', 'mould'] as const

/**
 * Logs of heat. Readings come from a probe over server-sent events, or are typed; both are kept in
 * the same log.
 */
export const useHeat = defineStore('heat', {
  state: () => ({
    logs: [] as HeatLogRow[],
    windows: [] as HeatWindow[],
    trouble: '',
    streams: {} as Record<string, EventSource>,
    lastAt: {} as Record<string, number>,
    priors: {} as Partial<Record<string, HeatPrior | undefined>>,
    unsent: {} as Record<string, HeatReading[]>,
    /** on their way by the outbox */
    handed: {} as Record<string, HeatReading[]>,
    sending: {} as Record<string, Promise<void> | undefined>,
    retry: {} as Record<string, ReturnType<typeof setTimeout> | undefined>,
    away: false,
  }),
  actions: {
    async load() {
      try {
        const { logs, windows } = await useLine().read<{
          logs: HeatLogRow[]
          windows: HeatWindow[]
        }>('heat')
        // Nothing more goes into a log that was ended, also by another device.
        for (const l of logs) if (l.stoppedAt) this.unsent[l.id] = this.handed[l.id] = []
        this.logs = logs.map((l) => this.withUnsent(l))
        this.windows = windows
        this.priors = priorsByApparatus(logs)
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
    async start(l: {
      name: string
      apparatus: string
      window?: string
      fittingId?: string
    }): Promise<string | null> {
      const id = newId()
      try {
        const sent = await useOutbox().write<{ logs: HeatLogRow[] }>({
          method: 'POST',
          path: 'heat',
          body: { id, ...l },
          words: `heat log ${l.name}`,
        })
        const logs = 'waits' in sent ? [begun(id, l), ...this.logs] : sent.answer.logs
        this.logs = logs.map((log) => this.withUnsent(log))
        this.trouble = ''
        return id
      } catch (error) {
        this.trouble = (error as Error).message
        return null
      }
    },
    /** Many readings, in pieces that one call takes. */
    async writeAll(id: string, readings: readonly HeatReading[]): Promise<void> {
      for (let k = 0; k < readings.length; k += MOST_READINGS)
        if (!(await this.write(id, { do: 'add', readings: readings.slice(k, k + MOST_READINGS) })))
          return
    },
    /** What somebody typed of a log, or did with it: kept here until the server has it. */
    async write(id: string, body: HeatChange): Promise<boolean> {
      if (body.do === 'strike') this.forget(id, body.minutes)
      if (body.do === 'add') this.handed[id] = [...(this.handed[id] ?? []), ...body.readings]
      const { name = '' } = this.logs.find((l) => l.id === id) ?? {}
      try {
        const sent = await useOutbox().write<{ log: HeatLogRow }>({
          method: 'PATCH',
          path: `heat/${id}`,
          body,
          words: `heat log ${name}: ${HEAT_WORDS[body.do]}`,
        })
        const known = this.logs.find((l) => l.id === id)
        const log = 'waits' in sent ? known && expected(known, body) : sent.answer.log
        this.logs = this.logs.map((l) => (l.id === id && log ? this.withUnsent(log) : l))
        this.trouble = 'waits' in sent ? KEPT_HERE : ''
        return true
      } catch (error) {
        this.handed[id] = []
        this.trouble = (error as Error).message
        return false
      }
    },
    /** A reading that is struck is not sent any more. */
    forget(id: string, minutes: number) {
      for (const kept of [this.unsent, this.handed])
        kept[id] = (kept[id] ?? []).filter((r) => r.minutes !== minutes)
    },
    async send(id: string, body: { do: 'add'; readings: HeatReading[] }): Promise<boolean> {
      try {
        const { log } = await api<{ log: HeatLogRow }>(`heat/${id}`, 'PATCH', body)
        this.logs = this.logs.map((l) => (l.id === id ? this.withUnsent(log) : l))
        this.trouble = ''
        this.away = false
        return true
      } catch (error) {
        this.trouble = (error as Error).message
        this.away = !(error instanceof ApiError) || !REFUSED.has(error.status)
        return false
      }
    },
    /** A log with what this device has read and not sent yet. */
    withUnsent(log: HeatLogRow): HeatLogRow {
      const has = new Set(log.readings.map((r) => r.minutes))
      const mine = [...(this.handed[log.id] ?? []), ...(this.unsent[log.id] ?? [])]
      const more = mine.filter((r) => !has.has(r.minutes))
      this.handed[log.id] = (this.handed[log.id] ?? []).filter((r) => !has.has(r.minutes))
      return more.length ? { ...log, readings: [...log.readings, ...more] } : log
    },
    /**
     * Sends on what was read, in bundles; what does not arrive stays for the next time. One run at
     * a time for a log: who asks meanwhile waits for it.
     */
    async sendOn(id: string): Promise<void> {
      if (!this.unsent[id]?.length) return
      this.sending[id] ??= this.sendBundles(id)
      await this.sending[id]
    },
    async sendBundles(id: string) {
      while (this.unsent[id]?.length) {
        const bundle = this.unsent[id].slice(0, MOST_READINGS)
        if (await this.send(id, { do: 'add', readings: bundle }))
          this.unsent[id] = this.unsent[id].filter(
            (r) => !bundle.some((b) => b.minutes === r.minutes),
          )
        else if (!this.away) this.unsent[id] = []
        else {
          // A line that is down comes back; a log that takes nothing more never will.
          clearTimeout(this.retry[id])
          this.retry[id] = setTimeout(() => void this.sendOn(id), RETRY_MS)
          break
        }
      }
      this.sending[id] = undefined
    },
    listening(id: string): boolean {
      return id in this.streams
    },
    /**
     * Takes a probe's readings into a log, from where it stands; they are sent on in little
     * bundles, and kept until they are.
     */
    listen(id: string, drive?: number) {
      this.quiet(id)
      const log = this.logs.find((l) => l.id === id)
      if (!log) return
      const last = log.readings.at(-1)
      const query = new URLSearchParams({
        apparatus: log.apparatus,
        drive: String(drive ?? last?.drive ?? 1),
        from: String(last ? last.minutes + 0.05 : 0),
        start: String(last?.celsius ?? 21),
      })
      const stream = markRaw(new EventSource(`/api/standins/probe?${query.toString()}`))
      stream.addEventListener('reading', (event) => {
        const reading = JSON.parse((event as MessageEvent<string>).data) as HeatReading
        this.unsent[id] = [...(this.unsent[id] ?? []), reading]
        this.lastAt[id] = Date.now()
        const mine = this.logs.find((l) => l.id === id)
        if (mine)
          mine.readings = [...mine.readings.filter((r) => r.minutes !== reading.minutes), reading]
        if (this.unsent[id].length >= BUNDLE) void this.sendOn(id)
      })
      // The browser opens a broken line again by itself, from the start of the address: better to
      // stop and say so.
      stream.addEventListener('error', () => {
        this.quiet(id)
        this.trouble =
          'The probe does not answer. The clock goes on; type readings, or put the probe on again.'
      })
      this.streams = { ...this.streams, [id]: stream }
    },
    quiet(id: string) {
      this.streams[id]?.close()
      const { [id]: _, ...others } = this.streams
      this.streams = others
      void this.sendOn(id)
    },
    /** Ends a log once all that was read has arrived. */
    async stop(id: string) {
      this.quiet(id)
      await this.sendOn(id)
      clearTimeout(this.retry[id])
      // What did not go is handed on before the end: it arrives in this order.
      const rest = this.unsent[id] ?? []
      this.unsent[id] = []
      await this.writeAll(id, rest)
      await this.write(id, { do: 'stop' })
      if (!this.trouble) await this.load()
    },
  },
})
