import { readPly } from '../readPly'
import { writePly } from '../writePly'
import { beginning, meshFormat } from './definition'

/** Elements with named properties, as text or binary of either order; a cloud has points only. */
export const ply = meshFormat({
  kind: 'ply',
  name: 'PLY',
  mediaType: 'model/ply',
  needsFaces: false,
  begins: (bytes) => /^ply[\n\r]$/.test(beginning(bytes)),
  read: readPly,
  write: (mesh) => writePly(mesh),
})
