import { deviceStore, type Box, type KeyRow } from './deviceStore'

/** Rounds of PBKDF2-SHA-256 that turn what a person signs in with into a key. */
const ROUNDS = 310_000
const AES = { name: 'AES-GCM', length: 256 } as const

let key: CryptoKey | null = null
/** whose key is open */
let owner: string | null = null

const random = (bytes: number) => crypto.getRandomValues(new Uint8Array(bytes))

/** A page that did not come by a safe way (no TLS, not this machine) has no cipher. */
export const canSeal = (): boolean => typeof globalThis.crypto?.subtle !== 'undefined'

async function wrappingKey(person: string, secret: string, salt: KeyRow['salt']) {
  const words = new TextEncoder().encode(`${person}\n${secret}`)
  const from = await crypto.subtle.importKey('raw', words, 'PBKDF2', false, ['deriveKey'])
  return crypto.subtle.deriveKey(
    { name: 'PBKDF2', salt, iterations: ROUNDS, hash: 'SHA-256' },
    from,
    AES,
    false,
    ['wrapKey', 'unwrapKey'],
  )
}
/** Out of its wrapping it can be used, never taken away. */
const unwrap = ({ iv, data }: Box, by: CryptoKey) =>
  crypto.subtle.unwrapKey('raw', data, by, { name: 'AES-GCM', iv }, AES, false, [
    'encrypt',
    'decrypt',
  ])

/** A new key for a person; without a secret it lives only until sign-out. */
async function newKey(person: string, secret: string | undefined): Promise<KeyRow> {
  const salt = random(16)
  const whole = await crypto.subtle.generateKey(AES, secret !== undefined, ['encrypt', 'decrypt'])
  if (secret === undefined) return { person, salt, live: whole }
  const by = await wrappingKey(person, secret, salt)
  const iv = random(12)
  const data = await crypto.subtle.wrapKey('raw', whole, by, { name: 'AES-GCM', iv })
  const wrapped = { iv, data }
  return { person, salt, wrapped, live: await unwrap(wrapped, by) }
}

/** What a person keeps here was closed without their words: it is sealed anew under them. */
async function wrapNow(row: KeyRow, secret: string): Promise<KeyRow> {
  key = row.live!
  const rows = await deviceStore.ofPerson(row.person)
  const opened = await Promise.all(
    rows.map(async (kept) => ({ kept, bytes: await openBytes(kept.box) })),
  )
  const next = await newKey(row.person, secret)
  await deviceStore.putKey(next)
  key = next.live!
  for (const { kept, bytes } of opened)
    if (bytes) await deviceStore.put({ ...kept, box: await closeBytes(bytes) })
  return next
}

/**
 * Opens what a person keeps on this device.
 *
 * @param secret what they signed in with; undefined where the page was loaded again while they are
 *   signed in
 * @returns `asks` where their key was put away and their words are needed: they signed out, whatever
 *   the server has heard of it; `former` where their words changed, and what waits under the former
 *   ones stays closed
 */
export async function unlock(person: string, secret?: string): Promise<'open' | 'asks' | 'former'> {
  key = null
  owner = person
  if (!canSeal()) return 'open'
  const row = await deviceStore.key(person)
  if (secret === undefined) {
    if (row && !row.live) return 'asks'
    const own = row ?? (await newKey(person, undefined))
    if (!row) await deviceStore.putKey(own)
    key = own.live!
    return 'open'
  }
  if (!row?.wrapped) {
    const own = row?.live ? await wrapNow(row, secret) : await newKey(person, secret)
    await deviceStore.putKey(own)
    key = own.live!
    return 'open'
  }
  const by = await wrappingKey(person, secret, row.salt)
  const live = await unwrap(row.wrapped, by).catch(() => null)
  if (live) {
    await deviceStore.putKey({ ...row, live })
    key = live
    return 'open'
  }
  const { live: _, ...closed } = row
  await deviceStore.putKey({ ...closed, person: `${person} former ${Date.now()}` })
  const next = await newKey(person, secret)
  await deviceStore.putKey(next)
  key = next.live!
  return 'former'
}

/**
 * Is this what the person signs in with? Told by what it opens on this device, where no server can be
 * asked; false where nothing is kept here.
 */
export async function isSecretOf(person: string, secret: string): Promise<boolean> {
  if (!canSeal()) return false
  const row = await deviceStore.key(person)
  if (!row?.wrapped) return false
  const by = await wrappingKey(person, secret, row.salt)
  return unwrap(row.wrapped, by).then(
    () => true,
    () => false,
  )
}

/** Whose key is open on this page; null where there is none, or no cipher. */
export const openFor = (): string | null => (key ? owner : null)

/** Who is signed in on this device as far as it knows, whatever the server says. */
export async function peopleHere(): Promise<string[]> {
  if (!canSeal()) return []
  return (await deviceStore.keys()).filter((row) => row.live).map((row) => row.person)
}

/** Puts the key away: what waits can be opened only after its owner has signed in again. */
export async function lockAway(person: string): Promise<void> {
  key = null
  if (!canSeal()) return
  const row = await deviceStore.key(person)
  if (!row?.wrapped) return
  const { live: _, ...rest } = row
  await deviceStore.putKey(rest)
}

/**
 * Closes bytes as they are, a file.
 *
 * @throws Error where nobody has opened their key, or the browser has no cipher
 */
export async function closeBytes(bytes: Uint8Array<ArrayBuffer>): Promise<Box> {
  if (!key) throw new Error('nobody’s key is open')
  const iv = random(12)
  return { iv, data: await crypto.subtle.encrypt({ name: 'AES-GCM', iv }, key, bytes) }
}
/** The bytes in a box; null where another key closed it. */
export async function openBytes(box: Box): Promise<Uint8Array<ArrayBuffer> | null> {
  if (!key) return null
  return crypto.subtle.decrypt({ name: 'AES-GCM', iv: box.iv }, key, box.data).then(
    (data) => new Uint8Array(data),
    () => null,
  )
}

/** @throws Error where nobody has opened their key, or the browser has no cipher */
export const seal = (value: unknown): Promise<Box> =>
  closeBytes(new TextEncoder().encode(JSON.stringify(value)))

/** What lies in a box; null where another key closed it. */
export async function unseal(box: Box): Promise<unknown> {
  const bytes = await openBytes(box)
  return bytes && (JSON.parse(new TextDecoder().decode(bytes)) as unknown)
}
