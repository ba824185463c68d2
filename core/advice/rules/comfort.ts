import { n, ofFoot, type FootRule, type RecordRule } from '../rule'

const suggest = { school: 'comfort', kind: 'suggest' } as const

/** The least change that the client feels as better; posture left alone. */
export const COMFORT: readonly (FootRule | RecordRule)[] = [
  ofFoot({
    ...suggest,
    code: 'lesser-first',
    strength: 'usual',
    lesser: true,
    when: ({ hurts, device, side }) => {
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
      return pain && (pain.score ?? 5) <= 6 && !device
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
            words: `The ${side} forefoot is ${n(wide.deltaMm)} mm wider than usual for its length and it hurts there: wider footwear first.`,
            change: { footwear: 'wider' },
            triggers: [at('readings.forefootWidthMm'), 'story.complaints'],
          }
        : null
    },
  }),
  ofFoot({
    ...suggest,
    code: 'instep-room',
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
    strength: 'usual',
    lesser: true,
    when: ({ hurts, measure, side, at }) =>
      (measure.leads?.secondToeMm ?? 0) >= 3 && hurts('lesserToes', 'greatToe')
        ? {
            words: `The ${side} second toe reaches ${n(measure.leads!.secondToeMm!)} mm past the first and toes hurt: half a size longer; stand on the pulled-out insole and look at the toe.`,
            change: { footwear: 'longer' },
            triggers: [at('readings.secondToeLeadMm'), 'story.complaints'],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'soft-cover',
    strength: 'weak',
    when: ({ hurts, device, side, record, at }) =>
      device &&
      device.kind !== 'none' &&
      (record.story?.hours ?? 0) >= 8 &&
      device.shell.cover.thicknessMm < 3 &&
      device.shell.cover.material !== 'none' &&
      hurts('heelPlantar', 'secondMetHead', 'thirdMetHead', 'fourthMetHead', 'firstMetHead')
        ? {
            words: `${n(record.story!.hours!)} hours on the feet: a cover of 3 mm instead of ${n(device.shell.cover.thicknessMm)} mm is felt most by the ${side} sole, if the footwear has room.`,
            change: { shell: { coverMm: 3 } },
            triggers: ['story.hours', at('device.shell.cover')],
          }
        : null,
  }),
  ofFoot({
    school: 'comfort',
    kind: 'watch',
    code: 'tilt-without-pain',
    strength: 'usual',
    when: ({ record, device, side, at }) =>
      device &&
      (device.posts.some((p) => Math.abs(p.angleDeg) >= 3) ||
        device.layers.some((l) => l.on && /Skive|Shave/.test(l.kind))) &&
      !(record.story?.complaints ?? []).some((c) => c.foot === side)
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
    strength: 'usual',
    when: ({ device, side, at }) => {
      const strong = device?.posts.filter((p) => Math.abs(p.angleDeg) >= 3).length ?? 0
      const skives =
        device?.layers.filter(
          (l) =>
            l.on &&
            (l.kind === 'medialSkive' || l.kind === 'lateralSkive' || l.kind === 'threePlaneShave'),
        ).length ?? 0
      return strong + skives >= 3
        ? {
            words: `The ${side} device pushes in ${strong + skives} ways at once. One change at a time shows what helps.`,
            triggers: [at('device')],
          }
        : null
    },
  }),
]
