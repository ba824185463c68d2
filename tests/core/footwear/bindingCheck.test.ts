import { describe, expect, it } from 'vitest'
import { advise } from '../../../core/advice/advise'
import { bindingBasis, bindingState, bindingWords } from '../../../core/footwear/bindingCheck'
import { chooseShell } from '../../../core/footwear/chooseShell'
import { settingWords } from '../../../core/footwear/shellSettings'
import { parseRecord } from '../../../core/record/parse'
import { stampContent } from '../../../core/record/stamps'
import type { FittingRecord } from '../../../core/record/schema'
import { standing } from '../../fixtures/feet'

const skier = (chosen: object = {}, activity = 'ski-touring') =>
  parseRecord({
    format: 'gentle-arch/fitting',
    version: 2,
    client: { massKg: 70 },
    story: { activity },
    feet: { left: { readings: [standing('footLengthMm', 262)], device: { heelLiftMm: 2 } } },
    footwear: { chosen: { model: 'a', sizeLeftMm: 265, sizeRightMm: 265, ...chosen } },
  })
/** Tested for what it says at that time. */
function tested(record: FittingRecord): FittingRecord {
  const next = structuredClone(record)
  next.footwear!.chosen!.binding = {
    by: 'Ansgar Holt',
    testedAt: '2026-11-30T10:00:00Z',
    basis: bindingBasis(record),
  }
  return next
}
const dueIn = (record: FittingRecord) => {
  const state = bindingState(record)
  return state.kind === 'due' ? state.why : state.kind
}

describe('a binding', () => {
  it('is due for shells that nobody tested it for, and told by Why until somebody did', () => {
    expect(dueIn(skier())).toEqual(['not tested for these shells yet'])
    const told = (r: FittingRecord) => advise(r).some((e) => e.code === 'binding-check')
    expect([told(skier()), told(tested(skier()))]).toEqual([true, false])
  })

  it('is asked for by nobody who walks, and by nothing before a shell is chosen', () => {
    expect(dueIn(skier({}, 'walking'))).toBe('none')
    const none = skier()
    delete none.footwear!.chosen
    expect(dueIn(none)).toBe('none')
  })

  it.each<[string, (r: FittingRecord) => void, string]>([
    ['another size', (r) => (r.footwear!.chosen!.sizeRightMm = 275), 'right size 265 mm → 275 mm'],
    [
      'a cant',
      (r) => (r.footwear!.chosen!.soleCantDeg = { left: 0.5, right: 0 }),
      'left sole cant none → 0.5°',
    ],
    [
      'no lift any more',
      (r) => (r.feet.left!.device!.heelLiftMm = 0),
      'left heel lift 2 mm → none',
    ],
    ['another weight', (r) => (r.client = { massKg: 78 }), 'another body weight'],
  ])('is due again after %s, and says so; taken back, it is tested', (_, change, why) => {
    const before = tested(skier())
    const after = structuredClone(before)
    change(after)
    expect(dueIn(after)).toEqual([why])
    expect(dueIn(before)).toBe('tested')
  })

  it('does not go along to another shell', () => {
    const before = tested(skier())
    const sized = { model: 'b', sizeLeftMm: 265, sizeRightMm: 265 }
    const after = { ...before, footwear: chooseShell(before.footwear!, sized, []) }
    expect(bindingState(after).kind).toBe('due')
  })

  it('is written down with the technician’s name, and by whom it was written, which nobody else says', () => {
    expect(bindingWords(tested(skier()))).toEqual([
      'Binding set and tested by Ansgar Holt, 2026-11-30',
    ])
    const { chosen } = tested(skier()).footwear!
    const forged = {
      ...chosen!.binding!,
      recordedBy: 'Somebody else',
      testedAt: '2020-01-01T00:00:00Z',
    }
    expect(
      stampContent(
        'footwear',
        {},
        { chosen: { ...chosen, binding: forged } },
        {
          by: 'Rhona',
          at: '2026-11-30T11:00:00Z',
        },
      ),
    ).toMatchObject({
      chosen: {
        binding: { by: 'Ansgar Holt', recordedBy: 'Rhona', testedAt: '2026-11-30T11:00:00Z' },
      },
    })
  })
})

describe('what is set on a shell', () => {
  it('is told with its foot and its way; what is not set is not told', () => {
    const { chosen } = skier({
      cuffAlignDeg: { left: 0, right: 1.5 },
      soleCantDeg: { left: -0.5, right: 0 },
      forwardLeanDeg: 14,
      deltaMm: -2,
    }).footwear!
    expect(settingWords(chosen!)).toEqual([
      'left sole cant 0.5° inwards',
      'right cuff 1.5° outwards',
      'forward lean 14°',
      'binding delta −2 mm',
    ])
    expect(settingWords(skier().footwear!.chosen!)).toEqual([])
  })
})
