import { NO_COVER } from '../../tables/materials'
import { n, ofFoot, type FootRule } from '../rule'

const suggest = { school: 'platform', kind: 'suggest' } as const

/**
 * Even load on heel, first and fifth met head in rigid boots and skates: deep cup, little volume,
 * some give.
 */
export const PLATFORM: readonly FootRule[] = [
  ofFoot({
    ...suggest,
    code: 'deep-cup',
    source: 'platform: a boot holds the heel by its cup',
    strength: 'usual',
    when: ({ boot, device, exam, hurts, side, at }, limit) =>
      boot &&
      device &&
      device.kind !== 'none' &&
      limit.under('cupMm', device.outline.heelCupMm) &&
      ((exam.relaxed && limit.atLeast('tiltDeg', Math.abs(exam.relaxed.meanDeg))) ||
        hurts('heelBack', 'medialAnkle', 'lateralAnkle'))
        ? {
            words:
              `A boot holds the ${side} heel by its cup: ` +
              `${n(device.outline.heelCupMm)} mm is shallow for it, ${n(limit.of('cupMm'))} mm holds.`,
            change: { shell: { heelCupMm: limit.of('cupMm') } },
            triggers: [at('device.outline.heelCupMm'), at('findings.rcspDeg')],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'some-give',
    source: 'platform: an arch in a snug boot wants give',
    strength: 'usual',
    when: ({ boot, device, mean, side, at, record }, limit) =>
      boot &&
      device &&
      device.kind === 'full-custom' &&
      limit.over('thicknessMm', device.shell.thicknessMm) &&
      (record.story?.intent === 'race' || record.story?.intent === 'performance') &&
      mean('footLengthMm') !== undefined
        ? {
            words:
              `In a snug boot the ${side} arch wants some give: ` +
              `a shell of ${n(limit.of('thicknessMm'))} mm instead of ${n(device.shell.thicknessMm)} ` +
              'mm, and the arch filled so that support is even, not high.',
            change: { shell: { thicknessMm: limit.of('thicknessMm') } },
            triggers: [at('device.shell.thicknessMm'), 'story.intent'],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'even-arch',
    source: 'platform: even support, not high',
    strength: 'usual',
    when: ({ boot, exam, hurts, f, side, at }, limit) =>
      boot &&
      hurts('archPlantar', 'navicular') &&
      (exam.stiff.includes('midtarsal') || f.mobility?.midtarsal === 'stiff')
        ? {
            words:
              `A stiff ${side} midfoot that hurts in the boot: ` +
              `fill the arch fully (${n(limit.of('fillMm'))} mm) so that support is even and not high.`,
            change: { layer: 'archFill', amounts: { amountMm: limit.of('fillMm') } },
            triggers: [at('findings.mobility'), 'story.complaints'],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'three-points',
    source: 'platform: heel, first and fifth head alike',
    strength: 'usual',
    when: ({ boot, exam: { forefoot, forefootMm }, side, at, norms }, limit) => {
      const isFirm = boot && forefoot && limit.atLeast('tries', forefoot.trials) && !forefoot.repeat
      const [low, high] = norms.usualForefootDeg
      if (!isFirm || (forefoot.meanDeg <= high && forefoot.meanDeg >= low)) return null
      const way = forefoot.meanDeg > 0 ? 'varus' : 'valgus'
      const across = forefootMm === null ? '' : ` (${n(forefootMm)} mm)`
      return {
        words:
          `With ${n(forefoot.meanDeg)}° of forefoot ${way} the ${side} ball stands on one edge${across}. ` +
          `Bring the board up to the first and fifth head alike.`,
        change: { layer: 'intrinsicForefootPost', amounts: {} },
        triggers: [at('findings.forefootDeg')],
      }
    },
  }),
  ofFoot({
    ...suggest,
    code: 'knee-cuff',
    source: 'platform: the cuff follows the leg before anything is canted',
    strength: 'strong',
    lesser: true,
    when: ({ boot, f, side, at }) =>
      boot && (f.kneeOver === 'inside' || f.kneeOver === 'outside')
        ? {
            words:
              `In the stance of the sport the ${side} knee goes ` +
              `${f.kneeOver === 'inside' ? 'inside the great toe' : 'outside the third toe'}. ` +
              'Align the cuff to the leg first; sole cant only after that, ' +
              'and re-checked by a technician.',
            change: { footwear: 'cuff' },
            triggers: [at('findings.kneeOver')],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'thin-cover',
    source: 'platform: the instep keeps its room',
    strength: 'weak',
    when: ({ boot, device, measure, side, at }, limit) =>
      boot &&
      device &&
      device.kind !== 'none' &&
      device.shell.cover.material !== NO_COVER &&
      limit.over('thicknessMm', device.shell.cover.thicknessMm) &&
      measure.classes?.midfootVolume === 'high'
        ? {
            words: `The ${side} foot is full at the waist: a thin hard cover (microfibre) leaves the instep its room.`,
            change: { shell: { coverMaterial: 'microfibre' } },
            triggers: [at('device.shell.cover'), at('readings.waistGirthMm')],
          }
        : null,
  }),
]
