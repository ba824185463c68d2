import { parseCatalogue } from '../../core/footwear/catalogueSchema'
import { parseRecord } from '../../core/record/parse'
import { Refusal } from '../../core/record/refusal'
import { storableDeep } from '../../core/record/storable'

/** Escapes of what the database cannot hold. */
const ODD = /\\u(0000|d[89a-f])/i

/**
 * JSON as it came, as a value that can be stored.
 *
 * @throws Refusal `not-json`
 */
export function jsonOf(bytes: Uint8Array): unknown {
  const raw = new TextDecoder().decode(bytes)
  try {
    const value: unknown = JSON.parse(raw)
    return ODD.test(raw) ? storableDeep(value) : value
  } catch {
    throw new Refusal('not-json', 'This is not JSON. Check the file from its start.')
  }
}

/** A fitting record that was sent as a file. */
export const record = (bytes: Uint8Array) => parseRecord(jsonOf(bytes))

/** Models of a catalogue that was sent as a file: their ids, and all of them as the database takes
 * them. */
export function catalogue(bytes: Uint8Array): { ids: string[]; json: string } {
  const { models } = parseCatalogue(jsonOf(bytes))
  return { ids: models.map((model) => model.id), json: JSON.stringify(models) }
}
