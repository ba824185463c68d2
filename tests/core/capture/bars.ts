import { describe, expect, it } from 'vitest'
import { intoFrame } from '../../../core/geometry/frame'
import { CHECK_CODES } from '../../../core/tables/captureChecks'
import { madeUpScan, captured } from './madeUpFeet'

const median = (v: readonly number[]) => [...v].sort((a, b) => a - b)[Math.floor(v.length / 2)]!
const share = (v: readonly number[], limit: number) => v.filter((x) => x <= limit).length / v.length

/**
 * Captures a run of made-up feet in any pose, unit and format and holds every landmark and reading
 * against the shape they were made from.
 */
export function holdsBars(from: number, count: number) {
  describe(`${count} stand-in scans from seed ${from}`, () => {
    it('are read as the feet they are', { timeout: 900_000 }, () => {
      const off = {
        heel: [] as number[],
        heads: [] as number[],
        length: [] as number[],
        width: [] as number[],
        apex: [] as number[],
        forefoot: [] as number[],
      }
      let wrongSide = 0
      const flagged: string[] = []
      for (let seed = from; seed < from + count; seed++) {
        const scan = madeUpScan(seed)
        const { open, foot } = captured(scan)
        if (open.rough.guess.side !== scan.side) {
          wrongSide++
          continue
        }
        const { sole } = scan
        const L = sole.parameters.lengthMm
        const [first, fifth] = [sole.heads[0]!, sole.heads[4]!]
        const away = (at: readonly number[], x: number, y: number) => {
          const truth = intoFrame(foot.view.frame, scan.inScan(x, y))
          return Math.hypot(at[0]! - truth[0], at[1]! - truth[1], at[2]! - truth[2])
        }
        off.heel.push(away(foot.landmarks.heel!, 0, 0.13 * L))
        off.heads.push(
          away(foot.landmarks.firstMetHead!, first.x, first.y),
          away(foot.landmarks.fifthMetHead!, fifth.x, fifth.y),
        )
        off.length.push(Math.abs(foot.readings.footLengthMm! - L))
        off.width.push(
          Math.abs(
            foot.readings.forefootWidthMm! -
              Math.hypot(sole.medial(first.y) - sole.lateral(fifth.y), first.y - fifth.y),
          ),
        )
        off.apex.push(Math.abs(foot.landmarks.archApex![2] - apexHeight(scan, foot.view.frame)))
        for (const c of foot.checks)
          if (c.verdict !== 'good') flagged.push(`${c.code} ${c.value.toFixed(2)} (seed ${seed})`)
        off.forefoot.push(
          Math.abs(foot.readings.forefootDeg! - (scan.foot.findings!.forefootDeg![0]! - 0.73)),
        )
      }
      const worst = Object.fromEntries(
        Object.entries(off).map(([k, v]) => [
          k,
          `${median(v).toFixed(2)} median, ${Math.max(...v).toFixed(2)} at most`,
        ]),
      )
      console.log(
        `  seeds ${from}…${from + count - 1}: wrong side ${wrongSide}`,
        JSON.stringify(worst),
        `flagged without a fault: ${flagged.join(', ') || 'nothing'}`,
      )
      expect(wrongSide).toBeLessThanOrEqual(Math.floor(0.01 * count))
      expect(median([...off.heel, ...off.heads])).toBeLessThan(1.5)
      expect(share(off.heel, 3)).toBe(1)
      expect(share(off.heads, 3)).toBe(1)
      expect(share(off.length, 1.5)).toBe(1)
      expect(share(off.width, 1.5)).toBe(1)
      expect(share(off.apex, 1.5)).toBe(1)
      expect(share(off.forefoot, 1)).toBe(1)
      // No fault was made: at most one in twenty may be called one, check by check.
      for (const code of CHECK_CODES)
        expect(flagged.filter((f) => f.startsWith(code)).length, code).toBeLessThanOrEqual(
          0.05 * count,
        )
    })
  })
}

/**
 * Height of the true sole's highest point under the line from heel to first head, in the frame that
 * was found.
 */
function apexHeight(
  { sole, inScan }: ReturnType<typeof madeUpScan>,
  frame: Parameters<typeof intoFrame>[0],
): number {
  const first = sole.heads[0]!
  const heelY = 0.13 * sole.parameters.lengthMm
  let best = -Infinity
  for (let t = 0.2; t <= 0.85; t += 0.01)
    best = Math.max(best, intoFrame(frame, inScan(first.x * t, heelY + (first.y - heelY) * t))[2])
  return best
}
