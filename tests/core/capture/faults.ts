import { describe, expect, it } from 'vitest'
import type { Fault } from '../../../core/capture/standin/faults'
import { captured, madeUpScan } from './madeUpFeet'
import { runs } from '../../effort'

const TIMES = runs(20, 2)

/**
 * A fault made one and a half times as large as its check allows must be found in nineteen of
 * twenty feet.
 */
export function findsFaults(faults: readonly Fault[]) {
  describe('faults of holding and scanning', () => {
    it.each(faults)('%s is found', { timeout: 600_000 }, (fault) => {
      const missed: string[] = []
      for (let seed = 900; seed < 900 + TIMES; seed++) {
        // Without a leg nobody can say how the heel stood to it.
        const scan = madeUpScan(
          seed,
          fault,
          fault === 'heelUpright' ? (seed % 2 ? 'capped' : 'open') : undefined,
        )
        const { foot } = captured(scan)
        const check = foot.checks.find((c) => c.code === fault)
        if (!check || check.verdict === 'good')
          missed.push(
            `seed ${seed}: ${check ? check.value.toFixed(2) : foot.notSeen.find((n) => n.code === fault)?.because}`,
          )
        else expect(check.words.length).toBeGreaterThan(20)
      }
      expect(missed.length, missed.join('; ')).toBeLessThanOrEqual(0.05 * TIMES)
    })
  })
}
