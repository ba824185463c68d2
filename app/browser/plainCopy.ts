import { toRaw } from 'vue'

/** What is watched, without its watchers, all the way down. */
function unwatched(value: unknown): unknown {
  const raw = toRaw(value)
  if (Array.isArray(raw)) return raw.map(unwatched)
  if (raw === null || typeof raw !== 'object' || Object.getPrototypeOf(raw) !== Object.prototype)
    return raw
  return Object.fromEntries(Object.entries(raw).map(([key, part]) => [key, unwatched(part)]))
}

/**
 * A copy of its own, free of proxies: for workers, for the browser's database and to be changed.
 *
 * @throws DataCloneError for what cannot be copied, such as a function
 */
export const plainCopy = <T>(value: T): T => structuredClone(unwatched(value)) as T
