import { n, ofFoot, type FootRule } from '../rule'

const suggest = { school: 'platform', kind: 'suggest' } as const

/** Even load on heel, first and fifth met head in rigid boots and skates: deep cup, little volume, some give. */
export const PLATFORM: readonly FootRule[] = [
  ofFoot({
    ...suggest,
    code: 'deep-cup',
    strength: 'usual',
    when: ({ boot, device, exam, hurts, side, at }) =>
      boot &&
      device &&
      device.kind !== 'none' &&
      device.outline.heelCupMm < 16 &&
      ((exam.relaxed && Math.abs(exam.relaxed.meanDeg) >= 4) ||
        hurts('heelBack', 'medialAnkle', 'lateralAnkle'))
        ? {
            words: `A boot holds the ${side} heel by its cup: ${n(device.outline.heelCupMm)} mm is shallow for it, 16 mm holds.`,
            change: { shell: { heelCupMm: 16 } },
            triggers: [at('device.outline.heelCupMm'), at('findings.rcspDeg')],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'some-give',
    strength: 'usual',
    when: ({ boot, device, mean, side, at, record }) =>
      boot &&
      device &&
      device.kind === 'full-custom' &&
      device.shell.thicknessMm > 3 &&
      (record.story?.intent === 'race' || record.story?.intent === 'performance') &&
      mean('footLengthMm') !== undefined
        ? {
            words: `In a snug boot the ${side} arch wants some give: a shell of 3 mm instead of ${n(device.shell.thicknessMm)} mm, and the arch filled so that support is even, not high.`,
            change: { shell: { thicknessMm: 3 } },
            triggers: [at('device.shell.thicknessMm'), 'story.intent'],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'even-arch',
    strength: 'usual',
    when: ({ boot, exam, hurts, f, side, at }) =>
      boot &&
      hurts('archPlantar', 'navicular') &&
      (exam.stiff.includes('midtarsal') || f.mobility?.midtarsal === 'stiff')
        ? {
            words: `A stiff ${side} midfoot that hurts in the boot: fill the arch fully (4.5 mm) so that support is even and not high.`,
            change: { layer: 'archFill', amounts: { amountMm: 4.5 } },
            triggers: [at('findings.mobility'), 'story.complaints'],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'three-points',
    strength: 'usual',
    when: ({ boot, exam, side, at }) =>
      boot &&
      exam.forefoot &&
      exam.forefoot.trials >= 2 &&
      !exam.forefoot.repeat &&
      (exam.forefoot.meanDeg > 6 || exam.forefoot.meanDeg < -2)
        ? {
            words: `With ${n(exam.forefoot.meanDeg)}° of forefoot ${exam.forefoot.meanDeg > 0 ? 'varus' : 'valgus'} the ${side} ball stands on one edge${exam.forefootMm === null ? '' : ` (${n(exam.forefootMm)} mm)`}. Bring the board up to the first and fifth head alike.`,
            change: { layer: 'intrinsicForefootPost', amounts: {} },
            triggers: [at('findings.forefootDeg')],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'knee-cuff',
    strength: 'strong',
    lesser: true,
    when: ({ boot, f, side, at }) =>
      boot && (f.kneeOver === 'inside' || f.kneeOver === 'outside')
        ? {
            words: `In the stance of the sport the ${side} knee goes ${f.kneeOver === 'inside' ? 'inside the great toe' : 'outside the third toe'}. Align the cuff to the leg first; sole cant only after that, and re-checked by a technician.`,
            change: { footwear: 'cuff' },
            triggers: [at('findings.kneeOver')],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'thin-cover',
    strength: 'weak',
    when: ({ boot, device, measure, side, at }) =>
      boot &&
      device &&
      device.kind !== 'none' &&
      device.shell.cover.material !== 'none' &&
      device.shell.cover.thicknessMm > 1.5 &&
      measure.classes?.midfootVolume === 'high'
        ? {
            words: `The ${side} foot is full at the waist: a thin hard cover (microfibre) leaves the instep its room.`,
            change: { shell: { coverMaterial: 'microfibre' } },
            triggers: [at('device.shell.cover'), at('readings.waistGirthMm')],
          }
        : null,
  }),
]
