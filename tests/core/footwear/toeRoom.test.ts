import { describe, expect, it } from 'vitest'
import { leastLengthMm, linerEndsMm, wornInside } from '../../../core/footwear/toeRoom'
import { FAMILIES } from '../../../core/kinds/families/all'
import { completeTables } from '../../../core/record/migrate/completeTables'
import { HOUSE_NORMS } from '../../../core/record/tables'
import { shell } from '../../fixtures/handShell'

describe('room at the toes', () => {
  it('lies inside the liner: 278 − (4 + 6)·0.75 in the reference size, 10 more a size up', () => {
    expect(linerEndsMm(shell())).toBe(7.5)
    expect(linerEndsMm(shell(), 1)).toBe(10)
    expect(wornInside(shell(), 265, HOUSE_NORMS)).toEqual({ lengthMm: 270.5, leastRoomMm: 0 })
    expect(wornInside(shell({ family: 'shoe' }), 275, HOUSE_NORMS)).toEqual({
      lengthMm: 280.5,
      leastRoomMm: 5,
    })
    expect(wornInside(shell({ at: {} }), 265, HOUSE_NORMS)).toBeNull()
  })

  it('is told on the scale of the family: bare in a shell, liner in in a soft boot', () => {
    expect(leastLengthMm(shell(), HOUSE_NORMS)).toBe(7.5)
    expect(leastLengthMm(shell({ family: 'soft-boot' }), HOUSE_NORMS)).toBe(0)
  })
})

describe('a least room that was one number for all', () => {
  const stored = (leastRoomMm: number) => ({ outgrownMm: { leastRoomMm, remakeMm: 12 } })
  const read = (value: object) =>
    completeTables(value, ['outgrownMm', 'leastRoomMm']) as Record<string, object>

  it('goes to every family where the shop had set it, and keeps what else was set', () => {
    const { outgrownMm, leastRoomMm } = read(stored(6))
    expect(outgrownMm).toEqual({ remakeMm: 12 })
    expect(leastRoomMm).toEqual(Object.fromEntries(FAMILIES.map((f) => [f, 6])))
  })

  it('gives way to the families’ own where nobody had touched it', () =>
    expect(read(stored(4)).leastRoomMm).toEqual(HOUSE_NORMS.leastRoomMm))
})
