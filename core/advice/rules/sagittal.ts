import { bootDemand, liftForDeg } from '../../examine/verdicts'
import { n, ofFoot, ofRecord, type FootRule, type RecordRule } from '../rule'

const suggest = { school: 'sagittal', kind: 'suggest' } as const

/** Free what stops the body from rolling over the foot, before any tilt. */
export const SAGITTAL: readonly (FootRule | RecordRule)[] = [
  ofFoot({
    ...suggest,
    code: 'first-ray-freedom',
    source: 'sagittal: free the first ray before any tilt',
    strength: 'strong',
    when: ({ exam, f, device, side, at }, limit) =>
      exam.firstToe === 'functionalLimit'
        ? {
            words:
              `The ${side} big toe moves freely in the air and stops under load at ` +
              `${n(exam.angles.firstToeLoadedDeg!.meanDeg)}°. ` +
              `A first-ray accommodation of ${n(limit.of('depthMm'))} mm lets the ray ` +
              `drop${device?.posts.some((p) => p.angleDeg !== 0) ? '; with the post a cut-out would do too' : ''}.`,
            change: { layer: 'firstRayAccommodation', amounts: { depthMm: limit.of('depthMm') } },
            triggers: [
              at('findings.firstToeLoadedDeg'),
              at('findings.firstToeUnloadedDeg'),
              ...(f.firstRay ? [at('findings.firstRay')] : []),
            ],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'windlass-first',
    source: 'sagittal: the windlass first',
    strength: 'strong',
    when: ({ f, exam, hurts, side, at }, limit) =>
      (f.windlass === 'late' || f.windlass === 'none') &&
      exam.firstToe !== 'functionalLimit' &&
      hurts('archPlantar', 'heelPlantar', 'medialAnkle', 'navicular', 'greatToe', 'firstMetHead')
        ? {
            words:
              `Raising the ${side} big toe ` +
              `${f.windlass === 'late' ? 'lifts the arch late' : 'does not lift the arch'}. ` +
              `Free the first ray before any tilt: a soft wedge of ${n(limit.of('depthMm'))} mm under ` +
              'it.',
            change: { layer: 'firstRayWedge', amounts: { depthMm: limit.of('depthMm') } },
            triggers: [at('findings.windlass'), 'story.complaints'],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'calf-stretch',
    source: 'sagittal: stretch before a device',
    strength: 'usual',
    lesser: true,
    when: ({ exam, hurts, side, at }) =>
      exam.ankle === 'calfLimited' &&
      hurts('heelPlantar', 'achilles', 'archPlantar', 'secondMetHead', 'thirdMetHead', 'shin')
        ? {
            words: `The ${side} calf limits the ankle. Stretching the calf for six weeks may do without anything under the foot.`,
            change: { exercise: 'calf stretch, knee straight' },
            triggers: [at('findings.ankleKneeStraightDeg'), at('findings.ankleKneeBentDeg')],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'ankle-lift',
    source: 'sagittal: give a short ankle what it lacks',
    strength: 'usual',
    when: ({ exam, mean, side, at, norms }, limit) => {
      if (exam.ankle !== 'jointLimited') return null
      const [arch, length] = [mean('archLengthMm'), mean('footLengthMm')]
      const lacking = norms.ankleDeg.least - exam.angles.ankleKneeBentDeg!.meanDeg
      const short = Math.min(limit.of('mostDeg'), lacking)
      const lift =
        arch !== undefined && length !== undefined
          ? Math.min(
              limit.of('mostMm'),
              Math.max(limit.of('leastMm'), Math.round(liftForDeg(short, arch, length))),
            )
          : limit.of('usualMm')
      return {
        words: `The ${side} ankle itself is short by ${n(lacking)}°. A heel lift of ${lift} mm gives back about ${n(short)}° of it.`,
        change: { heelLiftMm: lift },
        triggers: [at('findings.ankleKneeBentDeg')],
      }
    },
  }),
  ofFoot({
    ...suggest,
    code: 'boot-demand',
    source: 'sagittal: what the boot asks against what the ankle has',
    strength: 'strong',
    when: ({ exam, record, side, mean, at, norms }) => {
      const chosen = record.footwear?.chosen
      if (chosen?.forwardLeanDeg === undefined || !exam.angles.ankleKneeBentDeg) return null
      const { demandDeg, leftDeg } = bootDemand(
        chosen.forwardLeanDeg,
        chosen.rampDeg ?? 0,
        exam.angles.ankleKneeBentDeg.meanDeg,
        norms.ankleDeg,
      )
      if (leftDeg >= 0) return null
      const [arch, length] = [mean('archLengthMm'), mean('footLengthMm')]
      const lift =
        arch !== undefined && length !== undefined
          ? Math.round(liftForDeg(-leftDeg, arch, length))
          : null
      const has = `${n(exam.angles.ankleKneeBentDeg.meanDeg)}° with ${n(norms.ankleDeg.reserve)}° kept back`
      const by = lift === null ? '' : ` by about ${lift} mm`
      return {
        words:
          `The boot asks the ${side} ankle for ${n(demandDeg)}°, it has ${has}: ` +
          `${n(leftDeg)}° are missing. Stand the cuff up, or lift the heel${by}.`,
        change: { footwear: 'cuff' },
        triggers: ['footwear.chosen.forwardLeanDeg', at('findings.ankleKneeBentDeg')],
      }
    },
  }),
  ofFoot({
    ...suggest,
    code: 'rocker',
    source: 'sagittal: roll for a joint that does not bend',
    strength: 'usual',
    lesser: true,
    when: ({ exam, boot, side, at }) =>
      exam.firstToe?.startsWith('rigid') && !boot
        ? {
            words: `The ${side} big toe does not bend: a rocker-soled shoe rolls for it, before anything custom.`,
            change: { footwear: 'rocker' },
            triggers: [at('findings.firstToeUnloadedDeg')],
          }
        : null,
  }),
  ofRecord({
    school: 'sagittal',
    kind: 'suggest',
    code: 'leg-lift',
    source: 'sagittal: half of the difference, in steps',
    strength: 'usual',
    when: ({ record, risk }, limit) => {
      const leg = record.legLengthDifferenceMm
      if (!leg || leg.known === 'new' || leg.goneWhenLevelled) return null
      if (limit.under('leastMm', leg.value)) return null
      if (
        limit.over('mostMm', leg.value) &&
        !risk.refers.some((r) => r.code === 'leg-length' && r.cleared)
      )
        return null
      const step = limit.of('stepMm')
      const lift = Math.min(step, Math.round(leg.value * limit.of('share')))
      return {
        words:
          `The ${leg.shorter} leg is ${n(leg.value)} mm shorter. ` +
          `Start with ${lift} mm under that heel, go up in steps of ${n(step)} mm at most towards ` +
          `half; more than ${n(limit.of('mostMm'))} mm belongs on the whole sole.`,
        change: { heelLiftMm: lift },
        foot: leg.shorter,
        triggers: ['legLengthDifferenceMm'],
      }
    },
  }),
]
