import type { Mesh } from '../../../geometry/mesh'
import type { Unit } from '../../../geometry/units'
import type { MeshFile } from '../meshFile'

/** Everything known about one format of meshes. */
export interface MeshFormatDefinition<K extends string = string> {
  /** the ending of its files, too */
  kind: K
  name: string
  mediaType: string
  /** a point cloud cannot become one */
  needsFaces: boolean
  /** do a file's first bytes say that it is one? false where they say nothing */
  begins: (bytes: Uint8Array) => boolean
  /** @throws Refusal `broken-file` with the place */
  read: (bytes: Uint8Array) => MeshFile
  /** @param unit what the numbers count, named where the format has a place for it */
  write: (mesh: Mesh, name: string, unit: Unit) => Uint8Array
}

/** Keeps the name of the kind in its type. */
export const meshFormat = <const K extends string>(
  definition: MeshFormatDefinition<K>,
): MeshFormatDefinition<K> => definition

/** A file's first bytes as text. */
export const beginning = (bytes: Uint8Array, count = 4): string =>
  new TextDecoder('latin1').decode(bytes.subarray(0, count))
