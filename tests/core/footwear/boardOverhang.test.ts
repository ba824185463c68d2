import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { overhangMm, overhangOf } from '../../../core/footwear/boardOverhang'
import type { FittingRecord, Footwear } from '../../../core/record/schema'
import { DEMO_RECORDS } from '../../../demo/records'
import { shell } from '../../fixtures/handShell'
import { runs } from '../../effort'

const BOOT = shell({ family: 'soft-boot' })
function rider(
  board: Footwear['board'],
  soleLengthMm?: { left?: number; right?: number },
): FittingRecord {
  const record = structuredClone(DEMO_RECORDS['tove-marchetti']!)
  record.footwear = {
    candidates: [],
    ...(board && { board }),
    chosen: {
      model: BOOT.id,
      sizeLeftMm: 265,
      sizeRightMm: 265,
      shellChecks: [],
      tryOn: [],
      work: [],
      ...(soleLengthMm && { soleLengthMm }),
    },
  }
  return record
}

describe('a sole over the edges of a board', () => {
  it('straight across is half of what it is longer', () => {
    expect(overhangMm(300, 280, 0)).toBe(10)
    expect(overhangMm(300, 310, 0)).toBe(-5)
  })
  it('agrees with a rectangle’s middle line that is turned on a drawing board', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 220, max: 340 }),
        fc.integer({ min: 220, max: 290 }),
        fc.integer({ min: -60, max: 60 }),
        (soleMm, boardMm, deg) => {
          // Ends of the line, turned by small steps; the board's edges lie at ± half its width.
          let [x, y] = [soleMm / 2, 0]
          const step = ((deg / 600) * Math.PI) / 180
          for (let i = 0; i < 600; i++)
            [x, y] = [
              x * Math.cos(step) - y * Math.sin(step),
              x * Math.sin(step) + y * Math.cos(step),
            ]
          expect(overhangMm(soleMm, boardMm, deg)).toBeCloseTo(x - boardMm / 2, 6)
        },
      ),
      { numRuns: runs(500) },
    ))

  it('5 to 15 mm are right, more drags, less has little leverage', () => {
    const at = (widthMm: number) =>
      overhangOf(rider({ widthMm, angleDeg: { left: 0 } }, { left: 300 }), BOOT, 'left')!
    expect(at(280)).toMatchObject({ verdict: 'right', eachMm: 10, isEstimate: false })
    expect(at(290).verdict).toBe('right')
    expect(at(270).verdict).toBe('right')
    expect(at(292).verdict).toBe('short')
    expect(at(260)).toMatchObject({ verdict: 'drags', eachMm: 20 })
    expect(at(310).words).toMatch(/5 mm inside the edge/)
  })

  it('a way out that is taken is right', () => {
    const drags = overhangOf(
      rider({ widthMm: 255, angleDeg: { left: 6 } }, { left: 300 }),
      BOOT,
      'left',
    )!
    const [, turned] = /turn it to (\d+)°/.exec(drags.words)!
    const [, wide] = /a board (\d+) mm wide/.exec(drags.words)!
    for (const board of [
      { widthMm: 255, angleDeg: { left: Number(turned) } },
      { widthMm: Number(wide) + 1, angleDeg: { left: 6 } },
    ])
      expect(overhangOf(rider(board, { left: 300 }), BOOT, 'left')!.verdict).toBe('right')
  })

  it('a sole that nobody measured is an estimate, and without board or stance nothing is told', () => {
    const board = { widthMm: 280, angleDeg: { left: 0 } }
    // 278 mm inside and 26 more.
    expect(overhangOf(rider(board), BOOT, 'left')).toMatchObject({ soleMm: 304, isEstimate: true })
    expect(overhangOf(rider(board), BOOT, 'right')).toBeNull()
    expect(overhangOf(rider({ angleDeg: { left: 0 } }), BOOT, 'left')).toBeNull()
    expect(overhangOf(rider(undefined), BOOT, 'left')).toBeNull()
  })
})
