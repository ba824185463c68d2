import type { Caution } from './cautions'
import type { Wearer } from '../record/stepState'

interface Told {
  cautions: readonly Caution[]
  /** making waits for a clearance */
  blocked: boolean
  wearer: Wearer
}

/**
 * Cautions as whoever makes the device needs them: what to do, and nothing of why. Conditions, age
 * and signs stay with those who fit.
 *
 * @example
 *   benchCautions({ cautions: [], blocked: true, wearer: { child: true, noHeat: false, marginK: 5 } }).map((c) => c.code)
 *   // ['bench-wait', 'bench-gentle']
 */
export function benchCautions({ cautions, blocked, wearer }: Told): Caution[] {
  const out: Caution[] = []
  if (blocked)
    out.push({
      code: 'bench-wait',
      kind: 'stop',
      words: 'Making waits: the fitter has something to clear first.',
    })
  if (wearer.noHeat)
    out.push({
      code: 'bench-soft-edges',
      kind: 'stop',
      words:
        'No heat on this foot. Soft edges, no seam or ridge under it; feel every edge with a bare hand before it goes out.',
    })
  if (wearer.child)
    out.push({
      code: 'bench-gentle',
      kind: 'watch',
      words: 'Gentle on this skin: cooler and shorter than usual, edges soft.',
    })
  if (cautions.length > 0)
    out.push({
      code: 'bench-ask',
      kind: 'watch',
      words: 'There is something the fitter knows about this pair: ask before changing anything.',
    })
  return out
}
