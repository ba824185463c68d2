import { z } from 'zod'
import { table } from './table'
import { CHECK_CODES, type CheckCode } from './vocabulary'

export { CHECK_CODES, type CheckCode }

/** One check: its limit, and what to say when it is kept or broken on either side. */
export interface CheckRule {
  code: CheckCode
  name: string
  unit: 'deg' | 'mm' | '%'
  /** house limit; a shop's table of norms has its own */
  limit: number
  /** what a good value looks like; the limit follows */
  goodWhen: string
  good: string
  above: string
  below?: string
  source: string
}

/**
 * The quality table of a captured shape. Limits are workshop practice and can be changed in the
 * table of norms; toes and dents: own assumption, 2 mm is no longer small.
 */
export const CHECK_TABLE: readonly CheckRule[] = [
  {
    code: 'heelUpright',
    name: 'Heel upright',
    unit: 'deg',
    limit: 2,
    goodWhen: 'to neutral, within',
    good: 'The heel stands to the leg as examined.',
    above: 'The heel was held inverted. Take it again with the heel in neutral.',
    below: 'The heel was held everted. Take it again with the heel in neutral.',
    source: 'workshop practice',
  },
  {
    code: 'midfootLocked',
    name: 'Midfoot locked',
    unit: 'mm',
    limit: 2,
    goodWhen: 'border sag up to',
    good: 'The outer border runs straight.',
    above:
      'The outer border is curved: the midfoot was supinated. Redo, load the 4th and 5th heads until they stop.',
    source: 'workshop practice',
  },
  {
    code: 'forefootAngle',
    name: 'Forefoot to rearfoot',
    unit: 'deg',
    limit: 2,
    goodWhen: 'to the examined, within',
    good: 'The forefoot stands to the heel as examined.',
    above:
      'The forefoot was captured too far inverted. Look at the first ray and at your thumb, then redo.',
    below:
      'The forefoot was captured too far everted. Load the 4th and 5th heads evenly, then redo.',
    source: 'workshop practice',
  },
  {
    code: 'firstRay',
    name: 'First ray free',
    unit: 'mm',
    limit: 2,
    goodWhen: 'to the examined, within',
    good: 'The first ray lies as examined.',
    above: 'The first ray was held up. Let it hang free and redo.',
    below: 'The first ray was held down. Let it hang free and redo.',
    source: 'workshop practice',
  },
  {
    code: 'toes',
    name: 'Toes not clawed',
    unit: 'mm',
    limit: 2,
    goodWhen: 'knuckles up to',
    good: 'The toes lie flat.',
    above: 'The toes were clawed: the arch is tightened. Let them rest and redo.',
    source: 'own assumption',
  },
  {
    code: 'fingerDents',
    name: 'Finger dents',
    unit: 'mm',
    limit: 2,
    goodWhen: 'pits up to',
    good: 'No finger dents under the 4th and 5th heads.',
    above: 'Fingers left a pit under the 4th or 5th head. Fill it, or redo with flat fingers.',
    source: 'own assumption',
  },
  {
    code: 'levelHeelBall',
    name: 'Heel and ball level',
    unit: 'mm',
    limit: 4,
    goodWhen: 'within',
    good: 'Heel and ball lie on one level.',
    above:
      'The ball lies higher than the heel: the foot was pointed up. Redo with the ankle at 90°.',
    below:
      'The ball lies deeper than the heel: pressed in, or the foot hung. Redo with heel and ball evenly loaded.',
    source: 'workshop practice',
  },
  {
    code: 'archHeight',
    name: 'Arch against measures',
    unit: 'mm',
    limit: 3,
    goodWhen: 'within',
    good: 'The arch is as high as the readings say.',
    above:
      'The arch is higher than the readings say: supinated while held, or read the navicular again.',
    below:
      'The arch is lower than the readings say: it was loaded or hung flat. Redo, or read the navicular again.',
    source: 'workshop practice; expected apex is a house estimate',
  },
  {
    code: 'coverage',
    name: 'Coverage',
    unit: '%',
    limit: 95,
    goodWhen: 'of the sole, at least',
    good: 'The whole sole was seen.',
    above: 'Part of the sole was not seen. Scan again and go over it slowly.',
    source: 'workshop practice',
  },
]

/** Limits of the checks of a captured shape, in each check's unit (coverage: least share seen). */
export const captureLimit = table({
  name: 'Capture: limits of the quality checks',
  unit: '°, mm, %',
  source: 'workshop practice; toes and dents own',
  state: 'own assumption',
  keptBy: 'fitting',
  schema: z.record(z.enum(CHECK_CODES), z.number().min(0).max(100)),
  house: Object.fromEntries(CHECK_TABLE.map((c) => [c.code, c.limit])) as Record<CheckCode, number>,
  labels: Object.fromEntries(CHECK_TABLE.map((c) => [c.code, c.name])),
})

export const gapFilledMm2 = table({
  name: 'Capture: largest gap that is filled',
  unit: 'mm²',
  source: 'house default, a hole 20 mm across',
  state: 'own assumption',
  keptBy: 'fitting',
  schema: z.number().min(0).max(2000),
  house: 315,
})

export const standingRiseShare = table({
  name: 'Arch captured standing: share of the drop raised again',
  unit: '',
  source: 'workshop default',
  state: 'own assumption',
  keptBy: 'fitting',
  schema: z.number().min(0).max(1),
  house: 0.5,
})
