import { HOUSE_NORMS } from '../../../core/record/tables'
import { describe, expect, it } from 'vitest'
import { plainDevice } from '../../../core/device/buildDevice'
import { deviceDiff } from '../../../core/device/deviceDiff'
import { ADJUSTMENTS, AFTER_COMPLAINTS, likelyAdjustments } from '../../../core/followup/causes'
import { DEMO_RECORDS } from '../../../demo/records'

const plain = structuredClone(DEMO_RECORDS['tove-marchetti']!)

describe('from complaint to change', () => {
  it('has a cause and a smallest change for every complaint, each one difference to the device or none', () => {
    expect(ADJUSTMENTS.map((a) => a.complaint)).toEqual([...AFTER_COMPLAINTS])
    for (const a of ADJUSTMENTS)
      if (a.next)
        expect(
          deviceDiff(plainDevice(), a.next(plainDevice()), HOUSE_NORMS),
          a.complaint,
        ).toHaveLength(1)
    // A heel that lifts and toes that go numb are the boot's, not the device's.
    expect(ADJUSTMENTS.filter((a) => !a.next).map((a) => a.complaint)).toEqual([
      'heelLifts',
      'toesNumb',
      'blackNail',
    ])
  })
  it('changes what is there by its step, up to a limit', () => {
    const rolls = ADJUSTMENTS.find((a) => a.complaint === 'rollsIn')!
    const device = DEMO_RECORDS['tove-marchetti']!.feet.left!.device!
    expect(rolls.next!(device).layers.find((l) => l.kind === 'medialSkive')).toMatchObject({
      depthMm: 3,
    })
    let deep = device
    for (let i = 0; i < 9; i++) deep = rolls.next!(deep)
    expect(deep.layers.find((l) => l.kind === 'medialSkive')).toMatchObject({ depthMm: 6 })
  })
  it('speaks for what hurts still, worst first, and is silent about what got better', () => {
    const pain = [
      { foot: 'left', at: 'archPlantar', score: 3, verdict: 'no change' },
      { foot: 'right', at: 'secondMetHead', score: 6, verdict: 'worse' },
      { foot: 'right', at: 'heelPlantar', score: 7, verdict: 'better' },
      { foot: 'left', at: 'instep', score: 2, verdict: 'no change' },
    ] as const
    expect(likelyAdjustments(plain, pain).map((x) => [x.foot, x.adjustment.complaint])).toEqual([
      ['right', 'headHurts'],
      ['left', 'archPresses'],
    ])
  })
})
