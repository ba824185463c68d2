import { SPOT_HALF_MM, SPOT_LENGTH_MM } from '../../record/layerSchema'
import { n, ofFoot, type FootRule } from '../rule'

const school = 'tissue-stress' as const
const suggest = { school, kind: 'suggest' } as const

/** How far a heel stands everted before the inner side counts as overloaded, degrees. */
const EVERTED_DEG = -4
/** Pain from which the stronger form is named, 0–10. */
const SEVERE = 7
/** Radius of a relief at the most: a bigger one unloads nothing, mm. */
const MOST_RADIUS_MM = 40

/** From tissue to push: one rule for each row of the table; each names the tissue and the least push that unloads it. */
export const TISSUE_STRESS: readonly FootRule[] = [
  ofFoot({
    ...suggest,
    code: 'medial-push',
    strength: 'strong',
    when: ({ hurts, exam, f, side, at }) => {
      const pain = hurts('medialAnkle', 'navicular', 'archPlantar')
      const rolls =
        (exam.relaxed !== null && exam.relaxed.meanDeg <= EVERTED_DEG) ||
        f.axis === 'medial' ||
        f.kneeOver === 'inside'
      if (!pain || !rolls) return null
      const depthMm = f.axis === 'medial' ? 3 : 2
      const seen = exam.relaxed
        ? `the heel stands ${exam.relaxed.meanDeg < 0 ? 'everted' : 'inverted'} ${n(exam.relaxed.meanDeg)}°`
        : f.axis === 'medial'
          ? 'the axis lies medial'
          : 'the knee tracks inside'
      return {
        words: `The ${side} inner side hurts and ${seen}. A medial heel skive of ${depthMm} mm pushes where it unloads.`,
        change: { layer: 'medialSkive', amounts: { depthMm } },
        triggers: [
          'story.complaints',
          at(exam.relaxed ? 'findings.rcspDeg' : f.axis ? 'findings.axis' : 'findings.kneeOver'),
        ],
      }
    },
  }),
  ofFoot({
    ...suggest,
    code: 'medial-shave',
    strength: 'usual',
    when: ({ hurts, f, side, at }) =>
      hurts('navicular', 'archPlantar') && f.axis === 'medial'
        ? {
            words: `The ${side} axis lies medial and the pain sits forward of the heel. A three-plane shave of 4 mm pushes further forward than a skive.`,
            change: { layer: 'threePlaneShave', amounts: { depthMm: 4 } },
            triggers: ['story.complaints', at('findings.axis')],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'medial-hold',
    strength: 'weak',
    when: ({ hurts, exam, side, at }) => {
      const pain = hurts('medialAnkle', 'navicular')
      return pain && (pain.score ?? 0) >= SEVERE && exam.relaxed && exam.relaxed.meanDeg <= -6
        ? {
            words: `Severe pain on the ${side} inner side and a heel everted ${n(exam.relaxed.meanDeg)}°: a medial wrap of 8 mm or a flange holds the arch from the side, if the footwear has room.`,
            change: { layer: 'medialWrap', amounts: { heightMm: 8 } },
            triggers: ['story.complaints', at('findings.rcspDeg')],
          }
        : null
    },
  }),
  ofFoot({
    ...suggest,
    code: 'fascia-support',
    strength: 'strong',
    when: ({ hurts, side }) =>
      hurts('heelPlantar')
        ? {
            words: `The ${side} heel hurts from below: support under the shaft of the fifth metatarsal takes pull off the fascia; free the first ray too.`,
            change: { layer: 'fifthMetSupport', amounts: { heightMm: 3 } },
            triggers: ['story.complaints'],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'fascia-aperture',
    strength: 'usual',
    when: ({ hurts, side }) => {
      const pain = hurts('heelPlantar')
      return pain && (pain.score ?? 0) >= 5
        ? {
            words: `A sore ${side} heel: an elongated heel aperture of 3 mm with soft fill lets the spot float.`,
            change: { layer: 'elongatedHeelAperture', amounts: { depthMm: 3 } },
            triggers: ['story.complaints'],
          }
        : null
    },
  }),
  ofFoot({
    ...suggest,
    code: 'fascia-lift',
    strength: 'weak',
    when: ({ hurts, exam, side, at }) =>
      hurts('heelPlantar', 'achilles') && exam.ankle !== null && exam.ankle !== 'usual'
        ? {
            words: `The ${side} heel hurts and the ankle is short: a heel lift of 3 mm eases both.`,
            change: { heelLiftMm: 3 },
            triggers: ['story.complaints', at('findings.ankleKneeStraightDeg')],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'lateral-push',
    strength: 'strong',
    when: ({ hurts, exam, f, side, at }) =>
      hurts('lateralAnkle')
        ? {
            words: `The ${side} outer ankle hurts${exam.relaxed && exam.relaxed.meanDeg > 0 ? ` and the heel stands inverted ${n(exam.relaxed.meanDeg)}°` : f.kneeOver === 'outside' ? ' and the knee tracks outside' : ''}. A valgus rearfoot post of 2° takes it off the outer side.`,
            change: { post: { at: 'rearfoot', angleDeg: -2 } },
            triggers: ['story.complaints', at('findings.rcspDeg')],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'lateral-skive',
    strength: 'usual',
    when: ({ hurts, exam, side, at }) =>
      hurts('lateralAnkle') && exam.relaxed && exam.relaxed.meanDeg >= 3
        ? {
            words: `The ${side} heel stands inverted ${n(exam.relaxed.meanDeg)}°: a lateral heel skive of 2 mm needs no room below.`,
            change: { layer: 'lateralSkive', amounts: { depthMm: 2 } },
            triggers: ['story.complaints', at('findings.rcspDeg')],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'cuboid',
    strength: 'usual',
    when: ({ hurts, side }) =>
      hurts('fifthMetBase')
        ? {
            words: `The ${side} outer midfoot hurts: support of 3 mm under the cuboid takes load off the peroneal tendon.`,
            change: { layer: 'cuboidSupport', amounts: { heightMm: 3 } },
            triggers: ['story.complaints'],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'forefoot-abducted',
    strength: 'usual',
    when: ({ hurts, f, side, at }) =>
      (f.posture?.[5] ?? 0) >= 1 && hurts('medialAnkle', 'navicular', 'archPlantar', 'fifthMetHead')
        ? {
            words: `The ${side} forefoot turns out. Support under the shaft of the fifth metatarsal, and a medial wrap if that is not enough, brings it under the leg.`,
            change: { layer: 'fifthMetSupport', amounts: { heightMm: 3 } },
            triggers: [at('findings.posture'), 'story.complaints'],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'toe-plate',
    strength: 'strong',
    when: ({ hurts, exam, side, at }) =>
      exam.firstToe?.startsWith('rigid') && hurts('greatToe', 'firstMetHead')
        ? {
            words: `The ${side} big toe is stiff and hurts: a carbon plate under the toe, or a rocker sole, takes the bend away.`,
            change: { layer: 'toeCarbonPlate', amounts: {} },
            triggers: [at('findings.firstToeUnloadedDeg'), 'story.complaints'],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'short-first',
    strength: 'usual',
    when: ({ measure, hurts, side, at }) =>
      (measure.leads?.secondMetMm ?? 0) >= 3 && hurts('secondMetHead', 'greatToe')
        ? {
            words: `The ${side} second metatarsal reaches ${n(measure.leads!.secondMetMm!)} mm past the first: raise under the first metatarsal and toe by 3 mm, pad behind the second, and take footwear half a size longer.`,
            change: { layer: 'firstRayExtension', amounts: { heightMm: 3 } },
            triggers: [at('readings.secondMetLeadMm'), 'story.complaints'],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'met-pad',
    strength: 'strong',
    when: ({ hurts, side }) =>
      hurts('secondMetHead', 'thirdMetHead', 'fourthMetHead')
        ? {
            words: `Pain under the ${side} met heads. A met pad of 4 mm, its front edge 8 mm behind the heads, lifts the shafts.`,
            change: { layer: 'metPad', amounts: { heightMm: 4, behindHeadsMm: 8 } },
            triggers: ['story.complaints'],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'nerve-spread',
    strength: 'usual',
    when: ({ numb, f, side, at }) =>
      numb('lesserToes', 'thirdMetHead', 'fourthMetHead') ||
      (f.numbness?.toes.includes(3) && f.numbness.toes.includes(4))
        ? {
            words: `Feeling goes between the ${side} third and fourth toes: more width first, then a spread pad of 4 mm just behind the heads, never under them.`,
            change: { layer: 'nerveSpreadPad', amounts: { heightMm: 4 } },
            triggers: ['story.complaints', at('findings.numbness')],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'sesamoid',
    strength: 'usual',
    when: ({ hurts, exam, side }) =>
      hurts('firstMetHead') && !exam.firstToe?.startsWith('rigid')
        ? {
            words: `Pain under the ${side} first met head: a relief of 2 mm under it lets the sesamoids hang free.`,
            change: { layer: 'metHeadRelief', amounts: { depthMm: 2, heads: [1] } },
            triggers: ['story.complaints'],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'spot-relief',
    strength: 'strong',
    when: ({ f, side, at }) => {
      const spot = [...(f.marks ?? [])]
        .filter(
          (m) =>
            m.view === 'plantar' &&
            ['callus', 'corn', 'lump', 'bonyPoint', 'tender'].includes(m.kind) &&
            (m.tenderness ?? (m.kind === 'callus' ? 0 : 3)) >= 3,
        )
        .sort((a, b) => (b.tenderness ?? 0) - (a.tenderness ?? 0))[0]
      if (!spot) return null
      const radiusMm = Math.min(
        MOST_RADIUS_MM,
        Math.max(6, Math.round((spot.sizeMm ?? 12) / 2) + 3),
      )
      // A mark may lie on the border of the skin, a relief under the sole only.
      const [xMm, yMm] = [
        Math.max(-SPOT_HALF_MM, Math.min(SPOT_HALF_MM, spot.xMm)),
        Math.max(0, Math.min(SPOT_LENGTH_MM, spot.yMm)),
      ]
      return {
        words: `A tender spot under the ${side} foot, ${n(spot.yMm)} mm from the heel: a relief of 2 mm, radius ${radiusMm} mm, at that place.`,
        change: { layer: 'sweetSpot', amounts: { depthMm: 2, xMm, yMm, radiusMm } },
        triggers: [at('findings.marks')],
      }
    },
  }),
  ofFoot({
    ...suggest,
    code: 'heel-pad',
    strength: 'usual',
    when: ({ hurts, f, side, at }) =>
      f.fatPad === 'thin' && hurts('heelPlantar', 'heelBack')
        ? {
            words: `The ${side} heel pad is thin: a deep cup of 18 mm gathers it, with a soft plug under the heel.`,
            change: { shell: { heelCupMm: 18 } },
            triggers: [at('findings.fatPad'), 'story.complaints'],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'spring-shell',
    strength: 'usual',
    when: ({ activity, hurts, device, side, at }) =>
      activity === 'running' &&
      hurts('archPlantar', 'heelPlantar', 'achilles', 'shin') &&
      (device?.shell.thicknessMm ?? 4) > 3
        ? {
            words: `A runner springs off the ${side} arch: a shell of 3 mm lets it compress and return.`,
            change: { shell: { thicknessMm: 3 } },
            triggers: ['story.activity', at('device.shell.thicknessMm')],
          }
        : null,
  }),
]
