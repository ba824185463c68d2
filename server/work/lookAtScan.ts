import { createHash } from 'node:crypto'
import { move, transferableSymbol, valueSymbol } from 'piscina'
import { readMesh } from '../../core/formats/mesh/readMesh'

/** What a file holds, told by reading it. */
export interface SeenScan {
  format: string
  points: number
  triangles: number
  sha256: string
  /** the file itself, handed back */
  bytes: Uint8Array<ArrayBuffer>
}

/**
 * Reads a scan to know what it is: its sender's word for it counts nothing.
 *
 * @throws Refusal where it is no scan, or one that was made to flood
 */
export function lookAtScan(name: string, bytes: Uint8Array<ArrayBuffer>) {
  const { format, positions, triangles } = readMesh(name, bytes)
  const seen: SeenScan = {
    format,
    points: positions.length / 3,
    triangles: triangles.length / 3,
    sha256: createHash('sha256').update(bytes).digest('hex'),
    bytes,
  }
  // The bytes go back without being copied.
  const handedBack = { [transferableSymbol]: bytes.buffer, [valueSymbol]: seen }
  return move(handedBack as never) as unknown as SeenScan
}
