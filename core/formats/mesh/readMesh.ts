import { MESH_KINDS, formatOfName, type MeshFormat } from './formats/all'
import { broken, checkMesh, type MeshFile } from './meshFile'

/** Format of a file: by what its first bytes say, else by its name; null when neither tells. */
export const formatOf = (name: string, bytes: Uint8Array): MeshFormat | null =>
  (MESH_KINDS.all.find((format) => format.begins(bytes))?.kind as MeshFormat | undefined) ??
  formatOfName(name) ??
  null

/**
 * Reads a mesh or a point cloud of any known format.
 *
 * @param name file name, for its ending
 * @throws Refusal `broken-file` or `unknown-format`: one sentence with the place; nothing else is
 *   ever thrown
 */
export function readMesh(name: string, bytes: Uint8Array): MeshFile {
  if (bytes.length === 0) throw broken('This file is empty', name)
  const format = formatOf(name, bytes)
  if (!format) throw broken(`This is none of ${MESH_KINDS.all.map((f) => f.name).join(', ')}`, name)
  return checkMesh(MESH_KINDS.of(format).read(bytes))
}
