import { openDB, type DBSchema } from 'idb'

/** Bytes that only the person's own key opens. */
export interface Box {
  iv: Uint8Array<ArrayBuffer>
  data: ArrayBuffer
}

/** Something kept on this device: whose it is and where it belongs; what it is lies in the box. */
export interface Sealed {
  id: string
  person: string
  kind: 'change' | 'request' | 'history'
  /** the fitting it belongs to; '' for none */
  about: string
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

const open = () =>
  openDB<Shape>('gentle-arch', 3, {
    upgrade(db, from) {
      const names = db.objectStoreNames as unknown as DOMStringList
      if (from < 3 && names.contains('history')) db.deleteObjectStore('history' as never)
      if (!names.contains('pending')) db.createObjectStore('pending', { keyPath: 'id' })
      db.createObjectStore('sealed', { keyPath: 'id' }).createIndex('byPerson', 'person')
      db.createObjectStore('keys', { keyPath: 'person' })
    },
  })

/** The browser's own database, as far as it lets us. */
export const deviceStore = {
  put: async (row: Sealed) => void (await (await open()).put('sealed', row)),
  drop: async (id: string) => void (await (await open()).delete('sealed', id)),
  all: async (): Promise<Sealed[]> => (await open()).getAll('sealed'),
  ofPerson: async (person: string): Promise<Sealed[]> =>
    (await open()).getAllFromIndex('sealed', 'byPerson', person),
  key: async (person: string): Promise<KeyRow | undefined> => (await open()).get('keys', person),
  putKey: async (row: KeyRow) => void (await (await open()).put('keys', row)),
  legible: async (): Promise<unknown[]> => (await open()).getAll('pending'),
  dropLegible: async () => void (await (await open()).clear('pending')),
}
