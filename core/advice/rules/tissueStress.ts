import { SPOT_HALF_MM, SPOT_LENGTH_MM } from '../../kinds/layers/spot'
import { plainDevice } from '../../device/buildDevice'
import type { FootExamination } from '../../examine/examination'
import type { LayerKind } from '../../kinds/layers/all'
import type { Device } from '../../record/schema'
import type { Side } from '../../tables/vocabulary'
import { INNER_SIDE, mayPushInner, OUTER_SIDE } from '../heelPush'
import { hasCallusUnderSecond, soreSpots, tenderMark } from '../soreSpots'
import { isNumbLasting } from '../../examine/numbLasting'
import { TOE_WORDS, webSpaceOf } from '../numbToes'
import { n, ofFoot, type FootContext, type FootRule } from '../rule'

const school = 'tissue-stress' as const
const suggest = { school, kind: 'suggest' } as const

/** Is one of these layers on the device? What would contradict it is not asked for beside it. */
const has = (device: Device | undefined, ...kinds: readonly LayerKind[]) =>
  device?.layers.some((l) => l.on && kinds.includes(l.kind)) ?? false

/** The shell of a device that nobody has changed yet, mm. */
const PLAIN_SHELL_MM = plainDevice().shell.thicknessMm

/** A relief no bigger than a fingertip unloads nothing, mm. */
const LEAST_RADIUS_MM = 6

const MIDDLE_HEADS = ['secondMetHead', 'thirdMetHead', 'fourthMetHead'] as const
const TOE_JOINT = ['greatToe', 'firstMetHead'] as const

const isRigid = ({ firstToe }: FootExamination) => firstToe?.startsWith('rigid') === true
/** A stiff big toe with its range in the manner of the grades, never as a diagnosis. */
const stiffToe = ({ firstToe, angles }: FootExamination, side: Side) =>
  `The ${side} big toe hurts and bends ${n(angles.firstToeUnloadedDeg!.meanDeg)}° in the air: ` +
  `range as in grade ${firstToe!.slice(-1)}, the true one needs an X-ray.`

/** How much a spot hurts, behind its name; nothing where nobody said. */
const ofTen = (tenderness: number | undefined) =>
  tenderness === undefined ? '' : ` (${n(tenderness)} of 10)`
/** How far the second metatarsal stands before the first, mm; never far enough where nobody looked. */
const leadOf = ({ measure }: FootContext) => measure.leads?.secondMetMm ?? -Infinity
/** Is the second head overloaded: does it hurt, or has it a callus under it? */
const isSecondLoaded = ({ hurts, f, mean }: FootContext) =>
  hurts('secondMetHead', 'greatToe') !== undefined ||
  hasCallusUnderSecond(f, mean('archLengthMm') ?? 0.73 * (mean('footLengthMm') ?? 265))
/**
 * Does the first ray have to come down rather than up: it hangs low, its joint stops under load, the toe lifts
 * the arch late or not at all, its head hurts, or the device lets it down already? A raise would jam it.
 */
const asksForFreeFirst = ({ exam, f, hurts, device }: FootContext) =>
  exam.firstToe === 'functionalLimit' ||
  f.windlass === 'late' ||
  f.windlass === 'none' ||
  f.firstRay?.rest === 'plantarflexed' ||
  hurts('firstMetHead') !== undefined ||
  has(device, 'firstRayAccommodation', 'firstRayCutOut', 'firstRayWedge')
const longSecond = (c: FootContext) =>
  `The ${c.side} second metatarsal reaches ${n(leadOf(c))} mm past the first and carries its load.`
const leadTriggers = ({ at, hurts }: FootContext) => [
  at('readings.secondMetLeadMm'),
  hurts('secondMetHead', 'greatToe') ? 'story.complaints' : at('findings.marks'),
]

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
    when: ({ hurts, push, exam, f, device, side, at }, limit) => {
      if (!mayPushInner(push) || !hurts(...INNER_SIDE) || has(device, 'threePlaneShave'))
        return null
      // What is said is what was found, and each finding said is one that made the rule speak.
      const seen: [path: string, words: string][] = []
      if (exam.relaxed && limit.atMost('evertedDeg', exam.relaxed.meanDeg))
        seen.push(['rcspDeg', `the heel stands everted ${n(exam.relaxed.meanDeg)}°`])
      if (f.axis === 'medial') seen.push(['axis', 'the axis lies medial'])
      if (f.kneeOver === 'inside') seen.push(['kneeOver', 'the knee tracks inside'])
      if (seen.length === 0) return null
      const depthMm = limit.of(f.axis === 'medial' ? 'medialAxisDepthMm' : 'depthMm')
      return {
        words:
          `The ${side} inner side hurts, and ${seen.map(([, words]) => words).join(' and ')}. ` +
          `A medial heel skive of ${depthMm} mm pushes where it unloads.`,
        change: { layer: 'medialSkive', amounts: { depthMm } },
        triggers: ['story.complaints', ...seen.map(([path]) => at(`findings.${path}`))],
      }
    },
  }),
  ofFoot({
    ...suggest,
    code: 'medial-shave',
    source: 'tissue stress, amounts of the bench',
    strength: 'usual',
    when: ({ hurts, push, f, device, side, at }, limit) =>
      mayPushInner(push) &&
      hurts('navicular', 'archPlantar') &&
      f.axis === 'medial' &&
      !has(device, 'medialSkive')
        ? {
            words:
              `The ${side} axis lies medial and the pain sits forward of the heel. ` +
              `A three-plane shave of ${n(limit.of('depthMm'))} mm instead of a skive pushes further forward.`,
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
    when: ({ hurts, push, exam, side, at }, limit) => {
      const pain = hurts('medialAnkle', 'navicular')
      return pain &&
        mayPushInner(push) &&
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
    code: 'medial-post',
    source: 'tissue stress: raise the heel where it unloads, amounts of the bench',
    strength: 'usual',
    when: ({ hurts, push, exam, lowVolume, side, at }, limit) =>
      mayPushInner(push) &&
      !lowVolume &&
      hurts('medialAnkle', 'navicular') &&
      exam.relaxed &&
      limit.atMost('evertedDeg', exam.relaxed.meanDeg)
        ? {
            words:
              `The ${side} inner ankle hurts and the heel stands everted ${n(exam.relaxed.meanDeg)}°. ` +
              `A varus rearfoot post of ${n(limit.of('postDeg'))}° takes it off the tendon, where the ` +
              'footwear has room.',
            change: { post: { at: 'rearfoot', angleDeg: limit.of('postDeg') } },
            triggers: ['story.complaints', at('findings.rcspDeg')],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'medial-flare',
    source: 'tissue stress, amounts of the bench',
    strength: 'weak',
    when: ({ hurts, push, f, lowVolume, side, at }, limit) => {
      const pain = hurts('medialAnkle', 'navicular')
      return pain &&
        mayPushInner(push) &&
        !lowVolume &&
        f.axis === 'medial' &&
        limit.atLeast('pain', pain.score ?? 0)
        ? {
            words:
              `The ${side} axis lies medial and the inner ankle hurts: ` +
              `a medial flare of ${n(limit.of('widthMm'))} mm gives the push a longer arm, if the footwear is wide enough.`,
            change: { layer: 'medialFlare', amounts: { widthMm: limit.of('widthMm') } },
            triggers: ['story.complaints', at('findings.axis')],
          }
        : null
    },
  }),
  ofFoot({
    ...suggest,
    code: 'medial-flange',
    source: 'tissue stress: a wall where a wrap is not enough',
    strength: 'weak',
    when: ({ hurts, push, exam, lowVolume, side, at }, limit) => {
      const pain = hurts('medialAnkle', 'navicular')
      return pain &&
        mayPushInner(push) &&
        !lowVolume &&
        limit.atLeast('pain', pain.score ?? 0) &&
        exam.relaxed &&
        limit.atMost('evertedDeg', exam.relaxed.meanDeg)
        ? {
            words:
              `The ${side} inner ankle hurts much and the heel stands everted ${n(exam.relaxed.meanDeg)}°: ` +
              `a medial flange of ${n(limit.of('heightMm'))} mm along the arch instead of a wrap. It needs roomy footwear.`,
            change: { layer: 'medialFlange', amounts: { heightMm: limit.of('heightMm') } },
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
              `The ${side} heel hurts from below: support of ${n(limit.of('heightMm'))} mm under the shaft of the ` +
              'fifth metatarsal takes pull off the fascia; free the first ray too.',
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
    code: 'fascia-valgus',
    source: 'tissue stress: a valgus forefoot takes pull off the fascia',
    strength: 'usual',
    when: ({ hurts, exam, boot, side }, limit) =>
      hurts('heelPlantar') && !boot && (exam.forefoot === null || exam.forefoot.meanDeg < 3)
        ? {
            words:
              `The ${side} heel hurts from below: a valgus wedge of ${n(limit.of('angleDeg'))}° under the ` +
              'ball takes pull off the fascia too. One of the two first: this, or the support under the fifth shaft.',
            change: {
              layer: 'forefootWedge',
              amounts: { angleDeg: -limit.of('angleDeg') },
            },
            triggers: ['story.complaints'],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'fascia-groove',
    source: 'tissue stress: let a tight cord lie free',
    strength: 'weak',
    when: ({ hurts, f, mean, side, at }, limit) => {
      const length = mean('footLengthMm')
      const cord = soreSpots(f, limit.of('tenderness')).find(
        (m) =>
          length !== undefined && m.yMm > 0.28 * length && m.yMm < 0.62 * length && m.xMm >= -5,
      )
      return hurts('archPlantar') && cord
        ? {
            words: `The cord under the ${side} arch is tender: a groove of ${n(limit.of('depthMm'))} mm along it lets it lie free.`,
            change: { layer: 'fasciaGroove', amounts: { depthMm: limit.of('depthMm') } },
            triggers: ['story.complaints', at('findings.marks')],
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
            words:
              `The ${side} heel hurts and the ankle is short: ` +
              `a heel lift of ${n(limit.of('liftMm'))} mm eases both, under both feet alike.`,
            change: { heelLiftMm: limit.of('liftMm'), onBoth: true },
            triggers: ['story.complaints', at('findings.ankleKneeStraightDeg')],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'lateral-push',
    source: 'tissue stress: off the outer side, amounts of the bench',
    strength: 'strong',
    when: ({ hurts, push, exam, f, side, at }, limit) => {
      if (push.to !== 'lateral' || !hurts(...OUTER_SIDE)) return null
      const inverted = exam.relaxed && exam.relaxed.meanDeg >= limit.of('invertedDeg')
      const outside = f.kneeOver === 'outside'
      const seen = [
        inverted ? ` and the heel stands inverted ${n(exam.relaxed!.meanDeg)}°` : '',
        outside ? ' and the knee tracks outside' : '',
      ].join('')
      return {
        words: `The ${side} outer ankle hurts${seen}. A valgus rearfoot post of ${n(limit.of('postDeg'))}° takes it off the outer side.`,
        change: { post: { at: 'rearfoot', angleDeg: -limit.of('postDeg') } },
        triggers: [
          'story.complaints',
          ...(inverted ? [at('findings.rcspDeg')] : []),
          ...(outside ? [at('findings.kneeOver')] : []),
        ],
      }
    },
  }),
  ofFoot({
    ...suggest,
    code: 'lateral-skive',
    source: 'tissue stress: a tilt that needs no room',
    strength: 'usual',
    when: ({ hurts, push, exam, side, at }, limit) =>
      push.to === 'lateral' &&
      hurts(...OUTER_SIDE) &&
      exam.relaxed &&
      limit.atLeast('invertedDeg', exam.relaxed.meanDeg)
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
    code: 'lateral-flare',
    source: 'tissue stress, amounts of the bench',
    strength: 'weak',
    when: ({ hurts, push, lowVolume, side }, limit) => {
      const pain = hurts(...OUTER_SIDE)
      return pain && push.to === 'lateral' && !lowVolume && limit.atLeast('pain', pain.score ?? 0)
        ? {
            words:
              `The ${side} outer ankle hurts: ` +
              `a lateral flare of ${n(limit.of('widthMm'))} mm keeps the heel from tipping out, if the footwear is wide enough.`,
            change: { layer: 'lateralFlare', amounts: { widthMm: limit.of('widthMm') } },
            triggers: ['story.complaints'],
          }
        : null
    },
  }),
  ofFoot({
    ...suggest,
    code: 'lateral-soft',
    source: 'tissue stress: a stiff outer foot wants a soft shell',
    strength: 'weak',
    when: ({ hurts, push, exam, device, side, at }, limit) => {
      const thickness = device?.shell.thicknessMm ?? PLAIN_SHELL_MM
      return push.to === 'lateral' &&
        hurts(...OUTER_SIDE) &&
        exam.stiff.length > 0 &&
        limit.over('thicknessMm', thickness)
        ? {
            words:
              `The ${side} outer ankle hurts and the foot is stiff: ` +
              `a soft shell of ${n(limit.of('thicknessMm'))} mm takes up what the joints do not.`,
            change: { shell: { thicknessMm: limit.of('thicknessMm') } },
            triggers: ['story.complaints', at('findings.mobility')],
          }
        : null
    },
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
      typeof f.posture?.[5] === 'number' &&
      limit.atLeast('item', f.posture[5]) &&
      hurts('medialAnkle', 'navicular', 'archPlantar', 'fifthMetHead')
        ? {
            words:
              `The ${side} forefoot turns out. Support of ${n(limit.of('heightMm'))} mm under the shaft of the fifth metatarsal, ` +
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
    when: ({ hurts, exam, boot, side, at }) =>
      !boot && isRigid(exam) && hurts(...TOE_JOINT)
        ? {
            words: `${stiffToe(exam, side)} A carbon plate under the toe, or a rocker sole, takes the bend away.`,
            change: { layer: 'toeCarbonPlate', amounts: {} },
            triggers: [at('findings.firstToeUnloadedDeg'), 'story.complaints'],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'rigid-extension',
    source: 'tissue stress: a stiff joint is not bent',
    strength: 'usual',
    when: ({ hurts, exam, side, at }, limit) =>
      isRigid(exam) && hurts(...TOE_JOINT)
        ? {
            words:
              `${stiffToe(exam, side)} ` +
              `A rigid first-ray extension of ${n(limit.of('heightMm'))} mm carries the toe along, no bend there.`,
            change: {
              layer: 'firstRayExtension',
              amounts: { heightMm: limit.of('heightMm'), rigid: true },
            },
            triggers: [at('findings.firstToeUnloadedDeg'), 'story.complaints'],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'first-ray-cut-out',
    source: 'tissue stress: a ray that is let down needs a post beside it',
    strength: 'weak',
    when: ({ exam, device, side, at }, limit) => {
      const isPosted = device?.posts.some((p) => p.angleDeg !== 0) ?? false
      return exam.firstToe === 'functionalLimit' &&
        isPosted &&
        !has(device, 'firstRayAccommodation', 'firstRayExtension')
        ? {
            words:
              `The ${side} big toe stops under load and the device is posted: a first-ray cut-out of ` +
              `${n(limit.of('depthMm'))} mm lets the ray drop, instead of the accommodation, not beside it.`,
            change: { layer: 'firstRayCutOut', amounts: { depthMm: limit.of('depthMm') } },
            triggers: [at('findings.firstToeLoadedDeg'), at('device.posts')],
          }
        : null
    },
  }),
  ofFoot({
    ...suggest,
    code: 'short-first',
    source: 'tissue stress: load back to a short first ray',
    strength: 'usual',
    when: (c, limit) =>
      limit.atLeast('leadMm', leadOf(c)) && isSecondLoaded(c) && !asksForFreeFirst(c)
        ? {
            words:
              `${longSecond(c)} ` +
              `A raise of ${n(limit.of('heightMm'))} mm under the first metatarsal and toe brings the load back to them.`,
            change: { layer: 'firstRayExtension', amounts: { heightMm: limit.of('heightMm') } },
            triggers: leadTriggers(c),
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'second-pad',
    source: 'tissue stress: lift the shafts, never the heads',
    strength: 'usual',
    when: (c, limit) =>
      limit.atLeast('leadMm', leadOf(c)) && isSecondLoaded(c) && !c.hurts(...MIDDLE_HEADS)
        ? {
            words:
              `${longSecond(c)} A pad of ${n(limit.of('heightMm'))} mm, its front edge ` +
              `${n(limit.of('behindHeadsMm'))} mm behind the head, takes load off the second.`,
            change: {
              layer: 'metPad',
              amounts: {
                heightMm: limit.of('heightMm'),
                behindHeadsMm: limit.of('behindHeadsMm'),
              },
            },
            triggers: leadTriggers(c),
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'half-size',
    source: 'tissue stress: a long second ray needs length',
    strength: 'usual',
    lesser: true,
    when: (c, limit) =>
      limit.atLeast('leadMm', leadOf(c)) && isSecondLoaded(c)
        ? {
            words:
              `${longSecond(c)} Pull the insole out and let the ${c.side} foot stand on it: where a toe ` +
              'comes over its end, footwear half a size longer.',
            change: { footwear: 'longer' },
            triggers: leadTriggers(c),
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'met-pad',
    source: 'tissue stress: lift the shafts, never the heads',
    strength: 'strong',
    when: ({ hurts, side }, limit) =>
      hurts(...MIDDLE_HEADS) && !MIDDLE_HEADS.every((head) => hurts(head))
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
    code: 'met-bar',
    source: 'tissue stress: lift the shafts, never the heads',
    strength: 'strong',
    when: ({ hurts, side }, limit) =>
      limit.atLeast('heads', MIDDLE_HEADS.filter((head) => hurts(head)).length)
        ? {
            words:
              `Pain under the ${side} second, third and fourth head. A bar of ${n(limit.of('heightMm'))} mm, ` +
              `its front edge ${n(limit.of('behindHeadsMm'))} mm behind them, lifts all shafts alike.`,
            change: {
              layer: 'metBar',
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
    code: 'nerve-room',
    source: 'comfort: width before a pad',
    strength: 'strong',
    lesser: true,
    children: true,
    when: (c) =>
      webSpaceOf(c) && !isNumbLasting(c.record, c.side)
        ? {
            words: `Feeling goes in the ${c.side} toes: wider footwear first, and no tighter lacing over the instep.`,
            change: { footwear: 'wider' },
            triggers: ['story.complaints', c.at('findings.numbness')],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'nerve-spread',
    source: 'tissue stress: spread the heads',
    strength: 'usual',
    when: (c, limit) => {
      const between = webSpaceOf(c)
      // Lasting numbness is looked at by somebody else; a pad belongs in the space that was told.
      if (!between || between === 'untold' || isNumbLasting(c.record, c.side)) return null
      const [from, to] = between.map((toe) => TOE_WORDS[toe]!)
      return {
        words:
          `Feeling goes between the ${c.side} ${from} and ${to} toe: more width first, ` +
          `then a spread pad of ${n(limit.of('heightMm'))} mm between their shafts, just behind the heads, ` +
          'never under them.',
        change: {
          layer: 'nerveSpreadPad',
          amounts: { heightMm: limit.of('heightMm'), between: [...between] },
        },
        triggers: ['story.complaints', c.at('findings.numbness')],
      }
    },
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
    when: ({ f, side, at }, limit) =>
      soreSpots(f, limit.of('tenderness')).map((spot) => {
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
          about: `${Math.round(xMm)} ${Math.round(yMm)}`,
          words:
            `A ${tenderMark(spot)} ` +
            `under the ${side} foot, ${n(spot.yMm)} mm from the heel and ${n(spot.xMm)} mm ` +
            `${spot.xMm >= 0 ? 'inward' : 'outward'}${ofTen(spot.tenderness)}: ` +
            `a relief of ${n(depthMm)} mm, radius ${radiusMm} mm, at that place.`,
          change: { layer: 'sweetSpot' as const, amounts: { depthMm, xMm, yMm, radiusMm } },
          triggers: [at('findings.marks')],
        }
      }),
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
    code: 'heel-aperture',
    source: 'tissue stress: float the sore heel',
    strength: 'weak',
    when: ({ hurts, f, side, at }, limit) => {
      const pain = hurts('heelPlantar')
      return pain && f.fatPad === 'thin' && limit.atLeast('pain', pain.score ?? 0)
        ? {
            words:
              `The ${side} heel pad is thin and hurts: ` +
              `an aperture of ${n(limit.of('depthMm'))} mm with a soft plug under the heel takes the peak away.`,
            change: { layer: 'heelAperture', amounts: { depthMm: limit.of('depthMm') } },
            triggers: [at('findings.fatPad'), 'story.complaints'],
          }
        : null
    },
  }),
  ofFoot({
    ...suggest,
    code: 'spring-shell',
    source: 'tissue stress: let the arch spring',
    strength: 'usual',
    when: ({ springs, hurts, device, side, at }, limit) =>
      springs &&
      hurts('archPlantar', 'heelPlantar', 'achilles', 'shin') &&
      limit.over('thicknessMm', device?.shell.thicknessMm ?? PLAIN_SHELL_MM)
        ? {
            words: `A runner springs off the ${side} arch: a shell of ${n(limit.of('thicknessMm'))} mm lets it compress and return.`,
            change: { shell: { thicknessMm: limit.of('thicknessMm') } },
            triggers: ['story.activity', at('device.shell.thicknessMm')],
          }
        : null,
  }),
]
