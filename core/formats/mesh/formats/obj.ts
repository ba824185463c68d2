import { readObj } from '../readObj'
import { writeObj } from '../writeObj'
import { meshFormat } from './definition'

/** Points and faces as lines of text; a cloud has points only. */
export const obj = meshFormat({
  kind: 'obj',
  name: 'OBJ',
  mediaType: 'model/obj',
  needsFaces: false,
  // Any text may be one: only the name tells.
  begins: () => false,
  read: readObj,
  write: (mesh) => writeObj(mesh),
})
