import type { SourceState } from '../measure/norms'

export interface ShellMaterial {
  id: string
  name: string
  densityGPerCm3: number
  youngMPa: number
  usualMm: readonly [number, number]
  rigid: boolean
  mouldC: readonly [number, number] | null
  state: SourceState
}

/** Shell materials (workshop table, editable; the maker's sheet rules). */
export const SHELL_MATERIALS: readonly ShellMaterial[] = [
  { id: 'polypropylene', name: 'Polypropylene', densityGPerCm3: 0.91, youngMPa: 1300, usualMm: [3, 5], rigid: true, mouldC: [160, 190], state: 'own assumption' },
  { id: 'pa12', name: 'Printed nylon PA12', densityGPerCm3: 1.01, youngMPa: 1700, usualMm: [2.4, 3.5], rigid: true, mouldC: null, state: 'own assumption' },
  { id: 'carbon', name: 'Carbon laminate', densityGPerCm3: 1.55, youngMPa: 40000, usualMm: [1.5, 2.2], rigid: true, mouldC: null, state: 'own assumption' },
  { id: 'eva-60', name: 'High-density EVA', densityGPerCm3: 0.22, youngMPa: 3.6, usualMm: [5, 10], rigid: false, mouldC: [110, 130], state: 'own assumption' },
  { id: 'cork', name: 'Cork blend', densityGPerCm3: 0.28, youngMPa: 12, usualMm: [4, 8], rigid: false, mouldC: [90, 120], state: 'own assumption' },
]

/** Cover materials; thickness is chosen per device. */
export const COVER_MATERIALS = [
  { id: 'eva-35', name: 'EVA foam, soft' },
  { id: 'microfibre', name: 'Microfibre on foam' },
  { id: 'leather', name: 'Leather' },
  { id: 'none', name: 'No cover' },
] as const

/** A shell material by id; undefined when the table does not hold it. */
export const shellMaterial = (id: string): ShellMaterial | undefined => SHELL_MATERIALS.find((m) => m.id === id)
export const materialName = (id: string): string => shellMaterial(id)?.name ?? COVER_MATERIALS.find((m) => m.id === id)?.name ?? id
