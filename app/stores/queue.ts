import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { partOf, type Command } from '../../core/record/commands'
import type { PartName } from '../../core/record/parts'
import { Refusal } from '../../core/record/refusal'
import type { FittingState, PartState } from '../../shared/contracts'
import { api, ApiError } from '~/browser/api'
import { dropPending, keepPending, pendingOf, type Pending } from '~/browser/keptChanges'
import { useFitting } from './fitting'
import { useSession } from './session'

/** A change that met somebody else's: the person at the bench chooses. */
export interface Met {
  item: Pending
  current: PartState
}

const RETRY_MS = 1500

/**
 * Changes on their way to the server, one after the other. They lie in the browser's own database
 * until they are confirmed, so that a dead line or a closed page loses none.
 */
export const useQueue = defineStore('queue', () => {
  const fitting = useFitting()
  const waiting = shallowRef<readonly Pending[]>([])
  const saved = ref<'saved' | 'saving' | 'kept'>('saved')
  /** somebody else changed the same part: nothing is sent until it is chosen */
  const met = shallowRef<Met | null>(null)
  /** what the server would not keep, in words */
  const refused = ref('')
  let sending = false
  let order = 0

  const of = (part: PartName) => waiting.value.filter((item) => item.part === part)
  const busyParts = (): ReadonlySet<PartName> => new Set(waiting.value.map((item) => item.part))
  const keep = (item: Pending) => keepPending(item).catch(() => undefined)
  const forget = (item: Pending) => dropPending(item.id).catch(() => undefined)
  const without = (item: Pending) => waiting.value.filter((other) => other.id !== item.id)
  /** Numbers what waits for a part from a version on. */
  function renumber(part: PartName, version: number) {
    let next = version
    waiting.value = waiting.value.map((item) =>
      item.part === part ? { ...item, version: next++ } : item,
    )
  }

  /** Another fitting is opened: what waited on this device for it is put onto what is there. */
  async function begin() {
    waiting.value = []
    saved.value = 'saved'
    met.value = null
    refused.value = ''
    const { id } = fitting
    const kept = await pendingOf(id).catch(() => [])
    if (fitting.id !== id) return
    for (const item of kept) {
      applyKept(item.command)
      waiting.value = [...waiting.value, item]
      order = Math.max(order, item.order)
    }
    void flush()
  }
  /**
   * Puts a change that waits onto what is there now; one that does not fit there is left to the
   * server to refuse.
   */
  function applyKept(command: Command) {
    try {
      fitting.show(partOf(command), fitting.after(command))
    } catch (error) {
      if (!(error instanceof Refusal)) throw error
    }
  }
  /** Sends a change that is on the screen already. */
  function send(command: Command, words: string) {
    const part = partOf(command)
    const item: Pending = {
      id: crypto.randomUUID(),
      order: ++order,
      fittingId: fitting.id,
      part,
      version: (fitting.parts[part]?.version ?? 0) + of(part).length,
      command,
      words,
    }
    waiting.value = [...waiting.value, item]
    saved.value = 'saving'
    void keep(item).then(() => flush())
  }
  /** Sends what waits until all is confirmed, somebody must choose, or the line is down. */
  async function flush() {
    if (sending || met.value) return
    sending = true
    try {
      while (waiting.value.length > 0 && !met.value) if (!(await sendFirst())) return
      if (!met.value) saved.value = 'saved'
    } finally {
      sending = false
    }
  }
  /** False when the rest has to wait. */
  async function sendFirst(): Promise<boolean> {
    const item = waiting.value[0]!
    try {
      const { state } = await api<{ part: PartName; state: PartState }>(
        `fittings/${item.fittingId}/commands`,
        'POST',
        { id: item.id, version: item.version, command: item.command },
      )
      settle(item, state)
      return true
    } catch (error) {
      if (!(error instanceof ApiError)) throw error
      return failed(item, error)
    }
  }
  async function failed(item: Pending, error: ApiError): Promise<boolean> {
    const { status, problem } = error
    if (status === 409 && problem?.current) {
      met.value = { item, current: problem.current }
      return true
    }
    const lineIsDown = status === 0 || status >= 500 || status === 429
    if (status !== 401 && !lineIsDown) {
      await refuse(item, error.message)
      return true
    }
    saved.value = 'kept'
    if (status === 401) useSession().lock()
    else setTimeout(() => void flush(), RETRY_MS)
    return false
  }
  /** Confirmed: while more of ours waits, the screen keeps its own content. */
  function settle(item: Pending, state: PartState) {
    waiting.value = without(item)
    void forget(item)
    if (item.fittingId !== fitting.id) return
    const local = fitting.parts[item.part]
    const more = of(item.part).length > 0
    fitting.setPart(item.part, more && local ? { ...state, content: local.content } : state)
    renumber(item.part, state.version)
  }
  /** What the server refused goes; what was made after it stays, put onto what the server has. */
  async function refuse(item: Pending, why: string) {
    waiting.value = without(item)
    await forget(item)
    refused.value = `Could not keep "${item.words}": ${why}`
    renumber(item.part, item.version)
    const state = await api<FittingState>(`fittings/${item.fittingId}`).catch(() => null)
    if (state?.id === fitting.id) onto(item.part, state.parts[item.part])
  }
  /** Puts what waits for a part onto another content of it. */
  function onto(part: PartName, current: PartState | undefined) {
    const there = current && current.version > 0 ? current : undefined
    fitting.setPart(part, there)
    renumber(part, there?.version ?? 0)
    for (const item of of(part)) {
      applyKept(item.command)
      void keep(item)
    }
  }
  /** Lets go of what waits for a part. */
  function drop(part: PartName) {
    for (const item of of(part)) void forget(item)
    waiting.value = waiting.value.filter((item) => item.part !== part)
  }
  /** Reads the fitting anew; parts with changes on their way stay as the screen has them. */
  const reload = () => fitting.load(busyParts)
  /** Word from the server that a part has a newer version. */
  async function heard(part: PartName, version: number) {
    const known = (fitting.parts[part]?.version ?? 0) >= version
    if (known || sending || of(part).length > 0) return
    await reload().catch(() => undefined)
  }

  return { waiting, saved, met, refused, begin, send, flush, onto, drop, reload, heard }
})
