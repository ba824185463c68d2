import { describe, expect, it } from 'vitest'
import { advise } from '../../../core/advice/advise'
import { applyChange } from '../../../core/advice/applyChange'
import type { Entry } from '../../../core/advice/entry'
import { parseRecord } from '../../../core/record/parse'
import type { Device, FittingRecord } from '../../../core/record/schema'
import { standing } from '../../fixtures/feet'

/** A record of one right foot of 265 mm, with what hurts it and what was found. */
const foot = (
  complaints: object[],
  findings: object = {},
  readings: object[] = [],
  more: object = {},
): FittingRecord =>
  parseRecord({
    format: 'gentle-arch/fitting',
    version: 2,
    client: { bornOn: '1985-03-02' },
    visit: { on: '2026-11-20' },
    story: { complaints, ...more },
    feet: {
      right: {
        readings: [
          standing('footLengthMm', 265),
          standing('archLengthMm', 193),
          standing('forefootWidthMm', 100),
          ...readings,
        ],
        findings,
      },
    },
  })

const hurts = (at: string, score = 5) => ({ foot: 'right', at, score })
const saidOf = (record: FittingRecord, code: string): Entry | undefined =>
  advise(record).find((e) => e.code === code)

function taken(record: FittingRecord, code: string): FittingRecord {
  const [command] = applyChange(record, saidOf(record, code)!)
  if (command?.kind !== 'part.put') throw new Error('a device was to be put')
  return {
    ...record,
    feet: { right: { ...record.feet.right!, device: command.content as Device } },
  }
}

describe('the first ray', () => {
  const LONG_SECOND = [standing('secondMetLeadMm', 4)]
  const secondHurts = [hurts('secondMetHead')]

  it('is raised under a long second where nothing holds it up', () =>
    expect(saidOf(foot(secondHurts, {}, LONG_SECOND), 'short-first')?.words).toMatch(
      /raise of 3 mm under the first metatarsal/,
    ))

  it.each<[why: string, findings: object]>([
    ['hangs low', { firstRay: { rest: 'plantarflexed' } }],
    ['lifts the arch late', { windlass: 'late' }],
    ['does not lift the arch', { windlass: 'none' }],
    [
      'stops under load',
      { firstToeUnloadedDeg: [70, 70], firstToeLoadedDeg: [8, 8], firstToeStiff: false },
    ],
  ])('is never raised where it %s; the pad behind the second is', (_, findings) => {
    const record = foot(secondHurts, findings, LONG_SECOND)
    expect(saidOf(record, 'short-first')).toBeUndefined()
    expect(saidOf(record, 'half-size')).toBeDefined()
  })

  it('is never raised where its own head hurts', () =>
    expect(
      saidOf(foot([...secondHurts, hurts('firstMetHead')], {}, LONG_SECOND), 'short-first'),
    ).toBeUndefined())
})

describe('two ways to one end', () => {
  const rollsIn = foot([hurts('navicular')], { rcspDeg: [-6, -6], axis: 'medial' })

  it('are offered as one instead of the other, and the one taken ends the other', () => {
    expect(saidOf(rollsIn, 'medial-shave')!.words).toContain('instead of a skive')
    expect(saidOf(taken(rollsIn, 'medial-push'), 'medial-shave')).toBeUndefined()
    expect(saidOf(taken(rollsIn, 'medial-shave'), 'medial-push')).toBeUndefined()
  })

  it('a platform that was asked for without an angle keeps the angle that is there', () => {
    const valgus = foot([hurts('fifthMetHead')], { forefootDeg: [-5, -5] }, [], {
      activity: 'ski-touring',
    })
    const both = taken(taken(valgus, 'forefoot-valgus'), 'three-points')
    expect(both.feet.right!.device!.layers).toMatchObject([
      { kind: 'intrinsicForefootPost', angleDeg: -5, because: expect.stringContaining('three') },
    ])
  })
})

describe('words', () => {
  it('a tender place without a look is a spot, on top as under the sole', () => {
    const mark = (view: string) => ({ kind: 'tender', view, xMm: 0, yMm: 150, tenderness: 5 })
    const record = foot([], { marks: [mark('dorsal'), mark('plantar')] })
    expect(saidOf(record, 'soft-upper')!.words).toContain('a tender spot on its top')
    expect(saidOf(record, 'spot-relief')!.words).toContain('A tender spot under')
  })

  it('a heel that stays far inverted is filled in part, and the rest in steps', () => {
    const at = (deg: number) => saidOf(foot([], { rcspDeg: [deg, deg] }), 'uncompensated')
    expect(at(5)).toMatchObject({ change: { post: { angleDeg: 5 } } })
    expect(at(9)).toMatchObject({ change: { post: { angleDeg: 6 } } })
    expect(at(9)!.words).toMatch(/6° fills part of the gap .* more only in steps/)
  })

  it.each([
    [7, /Fit the right one/],
    [12, /a shell size or more\. Compare .* split pair/],
  ])('feet that differ by %i mm', (mm, words) => {
    const record = foot([])
    record.feet.left = structuredClone(record.feet.right!)
    record.feet.left.readings[0]!.trials = [265 - mm]
    expect(saidOf(record, 'length-gap')!.words).toMatch(words)
  })
})
