import { complaintsOf } from '../../record/health'
import { LAYERS } from '../../kinds/layers/all'
import { NO_COVER } from '../../tables/materials'
import { tenderMark } from '../soreSpots'
import { n, ofFoot, type FootRule, type RecordRule } from '../rule'

const VIEW_WORDS = {
  plantar: 'sole',
  dorsal: 'top',
  medial: 'inner side',
  lateral: 'outer side',
} as const

const suggest = { school: 'comfort', kind: 'suggest' } as const

/** The least change that the client feels as better; posture left alone. */
export const COMFORT: readonly (FootRule | RecordRule)[] = [
  ofFoot({
    ...suggest,
    code: 'lesser-first',
    source: 'comfort: the lesser measure first',
    strength: 'usual',
    lesser: true,
    when: ({ hurts, device, side }, limit) => {
      const pain = hurts(
        'heelPlantar',
        'archPlantar',
        'firstMetHead',
        'secondMetHead',
        'thirdMetHead',
        'fourthMetHead',
        'fifthMetHead',
        'medialAnkle',
        'navicular',
        'knee',
        'back',
      )
      return pain && !device && limit.atMost('pain', pain.score ?? limit.of('unscored'))
        ? {
            words: `Would a stock insert be enough for the ${side} foot? Try the lesser measure first and note why not.`,
            change: { device: 'trim-to-fit' },
            triggers: ['story.complaints'],
          }
        : null
    },
  }),
  ofFoot({
    ...suggest,
    code: 'wider-shoe',
    source: 'comfort: footwear before a device',
    strength: 'strong',
    lesser: true,
    when: ({ hurts, numb, measure, side, at }) => {
      const wide = measure.classes?.forefootWidth
      return wide &&
        (wide.class === 'wide' || wide.class === 'extraWide') &&
        (hurts(
          'firstMetHead',
          'fifthMetHead',
          'thirdMetHead',
          'secondMetHead',
          'fourthMetHead',
          'lesserToes',
        ) ||
          numb('lesserToes', 'greatToe'))
        ? {
            words:
              `The ${side} forefoot is ${n(wide.deltaMm)} mm wider than usual for its length and it ` +
              'hurts there: wider footwear first.',
            change: { footwear: 'wider' },
            triggers: [at('readings.forefootWidthMm'), 'story.complaints'],
          }
        : null
    },
  }),
  ofFoot({
    ...suggest,
    code: 'instep-room',
    source: 'comfort: footwear before a device',
    strength: 'usual',
    lesser: true,
    when: ({ hurts, numb, side }) =>
      hurts('instep') || numb('instep')
        ? {
            words: `The ${side} instep is pressed from above: a concave tongue and more instep room, a lower arch; not tighter buckles.`,
            change: { footwear: 'instepRoom' },
            triggers: ['story.complaints'],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'toe-room',
    source: 'comfort: footwear before a device',
    strength: 'usual',
    lesser: true,
    when: ({ hurts, measure, side, at }, limit) =>
      measure.leads?.secondToeMm !== undefined &&
      limit.atLeast('leadMm', measure.leads.secondToeMm) &&
      hurts('lesserToes', 'greatToe')
        ? {
            words:
              `The ${side} second toe reaches ${n(measure.leads.secondToeMm)} mm past the first and ` +
              'toes hurt: half a size longer; stand on the pulled-out insole and look at the toe.',
            change: { footwear: 'longer' },
            triggers: [at('readings.secondToeLeadMm'), 'story.complaints'],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'soft-upper',
    source: 'comfort: footwear before a device',
    strength: 'usual',
    lesser: true,
    children: true,
    when: ({ hurts, f, side, at }) => {
      const bump = (f.marks ?? []).find(
        (m) => m.view !== 'plantar' && (m.tenderness ?? 0) > 0 && m.kind !== 'wound',
      )
      const pain = hurts('heelBack', 'instep')
      if (!bump && !pain) return null
      const where = bump
        ? `a ${tenderMark(bump)} on its ${VIEW_WORDS[bump.view]}`
        : pain!.at === 'heelBack'
          ? 'pain at the back of the heel'
          : 'pain over the instep'
      return {
        words: `The ${side} foot has ${where}: softer footwear there first, or room worked into it.`,
        change: { footwear: 'soft' },
        triggers: [bump ? at('findings.marks') : 'story.complaints'],
      }
    },
  }),
  ofFoot({
    ...suggest,
    code: 'no-device',
    source: 'comfort: posture alone is no reason',
    strength: 'usual',
    lesser: true,
    when: ({ record, exam, device, side, risk, at }, limit) =>
      !device &&
      !risk.atRisk &&
      complaintsOf(record).length === 0 &&
      exam.relaxed &&
      limit.atMost('evertedDeg', exam.relaxed.meanDeg)
        ? {
            words:
              `The ${side} heel stands everted ${n(exam.relaxed.meanDeg)}° and nothing hurts: leaving it as ` +
              'it is, and looking again, is a choice. Posture alone is no reason for a device.',
            change: { device: 'none' },
            triggers: [at('findings.rcspDeg'), 'story.complaints'],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'soft-cover',
    source: 'comfort: what the client feels most',
    strength: 'weak',
    when: ({ hurts, device, side, record, at }, limit) =>
      device &&
      device.kind !== 'none' &&
      record.story?.hours !== undefined &&
      limit.atLeast('hours', record.story.hours) &&
      limit.under('coverMm', device.shell.cover.thicknessMm) &&
      device.shell.cover.material !== NO_COVER &&
      hurts('heelPlantar', 'secondMetHead', 'thirdMetHead', 'fourthMetHead', 'firstMetHead')
        ? {
            words:
              `${n(record.story.hours)} hours on the feet: ` +
              `a cover of ${n(limit.of('coverMm'))} mm instead of ${n(device.shell.cover.thicknessMm)} ` +
              `mm is felt most by the ${side} sole, if the footwear has room.`,
            change: { shell: { coverMm: limit.of('coverMm') } },
            triggers: ['story.hours', at('device.shell.cover')],
          }
        : null,
  }),
  ofFoot({
    school: 'comfort',
    kind: 'watch',
    code: 'tilt-without-pain',
    source: 'comfort: posture alone is no reason',
    strength: 'usual',
    when: ({ record, device, side, at }, limit) =>
      device &&
      (device.posts.some((p) => limit.atLeast('postDeg', Math.abs(p.angleDeg))) ||
        device.layers.some((l) => l.on && LAYERS.of(l.kind).phase === 'skive')) &&
      !complaintsOf(record).some((c) => c.foot === side)
        ? {
            words: `The ${side} device tilts a foot that does not hurt. Posture alone is no reason; is there another?`,
            triggers: [at('device'), 'story.complaints'],
          }
        : null,
  }),
  ofFoot({
    school: 'comfort',
    kind: 'watch',
    code: 'big-step',
    source: 'comfort: one change at a time',
    strength: 'usual',
    when: ({ device, side, at }, limit) => {
      const strong =
        device?.posts.filter((p) => limit.atLeast('postDeg', Math.abs(p.angleDeg))).length ?? 0
      const skives =
        device?.layers.filter((l) => l.on && LAYERS.of(l.kind).phase === 'skive').length ?? 0
      return limit.atLeast('ways', strong + skives)
        ? {
            words: `The ${side} device pushes in ${strong + skives} ways at once. One change at a time shows what helps.`,
            triggers: [at('device')],
          }
        : null
    },
  }),
]
