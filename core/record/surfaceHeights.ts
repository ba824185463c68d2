import { decodeBase64, encodeBase64 } from '../geometry/base64'
import type { Grid } from '../geometry/grid'

/** Stands for 'no surface here' among the heights. */
const NONE = -32768

/** Heights of a grid as the record keeps them: hundredths of a millimetre, 16 bits each, base64. */
export function encodeHeights(z: Float64Array): string {
  const bytes = new Uint8Array(2 * z.length)
  const view = new DataView(bytes.buffer)
  for (let i = 0; i < z.length; i++)
    view.setInt16(
      2 * i,
      Number.isNaN(z[i]!) ? NONE : Math.max(-32000, Math.min(32000, Math.round(100 * z[i]!))),
      true,
    )
  return encodeBase64(bytes)
}

/** The grid of a kept surface; NaN where there is none. */
export function decodeSurface(surface: {
  x0: number
  y0: number
  stepMm: number
  columns: number
  rows: number
  heights: string
}): Grid {
  const { x0, y0, stepMm, columns, rows } = surface
  const bytes = decodeBase64(surface.heights)
  const view = new DataView(bytes.buffer, bytes.byteOffset)
  const z = new Float64Array(columns * rows).fill(NaN)
  for (let i = 0; i < z.length && 2 * i + 1 < bytes.length; i++) {
    const v = view.getInt16(2 * i, true)
    if (v !== NONE) z[i] = v / 100
  }
  return { x0, y0, stepMm, columns, rows, z }
}
