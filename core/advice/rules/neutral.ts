import { n, ofFoot, type FootRule } from '../rule'

const suggest = { school: 'neutral', kind: 'suggest' } as const

/** Angles are told and set in half degrees. */
const inHalfDegrees = (deg: number) => Math.round(deg * 2) / 2

/** Hold the rearfoot near its neutral position and balance the forefoot to it. */
export const NEUTRAL: readonly FootRule[] = [
  ofFoot({
    ...suggest,
    code: 'rearfoot-post',
    source: 'neutral: hold the heel near its neutral, amounts of the bench',
    strength: 'usual',
    when: ({ exam, push, side, at }, limit) =>
      push.to === 'medial' && exam.relaxed && limit.atMost('evertedDeg', exam.relaxed.meanDeg)
        ? {
            words:
              `The ${side} heel stands everted ${n(exam.relaxed.meanDeg)}°. ` +
              `A varus rearfoot post of ${n(limit.of('postDeg'))}° holds it nearer neutral.`,
            change: { post: { at: 'rearfoot', angleDeg: limit.of('postDeg') } },
            triggers: [at('findings.rcspDeg')],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'forefoot-varus',
    source: 'neutral: balance the forefoot to the rearfoot in the cast',
    strength: 'usual',
    when: ({ exam, f, hurts, side, at, norms }, limit) => {
      const { forefoot, forefootMm } = exam
      if (
        !forefoot ||
        forefoot.meanDeg <= norms.usualForefootDeg[1] ||
        limit.under('tries', forefoot.trials) ||
        forefoot.repeat
      )
        return null
      const rigid = f.mobility?.midtarsal === 'stiff'
      if (
        !rigid &&
        !hurts('medialAnkle', 'navicular', 'archPlantar', 'fifthMetHead', 'knee', 'shin')
      )
        return null
      const across = forefootMm === null ? '' : `, ${n(forefootMm)} mm across`
      const why = rigid ? 'and the midfoot is stiff' : 'and it fits the complaint'
      return {
        words: `The ${side} forefoot is ${n(forefoot.meanDeg)}° varus${across}, ${why}: balance ${n(inHalfDegrees(forefoot.meanDeg))}° of it in the cast.`,
        change: {
          layer: 'intrinsicForefootPost',
          amounts: { angleDeg: inHalfDegrees(forefoot.meanDeg) },
        },
        triggers: [at('findings.forefootDeg')],
      }
    },
  }),
  ofFoot({
    ...suggest,
    code: 'forefoot-valgus',
    source: 'neutral: balance the forefoot to the rearfoot in the cast',
    strength: 'usual',
    when: ({ exam: { forefoot, forefootMm }, f: { firstRay }, side, at, norms }, limit) => {
      const isValgus =
        forefoot &&
        forefoot.meanDeg < norms.usualForefootDeg[0] &&
        limit.atLeast('tries', forefoot.trials) &&
        !forefoot.repeat
      if (!isValgus) return null
      const across = forefootMm === null ? '' : `, ${n(forefootMm)} mm across`
      const gives = firstRay?.rest === 'plantarflexed' && firstRay.stiffness === 'loose'
      // A first ray that gives holds part of the angle by itself.
      const angleDeg = inHalfDegrees(forefoot.meanDeg * (gives ? limit.of('givingShare') : 1))
      const why = gives ? '; the first ray gives, so only part of it is held' : ''
      return {
        words: `The ${side} forefoot is ${n(forefoot.meanDeg)}° valgus${across}${why}. Balance ${n(angleDeg)}° of it in the cast.`,
        change: { layer: 'intrinsicForefootPost', amounts: { angleDeg } },
        triggers: [at('findings.forefootDeg'), ...(gives ? [at('findings.firstRay')] : [])],
      }
    },
  }),
  ofFoot({
    ...suggest,
    code: 'roll-post',
    source: 'neutral: take half of the roll',
    strength: 'weak',
    when: ({ exam, push, hurts, side, at }, limit) => {
      if (
        push.to !== 'medial' ||
        exam.rollDeg === null ||
        !limit.atLeast('rollDeg', exam.rollDeg) ||
        (exam.relaxed && !limit.over('evertedDeg', exam.relaxed.meanDeg)) ||
        !hurts('medialAnkle', 'navicular', 'archPlantar', 'shin', 'knee')
      )
        return null
      const angleDeg = Math.min(limit.of('mostDeg'), Math.round(exam.rollDeg * limit.of('share')))
      return {
        words:
          `The ${side} heel rolls in ${n(exam.rollDeg)}° from neutral to get down. ` +
          `A varus rearfoot post takes ${n(angleDeg)}° of it.`,
        change: { post: { at: 'rearfoot', angleDeg } },
        triggers: [at('findings.ncspDeg'), at('findings.rcspDeg')],
      }
    },
  }),
  ofFoot({
    ...suggest,
    code: 'uncompensated',
    source: 'neutral: fill the gap below an inverted heel',
    strength: 'usual',
    when: ({ exam, push, side, at }, limit) => {
      const gapDeg = exam.uncompensatedDeg
      if (push.to !== 'medial' || gapDeg === null || !limit.atLeast('deg', gapDeg)) return null
      const mostDeg = limit.of('mostDeg')
      const angleDeg = Math.min(mostDeg, Math.round(gapDeg))
      const fills =
        gapDeg > mostDeg + 0.5
          ? 'fills part of the gap below it instead of pushing it over; more only in steps, as it is borne.'
          : 'fills the gap below it instead of pushing it over.'
      return {
        words:
          `The ${side} heel stays ${n(gapDeg)}° inverted in stance: ` +
          `it does not get down. A varus post of ${n(angleDeg)}° ${fills}`,
        change: { post: { at: 'rearfoot', angleDeg } },
        triggers: [at('findings.rcspDeg')],
      }
    },
  }),
  ofFoot({
    school: 'neutral',
    kind: 'watch',
    code: 'end-of-eversion',
    source: 'neutral: a joint at its end is not posted further',
    strength: 'usual',
    when: ({ exam, side, at }, limit) =>
      exam.eversionLeftDeg !== null && limit.atMost('leftDeg', exam.eversionLeftDeg)
        ? {
            words:
              `The ${side} heel stands at the end of its eversion ` +
              `(${n(exam.eversionLeftDeg)}° left): ` +
              'a post is felt as a block. Go up in small steps.',
            triggers: [
              at('findings.subtalar'),
              at('findings.rcspDeg'),
              at('findings.tibialVarumDeg'),
            ],
          }
        : null,
  }),
  ofFoot({
    school: 'neutral',
    kind: 'watch',
    code: 'ncsp-again',
    source: 'neutral: stance is shin and neutral together',
    strength: 'usual',
    when: ({ exam, side, at }, limit) =>
      exam.ncspGapDeg !== null && limit.over('gapDeg', Math.abs(exam.ncspGapDeg))
        ? {
            words:
              `The ${side} neutral stance reads ${n(exam.angles.ncspDeg!.meanDeg)}°, ` +
              `shin and neutral together give ${n(exam.expectedNcspDeg!)}°. Measure again; ` +
              'never add the shin to the neutral stance.',
            change: { measure: 'ncspDeg' },
            triggers: [at('findings.ncspDeg'), at('findings.tibialVarumDeg')],
          }
        : null,
  }),
  ofFoot({
    school: 'neutral',
    kind: 'watch',
    code: 'neutral-gap',
    source: 'neutral: two ways to one angle',
    strength: 'weak',
    when: ({ exam, side, at }, limit) =>
      exam.neutralGapDeg !== null && limit.over('gapDeg', Math.abs(exam.neutralGapDeg))
        ? {
            words:
              `The ${side} neutral by ranges and by palpation lie ${n(exam.neutralGapDeg)}° apart. ` +
              'Take both again before building on either.',
            change: { measure: 'neutralPalpatedDeg' },
            triggers: [at('findings.subtalar'), at('findings.neutralPalpatedDeg')],
          }
        : null,
  }),
]
