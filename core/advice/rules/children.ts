import { complaintsOf } from '../../record/health'
import { standsFlat } from '../../examine/standsFlat'
import { ageInYears } from '../../measure/ageAtVisit'
import type { FittingRecord } from '../../record/schema'
import { SIDES } from '../../tables/vocabulary'
import { n, ofFoot, ofRecord, type FootContext, type FootRule, type RecordRule } from '../rule'

const suggest = { school: 'all', kind: 'suggest', children: true } as const
const CHILD = 'handbook of children: soft measures first, no correction of a usual foot'

/** Does the foot rise on tiptoe with its heel turning in, or its arch with the big toe? */
const risesOnTiptoe = ({ f }: FootContext) =>
  f.heelRaise?.inverts === true || f.windlass === 'rises'

/** What fits a growing foot: shoe, stretching, a soft cushion; and what is usual at its age. */
export const CHILDREN: readonly (FootRule | RecordRule)[] = [
  ofFoot({
    school: 'all',
    kind: 'watch',
    children: true,
    code: 'flat-usual',
    source: CHILD,
    strength: 'usual',
    when: (c, limit) => {
      const { child, record, side, at, exam } = c
      if (!child || !standsFlat(record, side) || !risesOnTiptoe(c) || exam.stiff.length > 0)
        return null
      if (complaintsOf(record).some((told) => told.foot === side)) return null
      const years = ageInYears(record.client!.bornOn!, record.visit!.on!)
      return limit.under('years', years)
        ? {
            words: `The ${side} foot stands flat, does not hurt and rises on tiptoe: usual at this age. Nothing is made for it; look again in a year.`,
            triggers: [
              at('findings.rcspDeg'),
              at('findings.posture'),
              at('findings.heelRaise'),
              'client.bornOn',
            ],
          }
        : null
    },
  }),
  ofRecord({
    ...suggest,
    code: 'child-heel',
    source: CHILD,
    strength: 'strong',
    when: ({ child, record }, limit) => {
      const sides = heelsThatHurt(record)
      return child && sides.length > 0
        ? {
            words:
              `A growing heel that hurts (${sides.join(' and ')}): a soft lift of ${n(limit.of('liftMm'))} mm ` +
              'under both heels while it hurts, less jumping, and stretching the calf. If the child ' +
              'limps or has pain at night, somebody entitled to it looks first.',
            change: { heelLiftMm: limit.of('liftMm') },
            triggers: ['story.complaints', 'client.bornOn'],
          }
        : null
    },
  }),
  ofRecord({
    ...suggest,
    code: 'child-cushion',
    source: CHILD,
    strength: 'usual',
    when: ({ child, record }) =>
      child && heelsThatHurt(record).length > 0
        ? {
            words:
              'A growing heel that hurts: a soft heel cushion under both heels takes the shock, in any shoe.',
            change: { layer: 'heelCushion', amounts: {} },
            triggers: ['story.complaints', 'client.bornOn'],
          }
        : null,
  }),
  ofRecord({
    ...suggest,
    code: 'child-shoe',
    source: CHILD,
    strength: 'usual',
    lesser: true,
    when: ({ child, record }) =>
      child && complaintsOf(record).length > 0
        ? {
            words:
              'A growing foot that hurts: how old are the shoes, and are they still long and wide enough? ' +
              'Softer and roomier footwear with growth room first.',
            change: { footwear: 'soft' },
            triggers: ['story.complaints', 'story.wears', 'client.bornOn'],
          }
        : null,
  }),
]

/** Feet whose heel hurts where it grows. */
const heelsThatHurt = (record: FittingRecord) =>
  SIDES.filter((side) =>
    complaintsOf(record).some(
      (c) => c.foot === side && !c.numb && ['heelPlantar', 'heelBack', 'achilles'].includes(c.at),
    ),
  )
