import { describe, expect, it } from 'vitest'
import { examineFoot } from '../../../core/examine/examineFoot'
import type { Findings } from '../../../core/kinds/findings/all'
import { parseRecord } from '../../../core/record/parse'
import { HOUSE_NORMS } from '../../../core/record/tables'
import { standing } from '../../fixtures/feet'

function words(findings: Findings, { child = false, readings = [] as object[] } = {}) {
  const foot = parseRecord({
    format: 'gentle-arch/fitting',
    version: 1,
    feet: { left: { readings, findings } },
  }).feet.left!
  return examineFoot(foot, child, HOUSE_NORMS).words
}

describe('neutral', () => {
  it('is computed or palpated, and says which', () => {
    const subtalar = { inversionDeg: [24], eversionDeg: [6] }
    expect(words({ subtalar })).toBe('Rearfoot neutral 4° varus.')
    expect(words({ neutralPalpatedDeg: [-3] })).toBe('Rearfoot neutral 3° valgus by palpation.')
    expect(words({ subtalar, neutralPalpatedDeg: [-3] })).toBe('Rearfoot neutral 4° varus.')
  })
})

describe('stance', () => {
  it('is told alone, with its roll, with what is left of it', () => {
    expect(words({ rcspDeg: [-5] })).toBe('Heel stands 5° everted.')
    expect(words({ rcspDeg: [-5], ncspDeg: [-5] })).toBe(
      'Heel stands 5° everted, no roll to get down.',
    )
    expect(words({ rcspDeg: [-2], ncspDeg: [-5] })).toBe(
      'Heel stands 2° everted, 3° of roll outward to get down.',
    )
  })
  it('half a degree not got down is told, less is not', () => {
    expect(words({ rcspDeg: [0.5] })).toBe('Heel stands 0.5° inverted, 0.5° not got down.')
    expect(words({ rcspDeg: [0.4] })).toBe('Heel stands upright.')
  })
  it('two degrees of eversion are its end, more is left', () => {
    const at = (eversion: number) =>
      words({ rcspDeg: [-4], tibialVarumDeg: [2], subtalar: { eversionDeg: [eversion] } })
    expect(at(8)).toBe('Heel stands 4° everted, at the end of its eversion.')
    expect(at(8.1)).toBe('Heel stands 4° everted, 2.1° of eversion left.')
  })
})

describe('the forefoot', () => {
  it('has its height where the width was taken: 100 mm · tan 5° is 8.7', () => {
    const readings = [standing('forefootWidthMm', 100)]
    expect(words({ forefootDeg: [5] }, { readings })).toBe(
      'Forefoot 5° varus, 8.7 mm across, usual.',
    )
    expect(words({ forefootDeg: [5] })).toBe('Forefoot 5° varus, usual.')
  })
  it('is usual up to both limits of the table', () => {
    const [low, high] = HOUSE_NORMS.usualForefootDeg
    for (const deg of [low, high]) expect(words({ forefootDeg: [deg] })).toMatch(/, usual\.$/)
    for (const deg of [low - 0.1, high + 0.1])
      expect(words({ forefootDeg: [deg] })).toMatch(/, beyond the usual\.$/)
  })
})

describe('rays, joints and toes', () => {
  it('a first ray off level is told, with its stiffness if somebody felt for it', () => {
    const ray = (firstRay: Findings['firstRay']) => words({ firstRay })
    expect(ray({ rest: 'plantarflexed' })).toBe('First ray plantarflexed.')
    expect(ray({ rest: 'elevated', stiffness: 'stiff' })).toBe(
      'First ray elevated, rigid; stiff: first ray.',
    )
    expect(ray({ rest: 'elevated', stiffness: 'usual' })).toBe('First ray elevated, flexible.')
    expect(ray({ rest: 'level' })).toBe('Nothing unusual in what was examined.')
  })
  it('a fifth ray off level too', () => {
    expect(words({ fifthRay: 'sunk' })).toBe('Fifth ray sunk.')
    expect(words({ fifthRay: 'level' })).toBe('Nothing unusual in what was examined.')
  })
  it('an ankle and a great toe only where they are not usual', () => {
    const ankle = (straight: number, bent: number) =>
      words({ ankleKneeStraightDeg: [straight], ankleKneeBentDeg: [bent] })
    expect(ankle(12, 20)).toBe('Nothing unusual in what was examined.')
    expect(ankle(4, 16)).toBe('Ankle limited by the calf.')
    expect(ankle(4, 5)).toBe('Ankle limited at the joint.')
    const toe = (findings: Findings) => words({ firstToeUnloadedDeg: [50], ...findings })
    expect(words({ firstToeUnloadedDeg: [70] })).toBe('Nothing unusual in what was examined.')
    expect(toe({})).toBe('Big toe limited.')
    expect(toe({ firstToeStiff: true })).toBe('Big toe range as in grade 0.')
    expect(words({ firstToeUnloadedDeg: [9], firstToeMidRangePain: true })).toBe(
      'Big toe range as in grade 4.',
    )
    expect(words({ firstToeUnloadedDeg: [9], firstToeStiff: true })).toBe(
      'Big toe range as in grade 3.',
    )
  })
  it('joints that are stiff or loose by their names', () =>
    expect(words({ mobility: { midtarsal: 'loose', ankle: 'stiff', subtalar: 'usual' } })).toBe(
      'Stiff: ankle; loose: midfoot.',
    ))
})

describe('posture', () => {
  const six = (sum: number) => [sum > 0 ? 2 : -2, sum > 0 ? sum - 2 : sum + 2, 0, 0, 0, 0]
  it('has a sign and a class', () => {
    expect(words({ posture: [0, 0, 0, 0, 0, 0] })).toBe('Posture 0, usual.')
    expect(words({ posture: six(3) })).toBe('Posture +3, usual.')
    expect(words({ posture: six(-3) })).toBe('Posture −3, supinated.')
  })
  it('of a growing foot is a sum', () =>
    expect(words({ posture: six(3) }, { child: true })).toBe(
      'Posture sum 3, growing foot: no class.',
    ))
})

it('clauses stand in one order, each once, with one full stop', () =>
  expect(
    words({
      neutralPalpatedDeg: [2],
      rcspDeg: [-5],
      forefootDeg: [7],
      fifthRay: 'elevated',
    }),
  ).toBe(
    'Rearfoot neutral 2° varus by palpation; heel stands 5° everted; forefoot 7° varus, beyond the usual; fifth ray elevated.',
  ))
