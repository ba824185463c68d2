import type { FootView } from './footFrame'

const STEP_MM = 3
/** Highest that is drawn, mm: heel, ankle, and the leg over it. */
const TOP_MM = 150

/**
 * The back of a foot as a closed line in x (medial) and z, mm: sole, sides and what is seen of the
 * leg; empty where too little was seen.
 */
export function silhouetteBehind({
  points,
  lengthMm,
}: Pick<FootView, 'points' | 'lengthMm'>): [number, number][] {
  const medial = new Float64Array(Math.ceil(TOP_MM / STEP_MM)).fill(-Infinity)
  const lateral = new Float64Array(medial.length).fill(Infinity)
  for (let i = 0; i < points.length; i += 3) {
    const k = Math.floor(points[i + 2]! / STEP_MM)
    // The back of the foot only: further forward the ball would be in the way.
    if (k < 0 || k >= medial.length || points[i + 1]! > 0.24 * lengthMm) continue
    medial[k] = Math.max(medial[k]!, points[i]!)
    lateral[k] = Math.min(lateral[k]!, points[i]!)
  }
  const seen = [...medial.keys()].filter((k) => Number.isFinite(medial[k]!))
  if (seen.length < 3) return []
  const z = (k: number) => (k + 0.5) * STEP_MM
  return [
    ...seen.map((k): [number, number] => [medial[k]!, z(k)]),
    ...seen.reverse().map((k): [number, number] => [lateral[k]!, z(k)]),
  ]
}
