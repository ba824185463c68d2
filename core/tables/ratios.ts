import { z } from 'zod'
import { table } from './table'

const share = z.number().min(0).max(1)

/** Expected forefoot width for each mm of foot length. */
export const widthPerLength = table({
  name: 'Expected forefoot width for each mm of length',
  unit: '',
  source: 'workshop default',
  state: 'own assumption',
  keptBy: 'fitting',
  schema: share,
  house: 0.377,
})

/** What an unmeasured foot is taken to have where a sole is drawn or a blank chosen. */
export const assumedShape = table({
  name: 'Assumed where a foot was not measured: heel width for each mm of length, navicular height at an arch height index of 0.36, and mm for each unit of it',
  unit: '',
  source: 'house table',
  state: 'own assumption',
  keptBy: 'fitting',
  schema: z.strictObject({
    heelPerLength: share,
    navicularMm: z.number().min(10).max(90),
    navicularPerIndexMm: z.number().min(0).max(600),
  }),
  house: { heelPerLength: 0.245, navicularMm: 44, navicularPerIndexMm: 220 },
})

/** Arch length as a share of foot length. */
export const archShare = table({
  name: 'Arch length as a share of foot length',
  unit: '',
  source: 'workshop default',
  state: 'own assumption',
  keptBy: 'fitting',
  schema: share,
  house: 0.73,
})
