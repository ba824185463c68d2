import { describe, expect, it } from 'vitest'
import { workAsked } from '../../../core/footwear/workAsked'
import { fitFoot } from '../../../core/footwear/fitFoot'
import type { Footwear, HotSpot, ShellWork } from '../../../core/record/schema'
import { foot, SETTINGS, shell } from '../../fixtures/handShell'

const MODEL = shell()
/** A spot on the outer side of the ball, as far along as the fifth head. */
const OUTER: HotSpot = { view: 'lateral', xMm: -45, yMm: 172, level: 2 }
const ON_TOP: HotSpot = { view: 'dorsal', xMm: 0, yMm: 172, level: 3 }
const tryOn = (hour: number, ...hotSpots: HotSpot[]) => ({
  id: `t${hour}`,
  worn: { left: { model: 'hand', sizeMm: 265 } },
  onDevice: true,
  startedAt: `2026-11-30T${String(hour).padStart(2, '0')}:00:00Z`,
  readings: [{ minute: 15, foot: 'left' as const, hotSpots }],
})
const asked = (tryOns: Footwear['tryOns'], work: ShellWork[] = []) =>
  workAsked(
    {
      candidates: [],
      tryOns,
      chosen: { model: 'hand', sizeLeftMm: 265, shellChecks: [], tryOn: [], work },
    },
    { left: foot },
    MODEL,
    { left: fitFoot(foot, 'left', MODEL, 265, SETTINGS) },
  )
const ofSpot = (list: ShellWork[]) => list.filter((w) => w.because?.startsWith('hot spot'))
const done = (work: ShellWork, hour: number): ShellWork => ({
  ...work,
  state: 'done',
  doneAt: `2026-11-30T${String(hour).padStart(2, '0')}:00:00Z`,
})

describe('work for what hurt', () => {
  it('lies on the side that hurt, and on that side alone', () => {
    const [spot, ...none] = ofSpot(asked([tryOn(9, OUTER)]))
    expect(none).toEqual([])
    expect(spot).toMatchObject({ foot: 'left', does: 'stretch', amountMm: 2 })
    expect(spot!.at.side).toBe('lateral')
  })

  it('is asked for until it was worked after the try-on that found it, and again after a later one', () => {
    const [spot] = ofSpot(asked([tryOn(9, OUTER)]))
    expect(ofSpot(asked([tryOn(9, OUTER)], [done(spot!, 10)]))).toEqual([])
    expect(ofSpot(asked([tryOn(9, OUTER), tryOn(11, OUTER)], [done(spot!, 10)]))).toHaveLength(1)
    expect(ofSpot(asked([tryOn(9, OUTER), tryOn(11)], [done(spot!, 10)]))).toEqual([])
  })

  it('is not hidden by work at another place whose name begins alike', () => {
    const [spot] = ofSpot(asked([tryOn(9, OUTER)]))
    const alike = { ...spot!, id: `${spot!.id}Height` }
    expect(ofSpot(asked([tryOn(9, OUTER)], [done(alike, 10)]))).toHaveLength(1)
  })

  it('on top is one grind of the board however many spots, as far as the board gives', () => {
    const grinds = (work: ShellWork[] = []) =>
      asked([tryOn(9, ON_TOP, { ...ON_TOP, yMm: 150 })], work).filter((w) => w.at.side === 'under')
    const [grind, ...none] = grinds()
    expect(none).toEqual([])
    // This board gives 3 mm.
    expect(grind).toMatchObject({ does: 'grind boot board', amountMm: 3 })
    // Two of them were ground before the try-on: one is left.
    expect(grinds([done({ ...grind!, amountMm: 2 }, 8)])).toMatchObject([{ amountMm: 1 }])
    expect(grinds([done(grind!, 8)])).toEqual([])
  })
})
