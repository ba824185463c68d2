import { strToU8 } from 'fflate'
import type { Mesh } from '../../geometry/mesh'

/** Coordinates keep six decimals of a millimetre. */
const decimal = (v: number) => String(Math.round(v * 1e6) / 1e6)
const LINES_AT_ONCE = 20_000

/** Text in pieces, so that a million lines never are one string. */
export function encodeLines(lines: Iterable<string>): Uint8Array {
  const pieces: Uint8Array[] = []
  let block: string[] = []
  const flush = () => {
    pieces.push(strToU8(block.join('')))
    block = []
  }
  for (const line of lines) {
    block.push(line)
    if (block.length >= LINES_AT_ONCE) flush()
  }
  flush()
  const out = new Uint8Array(pieces.reduce((s, p) => s + p.length, 0))
  let at = 0
  for (const piece of pieces) {
    out.set(piece, at)
    at += piece.length
  }
  return out
}

/** A line for every point. */
export function* pointLines(mesh: Mesh, write: (x: string, y: string, z: string) => string) {
  for (let i = 0; i < mesh.positions.length; i += 3)
    yield write(
      decimal(mesh.positions[i]!),
      decimal(mesh.positions[i + 1]!),
      decimal(mesh.positions[i + 2]!),
    )
}
/** A line for every triangle. */
export function* faceLines(mesh: Mesh, write: (a: number, b: number, c: number) => string) {
  for (let i = 0; i < mesh.triangles.length; i += 3)
    yield write(mesh.triangles[i]!, mesh.triangles[i + 1]!, mesh.triangles[i + 2]!)
}
