import { keptAgainstHand } from '../../capture/againstHand'
import { usesCaptured } from '../../device/footField'
import { READING_LABELS } from '../../measure/labels'
import { ANGLE_LABELS } from '../../examine/angleLabels'
import { ANGLE_KEYS, USUAL_FOREFOOT_DEG } from '../../examine/examination'
import { isRange } from '../../examine/examineFoot'
import { normsOf } from '../../measure/normsTable'
import { n, ofFoot, type FootRule } from '../rule'

const watch = { school: 'all', kind: 'watch', children: true } as const

/** Findings that are not firm enough to build on. */
export const TRUST: readonly FootRule[] = [
  ofFoot({
    ...watch,
    code: 'forefoot-again',
    strength: 'strong',
    when: ({ exam, side, at }) =>
      exam.forefoot &&
      exam.forefoot.trials < 2 &&
      (exam.forefoot.meanDeg > USUAL_FOREFOOT_DEG[1] ||
        exam.forefoot.meanDeg < USUAL_FOREFOOT_DEG[0])
        ? {
            words: `The ${side} forefoot angle of ${n(exam.forefoot.meanDeg)}°${exam.forefootMm === null ? '' : ` (${n(exam.forefootMm)} mm)`} was read once. Read it again before building on it.`,
            change: { measure: 'forefootDeg' },
            triggers: [at('findings.forefootDeg')],
          }
        : null,
  }),
  ofFoot({
    ...watch,
    code: 'angle-again',
    strength: 'usual',
    when: ({ exam, side, at }) => {
      const key = ANGLE_KEYS.find((k) => exam.angles[k]?.repeat)
      return key
        ? {
            words: `The ${side} ${ANGLE_LABELS[key].name.toLowerCase()} spreads ${n(exam.angles[key]!.spreadDeg)}°: take it again.`,
            change: { measure: key },
            triggers: [
              at(`findings.${isRange(key) && key.includes('versionDeg') ? 'subtalar' : key}`),
            ],
          }
        : null
    },
  }),
  ofFoot({
    ...watch,
    code: 'post-by-feel',
    strength: 'weak',
    when: ({ device, record, side, at }) => {
      const limit = normsOf(record).alignmentChangeDeg
      const small = device?.posts.find(
        (p) => p.angleDeg !== 0 && Math.abs(p.angleDeg) < limit && p.because === 'rearfoot-post',
      )
      return small
        ? {
            words: `A ${side} post of ${n(small.angleDeg)}° is smaller than two fitters differ (${n(limit)}°): it is set by feel, let the client judge it.`,
            triggers: [at('device.posts')],
          }
        : null
    },
  }),
  ofFoot({
    ...watch,
    code: 'scan-apart',
    strength: 'usual',
    when: ({ foot, record, side, at }) => {
      const worst = keptAgainstHand(foot, normsOf(record))
        .filter((r) => r.apart && !r.otherLoad)
        .sort((a, b) => Math.abs(b.gapMm!) / b.limitMm - Math.abs(a.gapMm!) / a.limitMm)[0]
      return worst
        ? {
            words: `The ${side} ${READING_LABELS[worst.what].name.toLowerCase()} is ${n(worst.gapMm!)} mm ${worst.gapMm! > 0 ? 'more' : 'less'} on the scan than by hand: look at the landmark, then take it again.`,
            change: { measure: worst.what },
            triggers: [at('readings')],
          }
        : null
    },
  }),
  ofFoot({
    ...watch,
    code: 'capture-overruled',
    strength: 'strong',
    when: ({ foot, side, at }) =>
      foot.capture?.overruled && usesCaptured(foot)
        ? {
            words: `The ${side} shape was taken though ${foot.capture.overruled.codes.length === 1 ? 'a check' : `${foot.capture.overruled.codes.length} checks`} said redo (${foot.capture.overruled.why}). A device on it carries the fault.`,
            triggers: [at('capture')],
          }
        : null,
  }),
]
