import { z } from 'zod'
import { table } from './table'

/** Pressed over a positive, printed, or milled from a block. */
export const SHELL_MAKINGS = ['pressed', 'printed', 'milled'] as const
export type ShellMaking = (typeof SHELL_MAKINGS)[number]

/** What a shop knows of a shell material; the maker's sheet rules. */
const shellMaterialSchema = z.strictObject({
  id: z.string().min(1).max(40),
  name: z.string().min(1).max(60),
  densityGPerCm3: z.number().min(0.02).max(12),
  youngMPa: z.number().min(0.1).max(200_000),
  usualMm: z
    .tuple([z.number().min(0.3), z.number().max(30)])
    .readonly()
    .refine(([low, high]) => low < high, 'the lower limit must be below the upper one'),
  rigid: z.boolean(),
  mouldC: z.tuple([z.number(), z.number()]).readonly().nullable(),
  /** Poisson's ratio */
  poisson: z.number().min(0).max(0.49).default(0.38),
  /** stress a shell is not to pass in everyday bending, MPa; null where none is known */
  limitMPa: z.number().min(0.1).max(5000).nullable().default(null),
  /** how a shell of it is made, unless a device says otherwise */
  making: z.enum(SHELL_MAKINGS).default('pressed'),
  /** thinner than this it is not made or ground; null: never thinner than it was laid */
  leastMm: z.number().min(0.2).max(20).nullable().default(1.5),
  state: z.string().max(20).default('own assumption'),
})
export type ShellMaterial = z.output<typeof shellMaterialSchema>

/** Shell materials of a shop. */
export const shellMaterials = table({
  name: 'Shell materials',
  unit: '',
  source: 'workshop table; the maker’s sheet rules',
  state: 'own assumption',
  keptBy: 'fitting',
  schema: z.array(shellMaterialSchema).min(1).max(60),
  house: [
    {
      id: 'polypropylene',
      name: 'Polypropylene',
      densityGPerCm3: 0.91,
      youngMPa: 1300,
      usualMm: [3, 5],
      rigid: true,
      mouldC: [160, 190],
      poisson: 0.38,
      limitMPa: 15,
      making: 'pressed',
      leastMm: 1.5,
      state: 'own assumption',
    },
    {
      id: 'pa12',
      name: 'Printed nylon PA12',
      densityGPerCm3: 1.01,
      youngMPa: 1700,
      usualMm: [2.4, 3.5],
      rigid: true,
      mouldC: null,
      poisson: 0.39,
      limitMPa: 20,
      making: 'printed',
      leastMm: 1.2,
      state: 'own assumption',
    },
    {
      id: 'carbon',
      name: 'Carbon laminate',
      densityGPerCm3: 1.55,
      youngMPa: 40000,
      usualMm: [1.5, 2.2],
      rigid: true,
      mouldC: null,
      poisson: 0.3,
      limitMPa: 200,
      making: 'pressed',
      leastMm: null,
      state: 'own assumption',
    },
    {
      id: 'eva-60',
      name: 'High-density EVA',
      densityGPerCm3: 0.22,
      youngMPa: 3.6,
      usualMm: [5, 10],
      rigid: false,
      mouldC: [110, 130],
      poisson: 0.4,
      limitMPa: null,
      making: 'milled',
      leastMm: 2,
      state: 'own assumption',
    },
    {
      id: 'cork',
      name: 'Cork blend',
      densityGPerCm3: 0.28,
      youngMPa: 12,
      usualMm: [4, 8],
      rigid: false,
      mouldC: [90, 120],
      poisson: 0.3,
      limitMPa: null,
      making: 'milled',
      leastMm: 3,
      state: 'own assumption',
    },
  ],
})

/** A cover as the shop stocks it; its thickness is chosen with each device. */
const coverMaterialSchema = z.strictObject({
  id: z.string().min(1).max(40),
  name: z.string().min(1).max(60),
  /** share of its thickness that is lost in the end; what does not give loses none */
  packOut: z.number().min(0).max(0.9).default(0),
})

/** The cover that is none. */
export const NO_COVER = 'none'

export const coverMaterials = table({
  name: 'Cover materials',
  unit: '',
  source: 'workshop table',
  state: 'own assumption',
  keptBy: 'fitting',
  schema: z
    .array(coverMaterialSchema)
    .min(1)
    .max(60)
    .refine((list) => list.some((m) => m.id === NO_COVER), 'one of them is “none”'),
  house: [
    { id: 'eva-35', name: 'EVA foam, soft', packOut: 0.2 },
    { id: 'microfibre', name: 'Microfibre on foam', packOut: 0.15 },
    { id: 'leather', name: 'Leather', packOut: 0.05 },
    { id: NO_COVER, name: 'No cover', packOut: 0 },
  ],
})
