import type { ShellBody } from './bodySolid'

/** The thinnest place of a shell, mm. */
export interface LeastThickness {
  mm: number
  xMm: number
  yMm: number
}

/** Closer to the trim line than this a caliper finds no sheet between its jaws, mm. */
const EDGE_MM = 1.5

/**
 * The thinnest place of a shell but its feather edge, as a caliper reads it: from the top to the nearest
 * point of the underside. Where nothing was taken from the sheet it is as thick as it was laid.
 */
export function leastThickness(body: ShellBody): LeastThickness | null {
  const { field } = body.surface
  const { columns, stepMm } = field
  const { shellTop, shellBottom, inside, isFeather, thickness, offset } = body
  let least: LeastThickness = { mm: Infinity, xMm: 0, yMm: 0 }
  for (let i = 0; i < shellTop.length; i++) {
    if (inside[i]! <= EDGE_MM || isFeather[i]) continue
    const laid = typeof thickness === 'number' ? thickness : thickness[i]!
    const isAsLaid = shellTop[i] === offset.top[i] && shellBottom[i] === offset.bottom[i]
    const mm = isAsLaid ? laid : nearest(i, laid)
    if (mm < least.mm) least = { mm, xMm: field.x[i]!, yMm: field.y[i]! }
  }
  return least.mm === Infinity ? null : least
  function nearest(i: number, laid: number): number {
    const reach = Math.ceil(laid / stepMm)
    let mm = shellTop[i]! - shellBottom[i]!
    for (let dr = -reach; dr <= reach; dr++)
      for (let dc = -reach; dc <= reach; dc++) {
        const j = i + dr * columns + dc
        if (inside[j] === undefined || inside[j]! <= 0) continue
        mm = Math.min(mm, Math.hypot(dr * stepMm, dc * stepMm, shellTop[i]! - shellBottom[j]!))
      }
    return mm
  }
}
