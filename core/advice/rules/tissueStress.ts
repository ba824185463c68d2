import { SPOT_HALF_MM, SPOT_LENGTH_MM } from '../../kinds/layers/spot'
import { plainDevice } from '../../device/buildDevice'
import { n, ofFoot, type FootRule } from '../rule'

const school = 'tissue-stress' as const
const suggest = { school, kind: 'suggest' } as const

/** A relief no bigger than a fingertip unloads nothing, mm. */
const LEAST_RADIUS_MM = 6

/**
 * From tissue to push: one rule for each row of the table; each names the tissue and the least push
 * that unloads it.
 */
export const TISSUE_STRESS: readonly FootRule[] = [
  ofFoot({
    ...suggest,
    code: 'medial-push',
    source: 'tissue stress: push where the axis lies, amounts of the bench',
    strength: 'strong',
    when: ({ hurts, exam, f, side, at }, limit) => {
      const pain = hurts('medialAnkle', 'navicular', 'archPlantar')
      const rolls =
        (exam.relaxed !== null && limit.atMost('evertedDeg', exam.relaxed.meanDeg)) ||
        f.axis === 'medial' ||
        f.kneeOver === 'inside'
      if (!pain || !rolls) return null
      const depthMm = limit.of(f.axis === 'medial' ? 'medialAxisDepthMm' : 'depthMm')
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
    source: 'tissue stress, amounts of the bench',
    strength: 'usual',
    when: ({ hurts, f, side, at }, limit) =>
      hurts('navicular', 'archPlantar') && f.axis === 'medial'
        ? {
            words:
              `The ${side} axis lies medial and the pain sits forward of the heel. ` +
              `A three-plane shave of ${n(limit.of('depthMm'))} mm pushes further forward than a skive.`,
            change: { layer: 'threePlaneShave', amounts: { depthMm: limit.of('depthMm') } },
            triggers: ['story.complaints', at('findings.axis')],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'medial-hold',
    source: 'tissue stress, amounts of the bench',
    strength: 'weak',
    when: ({ hurts, exam, side, at }, limit) => {
      const pain = hurts('medialAnkle', 'navicular')
      return pain &&
        limit.atLeast('pain', pain.score ?? 0) &&
        exam.relaxed &&
        limit.atMost('evertedDeg', exam.relaxed.meanDeg)
        ? {
            words:
              `Severe pain on the ${side} inner side and a heel everted ${n(exam.relaxed.meanDeg)}°: ` +
              `a medial wrap of ${n(limit.of('heightMm'))} mm or a flange holds the arch from the ` +
              'side, if the footwear has room.',
            change: { layer: 'medialWrap', amounts: { heightMm: limit.of('heightMm') } },
            triggers: ['story.complaints', at('findings.rcspDeg')],
          }
        : null
    },
  }),
  ofFoot({
    ...suggest,
    code: 'fascia-support',
    source: 'tissue stress: unload the fascia along the lateral column',
    strength: 'strong',
    when: ({ hurts, side }, limit) =>
      hurts('heelPlantar')
        ? {
            words:
              `The ${side} heel hurts from below: support under the shaft of the fifth metatarsal ` +
              'takes pull off the fascia; free the first ray too.',
            change: { layer: 'fifthMetSupport', amounts: { heightMm: limit.of('heightMm') } },
            triggers: ['story.complaints'],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'fascia-aperture',
    source: 'tissue stress: float the sore spot',
    strength: 'usual',
    when: ({ hurts, side }, limit) => {
      const pain = hurts('heelPlantar')
      return pain && limit.atLeast('pain', pain.score ?? 0)
        ? {
            words: `A sore ${side} heel: an elongated heel aperture of ${n(limit.of('depthMm'))} mm with soft fill lets the spot float.`,
            change: { layer: 'elongatedHeelAperture', amounts: { depthMm: limit.of('depthMm') } },
            triggers: ['story.complaints'],
          }
        : null
    },
  }),
  ofFoot({
    ...suggest,
    code: 'fascia-lift',
    source: 'tissue stress: less pull of a short calf on the heel',
    strength: 'weak',
    when: ({ hurts, exam, side, at }, limit) =>
      hurts('heelPlantar', 'achilles') && exam.ankle !== null && exam.ankle !== 'usual'
        ? {
            words: `The ${side} heel hurts and the ankle is short: a heel lift of ${n(limit.of('liftMm'))} mm eases both.`,
            change: { heelLiftMm: limit.of('liftMm') },
            triggers: ['story.complaints', at('findings.ankleKneeStraightDeg')],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'lateral-push',
    source: 'tissue stress: off the outer side, amounts of the bench',
    strength: 'strong',
    when: ({ hurts, exam, f, side, at }, limit) => {
      if (!hurts('lateralAnkle')) return null
      const invertedDeg = exam.relaxed?.meanDeg ?? 0
      const knee = f.kneeOver === 'outside' ? ' and the knee tracks outside' : ''
      const too = invertedDeg > 0 ? ` and the heel stands inverted ${n(invertedDeg)}°` : knee
      const push = `A valgus rearfoot post of ${n(limit.of('postDeg'))}°`
      return {
        words: `The ${side} outer ankle hurts${too}. ${push} takes it off the outer side.`,
        change: { post: { at: 'rearfoot', angleDeg: -limit.of('postDeg') } },
        triggers: ['story.complaints', at('findings.rcspDeg')],
      }
    },
  }),
  ofFoot({
    ...suggest,
    code: 'lateral-skive',
    source: 'tissue stress: a tilt that needs no room',
    strength: 'usual',
    when: ({ hurts, exam, side, at }, limit) =>
      hurts('lateralAnkle') && exam.relaxed && limit.atLeast('invertedDeg', exam.relaxed.meanDeg)
        ? {
            words:
              `The ${side} heel stands inverted ${n(exam.relaxed.meanDeg)}°: ` +
              `a lateral heel skive of ${n(limit.of('depthMm'))} mm needs no room below.`,
            change: { layer: 'lateralSkive', amounts: { depthMm: limit.of('depthMm') } },
            triggers: ['story.complaints', at('findings.rcspDeg')],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'cuboid',
    source: 'tissue stress: load off the peroneal tendon',
    strength: 'usual',
    when: ({ hurts, side }, limit) =>
      hurts('fifthMetBase')
        ? {
            words:
              `The ${side} outer midfoot hurts: support of ${n(limit.of('heightMm'))} mm under the ` +
              'cuboid takes load off the peroneal tendon.',
            change: { layer: 'cuboidSupport', amounts: { heightMm: limit.of('heightMm') } },
            triggers: ['story.complaints'],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'forefoot-abducted',
    source: 'tissue stress: the lateral column under the leg',
    strength: 'usual',
    when: ({ hurts, f, side, at }, limit) =>
      f.posture?.[5] !== undefined &&
      limit.atLeast('item', f.posture[5]) &&
      hurts('medialAnkle', 'navicular', 'archPlantar', 'fifthMetHead')
        ? {
            words:
              `The ${side} forefoot turns out. Support under the shaft of the fifth metatarsal, ` +
              'and a medial wrap if that is not enough, brings it under the leg.',
            change: { layer: 'fifthMetSupport', amounts: { heightMm: limit.of('heightMm') } },
            triggers: [at('findings.posture'), 'story.complaints'],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'toe-plate',
    source: 'tissue stress: a stiff joint is not bent',
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
    source: 'tissue stress: load back to a short first ray',
    strength: 'usual',
    when: ({ measure, hurts, side, at }, limit) =>
      measure.leads?.secondMetMm !== undefined &&
      limit.atLeast('leadMm', measure.leads.secondMetMm) &&
      hurts('secondMetHead', 'greatToe')
        ? {
            words:
              `The ${side} second metatarsal reaches ${n(measure.leads.secondMetMm)} mm past the ` +
              `first: raise under the first metatarsal and toe by ${n(limit.of('heightMm'))} mm, ` +
              'pad behind the second, and take footwear half a size longer.',
            change: { layer: 'firstRayExtension', amounts: { heightMm: limit.of('heightMm') } },
            triggers: [at('readings.secondMetLeadMm'), 'story.complaints'],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'met-pad',
    source: 'tissue stress: lift the shafts, never the heads',
    strength: 'strong',
    when: ({ hurts, side }, limit) =>
      hurts('secondMetHead', 'thirdMetHead', 'fourthMetHead')
        ? {
            words:
              `Pain under the ${side} met heads. A met pad of ${n(limit.of('heightMm'))} mm, ` +
              `its front edge ${n(limit.of('behindHeadsMm'))} mm behind the heads, lifts the shafts.`,
            change: {
              layer: 'metPad',
              amounts: {
                heightMm: limit.of('heightMm'),
                behindHeadsMm: limit.of('behindHeadsMm'),
              },
            },
            triggers: ['story.complaints'],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'nerve-spread',
    source: 'tissue stress: spread the heads',
    strength: 'usual',
    when: ({ numb, f, side, at }, limit) =>
      numb('lesserToes', 'thirdMetHead', 'fourthMetHead') ||
      (f.numbness?.toes.includes(3) && f.numbness.toes.includes(4))
        ? {
            words:
              `Feeling goes between the ${side} third and fourth toes: more width first, ` +
              `then a spread pad of ${n(limit.of('heightMm'))} mm just behind the heads, ` +
              'never under them.',
            change: { layer: 'nerveSpreadPad', amounts: { heightMm: limit.of('heightMm') } },
            triggers: ['story.complaints', at('findings.numbness')],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'sesamoid',
    source: 'tissue stress: let the sesamoids hang free',
    strength: 'usual',
    when: ({ hurts, exam, side }, limit) =>
      hurts('firstMetHead') && !exam.firstToe?.startsWith('rigid')
        ? {
            words: `Pain under the ${side} first met head: a relief of ${n(limit.of('depthMm'))} mm under it lets the sesamoids hang free.`,
            change: {
              layer: 'metHeadRelief',
              amounts: { depthMm: limit.of('depthMm'), heads: [1] },
            },
            triggers: ['story.complaints'],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'spot-relief',
    source: 'tissue stress: a hollow where it was marked',
    strength: 'strong',
    when: ({ f, side, at }, limit) => {
      const spot = [...(f.marks ?? [])]
        .filter(
          (m) =>
            m.view === 'plantar' &&
            ['callus', 'corn', 'lump', 'bonyPoint', 'tender'].includes(m.kind) &&
            limit.atLeast(
              'tenderness',
              m.tenderness ?? (m.kind === 'callus' ? 0 : limit.of('tenderness')),
            ),
        )
        .sort((a, b) => (b.tenderness ?? 0) - (a.tenderness ?? 0))[0]
      if (!spot) return null
      const radiusMm = Math.min(
        limit.of('mostRadiusMm'),
        Math.max(LEAST_RADIUS_MM, Math.round((spot.sizeMm ?? 12) / 2) + 3),
      )
      const depthMm = limit.of('depthMm')
      // A mark may lie on the border of the skin, a relief under the sole only.
      const [xMm, yMm] = [
        Math.max(-SPOT_HALF_MM, Math.min(SPOT_HALF_MM, spot.xMm)),
        Math.max(0, Math.min(SPOT_LENGTH_MM, spot.yMm)),
      ]
      return {
        words:
          `A tender spot under the ${side} foot, ${n(spot.yMm)} mm from the heel: ` +
          `a relief of ${n(depthMm)} mm, radius ${radiusMm} mm, at that place.`,
        change: { layer: 'sweetSpot', amounts: { depthMm, xMm, yMm, radiusMm } },
        triggers: [at('findings.marks')],
      }
    },
  }),
  ofFoot({
    ...suggest,
    code: 'heel-pad',
    source: 'tissue stress: gather a thin pad',
    strength: 'usual',
    when: ({ hurts, f, side, at }, limit) =>
      f.fatPad === 'thin' && hurts('heelPlantar', 'heelBack')
        ? {
            words: `The ${side} heel pad is thin: a deep cup of ${n(limit.of('cupMm'))} mm gathers it, with a soft plug under the heel.`,
            change: { shell: { heelCupMm: limit.of('cupMm') } },
            triggers: [at('findings.fatPad'), 'story.complaints'],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'spring-shell',
    source: 'tissue stress: let the arch spring',
    strength: 'usual',
    when: ({ springs, hurts, device, side, at }, limit) =>
      springs &&
      hurts('archPlantar', 'heelPlantar', 'achilles', 'shin') &&
      limit.over('thicknessMm', device?.shell.thicknessMm ?? plainDevice().shell.thicknessMm)
        ? {
            words: `A runner springs off the ${side} arch: a shell of ${n(limit.of('thicknessMm'))} mm lets it compress and return.`,
            change: { shell: { thicknessMm: limit.of('thicknessMm') } },
            triggers: ['story.activity', at('device.shell.thicknessMm')],
          }
        : null,
  }),
]
