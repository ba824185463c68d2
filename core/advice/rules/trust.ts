import { ANGLES, ANGLE_KEYS } from '../../kinds/findings/all'
import { READINGS } from '../../kinds/readings/all'
import { keptAgainstHand } from '../../capture/againstHand'
import { usesCaptured } from '../../device/footField'
import { n, ofFoot, type FootRule } from '../rule'

const watch = { school: 'all', kind: 'watch', children: true } as const

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
    code: 'angle-again',
    source: 'measuring practice',
    strength: 'usual',
    when: ({ exam, side, at }) => {
      const key = ANGLE_KEYS.find((k) => exam.angles[k]?.repeat)
      return key
        ? {
            words: `The ${side} ${ANGLES.of(key).name.toLowerCase()} spreads ${n(exam.angles[key]!.spreadDeg)}°: take it again.`,
            change: { measure: key },
            triggers: [
              at(
                `findings.${ANGLES.of(key).range && key.includes('versionDeg') ? 'subtalar' : key}`,
              ),
            ],
          }
        : null
    },
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
