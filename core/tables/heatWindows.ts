import { z } from 'zod'
import { table } from './table'

/** Working window of a material, °C (workshop values; the maker's sheet rules; editable). */
const heatWindowSchema = z
  .strictObject({
    id: z.string().regex(/^[a-z][a-z0-9-]{0,30}$/),
    name: z.string().min(1).max(80),
    lowC: z.number().min(20).max(400),
    highC: z.number().min(20).max(400),
    caution: z.string().max(200).optional(),
  })
  .refine((w) => w.lowC < w.highC, 'a window must open below where it closes')
export type HeatWindow = z.output<typeof heatWindowSchema>

export const heatWindows = table({
  name: 'Working windows of materials',
  unit: '°C',
  source: 'workshop values; the maker’s sheet rules',
  state: 'own assumption',
  keptBy: 'shop',
  schema: z.array(heatWindowSchema).min(1).max(40),
  house: [
    { id: 'eva', name: 'EVA blank', lowC: 110, highC: 130 },
    { id: 'polypropylene', name: 'polypropylene sheet', lowC: 160, highC: 190 },
    { id: 'thermoplastic-blank', name: 'thermoplastic blank on the tray', lowC: 90, highC: 120 },
    { id: 'liner', name: 'liner', lowC: 80, highC: 110 },
    {
      id: 'boot-shell',
      name: 'boot shell for stretching, surface',
      lowC: 80,
      highC: 120,
      caution: 'never above the limit of this plastic',
    },
    {
      id: 'resistive-mould',
      name: 'internal mould with its own heating',
      lowC: 80,
      highC: 110,
      caution: 'isolated low-voltage supply, never unattended, never on a body',
    },
  ],
})
