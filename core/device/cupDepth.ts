import { STANDING } from './stands'
import type { ShellBody } from './bodySolid'

/** Depth of a heel cup as a depth gauge reads it, mm, from three places of its rim. */
export interface CupDepth {
  medial: number
  lateral: number
  back: number
}

/** The sides of the rim are read beside this share of the length: the middle of the heel. */
const BESIDE_SHARE = 0.14

/** Heights of the top in the heel's own frame, mm: what posts, balance and lift have turned is turned back. */
function ownHeight({ surface: { cast, top, layers }, top: finished }: ShellBody) {
  return (i: number) =>
    finished[i]! - (top[i]! - layers.reduce((sum, l) => sum + l.change[i]!, cast[i]!))
}

/** The cell of the cup's lowest place; null where the trim line leaves no cup. */
export function cupFloor(body: ShellBody): number | null {
  const { field } = body.surface
  const endY = STANDING.heelShare * field.sole.parameters.lengthMm
  const height = ownHeight(body)
  let lowest: { i: number; mm: number } | null = null
  for (let i = 0; i < body.inside.length; i++) {
    if (body.inside[i]! <= 0 || field.y[i]! >= endY) continue
    const mm = height(i)
    if (!lowest || mm < lowest.mm) lowest = { i, mm }
  }
  return lowest && lowest.i
}

/**
 * Depth of the finished cup: from its rim to its lowest place, along the heel's own axis, so that a post
 * below makes neither side deeper. Null where the trim line leaves no cup.
 */
export function cupDepth(body: ShellBody): CupDepth | null {
  const { field } = body.surface
  const { columns, rows, stepMm, x0, y0 } = field
  const height = ownHeight(body)
  const isInside = (i: number) => body.inside[i]! > 0
  const lowest = cupFloor(body)
  const row = Math.round((BESIDE_SHARE * field.sole.parameters.lengthMm - y0) / stepMm - 0.5)
  const across = Array.from({ length: columns }, (_, c) => row * columns + c).filter(isInside)
  const column = Math.round(-x0 / stepMm - 0.5)
  const along = Array.from({ length: rows }, (_, r) => r * columns + column).filter(isInside)
  if (lowest === null || across.length === 0 || along.length === 0) return null
  const floor = height(lowest)
  return {
    medial: height(across.at(-1)!) - floor,
    lateral: height(across[0]!) - floor,
    back: height(along[0]!) - floor,
  }
}
