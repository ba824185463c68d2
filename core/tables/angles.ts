import { z } from 'zod'
import { table } from './table'

const note = {
  unit: '°',
  source: 'workshop practice',
  state: 'own assumption',
  keptBy: 'fitting',
} as const

export const alignmentRepeatDeg = table({
  ...note,
  name: 'Take an alignment angle again above',
  schema: z.number().min(0).max(20),
  house: 2,
})

export const rangeRepeatDeg = table({
  ...note,
  name: 'Take a range again above',
  schema: z.number().min(0).max(30),
  house: 5,
})

export const alignmentChangeDeg = table({
  ...note,
  name: 'Alignment change that counts between fitters',
  source: 'between fitters 3 to 5°',
  schema: z.number().min(0).max(20),
  house: 4,
})

/** Forefoot to rearfoot angles that are usual: everted below, inverted above. */
export const usualForefootDeg = table({
  ...note,
  name: 'Forefoot to rearfoot: valgus below, varus above',
  schema: z.tuple([z.number().min(-20).max(20), z.number().min(-20).max(20)]),
  house: [-2, 6],
})

/** Big toe: what counts as free in the air, as short, and as held under load. */
export const firstToeDeg = table({
  ...note,
  name: 'Big toe: usual from, short to, held under load to',
  schema: z.strictObject({
    usualFrom: z.number().min(0).max(120),
    shortTo: z.number().min(0).max(120),
    heldTo: z.number().min(0).max(120),
  }),
  house: { usualFrom: 65, shortTo: 60, heldTo: 12 },
})

/** Ankle: the least range, what bending the knee must win back for the calf to be the reason, reserve. */
export const ankleDeg = table({
  ...note,
  name: 'Ankle: least range, gain by bending the knee, kept in reserve in a boot',
  schema: z.strictObject({
    least: z.number().min(-20).max(45),
    gain: z.number().min(0).max(30),
    reserve: z.number().min(0).max(20),
  }),
  house: { least: 10, gain: 5, reserve: 3 },
})

/** About so many degrees of cast inversion give one at the heel. */
export const castPerHeelDeg = table({
  ...note,
  name: 'Cast inversion for each degree at the heel',
  unit: '°/°',
  source: 'Blake 1986',
  state: 'from memory',
  schema: z.number().min(1).max(10),
  house: 5,
})
