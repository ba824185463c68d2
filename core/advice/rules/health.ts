import { ageInYears } from '../../measure/ageAtVisit'
import { CONDITIONS, type Condition } from '../../kinds/conditions/all'
import type { ConditionDefinition } from '../../kinds/conditions/definition'
import { n, ofFoot, ofRecord, type FootRule, type RecordContext, type RecordRule } from '../rule'
import type { Risk } from '../../examine/risk'

const all = { school: 'all', caution: true, children: true } as const
const stop = { ...all, kind: 'stop', strength: 'strong' } as const
const watch = { ...all, kind: 'watch', strength: 'strong' } as const
const suggest = { school: 'all', kind: 'suggest', caution: true } as const
const HEALTH = 'health cautions; local law and licensed practice come first'
/** What a condition that was told asks of every station and paper; its words stand with its kind. */
const ofCondition = ({ kind, caution }: ConditionDefinition<Condition>): RecordRule[] =>
  caution
    ? [
        ofRecord({
          ...watch,
          code: caution.code,
          source: HEALTH,
          when: ({ has }) =>
            has(kind) ? { words: caution.words, triggers: ['story.conditions'] } : null,
        }),
      ]
    : []
const making = ({ record }: RecordContext) =>
  Object.values(record.feet).some((f) => f?.device && f.device.kind !== 'none')
const moulded = ({ record }: RecordContext) =>
  Object.values(record.feet).some((f) => f?.device?.kind === 'heat-moulded')
const GRADE_WORDS = [
  '',
  'grade 1: feeling lost or flow reduced',
  'grade 2: both, or one with a deformity',
  'grade 3: feeling or flow, with a past ulcer, an amputation or kidney failure',
]
const gradeWords = ({ grade, lossOfSensation, reducedFlow }: Risk) => {
  if (grade) return ` (${GRADE_WORDS[grade]})`
  // What was not looked at could only raise it.
  return lossOfSensation || reducedFlow
    ? ' (at least grade 1: not everything was looked at)'
    : ', not graded: screen feeling and pulses'
}

/** Cautions that follow the client through every station and paper. */
export const CAUTIONS: readonly (RecordRule | FootRule)[] = [
  ofRecord({
    ...stop,
    code: 'refer-first',
    source: HEALTH,
    when: ({ risk }) => {
      const open = risk.refers.filter((r) => !r.cleared)
      return open.length
        ? {
            words: `Refer first: ${open.map((r) => r.words).join('; ')}. Nothing is made before a clearance is recorded in Story.`,
            triggers: open.flatMap((r) => r.paths),
            change: { refer: true },
          }
        : null
    },
  }),
  ofRecord({
    ...watch,
    code: 'cleared',
    source: HEALTH,
    when: ({ risk, record }) => {
      const done = risk.refers.filter((r) => r.cleared)
      return done.length
        ? {
            words: `Cleared by ${record
              .story!.clearances!.map((c) => c.by)
              .filter((v, i, a) => a.indexOf(v) === i)
              .join(', ')}: ${done.map((r) => r.words).join('; ')}. Keep to what was cleared.`,
            triggers: ['story.clearances'],
          }
        : null
    },
  }),
  ofRecord({
    ...stop,
    code: 'risk-foot',
    source: 'in the manner of the international diabetic-foot guidance',
    when: ({ risk }) =>
      risk.atRisk
        ? {
            words:
              `A foot at risk${gradeWords(risk)}. No skive or hard edge on skin that does not feel, ` +
              'no heat on the foot, short wear-in, early recheck. Licensed practice only.',
            triggers: [
              'story.conditions',
              'feet.left.findings.sensationFelt',
              'feet.right.findings.sensationFelt',
              'feet.left.findings.pulses',
              'feet.right.findings.pulses',
            ],
            change: { refer: true },
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'total-contact',
    strength: 'strong',
    source: 'in the manner of the international diabetic-foot guidance',
    when: ({ risk, device, side, at }, limit) =>
      risk.atRisk && device?.kind !== 'none'
        ? {
            words: `The ${side} foot is at risk: total contact, soft, no hard edges, and an early recheck. Licensed practice only.`,
            triggers: ['story.conditions', at('findings.sensationFelt'), at('findings.pulses')],
            change: { shell: { coverMaterial: 'eva-35', coverMm: limit.of('coverMm') } },
          }
        : null,
  }),
  ofRecord({
    ...stop,
    code: 'no-heat-on-foot',
    source: HEALTH,
    when: (c) =>
      c.risk.atRisk && moulded(c)
        ? {
            words:
              'Heat moulding on a foot at risk: not on the foot. Mould over a cast, or choose another kind.',
            triggers: ['feet.left.device.kind', 'feet.right.device.kind'],
          }
        : null,
  }),
  ofRecord({
    ...watch,
    code: 'screen-missing',
    source: 'in the manner of the international diabetic-foot guidance',
    when: ({ has, risk }) =>
      has('diabetes') && risk.grade === null
        ? {
            words:
              'Diabetes: ten points of feeling, pulses and shape decide the grade. Until they are taken it counts as a foot at risk.',
            triggers: ['story.conditions'],
            change: { measure: 'sensationFelt' },
          }
        : null,
  }),
  ...CONDITIONS.all.flatMap(ofCondition),
  ofFoot({
    ...watch,
    code: 'weak-pulse',
    source: HEALTH,
    when: ({ f, has, hurts, side, at }) =>
      (f.pulses === 'one' || f.pulses === 'weak') &&
      (has('diabetes') || has('smoking') || f.skin === 'cold' || hurts('shin'))
        ? {
            words: `The ${side} pulse is ${f.pulses === 'one' ? 'felt at one place only' : 'weak'}: refer before tight or rigid footwear.`,
            triggers: [at('findings.pulses')],
            change: { refer: true },
          }
        : null,
  }),
  ofRecord({
    ...watch,
    code: 'numb',
    source: HEALTH,
    when: ({ record }) =>
      (record.story?.complaints ?? []).some((c) => c.numb)
        ? {
            words:
              'Numbness: only in footwear? Ten points felt? Back within half an hour out of the boot? ' +
              'Both feet like a stocking, lasting, or with weakness: stop and refer.',
            triggers: ['story.complaints'],
          }
        : null,
  }),
  ofRecord({
    ...watch,
    code: 'guardian',
    source: 'consent of a guardian; local law rules',
    when: ({ child, record }) =>
      child && !record.client?.guardian
        ? { words: 'A child: name the guardian who agrees.', triggers: ['client.guardian'] }
        : null,
  }),
  ofRecord({
    ...watch,
    code: 'growing',
    source: HEALTH,
    when: ({ child, record }) =>
      child && making({ record } as RecordContext)
        ? {
            words:
              `${ageInYears(record.client!.bornOn!, record.visit!.on!)} years old: growth room counts, ` +
              'no adult presets; look again every season.',
            triggers: ['client.bornOn'],
          }
        : null,
  }),
  ofFoot({
    ...watch,
    code: 'flat-child',
    source: HEALTH,
    when: ({ child, device, record, side, at }) =>
      child &&
      device &&
      device.posts.some((p) => p.angleDeg > 0) &&
      !(record.story?.complaints ?? []).some((c) => c.foot === side)
        ? {
            words: `A growing ${side} foot without complaint is not corrected. A flat foot that hurts is referred.`,
            triggers: [at('device.posts')],
            change: { refer: true },
          }
        : null,
  }),
  ofRecord({
    ...watch,
    code: 'leg-length-watch',
    source: 'error of tape and blocks, workshop practice',
    when: ({ record }, limit) => {
      const leg = record.legLengthDifferenceMm
      if (!leg || leg.value === 0 || limit.over('mostMm', leg.value)) return null
      if (limit.under('errorMm', leg.value))
        return {
          words: `A leg length difference of ${n(leg.value)} mm is within the error of the method: watch, lift nothing.`,
          triggers: ['legLengthDifferenceMm'],
        }
      return leg.method === 'blocks' && leg.shownTwice
        ? null
        : {
            words:
              `A leg length difference of ${n(leg.value)} mm: show it twice by blocks before lifting; ` +
              `a tape errs by ${n(limit.of('errorMm'))} mm and more.`,
            triggers: ['legLengthDifferenceMm'],
          }
    },
  }),
  ofRecord({
    ...watch,
    code: 'binding-check',
    source: 'release settings are a certified technician’s',
    when: ({ record, recheck }) =>
      record.footwear?.chosen && recheck === 'binding'
        ? {
            words:
              'A changed shell or sole length, a lift or cant under the sole, ' +
              'another weight or ability: a certified technician re-checks the release setting. ' +
              'This tool never computes it.',
            triggers: ['footwear.chosen'],
          }
        : null,
  }),
  ofRecord({
    ...watch,
    code: 'blade-remount',
    source: 'workshop practice',
    when: ({ record, recheck }) => {
      const chosen = record.footwear?.chosen
      const canted =
        (chosen?.soleCantDeg?.left ?? 0) !== 0 || (chosen?.soleCantDeg?.right ?? 0) !== 0
      return canted && recheck === 'blade'
        ? {
            words:
              'Skates: a cant under the blade means remounting it; check the alignment on the ice.',
            triggers: ['footwear.chosen.soleCantDeg'],
          }
        : null
    },
  }),
  ofRecord({
    ...watch,
    code: 'heat-at-bench',
    source: 'burn thresholds of ISO 13732-1, workshop practice',
    when: (c) =>
      !c.risk.atRisk && moulded(c)
        ? {
            words:
              'Heat on the bench: keep to the material’s window, skin below its limit, gloves, ' +
              'adhesives ventilated, extraction at the grinder, children away.',
            triggers: ['feet.left.device.kind', 'feet.right.device.kind'],
          }
        : null,
  }),
]
