import { openDB, type DBSchema, type IDBPDatabase } from 'idb'

/** Bytes that only the person's own key opens. */
export interface Box {
  iv: Uint8Array<ArrayBuffer>
  data: ArrayBuffer
}

/** Something kept on this device: whose it is; what it is lies in the box. */
export interface Sealed {
  id: string
  person: string
  kind: 'change' | 'request' | 'history' | 'file' | 'bytes' | 'answer'
  order: number
  box: Box
}

/** A person's key on this device, wrapped by what they sign in with; `live` while signed in. */
export interface KeyRow {
  person: string
  salt: Uint8Array<ArrayBuffer>
  wrapped?: Box
  live?: CryptoKey
}

interface Shape extends DBSchema {
  sealed: { key: string; value: Sealed; indexes: { byPerson: string } }
  keys: { key: string; value: KeyRow }
  /** changes as versions before 3 kept them, legible; gone once they were sealed */
  pending: { key: string; value: { id: string; fittingId: string } }
}

/**
 * Opens the database once. A tab of an earlier version that holds it fast is not waited for: what is
 * typed goes to the server all the same.
 */
function connect(): Promise<IDBPDatabase<Shape>> {
  return new Promise((resolve, reject) => {
    openDB<Shape>('gentle-arch', 3, {
      upgrade(db, from) {
        const names = db.objectStoreNames as unknown as DOMStringList
        if (from < 3 && names.contains('history')) db.deleteObjectStore('history' as never)
        if (!names.contains('pending')) db.createObjectStore('pending', { keyPath: 'id' })
        db.createObjectStore('sealed', { keyPath: 'id' }).createIndex('byPerson', 'person')
        db.createObjectStore('keys', { keyPath: 'person' })
      },
      blocked: () => reject(new Error('another tab holds an earlier version of the database')),
      // A later version may come in another tab: this one lets go, and opens again when asked.
      blocking: (_from, _to, event) => {
        ;(event.target as IDBDatabase).close()
        connection = null
      },
      terminated: () => (connection = null),
    }).then(resolve, reject)
  })
}
let connection: Promise<IDBPDatabase<Shape>> | null = null
function open(): Promise<IDBPDatabase<Shape>> {
  connection ??= connect().catch((error: unknown) => {
    connection = null
    throw error
  })
  return connection
}

/** The browser's own database, as far as it lets us. */
export const deviceStore = {
  put: async (row: Sealed) => void (await (await open()).put('sealed', row)),
  /** All of them or none. */
  putAll: async (rows: readonly Sealed[]): Promise<void> => {
    const tx = (await open()).transaction('sealed', 'readwrite')
    await Promise.all([...rows.map((row) => tx.store.put(row)), tx.done])
  },
  drop: async (id: string) => void (await (await open()).delete('sealed', id)),
  one: async (id: string): Promise<Sealed | undefined> => (await open()).get('sealed', id),
  all: async (): Promise<Sealed[]> => (await open()).getAll('sealed'),
  ofPerson: async (person: string): Promise<Sealed[]> =>
    (await open()).getAllFromIndex('sealed', 'byPerson', person),
  keys: async (): Promise<KeyRow[]> => (await open()).getAll('keys'),
  key: async (person: string): Promise<KeyRow | undefined> => (await open()).get('keys', person),
  putKey: async (row: KeyRow) => void (await (await open()).put('keys', row)),
  legible: async (): Promise<unknown[]> => (await open()).getAll('pending'),
  dropLegible: async () => void (await (await open()).clear('pending')),
}
