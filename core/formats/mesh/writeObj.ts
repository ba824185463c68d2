import type { Mesh } from '../../geometry/mesh'
import { encodeLines, faceLines, pointLines } from './meshLines'

/** OBJ of a mesh in mm, with the object's name where there is one. */
export function writeObj(mesh: Mesh, name?: string): Uint8Array {
  return encodeLines(
    (function* () {
      yield '# millimetres\n'
      if (name) yield `o ${name.replace(/\s+/g, '_')}\n`
      yield* pointLines(mesh, (x, y, z) => `v ${x} ${y} ${z}\n`)
      yield* faceLines(mesh, (a, b, c) => `f ${a + 1} ${b + 1} ${c + 1}\n`)
    })(),
  )
}
