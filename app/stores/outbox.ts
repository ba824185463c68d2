import { newId } from '~/browser/newId'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import type { FieldChanges } from '../../core/record/clientChanges'
import type { Client } from '../../core/record/schema'
import { api, ApiError } from '~/browser/api'
import { closedCount, dropKept, keepRequest, requestsOf, type Request } from '~/browser/keptChanges'
import { sendInOrder } from '~/browser/sendInOrder'
import { useOnDevice } from './onDevice'
import { useSession } from './session'

const RETRY_MS = 1500

/** Said where a form would go on with the server's answer, and there is none yet. */
export const KEPT_HERE =
  'The server does not answer. This is kept on this device and goes by itself when the line is back.'

type Write = Pick<Request, 'method' | 'path' | 'body' | 'words'>
/** Sent and answered, or kept on this device until the line is back. */
export type Written<T> = { answer: T } | { waits: true }

/**
 * Everything else that people type, on its way to the server: one call after the other, each with an
 * id by which the server counts it once. It lies sealed on this device until it is confirmed.
 */
export const useOutbox = defineStore('outbox', () => {
  const session = useSession()
  const onDevice = useOnDevice()
  const all = shallowRef<readonly Request[]>([])
  const down = ref(false)
  /** what lies here of other people, and of one's own under a former password */
  const closed = ref({ others: 0, own: 0 })
  let order = 0
  let loaded: Promise<void> = Promise.resolve()

  const onItsWay = computed(() => all.value.filter((item) => !item.refused))

  async function load(person: string | undefined) {
    all.value = []
    closed.value = { others: 0, own: 0 }
    if (!person) return
    const kept = await requestsOf(person).catch(() => [])
    if (session.person?.id !== person) return
    const known = new Set(all.value.map((item) => item.id))
    all.value = [...kept.filter((item) => !known.has(item.id)), ...all.value]
    order = Math.max(order, ...kept.map((item) => item.order))
    closed.value = await closedCount(person).catch(() => closed.value)
  }
  watch(
    () => session.person?.id,
    (person) => (loaded = load(person)),
    { immediate: true, flush: 'sync' },
  )

  const replace = (item: Request) => {
    all.value = all.value.map((other) => (other.id === item.id ? item : other))
    return onDevice.store(item.id, () => keepRequest(item))
  }
  const forget = (item: Request) => {
    all.value = all.value.filter((other) => other.id !== item.id)
    onDevice.forget(item.id)
    return dropKept(item.id).catch(() => undefined)
  }

  /** What became of a call that somebody waits for; a run that was under way may have sent it. */
  const outcome = new Map<string, { answer: unknown } | ApiError>()
  const awaited = new Set<string>()
  const settle = (id: string, became: { answer: unknown } | ApiError) =>
    awaited.has(id) && outcome.set(id, became)

  /** Sends what has waited longest; false where the line or the session is gone, or nothing waits. */
  async function sendFirst(): Promise<boolean> {
    const item = onItsWay.value[0]
    if (!item || !session.person) return false
    try {
      const answer = await api<unknown>(item.path, item.method, item.body, item.id)
      down.value = false
      await forget(item)
      settle(item.id, { answer })
      return true
    } catch (error) {
      if (!(error instanceof ApiError)) throw error
      if (error.status !== 401 && !error.passing) {
        await replace({ ...item, refused: error.message })
        settle(item.id, error)
        return true
      }
      down.value = true
      if (error.status === 401) session.lock(error.asks)
      else retry()
      return false
    }
  }
  const { flush, retry } = sendInOrder(() => loaded, sendFirst, RETRY_MS)

  /**
   * Keeps a change on this device and sends it.
   *
   * @returns the answer, or that it waits for the line
   * @throws ApiError where the server refuses it: whoever typed it still has it before them, so it
   *   is not kept beside that
   */
  async function write<T>(what: Write): Promise<Written<T>> {
    const item: Request = {
      ...what,
      id: newId(),
      person: session.person?.id ?? '',
      order: ++order,
    }
    await loaded
    all.value = [...all.value, item]
    await onDevice.store(item.id, () => keepRequest(item))
    awaited.add(item.id)
    try {
      await flush()
      const became = outcome.get(item.id)
      if (became instanceof ApiError) {
        await forget(item)
        throw became
      }
      return became ? (became as { answer: T }) : { waits: true }
    } finally {
      awaited.delete(item.id)
      outcome.delete(item.id)
    }
  }

  /** Changes of a client that are on their way, as they stand on the screen already. */
  const clientPath = (clientId: string) => `clients/${clientId}`
  function withOwn(clientId: string, details: Client): Client {
    const waiting = onItsWay.value.filter((i) => i.path === clientPath(clientId))
    return waiting.reduce<Client>((so, { body }) => {
      const { changes } = body as { changes: FieldChanges }
      const fields = Object.entries(changes).map(([field, c]) => [field, c!.to ?? undefined])
      return { ...so, ...Object.fromEntries(fields) }
    }, details)
  }
  /** The same changes on what the client is by now: ours on top, because somebody said so. */
  async function onTop(item: Request): Promise<Request> {
    if (item.method !== 'PATCH' || !item.path.startsWith('clients/')) return item
    const { details } = await api<{ details: Client }>(item.path)
    const { changes } = item.body as { changes: FieldChanges }
    const fields = Object.entries(changes) as [keyof Client, { to?: unknown }][]
    const body = {
      changes: Object.fromEntries(
        fields.map(([field, { to }]) => [field, { from: details[field] ?? null, to }]),
      ),
    }
    return { ...item, body }
  }
  /** A refused change: tried once more, or let go. */
  async function decide(id: string, what: 'again' | 'let go') {
    const item = all.value.find((i) => i.id === id)
    if (!item) return
    if (what === 'let go') return forget(item)
    const { refused: _, ...again } = await onTop(item)
    await replace(again)
    await flush()
  }

  return { all, onItsWay, down, closed, write, flush, decide, withOwn }
})
