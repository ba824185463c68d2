import { z } from 'zod'
import { table } from './table'

const note = {
  unit: 'points',
  source: 'house default',
  state: 'own assumption',
  keptBy: 'fitting',
} as const

export const painChange = table({
  ...note,
  name: 'Pain change that counts, 0–10',
  schema: z.number().min(0).max(10),
  house: 2,
})

export const comfortChange = table({
  ...note,
  name: 'Comfort change that counts, 0–100',
  schema: z.number().min(0).max(100),
  house: 10,
})
