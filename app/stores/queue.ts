import { until } from '@vueuse/core'
import { newId } from '~/browser/newId'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { partOf, type Command, type CommandContext } from '../../core/record/commands'
import type { Clash } from '../../core/record/merge'
import type { PartName } from '../../core/record/parts'
import { rebase } from '../../core/record/rebase'
import { normsOf, type Norms } from '../../core/record/tables'
import type { FittingState, PartState } from '../../shared/contracts'
import { api, ApiError } from '~/browser/api'
import { dropKept, keepPending, pendingOf, sealLegible, type Pending } from '~/browser/keptChanges'
import { useFitting } from './fitting'
import { useOnDevice } from './onDevice'
import { useSession } from './session'

/** Changes that met somebody else's at the same place: the person at the bench chooses. */
export interface Met {
  part: PartName
  current: PartState
  clashes: readonly Clash[]
}

const RETRY_MS = 1500

/** Nothing waits longer for its time to count, ms. */
const MOST_WAIT_MS = 86_400_000
/** How long a change has waited here for the line; what went at once has not. */
function waitedMs({ madeAt }: Pending): number {
  const ms = Date.now() - (madeAt ?? Date.now())
  return ms < RETRY_MS ? 0 : Math.min(MOST_WAIT_MS, Math.round(ms))
}

/** One place that both changed, as a name. */
export const placeOf = ({ path }: Clash): string => JSON.stringify(path)

/**
 * Changes on their way to the server, one after the other, of every fitting that this person
 * changed here. They lie sealed in the browser's own database until they are confirmed, so that a
 * dead line or a closed page loses none. Others' changes are merged with them; only what both
 * changed is asked.
 */
export const useQueue = defineStore('queue', () => {
  const fitting = useFitting()
  const session = useSession()
  const onDevice = useOnDevice()
  const all = shallowRef<readonly Pending[]>([])
  /** the line, or the session, is gone */
  const down = ref(false)
  /** both changed one thing of the open fitting: nothing of that part is sent until it is chosen */
  const met = shallowRef<Met | null>(null)
  /** what the server would not keep, in words */
  const refused = ref('')
  let sending = false
  let order = 0
  let loaded: Promise<void> = Promise.resolve()

  const onItsWay = computed(() => all.value.filter((item) => !item.refused))
  /** of the open fitting, in the order in which they were made */
  const waiting = computed(() => onItsWay.value.filter((item) => item.fittingId === fitting.id))
  const stuck = computed(() => down.value || met.value !== null)
  const of = (part: PartName, fittingId = fitting.id) =>
    onItsWay.value.filter((item) => item.part === part && item.fittingId === fittingId)
  const busyParts = (): ReadonlySet<PartName> => new Set(waiting.value.map((item) => item.part))
  const keep = (item: Pending) => onDevice.store(item.id, () => keepPending(item))
  function forget({ id }: Pending) {
    onDevice.forget(id)
    return dropKept(id).catch(() => undefined)
  }
  const without = (item: Pending) => all.value.filter((other) => other.id !== item.id)
  /** Puts other values in place of some that wait, here and on the device. */
  function replace(items: readonly Pending[]): Promise<unknown> {
    const byId = new Map(items.map((item) => [item.id, item]))
    all.value = all.value.map((item) => byId.get(item.id) ?? item)
    return Promise.all(items.map(keep))
  }

  /** What this person left on this device; nobody else's is opened. */
  async function load(person: string | undefined) {
    all.value = []
    met.value = null
    refused.value = ''
    if (!person) return
    await sealLegible(person).catch(() => undefined)
    const kept = await pendingOf(person).catch(() => [])
    if (session.person?.id !== person) return
    const known = new Set(all.value.map((item) => item.id))
    all.value = [...kept.filter((item) => !known.has(item.id)), ...all.value]
    order = Math.max(order, ...kept.map((item) => item.order))
  }
  watch(
    () => session.person?.id,
    (person) => (loaded = load(person)),
    { immediate: true, flush: 'sync' },
  )

  /** Another fitting is opened: what waits for it is put onto what is there, and sent. */
  async function begin() {
    met.value = null
    refused.value = ''
    const { id } = fitting
    await loaded
    if (fitting.id !== id) return
    all.value = all.value.map((item) => (item.fittingId === id ? { ...item, met: false } : item))
    for (const part of busyParts()) {
      // Its own versions and contents stay with what waits: the server says whether they still hold.
      const { content } = rebase(of(part), fitting.parts[part]?.content, fitting.context())
      fitting.show(part, content)
    }
    void flush()
  }
  function add(item: Omit<Pending, 'id' | 'person' | 'order' | 'madeAt'>): Pending {
    const added: Pending = {
      ...item,
      id: newId(),
      person: session.person?.id ?? '',
      order: ++order,
      madeAt: Date.now(),
    }
    all.value = [...all.value, added]
    return added
  }
  /** Sends a change that is on the screen already. */
  function send(command: Command, words: string, before: unknown, after: unknown) {
    const part = partOf(command)
    const item = add({
      fittingId: fitting.id,
      part,
      version: (fitting.parts[part]?.version ?? 0) + of(part).length,
      command,
      words,
      about: fitting.client?.details.name ?? fitting.client?.code,
      before,
      after,
      met: met.value?.part === part,
    })
    void keep(item).then(() => flush())
  }
  /**
   * Sends a change of a fitting that is looked at from elsewhere, as the bench day.
   *
   * @param version of the part as it was seen there
   * @returns whether it is kept by the server, waits here, or was refused and why: whoever made it
   *   has it before them, so it is not kept beside that
   */
  async function sendTo(
    fittingId: string,
    version: number,
    command: Command,
    words: string,
  ): Promise<'kept' | 'waits' | { refused: string }> {
    const part = partOf(command)
    const [before, after] = [undefined, undefined]
    const ahead = of(part, fittingId).length
    const { id } = add({ fittingId, part, version: version + ahead, command, words, before, after })
    const now = () => all.value.find((item) => item.id === id)
    await keep(now()!)
    await flush()
    // Somebody else may be sending: it is waited for as long as things go on.
    await until(() => !now() || now()!.refused !== undefined || now()!.met || stuck.value).toBe(
      true,
    )
    const item = now()
    if (item?.refused === undefined) return item ? 'waits' : 'kept'
    await decide(id, 'let go')
    refused.value = ''
    return { refused: item.refused }
  }
  /** Sends what waits until all is confirmed, somebody must choose, or the line is down. */
  async function flush() {
    if (sending || !session.person) return
    sending = true
    try {
      await loaded
      for (;;) {
        const item = all.value.find((i) => !i.refused && !i.met)
        if (!item || !(await sendOne(item))) return
        down.value = false
      }
    } finally {
      sending = false
    }
  }
  /** False when the rest has to wait. */
  async function sendOne(item: Pending): Promise<boolean> {
    try {
      const { state } = await api<{ part: PartName; state: PartState }>(
        `fittings/${item.fittingId}/commands`,
        'POST',
        {
          id: item.id,
          version: item.version,
          command: item.command,
          waitedMs: waitedMs(item),
        },
      )
      return settle(item, state)
    } catch (error) {
      if (!(error instanceof ApiError)) throw error
      return failed(item, error)
    }
  }
  async function failed(item: Pending, error: ApiError): Promise<boolean> {
    const { status, problem, passing } = error
    if (status === 409 && problem?.current) return meet(item, problem.current)
    if (status !== 401 && !passing) {
      await refuse(item, error.message)
      return true
    }
    if (status === 401) session.lock(error.asks)
    return later(status !== 401)
  }
  let timer: ReturnType<typeof setTimeout> | undefined
  /** The rest waits; once more in a while, however many changes have failed meanwhile. */
  function later(again = true): false {
    down.value = true
    clearTimeout(timer)
    if (again) timer = setTimeout(() => void flush(), RETRY_MS)
    return false
  }
  /** Confirmed: while more of ours waits, the screen keeps its own content. */
  async function settle(item: Pending, state: PartState): Promise<boolean> {
    all.value = without(item)
    void forget(item)
    const more = of(item.part, item.fittingId)
    // Its first answer was lost, and somebody else changed the part before it was asked again.
    if (more.length && state.version !== item.version + 1) return meet(item, state)
    void replace(more.map((next, i) => ({ ...next, version: state.version + i })))
    if (item.fittingId !== fitting.id) return true
    const local = fitting.parts[item.part]
    fitting.setPart(item.part, more.length && local ? { ...state, content: local.content } : state)
    return true
  }
  /** What a change is judged by; of a fitting that is not open, as the server has it. */
  async function contextOf(fittingId: string): Promise<CommandContext | null> {
    if (fittingId === fitting.id) return fitting.context()
    const state = await api<FittingState>(`fittings/${fittingId}`).catch(() => null)
    return (
      state && {
        ...fitting.context(),
        norms: normsOf({ norms: state.parts.norms?.content as Norms | undefined }),
        wearer: state.wearer,
      }
    )
  }
  /** Somebody else was there first: what waits is merged with theirs, or a choice is asked. */
  async function meet({ part, fittingId }: Pending, current: PartState): Promise<boolean> {
    const context = await contextOf(fittingId)
    if (!context) return later()
    const items = of(part, fittingId)
    const rebased = rebase(items, current.content, context)
    if (rebased.clashes.length === 0) {
      take(part, fittingId, current, rebased)
      return true
    }
    await replace(items.map((item) => ({ ...item, met: true })))
    if (fittingId === fitting.id) met.value = { part, current, clashes: rebased.clashes }
    return true
  }
  /** Puts what waits for a part onto another content of it. */
  function take(
    part: PartName,
    fittingId: string,
    current: PartState | undefined,
    { waiting: items, content }: { waiting: Pending[]; content: unknown },
  ) {
    const there = current && current.version > 0 ? current : undefined
    const version = there?.version ?? 0
    void replace(items.map((item, i) => ({ ...item, version: version + i, met: false })))
    if (fittingId !== fitting.id) return
    fitting.setPart(part, there)
    if (items.length) fitting.show(part, content)
  }
  /** The choice between what both changed, by place; then all of it goes on its way. */
  function choose(choices: ReadonlyMap<string, 'mine' | 'theirs'>) {
    if (!met.value) return
    const { part, current } = met.value
    const pick = (clash: Clash) => choices.get(placeOf(clash)) ?? 'theirs'
    const rebased = rebase(of(part), current.content, fitting.context(), pick)
    met.value = null
    take(part, fitting.id, current, rebased)
    void flush()
  }
  /**
   * What the server refused stays on the device until somebody decides; what was made after it goes
   * on without it, put onto what the server has.
   */
  async function refuse(item: Pending, why: string) {
    await replace([{ ...item, refused: why }])
    refused.value = `Could not keep "${item.words}": ${why}`
    const { part, fittingId } = item
    const state = await api<FittingState>(`fittings/${fittingId}`).catch(() => null)
    if (!state) return
    const context = await contextOf(fittingId)
    if (!context) return
    const current = state.parts[part]
    take(part, fittingId, current, rebase(of(part, fittingId), current?.content, context))
  }
  /** A refused change: tried once more, or let go. */
  async function decide(id: string, what: 'again' | 'let go') {
    const item = all.value.find((i) => i.id === id)
    if (!item) return
    if (what === 'let go') {
      all.value = without(item)
      return forget(item)
    }
    // Version 0 makes the server say what is there, and the change is merged with it.
    const { refused: _, ...again } = item
    await replace([{ ...again, version: 0 }])
    await flush()
  }
  /** Reads the fitting anew; parts with changes on their way stay as the screen has them. */
  const reload = () => fitting.load(busyParts)
  /** After a lost line: what others did meanwhile is read first, then what waits is sent. */
  async function catchUp() {
    if (fitting.id) await reload().catch(() => undefined)
    await flush()
  }
  /** Word from the server that a part has a newer version. */
  async function heard(part: PartName, version: number) {
    const known = (fitting.parts[part]?.version ?? 0) >= version
    if (known || sending || of(part).length > 0) return
    await reload().catch(() => undefined)
  }

  return {
    all,
    onItsWay,
    waiting,
    stuck,
    met,
    refused,
    begin,
    of,
    send,
    sendTo,
    flush,
    choose,
    decide,
    reload,
    catchUp,
    heard,
  }
})
