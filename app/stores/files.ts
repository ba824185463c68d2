import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import type { ScanRow } from '../../shared/contracts'
import { ApiError } from '~/browser/api'
import {
  bytesOfFile,
  dropFile,
  filesOf,
  keepFile,
  keepFileRow,
  type WaitingScan,
} from '~/browser/keptChanges'
import { upload } from '~/browser/upload'
import { sendInOrder } from '~/browser/sendInOrder'
import { useOnDevice } from './onDevice'
import { useSession } from './session'

const RETRY_MS = 3000

/**
 * Scans on their way to the server. They are large, so they have a line of their own and nothing
 * that was typed waits behind them; each has an id by which the server keeps it once. The bytes lie
 * sealed on this device until it is confirmed.
 */
export const useFiles = defineStore('files', () => {
  const session = useSession()
  const onDevice = useOnDevice()
  const all = shallowRef<readonly WaitingScan[]>([])
  const down = ref(false)
  /** the file under way, and how much of it has gone */
  const going = shallowRef<{ id: string; share: number } | null>(null)
  /** told when the server has one */
  const kept = shallowRef<{ fittingId: string; row: ScanRow } | null>(null)
  let order = 0
  let loaded: Promise<void> = Promise.resolve()
  let stop: (() => void) | null = null
  /** what the browser would not keep for us lives as long as the page */
  const held = new Map<string, Uint8Array<ArrayBuffer>>()

  const onItsWay = computed(() => all.value.filter((item) => !item.refused))
  const rowsOf = (fittingId: string): ScanRow[] =>
    all.value.filter((item) => item.fittingId === fittingId).map((item) => item.row)

  async function load(person: string | undefined) {
    all.value = []
    held.clear()
    stop?.()
    if (!person) return
    const before = await filesOf(person).catch(() => [])
    if (session.person?.id !== person) return
    const known = new Set(all.value.map((item) => item.id))
    all.value = [...before.filter((item) => !known.has(item.id)), ...all.value]
    order = Math.max(order, ...before.map((item) => item.order))
  }
  watch(
    () => session.person?.id,
    (person) => (loaded = load(person)),
    { immediate: true, flush: 'sync' },
  )
  const bytesOf = async (item: WaitingScan) =>
    held.get(item.id) ?? (await bytesOfFile(item).catch(() => null))
  function forget({ id }: WaitingScan) {
    all.value = all.value.filter((other) => other.id !== id)
    held.delete(id)
    onDevice.forget(id)
    return dropFile(id).catch(() => undefined)
  }
  function replace(item: WaitingScan) {
    all.value = all.value.map((other) => (other.id === item.id ? item : other))
    // One whose bytes the browser would not take is not kept by its name alone.
    return held.has(item.id) ? null : onDevice.store(item.id, () => keepFileRow(item))
  }

  const address = ({ id, fittingId, row }: WaitingScan) => {
    const query = new URLSearchParams({
      id,
      name: row.name,
      unit: row.unit,
      points: String(row.points),
      triangles: String(row.triangles),
      ...(row.side && { side: row.side }),
    })
    return `fittings/${fittingId}/scans?${query}`
  }
  /** False where the line or the session is gone, or nothing waits. */
  async function sendFirst(): Promise<boolean> {
    const item = onItsWay.value[0]
    if (!item || !session.person) return false
    const bytes = await bytesOf(item)
    if (!bytes) {
      await replace({
        ...item,
        refused: 'Its bytes are no longer on this device. Bring the file again.',
      })
      return true
    }
    try {
      going.value = { id: item.id, share: 0 }
      const { done, cancel } = upload(
        address(item),
        bytes,
        (share) => (going.value = { id: item.id, share }),
      )
      stop = cancel
      const row = (await done) as ScanRow
      down.value = false
      await forget(item)
      kept.value = { fittingId: item.fittingId, row }
      return true
    } catch (error) {
      if (!(error instanceof ApiError)) throw error
      return failed(item, error)
    } finally {
      stop = null
      going.value = null
    }
  }
  async function failed(item: WaitingScan, error: ApiError): Promise<boolean> {
    // Let go while it was under way.
    if (!all.value.some((other) => other.id === item.id)) return true
    if (error.status !== 401 && !error.passing) {
      await replace({ ...item, refused: error.message })
      return true
    }
    down.value = true
    if (error.status === 401) session.lock(error.asks)
    else retry()
    return false
  }
  const { flush, retry } = sendInOrder(() => loaded, sendFirst, RETRY_MS)
  /** Keeps a scan on this device, and sends it. Resolves when it is kept here. */
  async function send(fittingId: string, row: ScanRow, bytes: Uint8Array<ArrayBuffer>) {
    const item: WaitingScan = {
      id: row.id,
      person: session.person?.id ?? '',
      order: ++order,
      words: `scan ${row.name}`,
      madeAt: Date.now(),
      fittingId,
      row,
    }
    await loaded
    held.set(item.id, bytes)
    all.value = [...all.value, item]
    if (await onDevice.store(item.id, () => keepFile(item, bytes))) held.delete(item.id)
    void flush()
  }
  /** A scan that the server has not got, or would not take: sent once more, or let go. */
  async function decide(id: string, what: 'again' | 'let go') {
    const item = all.value.find((i) => i.id === id)
    if (!item) return
    if (what === 'let go') {
      const isGoing = going.value?.id === id
      await forget(item)
      if (isGoing) stop?.()
      return
    }
    const { refused: _, ...again } = item
    await replace(again)
    await flush()
  }
  /** The bytes of a scan that lies here. */
  async function bytes(id: string): Promise<Uint8Array<ArrayBuffer> | null> {
    const item = all.value.find((i) => i.id === id)
    return item ? bytesOf(item) : null
  }

  return { all, onItsWay, down, going, kept, rowsOf, send, flush, decide, bytes }
})
