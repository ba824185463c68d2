import { broken, checkMesh, MESH_FORMATS, type MeshFile, type MeshFormat } from './meshFile'
import { read3mf } from './read3mf'
import { readObj } from './readObj'
import { readPly } from './readPly'
import { isTextStl, readStl } from './readStl'

const READERS: Record<MeshFormat, (bytes: Uint8Array) => MeshFile> = {
  stl: readStl,
  obj: readObj,
  ply: readPly,
  '3mf': read3mf,
}

/** Format of a file: by what its first bytes say, else by its name; null when neither tells. */
export function formatOf(name: string, bytes: Uint8Array): MeshFormat | null {
  const begin = new TextDecoder('latin1').decode(bytes.subarray(0, 4))
  if (begin.startsWith('PK')) return '3mf'
  if (begin === 'ply\n' || begin === 'ply\r') return 'ply'
  if (isTextStl(bytes)) return 'stl'
  const ending = name.toLowerCase().split('.').at(-1)
  return MESH_FORMATS.find((f) => f === ending) ?? null
}

/**
 * Reads a mesh or a point cloud from STL (text, binary), OBJ, PLY (text, binary of both orders) or 3MF.
 *
 * @param name file name, for its ending
 * @throws Refusal `broken-file` or `unknown-format`: one sentence with the place; nothing else is ever thrown
 */
export function readMesh(name: string, bytes: Uint8Array): MeshFile {
  if (bytes.length === 0) throw broken('This file is empty', name)
  const format = formatOf(name, bytes)
  if (!format)
    throw broken(`This is none of ${MESH_FORMATS.map((f) => f.toUpperCase()).join(', ')}`, name)
  return checkMesh(READERS[format](bytes))
}
