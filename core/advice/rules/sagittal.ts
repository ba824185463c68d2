import { complaintsOf } from '../../record/health'
import { examineSide } from '../../examine/examineSide'
import { liftForDeg, liftTiltDeg } from '../../examine/verdicts'
import { SIDES } from '../../tables/vocabulary'
import { demandOf } from '../bootDemandOf'
import { liftLimitMm } from '../lifts'
import { n, ofFoot, ofRecord, type FootRule, type RecordRule } from '../rule'

const suggest = { school: 'sagittal', kind: 'suggest' } as const

/** Where a tight calf pulls. */
const CALF_PULLS = [
  'heelPlantar',
  'heelBack',
  'achilles',
  'archPlantar',
  'secondMetHead',
  'thirdMetHead',
  'shin',
] as const

/** Free what stops the body from rolling over the foot, before any tilt. */
export const SAGITTAL: readonly (FootRule | RecordRule)[] = [
  ofFoot({
    ...suggest,
    code: 'first-ray-freedom',
    source: 'sagittal: free the first ray before any tilt',
    strength: 'strong',
    when: ({ exam, f, device, side, at }, limit) =>
      // A cut-out lets the ray down already: the two are never asked for together.
      exam.firstToe === 'functionalLimit' &&
      !device?.layers.some((l) => l.on && l.kind === 'firstRayCutOut')
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
      !exam.firstToe?.startsWith('rigid') &&
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
    children: true,
    when: ({ exam, boot, springs, hurts, side, at }) => {
      if (exam.ankle !== 'calfLimited') return null
      const pain = hurts(...CALF_PULLS)
      if (!pain && !boot && !springs) return null
      const [straight, bent] = [exam.angles.ankleKneeStraightDeg!, exam.angles.ankleKneeBentDeg!]
      const meanwhile = boot
        ? ' Until then the heel a little up, or the lean of the cuff checked.'
        : ''
      return {
        words:
          `The ${side} calf limits the ankle: ${n(straight.meanDeg)}° with a straight knee, ` +
          `${n(bent.meanDeg)}° with a bent one. Stretching the calf for six weeks may do without ` +
          `anything under the foot.${meanwhile}`,
        change: { exercise: 'calf stretch, knee straight' },
        triggers: [
          at('findings.ankleKneeStraightDeg'),
          at('findings.ankleKneeBentDeg'),
          ...(pain ? ['story.complaints'] : ['story.activity']),
        ],
      }
    },
  }),
  ofRecord({
    ...suggest,
    code: 'calf-lift',
    source: 'sagittal: off a tight calf while it stretches',
    strength: 'weak',
    children: true,
    when: ({ record, boot }, limit) => {
      const tight = SIDES.filter((side) => examineSide(record, side)?.ankle === 'calfLimited')
      const pain = complaintsOf(record).some(
        (c) => tight.includes(c.foot) && c.at === 'achilles' && !c.numb,
      )
      if (tight.length === 0 || (!boot && !pain)) return null
      const which = tight.length === 2 ? 'Both calves are' : `The ${tight[0]} calf is`
      return {
        words:
          `${which} tight: ${n(limit.of('liftMm'))} mm under both heels takes the pull off, in one ` +
          'alone it would lengthen a leg. Out again as the calf stretches.',
        change: { heelLiftMm: limit.of('liftMm') },
        triggers: tight.flatMap((side) => [
          `feet.${side}.findings.ankleKneeStraightDeg`,
          `feet.${side}.findings.ankleKneeBentDeg`,
        ]),
      }
    },
  }),
  ofFoot({
    ...suggest,
    code: 'ankle-lift',
    source: 'sagittal: give a short ankle what it lacks',
    strength: 'usual',
    when: ({ exam, mean, side, at, norms, record }, limit) => {
      if (exam.ankle !== 'jointLimited') return null
      const [arch, length] = [mean('archLengthMm'), mean('footLengthMm')]
      const lacking = norms.ankleDeg.least - exam.angles.ankleKneeBentDeg!.meanDeg
      const isKnown = arch !== undefined && length !== undefined
      const wanted = isKnown
        ? Math.round(liftForDeg(Math.min(limit.of('mostDeg'), lacking), arch, length))
        : limit.of('usualMm')
      const most = Math.min(limit.of('mostMm'), liftLimitMm(record))
      const lift = Math.min(most, Math.max(limit.of('leastMm'), wanted))
      const gives = isKnown
        ? `gives back ${n(liftTiltDeg(lift, arch, length))}° of it`
        : 'gives back some of it; how much is known with the arch length'
      return {
        words: `The ${side} ankle itself is short by ${n(lacking)}°. A heel lift of ${lift} mm ${gives}; under both heels, so that no leg is lengthened.`,
        change: { heelLiftMm: lift, onBoth: true },
        triggers: [at('findings.ankleKneeBentDeg'), at('findings.ankleKneeStraightDeg')],
      }
    },
  }),
  ofFoot({
    ...suggest,
    code: 'boot-demand',
    source: 'sagittal: what the boot asks against what the ankle has',
    strength: 'strong',
    when: (c) => {
      const demand = demandOf(c)
      return (
        demand && {
          words: `${demand.words} Stand the cuff up by ${n(demand.missingDeg)}°${demand.orLift}.`,
          change: { footwear: 'cuff' },
          triggers: demand.triggers,
        }
      )
    },
  }),
  ofFoot({
    ...suggest,
    code: 'boot-lift',
    source: 'sagittal: a lift lowers what the boot asks',
    strength: 'weak',
    when: (c) => {
      const demand = demandOf(c)
      if (!demand?.lift) return null
      const { mm, givesDeg } = demand.lift
      return {
        words:
          `${demand.words} A lift of ${n(mm)} mm in all under the ${c.side} heel takes ${n(givesDeg)}° ` +
          'off that, under both heels alike.',
        change: { heelLiftMm: mm, onBoth: true },
        triggers: demand.triggers,
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
      // Nothing is lifted before it was shown twice by blocks.
      if (leg.method !== 'blocks' || !leg.shownTwice) return null
      const isOver = limit.over('mostMm', leg.value)
      if (isOver && !risk.refers.some((r) => r.code === 'leg-length' && r.cleared)) return null
      const step = limit.of('stepMm')
      const half = leg.value * limit.of('share')
      const lift = Math.min(step, Math.round(half))
      const rest = isOver ? ' What a counter does not hold goes on the whole sole.' : ''
      return {
        words:
          `The ${leg.shorter} leg is ${n(leg.value)} mm shorter. Half of it, ${n(half)} mm, in steps of ` +
          `${n(step)} mm at most: start with the ${leg.shorter} heel ${n(lift)} mm over the other.${rest}`,
        change: { heelLiftMm: lift, overOther: true },
        foot: leg.shorter,
        triggers: ['legLengthDifferenceMm'],
      }
    },
  }),
]
