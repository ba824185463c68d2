import { isTextStl, readStl } from '../readStl'
import { writeStl } from '../writeStl'
import { meshFormat } from './definition'

/** Triangles without names or units, as text or binary. */
export const stl = meshFormat({
  kind: 'stl',
  name: 'STL',
  mediaType: 'model/stl',
  needsFaces: true,
  begins: isTextStl,
  read: readStl,
  write: (mesh, name, unit) => writeStl(mesh, `${name}, ${unit}`),
})
