import { describe, expect, it } from 'vitest'
import { casesOf, WITHOUT } from '../../../core/followup/worked'
import { parseRecord } from '../../../core/record/parse'

const visit = (on: string, more: object) => ({ on, pain: [], ...more })
const pain = (score: number, at = 'heelPlantar', foot = 'left') => ({ foot, at, score })
const PAD = { kind: 'full-custom', layers: [{ kind: 'metPad' }] }

interface Told {
  complaints?: object[]
  followups?: object[]
  handedOver?: string | null
  left?: object | undefined
  versions?: object[]
}
function cases({ complaints = [pain(6)], followups = [], versions = [], ...more }: Told = {}) {
  const left = 'left' in more ? more.left : PAD
  const on = more.handedOver === undefined ? '2026-03-01' : more.handedOver
  const record = parseRecord({
    format: 'gentle-arch/fitting',
    version: 1,
    feet: {
      left: { readings: [], ...(left && { device: left }), deviceVersions: versions },
      right: { readings: [], device: { kind: 'full-custom' } },
    },
    story: { complaints, conditions: [] },
    followups,
    handover: on ? { on } : {},
  })
  return casesOf(record, 'A')
}
const one = (told: Told) => cases(told)[0]!

describe('a case', () => {
  it('holds what hurt before, what was given, and nothing of what nobody told', () =>
    expect(cases()).toEqual([
      {
        client: 'A',
        region: 'heel',
        modifications: ['Met pad'],
        painBefore: 6,
        painAfter: null,
        comfortBefore: null,
        comfortAfter: null,
        days: null,
      },
    ]))

  it('is none before the handover, without a score, without pain, without a device', () => {
    expect(cases({ handedOver: null })).toEqual([])
    expect(cases({ complaints: [{ foot: 'left', at: 'heelPlantar' }] })).toEqual([])
    expect(cases({ complaints: [pain(0)] })).toEqual([])
    expect(cases({ left: undefined })).toEqual([])
    expect(cases({ left: { kind: 'none' } })).toEqual([])
  })

  it('is one a region, of the place that hurt most there', () => {
    const complaints = [pain(3), pain(7, 'heelBack', 'right'), pain(5, 'archPlantar')]
    expect(cases({ complaints }).map((c) => [c.region, c.painBefore, c.modifications])).toEqual([
      ['heel', 7, [WITHOUT]],
      ['arch', 5, ['Met pad']],
    ])
  })
})

describe('before and after', () => {
  it('an answer counts from the seventh day on, the last one that speaks of the place', () => {
    const answered = (...followups: object[]) => {
      const { painAfter, days } = one({ followups })
      return [painAfter, days]
    }
    const seventh = visit('2026-03-08', { pain: [pain(3)] })
    expect(answered(visit('2026-03-07', { pain: [pain(3)] }))).toEqual([null, null])
    expect(answered(seventh)).toEqual([3, 7])
    expect(answered(visit('2026-04-01', { pain: [pain(1)] }), seventh)).toEqual([1, 31])
    expect(answered(seventh, visit('2026-04-01', { pain: [pain(9, 'instep')] }))).toEqual([3, 7])
    const otherFoot = visit('2026-04-01', { pain: [pain(2, 'heelPlantar', 'right')] })
    expect(answered(otherFoot)).toEqual([null, null])
  })

  it('what was told on the day of the handover, or last before it, stands before', () => {
    const before = (...followups: object[]) => one({ followups }).painBefore
    expect(before(visit('2026-03-01', { pain: [pain(8)] }))).toBe(8)
    expect(before(visit('2026-03-02', { pain: [pain(8)] }))).toBe(6)
    expect(before(visit('2026-02-20', { comfort: 40 }))).toBe(6)
    const [later, earlier] = [
      visit('2026-02-20', { pain: [pain(4)] }),
      visit('2026-02-10', { pain: [pain(9)] }),
    ]
    expect(before(later, earlier)).toBe(4)
    expect(before(earlier, later)).toBe(4)
  })

  it('comfort has its own before and after', () => {
    const { comfortBefore, comfortAfter, painAfter } = one({
      followups: [
        visit('2026-03-01', { comfort: 40 }),
        visit('2026-03-20', { comfort: 70 }),
        visit('2026-04-20', { pain: [pain(2)] }),
      ],
    })
    expect([comfortBefore, comfortAfter, painAfter]).toEqual([40, 70, 2])
  })
})

describe('what was given', () => {
  it('is layers that are on and posts that tilt, each once', () => {
    const pad = (more: object = {}) => ({ kind: 'metPad', ...more })
    const post = (angleDeg: number) => ({ at: 'rearfoot', style: 'extrinsic', angleDeg })
    const given = (layers: object[], posts: object[]) =>
      one({ left: { kind: 'full-custom', layers, posts } }).modifications
    expect(given([pad(), pad()], [])).toEqual(['Met pad'])
    expect(given([pad({ on: false })], [])).toEqual([WITHOUT])
    expect(given([], [post(0)])).toEqual([WITHOUT])
    expect(given([pad()], [post(4)])).toEqual(['Met pad', 'rearfoot post'])
  })

  it('is what stood there at the handover: the first version kept after its day', () => {
    const version = (at: string, layers: object[]) => ({
      at,
      words: 'before',
      device: { kind: 'full-custom', layers },
    })
    const given = (...versions: object[]) => one({ versions }).modifications
    expect(given(version('2026-03-01T18:00:00Z', []))).toEqual(['Met pad'])
    expect(given(version('2026-03-02T08:00:00Z', []))).toEqual([WITHOUT])
    expect(
      given(version('2026-03-02T08:00:00Z', []), version('2026-03-09T08:00:00Z', PAD.layers)),
    ).toEqual([WITHOUT])
  })
})
