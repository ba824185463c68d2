import { sameJson } from './sameJson'
import type { Client } from './schema'

export type ClientField = Exclude<keyof Client, 'code'>

/** What a field was when somebody changed it, and what they made of it; undefined for nothing. */
export interface FieldChange {
  from?: unknown
  to?: unknown
}

/** Fields as people name them. */
export const FIELD_WORDS: Record<ClientField, string> = {
  name: 'name',
  bornOn: 'born on',
  sex: 'sex',
  massKg: 'weight',
  heightMm: 'height',
  guardian: 'guardian',
  occupation: 'does what',
  phone: 'telephone',
  mail: 'mail',
  address: 'address',
  reachBy: 'is reached by',
  conditions: 'conditions',
  history: 'history',
  consents: 'consents',
}

export type FieldChanges = Partial<Record<ClientField, FieldChange | undefined>>

/** Nothing, in every way in which it comes over a line. */
const value = (told: unknown): unknown => (told === null || told === '' ? undefined : told)

/**
 * Puts changed fields onto what a client is now: others' changes of other fields stay. A field that
 * somebody else changed meanwhile to something else is told and left.
 *
 * @example changeFields({ massKg: 70, name: 'A' }, { massKg: { from: 70, to: 72 } }).details
 *   // { massKg: 72, name: 'A' }
 */
export function changeFields(
  now: Client,
  changes: FieldChanges,
): { details: Record<string, unknown>; met: ClientField[] } {
  const own = new Map<string, unknown>(Object.entries(now))
  const met: ClientField[] = []
  for (const [field, change] of Object.entries(changes) as [ClientField, FieldChange][]) {
    const [here, from, to] = [now[field], change.from, change.to].map(value)
    if (sameJson(here, to)) continue
    if (!sameJson(here, from)) met.push(field)
    else if (to === undefined) own.delete(field)
    else own.set(field, to)
  }
  return { details: Object.fromEntries(own), met }
}

/** The fields of a patch that differ from what is there, as changes. */
export const fieldChanges = (now: Client, patch: Partial<Client>): FieldChanges =>
  Object.fromEntries(
    (Object.entries(patch) as [ClientField, unknown][])
      .filter(([field, to]) => !sameJson(value(now[field]), value(to)))
      .map(([field, to]) => [field, { from: now[field] ?? null, to: to ?? null }]),
  )
