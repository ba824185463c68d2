import { z } from 'zod'
import { table } from './table'
import { DEVICE_KINDS } from './vocabulary'

/** Share of the growth from sitting to standing that a support wins back. */
export const supportShare = table({
  name: 'Standing growth won back by a support',
  unit: '',
  source: 'house assumption, corrected from shell checks',
  state: 'own assumption',
  keptBy: 'fitting',
  schema: z.record(z.enum(DEVICE_KINDS), z.number().min(0).max(1)),
  house: { none: 0, 'trim-to-fit': 0.3, 'heat-moulded': 0.5, 'full-custom': 0.7 },
})

export const growthCapMm = table({
  name: 'Largest growth that counts',
  unit: 'mm',
  source: 'house assumption',
  state: 'own assumption',
  keptBy: 'fitting',
  schema: z.number().min(0).max(30),
  house: 8,
})
