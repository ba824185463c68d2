import { describe, expect, it } from 'vitest'
import { advise } from '../../../../core/advice/advise'
import { both, hurts, linesOf, must, mustNot, read, recordOf, SOUND } from './vignette'

const of = (feet: Parameters<typeof recordOf>[0]) => linesOf(recordOf(feet))
const left = (findings: object, ...complaints: object[]) =>
  of({ left: { findings }, story: { complaints } })

describe('a soldier, a dancer, a ward sister, a courier', () => {
  it('31 a soldier with shin pain, heel rolling in 7° from neutral, sound ankle', () => {
    const lines = left({ ncspDeg: [3, 3], rcspDeg: [-4, -4] }, hurts('left', 'shin'))
    must(lines, /rolls in 7° from neutral.*4°/)
    mustNot(lines, /valgus/)
  })
  it('32 a soldier whose boots rub over the instep', () => {
    const lines = left({}, hurts('left', 'instep'))
    must(lines, /"footwear":"instepRoom"/, /"footwear":"soft"/)
    mustNot(lines, /"layer"/)
  })
  it('33 a soldier in new boots, heel rubbed at the back', () =>
    must(left({}, hurts('left', 'heelBack', 4)), /pain at the back of the heel.*"footwear":"soft"/))
  it('34 a dancer with a stiff big toe at 45° that does not hurt', () => {
    const lines = left({ firstToeUnloadedDeg: [45], firstToeStiff: false })
    mustNot(lines, /grade|plate|"rocker"/i)
  })
  it('35 the same dancer, and it hurts: range as in grade 0', () => {
    const lines = left({ firstToeUnloadedDeg: [45] }, hurts('left', 'greatToe', 5))
    must(lines, /range as in grade 0/, /X-ray/)
    mustNot(lines, /accommodation|cut-out/i)
  })
  it('36 a dancer at 60° exactly is limited, no grade', () => {
    const lines = left({ firstToeUnloadedDeg: [60] }, hurts('left', 'greatToe', 5))
    mustNot(lines, /grade/)
  })
  it('37 a dancer whose three middle heads hurt: a bar, no pad', () => {
    const lines = left(
      {},
      ...['secondMetHead', 'thirdMetHead', 'fourthMetHead'].map((at) => hurts('left', at, 5)),
    )
    must(lines, /"metBar"/)
    mustNot(lines, /"metPad"/)
  })
  it('38 a dancer with one head that hurts: a pad, no bar', () => {
    const lines = left({}, hurts('left', 'thirdMetHead', 5))
    must(lines, /"metPad".*"behindHeadsMm":8/)
    mustNot(lines, /"metBar"/)
  })
  it('39 a ward sister, eleven hours on her feet, heel pain, thin pad', () => {
    const lines = of({
      left: { findings: { fatPad: 'thin' } },
      story: { activity: 'ward', hours: 11, complaints: [hurts('left', 'heelPlantar', 6)] },
    })
    must(lines, /deep cup/, /"heelAperture"/, /"elongatedHeelAperture"/, /fifth metatarsal/)
  })
  it('40 the same sister with 9° of forefoot varus: no valgus wedge for the fascia', () =>
    mustNot(left({ forefootDeg: [9, 9] }, hurts('left', 'heelPlantar', 6)), /"forefootWedge"/))
  it('41 a courier on a bicycle, numb in all toes: room, no pad', () => {
    const lines = of({
      left: {
        findings: {
          numbness: { toes: [1, 2, 3, 4, 5], when: 'footwear-only', returnsWithinMin: 5 },
        },
      },
      story: { activity: 'road-riding' },
    })
    must(lines, /"footwear":"wider"/)
    mustNot(lines, /nerveSpreadPad/)
  })
  it('42 a runner with a stiff shell and a sore arch: thinner', () =>
    must(
      of({
        left: { device: { shell: { thicknessMm: 4 } } },
        right: { device: {} },
        story: { activity: 'running', complaints: [hurts('left', 'archPlantar')] },
      }),
      /lets it compress and return.*"thicknessMm":3/,
    ))
})

describe('one side only', () => {
  it('43 inner and outer ankle hurt alike, heel upright: neither, and it is asked', () => {
    const lines = left(
      { rcspDeg: [0, 0] },
      hurts('left', 'medialAnkle', 5),
      hurts('left', 'lateralAnkle', 5),
    )
    must(lines, /hurts alike on both sides/)
    mustNot(lines, /skive|"post"/i)
  })
  it('44 the outer hurts more, heel upright: from outside only', () => {
    const lines = left(
      { rcspDeg: [0, 0] },
      hurts('left', 'medialAnkle', 3),
      hurts('left', 'lateralAnkle', 7),
    )
    must(lines, /"angleDeg":-2/)
    mustNot(lines, /medialSkive|"angleDeg":[1-9]/)
  })
  it('45 heel 5° inverted, outer ankle hurts: valgus, no varus post for the gap', () => {
    const lines = left({ rcspDeg: [5, 5] }, hurts('left', 'lateralAnkle', 6))
    must(lines, /"lateralSkive"/)
    mustNot(lines, /fills the gap/)
  })
  it('46 heel 5° inverted and nothing hurts: the gap may be filled, nothing pushes it over', () => {
    const lines = left({ rcspDeg: [5, 5] })
    must(lines, /stays 5° inverted.*"angleDeg":5/)
    mustNot(lines, /skive/i)
  })
  it('47 heel 6° everted and nothing hurts: leaving it is a choice', () =>
    must(left({ rcspDeg: [-6, -6] }), /leaving it as it is.*"device":"none"/))
  it('48 pain of 0 is no pain', () =>
    mustNot(
      left({ rcspDeg: [-6, -6] }, hurts('left', 'medialAnkle', 0)),
      /skive|inner side hurts/i,
    ))
})

describe('at risk', () => {
  const lost = { sensationFelt: 6, pulses: 'both', deformity: 'none' }
  it('49 feeling lost, sore spots: relief may be, no edge', () => {
    const lines = left(
      { ...lost, marks: [{ kind: 'callus', view: 'plantar', xMm: 8, yMm: 192, tenderness: 6 }] },
      hurts('left', 'heelPlantar', 6),
    )
    must(lines, /total contact/, /sweetSpot/)
    mustNot(lines, /Aperture|Flare|Flange|Skive/)
  })
  it('50 poor circulation, snug boots: the pulse sends on', () =>
    must(
      of({ left: { findings: { pulses: 'absent' } }, story: { conditions: ['poorCirculation'] } }),
      /stop: Refer first.*no pulse/,
    ))
  it('51 diabetes and nothing looked at: not graded, treated as at risk, screen asked', () =>
    must(of({ story: { conditions: ['diabetes'] } }), /not graded/, /ten points of feeling/))
  it('52 diabetes and all looked at and sound: grade 0, nothing', () =>
    mustNot(
      of({
        ...both({ sensationFelt: 10, pulses: 'both', deformity: 'none' }),
        story: { conditions: ['diabetes'] },
      }),
      /at risk|grade/i,
    ))
  it('53 the condition stands with the client, from another fitting', () =>
    must(of({ client: { conditions: ['neuropathy'] } }), /at risk/))
  it('54 a hot joint in arthritis', () =>
    must(
      of({
        left: { findings: { hotJoint: 'present' } },
        story: { conditions: ['inflammatoryArthritis'] },
      }),
      /stop: Refer first.*hot joint/,
    ))
  it('55 told two months ago: still so?', () =>
    must(
      of({ story: { conditions: ['bloodThinners'], healthOn: '2026-09-20' } }),
      /Told on 2026-09-20: blood thinners. Still so/,
    ))
})

describe('what was measured', () => {
  it('56 ankle bent 6°, straight 9°: both again, and no lift', () => {
    const lines = left(
      { ankleKneeStraightDeg: [9], ankleKneeBentDeg: [6] },
      hurts('left', 'achilles'),
    )
    must(lines, /Take both again.*"measure":"ankleKneeBentDeg"/)
    mustNot(lines, /heelLiftMm|stretch/)
  })
  it('57 toe loaded above unloaded: both again, no verdict', () => {
    const lines = left(
      { firstToeUnloadedDeg: [40], firstToeLoadedDeg: [50] },
      hurts('left', 'greatToe'),
    )
    must(lines, /load never gives more/)
    mustNot(lines, /grade|plate/i)
  })
  it('58 navicular higher standing: no drop', () => {
    const record = recordOf({
      left: {
        readings: [
          ...SOUND,
          read('navicularHeightMm', 48),
          read('navicularHeightMm', 45, 'sitting'),
        ],
      },
    })
    must(linesOf(record), /navicular height is higher standing/)
  })
  it('59 a leg of 4 mm: within the error, nothing lifted', () => {
    const lines = of({
      record: {
        legLengthDifferenceMm: { value: 4, shorter: 'left', method: 'blocks', shownTwice: true },
      },
    })
    must(lines, /within the error/)
    mustNot(lines, /heelLiftMm/)
  })
  it('60 every entry has its trigger, its words and its source', () => {
    const record = recordOf({
      ...both({
        rcspDeg: [-6, -6],
        firstToeUnloadedDeg: [72],
        firstToeLoadedDeg: [8],
        ankleKneeStraightDeg: [3],
        ankleKneeBentDeg: [15],
      }),
      story: {
        activity: 'ski-touring',
        complaints: [hurts('left', 'medialAnkle', 8), hurts('right', 'heelPlantar', 6)],
      },
    })
    const entries = advise(record)
    expect(entries.length).toBeGreaterThan(10)
    for (const e of entries) {
      expect(e.triggers.length, e.code).toBeGreaterThan(0)
      expect(e.source, e.code).toMatch(/\S/)
      expect(e.words, e.code).toMatch(/\.$|\?$/)
    }
  })
})
