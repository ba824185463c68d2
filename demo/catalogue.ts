import type { FootwearModel } from '../core/footwear/catalogueSchema'
import { modelSchema } from '../core/footwear/catalogueSchema'
import type { Family } from '../core/record/vocabulary'

interface Sketch {
  id: string
  maker: string
  name: string
  family: Family
  sizes: number[]
  /** inside of the bare shell at 265, mm */
  at: [length: number, toeHeight: number, ball: number, waist: number, instepHeight: number, instep: number, heel: number, heelInstep: number]
  liner?: [toe: number, ball: number, instep: number, ankle: number, heel: number]
  packOut?: number
  insole: number
  grindable?: number
  stretch: number
  flex?: number
  shellStep?: 'half' | 'whole'
  price: number
}

const BOOT = [255, 260, 265, 270, 275, 280]
const SMALL = [235, 245, 255, 265, 275, 285]
const JUNIOR = [190, 195, 200, 205, 210, 215]

/** Twelve invented models of four families by five invented makers, in six sizes each. */
const SKETCHES: Sketch[] = [
  { id: 'tarn-col-100', maker: 'Tarnwright', name: 'Col 100', family: 'rigid-shell', sizes: BOOT, at: [277, 44, 112, 290, 75, 300, 77, 383], liner: [4, 5, 6, 8, 6], insole: 3.5, grindable: 3, stretch: 6, flex: 110, shellStep: 'whole', price: 640 },
  { id: 'tarn-col-96', maker: 'Tarnwright', name: 'Col 96', family: 'rigid-shell', sizes: BOOT, at: [275, 42, 107, 277, 71.5, 286, 75, 371], liner: [4, 4, 5, 7, 6], insole: 3, grindable: 2, stretch: 5, flex: 120, shellStep: 'whole', price: 690 },
  { id: 'fern-saddle-103', maker: 'Fernhalt', name: 'Saddle 103', family: 'rigid-shell', sizes: BOOT, at: [279, 46, 116, 302, 79, 314, 79, 396], liner: [5, 5, 6, 9, 7], insole: 4, grindable: 3, stretch: 7, flex: 95, price: 560 },
  { id: 'fern-traverse-99', maker: 'Fernhalt', name: 'Traverse 99', family: 'rigid-shell', sizes: BOOT, at: [280, 43, 110, 283, 73, 291, 76, 375], liner: [4, 5, 5, 8, 6], insole: 3, grindable: 3, stretch: 6, flex: 105, price: 610 },
  { id: 'skar-edge-1', maker: 'Skarnholm', name: 'Edge One', family: 'skate', sizes: BOOT, at: [273, 38, 105, 275, 70, 283, 72, 363], liner: [2, 2, 3, 4, 3], packOut: 0.1, insole: 2.5, stretch: 4, price: 420 },
  { id: 'skar-edge-wide', maker: 'Skarnholm', name: 'Edge Wide', family: 'skate', sizes: BOOT, at: [274, 40, 111, 285, 73, 294, 73.5, 372], liner: [2, 2, 3, 4, 3], packOut: 0.1, insole: 2.5, stretch: 4, price: 430 },
  { id: 'skar-spin-junior', maker: 'Skarnholm', name: 'Spin Junior', family: 'skate', sizes: JUNIOR, at: [278, 40, 110, 278, 73, 290, 73, 365], liner: [2, 2, 3, 4, 3], packOut: 0.1, insole: 2.5, stretch: 4, price: 210 },
  { id: 'brack-firebreak-8', maker: 'Brackenline', name: 'Firebreak 8', family: 'work-boot', sizes: SMALL, at: [279, 38, 107, 266, 72, 272, 71, 350], liner: [1, 1, 1, 1, 1.5], insole: 4, stretch: 5, price: 340 },
  { id: 'brack-firebreak-w', maker: 'Brackenline', name: 'Firebreak W', family: 'work-boot', sizes: SMALL, at: [280, 41, 113, 278, 75, 284, 73, 360], liner: [1, 1, 1, 1, 1.5], insole: 4, stretch: 5, price: 345 },
  { id: 'brack-sawyer-10', maker: 'Brackenline', name: 'Sawyer 10', family: 'work-boot', sizes: SMALL, at: [277, 37, 104, 258, 70, 264, 69.5, 344], liner: [1, 1, 1, 1, 1.5], insole: 3.5, stretch: 4, price: 360 },
  { id: 'mere-ward-soft', maker: 'Meresole', name: 'Ward Soft', family: 'shoe', sizes: SMALL, at: [279, 36, 107, 262, 69, 268, 69, 344], liner: [1, 1, 1, 1, 1], insole: 4.5, stretch: 5, price: 120 },
  { id: 'mere-ward-rocker', maker: 'Meresole', name: 'Ward Rocker', family: 'shoe', sizes: SMALL, at: [278, 38, 111, 268, 71, 275, 70, 350], liner: [1, 1, 1, 1, 1], insole: 5, stretch: 5, price: 140 },
]

/** The demo catalogue, parsed, in the order of the list. */
export function demoModels(): FootwearModel[] {
  return SKETCHES.map(({ at, liner = [0, 0, 0, 0, 0], sizes, ...s }) =>
    modelSchema.parse({
      id: s.id,
      maker: s.maker,
      name: s.name,
      family: s.family,
      referenceMm: 265,
      sizesMm: sizes,
      shellStep: s.shellStep ?? 'half',
      at: { lengthMm: at[0], toeBoxHeightMm: at[1], ballWidthMm: at[2], waistGirthMm: at[3], instepHeightMm: at[4], instepGirthMm: at[5], heelWidthMm: at[6], heelInstepGirthMm: at[7] },
      liner: { thicknessMm: { toe: liner[0], ball: liner[1], instep: liner[2], ankle: liner[3], heel: liner[4] }, packOut: s.packOut ?? 0.2, mouldable: s.family === 'rigid-shell' || s.family === 'skate' },
      bootBoard: { rampDeg: 4, thicknessMm: 8, grindableMm: s.grindable ?? 0 },
      insoleMm: s.insole,
      ...(s.flex && { flex: { index: s.flex } }),
      plastic: { stretchMm: s.stretch, limitC: s.family === 'rigid-shell' ? 120 : 90, wallMm: 4.5, minWallMm: 2.5 },
      stock: Object.fromEntries(sizes.map((size, i) => [String(size), (i * 7 + s.id.length) % 3])),
      price: s.price,
    }),
  )
}
