import { z } from 'zod'
import { table } from './table'

const least = (most: number) => z.number().min(0).max(most)

/** What a difference between two visits has to be before it is called a change. */
export const changeCounts = table({
  name: 'Change between two visits that counts',
  unit: '',
  source:
    'house defaults; readings and angles have those of the fitters where double readings are held',
  state: 'own assumption',
  keptBy: 'fitting',
  schema: z.strictObject({
    postureSum: least(12),
    navicularDropMm: least(15),
    archIndex: least(0.3),
    archHeightIndex: least(0.3),
    legLengthMm: least(30),
    heelRaise: least(50),
    sensationFelt: least(10),
  }),
  labels: {
    postureSum: 'posture, sum of six, points',
    navicularDropMm: 'fall of the navicular, mm',
    archIndex: 'arch index of a print',
    archHeightIndex: 'arch height over arch length',
    legLengthMm: 'difference of the legs, mm',
    heelRaise: 'heel raises, count',
    sensationFelt: 'points felt, of ten',
  },
  house: {
    postureSum: 2,
    navicularDropMm: 3,
    archIndex: 0.03,
    archHeightIndex: 0.02,
    legLengthMm: 3,
    heelRaise: 3,
    sensationFelt: 1,
  },
})
