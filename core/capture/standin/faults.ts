import type { Norms } from '../../record/tables'
import { CHECK_TABLE } from '../../tables/captureChecks'
import { CHECK_CODES, type CheckCode } from '../../tables/vocabulary'
import { smoothstep as S } from '../../geometry/smoothstep'
import type { Sole } from '../../geometry/soleField'

/** Positioning faults by the check that has to find them; amounts in the check's unit. */
export const FAULTS = CHECK_CODES
export type Fault = CheckCode

const SIGN = { deg: '°', mm: 'mm', '%': '%' } as const

/**
 * How large a fault is where nobody says: one and a half times the limit of its check. Of coverage
 * it is the part that is lost.
 *
 * @example usualFault('toes', HOUSE_NORMS) // { amount: 3, unit: 'mm' }
 */
export function usualFault(
  fault: Fault,
  { captureLimit }: Pick<Norms, 'captureLimit'>,
): { amount: number; unit: string } {
  const { unit } = CHECK_TABLE.find((c) => c.code === fault)!
  const limit = unit === '%' ? 100 - captureLimit[fault] : captureLimit[fault]
  return { amount: 1.5 * limit, unit: SIGN[unit] }
}

const bell = (d: number, sigma: number) => Math.exp(-0.5 * (d / sigma) ** 2)

/**
 * How a fault changes the height of the sole at a point, mm (x medial +, y from the heel). Faults
 * of the leg and of coverage do not.
 *
 * heel and leg: elsewhere; midfoot: the outer border lifted in its middle; forefoot: turned about
 * the long axis; first ray: its head held up; toes: knuckles clawed, tips driven down; dents: pits
 * under the fourth and fifth heads; level: the ball raised as a whole; arch: its top raised.
 */
export function soleFault(
  sole: Sole,
  fault: Fault | undefined,
  amount: number,
): (x: number, y: number) => number {
  const L = sole.parameters.lengthMm
  const w = sole.parameters.forefootWidthMm / 100
  const [first, , , fourth, fifth] = sole.heads as unknown as { x: number; y: number }[]
  switch (fault) {
    case 'midfootLocked': {
      const from = 0.14 * L
      const to = fifth!.y
      return (x, y) => {
        const t = (y - from) / (to - from)
        return t > 0 && t < 1 ? amount * 4 * t * (1 - t) * (1 - S(sole.place(x, y).u, 0.1, 0.5)) : 0
      }
    }
    case 'forefootAngle':
      return (x, y) => Math.tan((amount * Math.PI) / 180) * x * S(y / L, 0.42, 0.62)
    case 'firstRay':
      return (x, y) => amount * bell(x - first!.x, 13 * w) * S(y / L, 0.5, 0.7)
    case 'toes':
      return (x, y) =>
        sole.toes
          .slice(1)
          .reduce(
            (z, t) =>
              z +
              amount *
                (bell(Math.hypot((x - t.x) / w, y - t.y + 13), 5) -
                  bell(Math.hypot((x - t.x) / w, y - t.y - 2), 4.5)),
            0,
          )
    case 'fingerDents':
      return (x, y) =>
        [fourth!, fifth!].reduce(
          (z, h) => z + amount * bell(Math.hypot(x - h.x, y - h.y + 4), 6),
          0,
        )
    case 'levelHeelBall':
      return (_, y) => amount * S(y / L, 0.2, 0.6)
    case 'archHeight':
      return (x, y) => {
        const { s, u } = sole.place(x, y)
        return amount * S(s, 0.17, 0.42) * (1 - S(s, 0.44, 0.7)) * S(u, 0.4, 0.85)
      }
    default:
      return () => 0
  }
}
