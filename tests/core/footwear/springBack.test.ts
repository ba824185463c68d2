import { describe, expect, it } from 'vitest'
import { learnSpringBack, springBackWords, withSpringBack } from '../../../core/footwear/springBack'
import { lineOf } from '../../../core/footwear/workPlan'
import { HOUSE_NORMS } from '../../../core/record/tables'
import type { ShellWork } from '../../../core/record/schema'
import { shell } from '../../fixtures/handShell'

const plastic = (id: string, name?: string) =>
  shell({ id, plastic: { ...shell().plastic, ...(name && { name }) } })
const MODELS = [
  plastic('a', 'Polyether'),
  plastic('b', ' polyether '),
  plastic('c', 'Nylon'),
  plastic('d'),
]
const stretch = (model: string, pressedMm?: number, gainedMm?: number, more: object = {}) => ({
  model,
  does: 'stretch' as const,
  state: 'done' as const,
  pressedMm,
  gainedMm,
  ...more,
})
const many = (n: number, ...of: Parameters<typeof stretch>) =>
  Array.from({ length: n }, () => stretch(...of))
const HOUSE = 0.2

describe('what springs back of a plastic', () => {
  it('is learned from what was pressed and found, reckoned by hand', () => {
    // 10 pieces pressed to 2.6 and found at 2.0: 30 %. Drawn by 10/15 from 20: 26.67 %.
    const { polyether } = learnSpringBack(many(10, 'a', 2.6, 2), MODELS, HOUSE)
    expect(polyether).toMatchObject({ count: 10, used: true })
    expect(polyether!.seenShare).toBeCloseTo(0.3, 9)
    expect(polyether!.share).toBeCloseTo(0.2 + 0.1 * (10 / 15), 9)
  })
  it('knows a plastic by its name, whichever model and however it is written', () => {
    const learned = learnSpringBack(
      [...many(3, 'a', 2.4, 2), ...many(3, 'b', 2.4, 2), ...many(4, 'c', 3, 2)],
      MODELS,
      HOUSE,
    )
    expect(Object.keys(learned).toSorted()).toEqual(['nylon', 'polyether'])
    expect(learned.polyether!.count).toBe(6)
    expect(learned.nylon).toMatchObject({ count: 4, used: false, share: HOUSE })
  })
  it('leaves alone what says nothing: no name, not measured, not done, ground, long gone models', () => {
    const silent = [
      ...many(9, 'd', 2.4, 2),
      ...many(9, 'a', 2.4),
      ...many(9, 'a', undefined, 2),
      ...many(9, 'a', 2.4, 2, { state: 'planned' }),
      ...many(9, 'a', 2.4, 2, { does: 'grind' }),
      ...many(9, 'gone', 2.4, 2),
    ]
    expect(learnSpringBack(silent, MODELS, HOUSE)).toEqual({})
  })
  it('stays a share, also where a wall gave nothing or more than was pressed', () => {
    expect(learnSpringBack(many(20, 'a', 2.4, -1), MODELS, HOUSE).polyether!.seenShare).toBe(1)
    expect(learnSpringBack(many(20, 'a', 2, 3), MODELS, HOUSE).polyether!.seenShare).toBe(0)
  })
  it('sets the press of new stretches of that plastic further; of no others, and of nothing that is done', () => {
    const learned = learnSpringBack(many(20, 'a', 2.8, 2), MODELS, HOUSE)
    const work: ShellWork = {
      id: 'x',
      foot: 'left',
      model: 'a',
      sizeMm: 265,
      station: 'ball',
      does: 'stretch',
      at: { fromHeelMm: 190, heightMm: 20, side: 'both' },
      amountMm: 2,
      state: 'planned',
    }
    // 40 % seen, drawn by 20/25 from 20 %: 36 %, so 2 mm is pressed to 2.72.
    const planned = withSpringBack(work, MODELS[0]!, learned)
    expect(planned.springBackShare).toBe(0.36)
    const line = lineOf(planned, MODELS[0]!, HOUSE_NORMS)
    expect(line.setMm).toBe(2.7)
    expect(line.process).toContain('36 % springs back, learned here')
    expect(lineOf(work, MODELS[0]!, HOUSE_NORMS).setMm).toBe(2.4)
    expect(withSpringBack(work, MODELS[2]!, learned)).toBe(work)
    const done = { ...work, state: 'done' as const }
    expect(withSpringBack(done, MODELS[0]!, learned)).toBe(done)
    const ground = { ...work, does: 'grind' as const }
    expect(withSpringBack(ground, MODELS[0]!, learned)).toBe(ground)
  })
  it('says how it knows', () => {
    const [few, enough] = [4, 10].map(
      (n) => learnSpringBack(many(n, 'a', 2.6, 2), MODELS, HOUSE).polyether!,
    )
    expect(springBackWords('polyether', few!)).toBe(
      '4 stretches of polyether measured so far, learns from 5',
    )
    expect(springBackWords('polyether', enough!)).toBe(
      '27 % springs back of polyether, learned from 10 stretches (seen 30 %)',
    )
  })
})
