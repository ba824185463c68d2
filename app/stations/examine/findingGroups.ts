import type { AngleKey } from '../../../core/kinds/findings/all'

/** Groups of the examination in the order in which hands go over a foot. */
export const GROUPS = [
  { id: 'alignment', name: 'Alignment' },
  { id: 'range', name: 'Range' },
  { id: 'stance', name: 'Stance' },
  { id: 'skin', name: 'Feeling and skin' },
  { id: 'marks', name: 'Marks' },
] as const
export type GroupId = (typeof GROUPS)[number]['id']

export const ANGLES_OF: Record<'alignment' | 'range', readonly AngleKey[]> = {
  alignment: [
    'inversionDeg',
    'eversionDeg',
    'neutralPalpatedDeg',
    'forefootDeg',
    'ncspDeg',
    'rcspDeg',
    'tibialVarumDeg',
  ],
  range: ['ankleKneeStraightDeg', 'ankleKneeBentDeg', 'firstToeUnloadedDeg', 'firstToeLoadedDeg'],
}

/** The six items of the foot posture index, each −2 to +2 (Redmond 2006). */
export const POSTURE_ITEMS = [
  'Talar head',
  'Curves below the malleoli',
  'Heel from behind',
  'Talonavicular bulge',
  'Inner arch',
  'Forefoot in or out',
] as const

/** Findings that are one word out of a few. */
export const CHOICES = {
  kneeOver: {
    name: 'Knee over',
    how: 'single-leg flex in the stance of the sport',
    options: [
      ['inside', 'inside the toe'],
      ['first', 'great toe'],
      ['second', 'second'],
      ['third', 'third'],
      ['outside', 'outside'],
    ],
  },
  axis: {
    name: 'Subtalar axis',
    how: 'by palpation, in plan',
    options: [
      ['medial', 'medial'],
      ['central', 'central'],
      ['lateral', 'lateral'],
    ],
  },
  windlass: {
    name: 'Great toe raised',
    how: 'standing: what does the arch do?',
    options: [
      ['rises', 'rises'],
      ['late', 'late'],
      ['none', 'not at all'],
    ],
  },
  fifthRay: {
    name: 'Fifth ray',
    how: 'against the others',
    options: [
      ['level', 'level'],
      ['sunk', 'sunk'],
      ['elevated', 'elevated'],
    ],
  },
  fatPad: {
    name: 'Heel pad',
    how: 'thumb under the heel',
    options: [
      ['usual', 'usual'],
      ['thin', 'thin'],
    ],
  },
  deformity: {
    name: 'Deformity',
    how: 'toes, prominences, shape',
    options: [
      ['none', 'none'],
      ['present', 'present'],
    ],
  },
  pulses: {
    name: 'Pulses',
    how: 'on the instep and behind the inner ankle',
    options: [
      ['both', 'both'],
      ['one', 'one'],
      ['weak', 'weak'],
      ['absent', 'absent'],
    ],
  },
  skin: {
    name: 'Warmth',
    how: 'back of the hand, both feet',
    options: [
      ['usual', 'usual'],
      ['cold', 'cold'],
      ['hot', 'hot'],
    ],
  },
} as const
export type ChoiceKey = keyof typeof CHOICES
