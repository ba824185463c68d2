import { describe, expect, it } from 'vitest'
import { advise, judge } from '../../../core/advice/advise'
import { bySchool } from '../../../core/advice/bySchool'
import { deviceReport } from '../../../core/advice/deviceReport'
import { proposeDevice } from '../../../core/advice/proposal'
import { pushContradiction } from '../../../core/advice/pushContradiction'
import { buildDevice } from '../../../core/device/buildDevice'
import { parseRecord } from '../../../core/record/parse'
import { HOUSE_NORMS } from '../../../core/record/tables'
import { SCHOOLS } from '../../../core/tables/vocabulary'
import { demoModels } from '../../../demo/catalogue'
import { DEMO_RECORDS } from '../../../demo/records'
import { referenceReadings } from '../../fixtures/feet'

const record = (right: object, more: object = {}) =>
  parseRecord({
    format: 'gentle-arch/fitting',
    version: 1,
    visit: { on: '2026-11-20' },
    client: { bornOn: '1985-03-02' },
    feet: { right: { readings: referenceReadings, ...right } },
    ...more,
  })
const HURTS = { story: { complaints: [{ foot: 'right', at: 'medialAnkle', score: 8 }] } }

describe('a device that a school proposes', () => {
  const everted = record({ findings: { rcspDeg: [-7, -7] } }, HURTS)
  it('holds what that school would do, each part with its reason', () => {
    const neutral = proposeDevice(everted, 'right', 'neutral')!
    expect(neutral.device).toMatchObject({
      school: 'neutral',
      posts: [{ at: 'rearfoot', because: 'rearfoot-post' }],
    })
    expect(neutral.reasons.map((r) => r.code)).toContain('rearfoot-post')
    const tissue = proposeDevice(everted, 'right', 'tissue-stress')!
    expect(tissue.device.layers.map((l) => l.because)).toContain('medial-push')
    expect(tissue.device.posts).toMatchObject([{ at: 'rearfoot', because: 'medial-post' }])
  })
  it('is built from nothing, whatever stands on the foot', () => {
    const device = { kind: 'full-custom', layers: [{ kind: 'metPad' }], heelLiftMm: 9 }
    const built = proposeDevice(
      record({ findings: { rcspDeg: [-7, -7] }, device }, HURTS),
      'right',
      'neutral',
    )!.device
    expect([built.heelLiftMm, built.layers]).toEqual([0, []])
  })
  it('is none where the school finds nothing, or where there is no foot', () => {
    expect(proposeDevice(record({}), 'right', 'neutral')).toBeNull()
    expect(proposeDevice(everted, 'left', 'neutral')).toBeNull()
  })
  it.each(Object.keys(DEMO_RECORDS))('of %s: no lesser measure, one entry a subject', (name) => {
    for (const school of SCHOOLS) {
      const proposal = proposeDevice(DEMO_RECORDS[name]!, 'right', school)
      for (const reason of proposal?.reasons ?? []) {
        expect(reason.kind).toBe('suggest')
        expect(reason.lesser).toBe(false)
        expect([school, 'all']).toContain(reason.school)
        expect(['right', 'both']).toContain(reason.foot)
      }
      const posts = proposal?.device.posts.map((p) => p.at) ?? []
      expect(new Set(posts).size).toBe(posts.length)
    }
  })
})

describe('five schools beside each other', () => {
  it('have all their own, and nothing of all of them', () => {
    for (const name of Object.keys(DEMO_RECORDS).slice(0, 12)) {
      const all = judge(DEMO_RECORDS[name]!).filter((e) => e.school !== 'all')
      const { views } = bySchool(DEMO_RECORDS[name]!)
      expect(views.map((v) => v.school)).toEqual([...SCHOOLS])
      expect(views.flatMap((v) => v.entries).length).toBe(all.length)
    }
  })
  it('agree where two of them would do the same', () => {
    // Stiff, varus and painful inside: one school balances it in the cast, so does another in a boot.
    const both = record(
      { findings: { forefootDeg: [8, 8], mobility: { midtarsal: 'stiff' } } },
      { story: { activity: 'hockey', ...HURTS.story } },
    )
    const post = bySchool(both).agree.find((a) => a.what === 'intrinsic forefoot post')
    expect(post).toMatchObject({
      foot: 'right',
      schools: expect.arrayContaining(['neutral', 'platform']),
    })
    expect(bySchool(record({})).agree).toEqual([])
  })
  it('pull against each other where one would leave it and one build; never by two tilts of one heel', () => {
    // Everted without complaint: one school posts it, another leaves it.
    expect(bySchool(record({ findings: { rcspDeg: [-7, -7] } })).against).toEqual([
      {
        foot: 'right',
        what: 'leave it as it is against build something',
        schools: expect.arrayContaining(['neutral', 'comfort']),
      },
    ])
    // The outer ankle of an everted heel hurts: posted from inside only.
    const torn = record(
      { findings: { rcspDeg: [-7, -7] } },
      { story: { complaints: [{ foot: 'right', at: 'lateralAnkle', score: 6 }] } },
    )
    const posts = judge(torn).flatMap((e) =>
      e.change && 'post' in e.change ? [e.change.post.angleDeg] : [],
    )
    expect(posts).not.toEqual([])
    expect(posts.every((deg) => deg > 0)).toBe(true)
  })
})

describe('the ledger', () => {
  it('stands by stop, watch and suggestion, lesser measures first among those', () => {
    for (const entries of Object.values(DEMO_RECORDS).map((r) => judge(r))) {
      const rank = entries.map((e) => ({ stop: 0, watch: 1, suggest: 2 })[e.kind])
      expect(rank).toEqual([...rank].sort())
      const lesser = entries.filter((e) => e.kind === 'suggest').map((e) => e.lesser)
      expect(lesser).toEqual([...lesser].sort((a, b) => Number(b) - Number(a)))
    }
  })
  it('leaves out what the record holds', () => {
    const device = { kind: 'full-custom', posts: [{ at: 'rearfoot', angleDeg: 3 }] }
    const held = record({ findings: { rcspDeg: [-7, -7] }, device })
    const code = 'rearfoot-post'
    expect(judge(held).find((e) => e.code === code)).toMatchObject({ met: true })
    expect(advise(held).map((e) => e.code)).not.toContain(code)
  })
})

describe('the report of a device', () => {
  const device = {
    kind: 'full-custom',
    layers: [{ kind: 'medialSkive', depthMm: 3 }, { kind: 'metPad' }],
    posts: [
      { at: 'rearfoot', style: 'extrinsic', angleDeg: 4 },
      { at: 'forefoot', style: 'extrinsic', angleDeg: 2 },
    ],
  }
  const report = (extra: object = {}, model = true) => {
    const made = record({ device: { ...device, ...extra } })
    return deviceReport(
      made,
      'right',
      buildDevice(made.feet.right!, 'right', HOUSE_NORMS),
      model ? demoModels()[0] : undefined,
    )
  }
  it('says each layer with its size, a skive in the words of the bench', () => {
    const { layers } = report()
    const of = (kind: string) => layers.find((l) => l.kind === kind)
    const [skive, pad] = [of('medialSkive'), of('metPad')]
    expect(skive).toMatchObject({ askedMm: 3 })
    expect(skive!.peakMm).toBeCloseTo(3, 1)
    expect(skive).toHaveProperty('sizeSense')
    expect(pad).not.toHaveProperty('sizeSense')
  })
  it('says each post with its height: 65 mm · tan 4° and 100 mm · tan 2°', () => {
    const [rear, fore] = report().posts
    expect(rear).toMatchObject({ at: 'rearfoot', askedDeg: 4 })
    expect(rear!.heightMm).toBeCloseTo(65 * Math.tan((4 * Math.PI) / 180), 1)
    expect(fore!.heightMm).toBeCloseTo(100 * Math.tan((2 * Math.PI) / 180), 1)
    // Each is what changes when it alone is taken off, as the two devices stand.
    const [rearPost, forePost] = device.posts
    const [withoutRear, withoutFore] = [[forePost], [rearPost]].map((posts) => report({ posts }))
    expect(rear!.achievedDeg).toBeCloseTo(report().heelAngleDeg! - withoutRear!.heelAngleDeg!, 9)
    expect(fore!.achievedDeg).toBeCloseTo(
      withoutFore!.stands!.rollDeg - report().stands!.rollDeg,
      9,
    )
    // A rearfoot post alone is the heel's whole angle.
    const alone = report({ posts: [rearPost] }).heelAngleDeg! - report({ posts: [] }).heelAngleDeg!
    expect(Math.abs(withoutFore!.heelAngleDeg! - 4)).toBeLessThan(0.5)
    expect(withoutFore!.posts[0]!.achievedDeg).toBeCloseTo(alone, 9)
  })
  it('weighs it where the material is known', () => {
    expect(report().solid).toMatchObject({ massG: expect.any(Number) })
    const odd = report({ shell: { material: 'moon-cheese', thicknessMm: 3 } })
    expect(odd.solid).not.toHaveProperty('massG')
    expect(odd.contradictions.map((c) => c.code)).toContain('unknown-material')
  })
  it('tells the room in a model, and misses it without one', () => {
    expect(report().space).toBeDefined()
    expect(report().missing).not.toContain('footwear.chosen')
    const bare = report({}, false)
    expect(bare).not.toHaveProperty('space')
    expect(bare.missing).toContain('footwear.chosen')
  })
})

describe('a push beyond what was wanted', () => {
  const pushing = (aimNmm: number | undefined, more: object = {}, client: object = {}) =>
    pushContradiction(
      record(
        {
          device: {
            kind: 'full-custom',
            layers: [{ kind: 'medialSkive', depthMm: 6 }],
            posts: [{ at: 'rearfoot', angleDeg: 0 }],
            ...(aimNmm !== undefined && { aimNmm }),
            ...more,
          },
        },
        { client: { bornOn: '1985-03-02', massKg: 75, ...client } },
      ),
      'right',
    )
  it('is told, and so is one the other way', () => {
    const over = pushing(20)
    const against = pushing(-800)
    expect(over?.code).toBeTruthy()
    expect(against?.code).toBeTruthy()
    expect(over!.words).not.toBe(against!.words)
  })
  it('is not of a device that rocks: it may push either way', () => {
    expect(pushing(-800, { posts: [] })).toBeNull()
  })
  it('is not, where nothing was wanted, nothing is worn, or no weight is known', () => {
    expect(pushing(undefined)).toBeNull()
    expect(pushing(20, { kind: 'none' })).toBeNull()
    expect(pushing(20, {}, { massKg: undefined })).toBeNull()
  })
})
