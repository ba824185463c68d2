import { bindingState } from '../../footwear/bindingCheck'
import { isNumbLasting } from '../../examine/numbLasting'
import { isLapsed } from '../../examine/risk'
import { SIGNS } from '../../kinds/signs/all'
import { ageInYears } from '../../measure/ageAtVisit'
import { complaintsOf, conditionsOf, historyOf } from '../../record/health'
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
    when: ({ risk, record }) =>
      risk.atRisk
        ? {
            words:
              `A foot at risk${gradeWords(risk)}. ` +
              (record.story?.signs?.hotSwollen === undefined
                ? 'First of all: is it hot or swollen anywhere? Ask and look. '
                : '') +
              'Nothing that presses or cuts in where nothing is felt, no heat on the foot, short ' +
              'wear-in, early recheck. Licensed practice only.',
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
            words:
              `The ${side} foot is at risk: total contact, soft throughout, rounded borders, ` +
              'and an early recheck. Licensed practice only.',
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
  ofFoot({
    ...watch,
    code: 'numb',
    source: HEALTH,
    when: ({ record, f, side, at }) => {
      const told = complaintsOf(record).some((c) => c.foot === side && c.numb)
      if (!told && !f.numbness) return null
      if (isNumbLasting(record, side)) return null
      const { when, returnsWithinMin } = f.numbness ?? {}
      const open = [
        ...(when === undefined ? ['only in footwear'] : []),
        ...(returnsWithinMin === undefined ? ['back within half an hour out of it'] : []),
        ...(f.sensationFelt === undefined && when !== 'footwear-only' ? ['ten points felt'] : []),
      ]
      return open.length > 0
        ? {
            words:
              `Feeling goes in the ${side} foot: ${open.join('? ')}? ` +
              'Both feet like a stocking, lasting, or with weakness: somebody entitled to it looks first.',
            triggers: ['story.complaints', at('findings.numbness')],
            change: { measure: 'numbness' },
          }
        : null
    },
  }),
  ofFoot({
    ...watch,
    code: 'numb-lasting',
    source: HEALTH,
    when: ({ record, f, side, at }) => {
      if (!isNumbLasting(record, side)) return null
      const { returnsWithinMin } = f.numbness ?? {}
      const back = returnsWithinMin === undefined ? '' : ` (back after ${n(returnsWithinMin)} min)`
      return {
        words:
          `Feeling stays away in the ${side} foot${back}: nothing tighter and nothing between the toes. ` +
          'Take the ten points and the pulses; if it does not come back in roomy footwear, somebody entitled to it looks.',
        triggers: [at('findings.numbness'), 'story.complaints'],
      }
    },
  }),
  ofRecord({
    ...watch,
    code: 'still-so',
    asks: true,
    source: 'health belongs to the client and changes: asked anew in every fitting',
    when: ({ record }) => {
      const { healthOn } = record.story ?? {}
      const visitOn = record.visit?.on
      if (healthOn === undefined || visitOn === undefined || healthOn >= visitOn) return null
      const told = [
        ...conditionsOf(record).map((c) => CONDITIONS.of(c).name),
        ...historyOf(record).map((h) => h.what),
      ]
      return told.length > 0
        ? {
            words: `Told on ${healthOn}: ${told.join(', ')}. Still so? Confirm it in Story.`,
            triggers: ['story.conditions', 'story.history'],
          }
        : null
    },
  }),
  ofRecord({
    ...watch,
    code: 'signs-not-asked',
    asks: true,
    source: HEALTH,
    when: (c, limit) => {
      const { record, child, today } = c
      if (!making(c) && !record.jobs?.length) return null
      const { signs = {}, signsOn } = record.story ?? {}
      const isOld = isLapsed(signsOn, today, limit.of('days'))
      const asked = SIGNS.all.filter((sign) => child || !sign.childOnly)
      const left = asked.filter(
        ({ kind }) => signs[kind] === undefined || (isOld && signs[kind] === 'no'),
      )
      if (left.length === 0) return null
      const which =
        left.length === asked.length
          ? isOld
            ? `What stops making was last asked on ${signsOn}`
            : 'What stops making was not asked'
          : `${left.length} of ${asked.length} of what stops making ${left.length === 1 ? 'was' : 'were'} not asked`
      return {
        words: `${which}: ${left
          .slice(0, 3)
          .map((sign) => sign.refer)
          .join(
            '; ',
          )}${left.length > 3 ? ' and more' : ''}. Ask it in Story before anything is made.`,
        triggers: left.map(({ kind }) => `story.signs.${kind}`),
      }
    },
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
      child && (making({ record } as RecordContext) || complaintsOf(record).length > 0)
        ? {
            words:
              `${ageInYears(record.client!.bornOn!, record.visit!.on!)} years old and growing: growth room ` +
              'counts, no adult presets; measure again every season.',
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
      !complaintsOf(record).some((c) => c.foot === side)
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
    when: ({ record }) => {
      const state = bindingState(record)
      return state.kind === 'due'
        ? {
            words:
              `The release setting: ${state.why.join('; ')}. A changed shell or sole length, a lift or cant ` +
              'under the sole, another weight or ability: a certified technician sets and tests it ' +
              'before handover. This tool never computes it.',
            triggers: ['footwear.chosen'],
          }
        : null
    },
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
