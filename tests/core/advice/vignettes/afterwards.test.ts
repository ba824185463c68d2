import { describe, expect, it } from 'vitest'
import { advise, ledgerOf } from '../../../../core/advice/advise'
import { applyChange } from '../../../../core/advice/applyChange'
import { clientPicture } from '../../../../core/followup/clientPicture'
import type { Device, FittingRecord } from '../../../../core/record/schema'
import type { Side } from '../../../../core/tables/vocabulary'
import { hurts, linesOf, must, mustNot, read, recordOf, SOUND } from './vignette'

/** The record once an entry was done, found by what is suggested. */
function done(record: FittingRecord, code: string): FittingRecord {
  const entry = advise(record).find((e) => e.code === code)!
  const next = structuredClone(record)
  for (const command of applyChange(record, entry))
    if (command.kind === 'part.put' && command.part.startsWith('device'))
      next.feet[command.part.split('.')[1] as Side]!.device = command.content as Device
  return next
}
const codes = (record: FittingRecord) => advise(record).map((e) => e.code)
const layers = (record: FittingRecord) => record.feet.left!.device!.layers

describe('what was done does not undo, or contradict, something else', () => {
  it('a lift for one short ankle goes under both heels and lengthens no leg', () => {
    const short = recordOf({
      left: { findings: { ankleKneeStraightDeg: [2], ankleKneeBentDeg: [4] } },
    })
    const lifted = done(short, 'ankle-lift')
    const [left, right] = [lifted.feet.left!.device!, lifted.feet.right!.device!]
    expect(left.heelLiftMm).toBeGreaterThan(0)
    expect(right.heelLiftMm).toBe(left.heelLiftMm)
    expect(codes(lifted)).not.toContain('lift-on-one')
    expect(codes(lifted)).not.toContain('ankle-lift')
  })
  it('a rigid extension stays rigid when a long second ray asks for one too', () => {
    const foot = recordOf({
      left: {
        readings: [...SOUND, read('secondMetLeadMm', 4)],
        findings: { firstToeUnloadedDeg: [8] },
      },
      story: { complaints: [hurts('left', 'greatToe', 7)] },
    })
    const both = done(done(foot, 'rigid-extension'), 'short-first')
    expect(layers(both)).toMatchObject([
      { kind: 'firstRayExtension', rigid: true, because: 'rigid-extension, short-first' },
    ])
    // The other way round the flexible one is not what the stiff toe asked for.
    const flexible = done(foot, 'short-first')
    expect(codes(flexible)).toContain('rigid-extension')
    expect(layers(done(flexible, 'rigid-extension'))).toMatchObject([{ rigid: true }])
  })
  it('a pad that was moved by hand stays where it is when it is raised', () => {
    const pad = { kind: 'metPad', heightMm: 3, behindHeadsMm: 14, name: 'low pad' }
    const foot = recordOf({
      left: { device: { layers: [pad] } },
      right: { device: {} },
      story: { complaints: [hurts('left', 'thirdMetHead', 5)] },
    })
    expect(layers(done(foot, 'met-pad'))).toMatchObject([{ ...pad, heightMm: 4 }])
  })
  it('a ray that a cut-out lets down is not asked for an accommodation too', () => {
    const findings = { firstToeUnloadedDeg: [72], firstToeLoadedDeg: [8] }
    const device = { posts: [{ at: 'rearfoot', angleDeg: 3 }] }
    const cut = done(recordOf({ left: { findings, device } }), 'first-ray-cut-out')
    expect(codes(cut)).not.toContain('first-ray-freedom')
    expect(codes(cut)).not.toContain('first-ray-cut-out')
  })
  it('a post takes the place of what pushes against it, and of nothing else', () => {
    const posts = [
      { at: 'rearfoot', style: 'intrinsic', angleDeg: 5 },
      { at: 'rearfoot', angleDeg: -2 },
      { at: 'forefoot', angleDeg: 2 },
    ]
    const foot = recordOf({
      left: { findings: { rcspDeg: [-7, -7] }, device: { posts } },
      right: { device: {} },
      story: { complaints: [hurts('left', 'medialAnkle', 5)] },
    })
    // A steeper one is there already; what it asks for is a reason more.
    const entry = {
      code: 'by-hand',
      foot: 'left',
      change: { post: { at: 'rearfoot', angleDeg: 3 } },
    }
    const [command] = applyChange(foot, entry as never)
    expect((command as { content: Device }).content.posts).toMatchObject([
      { at: 'forefoot', angleDeg: 2 },
      { at: 'rearfoot', style: 'intrinsic', angleDeg: 5, because: 'by-hand' },
    ])
  })
})

describe('what must not be said', () => {
  it('no push under an inverted heel whose inner side hurts, whatever the knee does', () => {
    const lines = linesOf(
      recordOf({
        left: { findings: { rcspDeg: [5, 5], kneeOver: 'inside' } },
        story: { complaints: [hurts('left', 'medialAnkle', 8)] },
      }),
    )
    mustNot(lines, /skive|shave|wrap|flare/i)
    must(lines, /fills the gap/)
  })
  it('nothing for a growing heel whose pain is 0', () => {
    const child = { client: { bornOn: '2017-05-11', guardian: 'Ife Abara' } }
    const complaints = [hurts('left', 'heelBack', 0)]
    mustNot(linesOf(recordOf({ ...child, story: { complaints } })), /growing heel/)
  })
  it('a web space is the same in whichever order its toes were told', () => {
    const numb = (toes: number[]) => ({
      left: { findings: { numbness: { toes, when: 'footwear-only', returnsWithinMin: 5 } } },
    })
    must(linesOf(recordOf(numb([4, 3]))), /third and fourth toe.*"between":\[3,4\]/)
    mustNot(linesOf(recordOf(numb([5, 3]))), /nerveSpreadPad/)
  })
  it('a hot and swollen foot is one reason, not two', () => {
    const lines = linesOf(recordOf({ left: { findings: { skin: 'hot', swelling: 'present' } } }))
    must(lines, /the left foot is hot and swollen/)
    mustNot(lines, /hot to the touch/)
  })
})

describe('a clearance that has lapsed since the visit', () => {
  const cleared = recordOf({
    story: {
      signs: { openWound: 'yes' },
      clearances: [{ code: 'sign-openWound', by: 'Dr Amara Quill', on: '2026-11-20' }],
    },
  })
  const stops = (today: string) =>
    ledgerOf(cleared, [], today).open.filter((e) => e.kind === 'stop').length
  it('stops making again, and the client is told the same', () => {
    expect([stops('2026-12-20'), stops('2026-12-21')]).toEqual([0, 1])
    expect(clientPicture(cleared, '2026-12-20').proposed).toEqual(['nothing is needed'])
    expect(clientPicture(cleared, '2026-12-21').proposed.join()).toContain('has a look')
  })
  it('does not lapse for what was handed over in time', () => {
    const handed = { ...cleared, handover: { on: '2026-12-01' } }
    expect(ledgerOf(handed, [], '2027-06-01').open.filter((e) => e.kind === 'stop')).toEqual([])
  })
})
