import { ANGLES, ANGLE_KEYS, findingPath } from '../../kinds/findings/all'
import { READINGS } from '../../kinds/readings/all'
import { keptAgainstHand } from '../../capture/againstHand'
import type { AngleSummary } from '../../examine/angleSummary'
import { usesCaptured } from '../../device/footField'
import { footprintOf } from '../../measure/footprintOf'
import { OUTER_SIDE } from '../heelPush'
import { n, ofFoot, type FootRule } from '../rule'

const watch = { school: 'all', kind: 'watch', children: true } as const

const signed = (deg: number) => `${deg < 0 ? '−' : ''}${n(deg)}°`
/** What tries of an angle that spread too far ask for. */
function triesWords(name: string, { spreadDeg, agreed, oddDeg, notRepeatable }: AngleSummary) {
  if (notRepeatable)
    return `The ${name} does not repeat after five tries. Its spread of ${n(spreadDeg)}° goes along.`
  return agreed
    ? `The ${name} spreads ${n(spreadDeg)}°. The others agree: strike ${oddDeg.map(signed).join(', ')}?`
    : `The ${name} spreads ${n(spreadDeg)}°: take it again.`
}

/** Findings that are not firm enough to build on. */
export const TRUST: readonly FootRule[] = [
  ofFoot({
    ...watch,
    code: 'forefoot-again',
    source: 'measuring practice',
    strength: 'strong',
    when: ({ exam: { forefoot, forefootMm }, side, at, norms }, limit) => {
      const [low, high] = norms.usualForefootDeg
      if (!forefoot || !limit.under('tries', forefoot.trials)) return null
      if (forefoot.meanDeg <= high && forefoot.meanDeg >= low) return null
      const across = forefootMm === null ? '' : ` (${n(forefootMm)} mm)`
      return {
        words:
          `The ${side} forefoot angle of ${n(forefoot.meanDeg)}°${across} was read once. ` +
          'Read it again before building on it.',
        change: { measure: 'forefootDeg' },
        triggers: [at('findings.forefootDeg')],
      }
    },
  }),
  ofFoot({
    ...watch,
    code: 'impossible-pair',
    source: 'what a foot cannot do: nothing is derived from the two',
    strength: 'strong',
    when: ({ exam, side, at }) =>
      exam.impossible.map((pair) => ({
        about: pair.code,
        words: pair.words.replace('{side}', side),
        change: { measure: pair.of[0]! },
        triggers: pair.of.map((kind) => at(findingPath(kind))),
      })),
  }),
  ofFoot({
    ...watch,
    code: 'both-sides-hurt',
    source: 'house order: a heel is pushed to one side at a time',
    strength: 'usual',
    when: ({ push, side }) =>
      push.because === 'both hurt'
        ? {
            words:
              `The ${side} ankle hurts alike on both sides and its heel leans to neither. A heel is ` +
              'pushed to one side only: ask which came first and what each does on stairs.',
            triggers: ['story.complaints'],
          }
        : null,
  }),
  ofFoot({
    ...watch,
    code: 'pinched-outside',
    source: 'tissue stress: an everted heel is pinched on its outer side',
    strength: 'usual',
    when: ({ push, hurts, exam, side, at }) =>
      push.because === 'heel everted' && hurts(...OUTER_SIDE)
        ? {
            words:
              `The ${side} outer ankle hurts though the heel stands everted ${n(exam.relaxed!.meanDeg)}°: ` +
              'it is pinched there more likely than pulled. A push from outside would roll it in ' +
              'further: support the inner side only. If it gives way, have its ligaments looked at.',
            triggers: ['story.complaints', at('findings.rcspDeg')],
          }
        : null,
  }),
  ofFoot({
    ...watch,
    code: 'arch-two-ways',
    source: 'measuring practice: height and print of one arch',
    strength: 'usual',
    when: ({ child, foot, measure, side, at }) => {
      const print = child ? null : footprintOf(foot, side)
      const byHeight = measure.arch.class
      if (!print || byHeight === undefined) return null
      const isOpposite =
        (byHeight === 'low' && print.archClass === 'high') ||
        (byHeight === 'high' && print.archClass === 'low')
      return isOpposite
        ? {
            words:
              `The ${side} arch is ${byHeight} by its height (${measure.arch.ahiStanding!.toFixed(2)}) and ` +
              `${print.archClass} by its print (${print.archIndex.toFixed(2)}). Take both again before building on either.`,
            change: { measure: 'dorsumHeightMm' },
            triggers: [at('readings.dorsumHeightMm'), at('footprint')],
          }
        : null
    },
  }),
  ofFoot({
    ...watch,
    code: 'angle-again',
    source: 'measuring practice',
    strength: 'usual',
    // Each for itself: one that was set aside hides no other.
    when: ({ exam, side, at }) =>
      ANGLE_KEYS.flatMap((key) => {
        const angle = exam.angles[key]
        if (!angle?.repeat) return []
        return [
          {
            about: key,
            words: triesWords(`${side} ${ANGLES.of(key).name.toLowerCase()}`, angle),
            change: { measure: key },
            triggers: [at(findingPath(key))],
          },
        ]
      }),
  }),
  ofFoot({
    ...watch,
    code: 'post-by-feel',
    source: 'between fitters 3 to 5°',
    strength: 'weak',
    when: ({ device, side, at, norms }) => {
      const limit = norms.alignmentChangeDeg
      const small = device?.posts.find(
        (p) => p.angleDeg !== 0 && Math.abs(p.angleDeg) < limit && p.because === 'rearfoot-post',
      )
      return small
        ? {
            words:
              `A ${side} post of ${n(small.angleDeg)}° is smaller than two fitters differ ` +
              `(${n(limit)}°): it is set by feel, let the client judge it.`,
            triggers: [at('device.posts')],
          }
        : null
    },
  }),
  ofFoot({
    ...watch,
    code: 'scan-apart',
    source: 'measuring practice',
    strength: 'usual',
    when: ({ foot, side, at, norms }) => {
      const worst = keptAgainstHand(foot, norms)
        .filter((r) => r.apart && !r.otherLoad)
        .sort((a, b) => Math.abs(b.gapMm!) / b.limitMm - Math.abs(a.gapMm!) / a.limitMm)[0]
      return worst
        ? {
            words:
              `The ${side} ${READINGS.of(worst.what).name.toLowerCase()} is ${n(worst.gapMm!)} mm ` +
              `${worst.gapMm! > 0 ? 'more' : 'less'} on the scan than by hand: look at the landmark, ` +
              'then take it again.',
            change: { measure: worst.what },
            triggers: [at('readings')],
          }
        : null
    },
  }),
  ofFoot({
    school: 'all',
    kind: 'suggest',
    children: true,
    code: 'capture-again',
    source: 'capture practice: a bad shape is taken again, not corrected',
    strength: 'strong',
    when: ({ foot, device, side, at }) => {
      const codes = foot.capture?.overruled?.codes ?? []
      return codes.length > 0 && !device
        ? {
            words: `The ${side} shape failed ${codes.length === 1 ? 'a check' : `${codes.length} checks`} and nothing is built on it yet: capture the foot again.`,
            change: { capture: 'redo' },
            triggers: [at('capture')],
          }
        : null
    },
  }),
  ofFoot({
    ...watch,
    code: 'capture-overruled',
    source: 'capture practice',
    strength: 'strong',
    when: ({ foot, side, at }) => {
      const overruled = foot.capture?.overruled
      if (!overruled || !usesCaptured(foot)) return null
      const { codes, why } = overruled
      const checks = codes.length === 1 ? 'a check' : `${codes.length} checks`
      return {
        words: `The ${side} shape was taken though ${checks} said redo (${why}). A device on it carries the fault.`,
        triggers: [at('capture')],
      }
    },
  }),
]
