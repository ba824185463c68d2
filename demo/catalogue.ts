import { modelSchema, type FootwearModel, type Stations } from '../core/footwear/catalogueSchema'
import type { Family } from '../core/record/vocabulary'

interface Sketch {
  id: string
  maker: string
  name: string
  family: Family
  sizes: number[]
  ref?: number
  /** inside of the bare shell at its reference size, mm */
  at: [length: number, toeHeight: number, ball: number, waist: number, instepHeight: number, instep: number, heel: number, heelInstep: number]
  /** ankle width and cuff girth, where the family has them */
  leg?: [ankle: number, cuff?: number]
  liner?: [toe: number, ball: number, instep: number, ankle: number, heel: number]
  packOut?: number
  insole: number
  grindable?: number
  stretch: number
  flex?: number
  lean?: number
  shellStep?: 'half' | 'whole'
  norm?: string
  price: number
}

const BOOT = [255, 260, 265, 270, 275, 280]
const WIDE_RUN = [245, 250, 255, 260, 265, 270, 275, 280, 285, 290]
const SMALL = [235, 245, 255, 265, 275, 285]
const SHOES = [230, 235, 240, 245, 250, 255, 260, 265, 270, 275, 280, 285]
const JUNIOR = [190, 195, 200, 205, 210, 215]
const LINER: [number, number, number, number, number] = [4, 5, 5, 8, 6]
const THIN: [number, number, number, number, number] = [1, 1, 1, 1, 1]

/** Invented models of seven families by ten invented makers, in six sizes or more each. */
const SKETCHES: Sketch[] = [
  { id: 'tarn-col-100', maker: 'Tarnwright', name: 'Col 100', family: 'rigid-shell', sizes: BOOT, at: [277, 36, 112, 290, 75, 300, 77, 383], leg: [86, 425], liner: [4, 5, 6, 8, 6], insole: 3.5, grindable: 3, stretch: 6, flex: 110, lean: 13, shellStep: 'whole', norm: 'touring sole', price: 640 },
  { id: 'tarn-col-96', maker: 'Tarnwright', name: 'Col 96', family: 'rigid-shell', sizes: BOOT, at: [275, 34, 107, 277, 71.5, 286, 75, 371], leg: [82, 410], liner: [4, 4, 5, 7, 6], insole: 3, grindable: 2, stretch: 5, flex: 120, lean: 14, shellStep: 'whole', norm: 'touring sole', price: 690 },
  { id: 'tarn-gully-104', maker: 'Tarnwright', name: 'Gully 104', family: 'rigid-shell', sizes: WIDE_RUN, at: [279, 37, 115, 298, 77, 309, 79, 391], leg: [88, 440], liner: LINER, insole: 3.5, grindable: 3, stretch: 7, flex: 90, lean: 12, shellStep: 'whole', norm: 'touring sole', price: 520 },
  { id: 'fern-saddle-103', maker: 'Fernhalt', name: 'Saddle 103', family: 'rigid-shell', sizes: BOOT, at: [279, 38, 116, 302, 79, 314, 79, 396], leg: [88, 436], liner: [5, 5, 6, 9, 7], insole: 4, grindable: 3, stretch: 7, flex: 95, lean: 12, price: 560 },
  { id: 'fern-traverse-99', maker: 'Fernhalt', name: 'Traverse 99', family: 'rigid-shell', sizes: BOOT, at: [280, 35, 110, 283, 73, 291, 76, 375], leg: [85, 418], liner: [4, 5, 5, 8, 6], insole: 3, grindable: 3, stretch: 6, flex: 105, lean: 13, norm: 'touring sole', price: 610 },
  { id: 'fern-couloir-97', maker: 'Fernhalt', name: 'Couloir 97', family: 'rigid-shell', sizes: BOOT, at: [278, 34, 108, 279, 71, 287, 75, 371], leg: [83, 408], liner: LINER, insole: 3, grindable: 2, stretch: 5, flex: 125, lean: 14, norm: 'touring sole', price: 720 },
  { id: 'bell-serac-96', maker: 'Bellgrave', name: 'Serac 96', family: 'rigid-shell', sizes: BOOT, at: [276, 34, 106, 275, 71, 284, 74, 369], leg: [82, 402], liner: [3, 4, 5, 7, 6], insole: 3, grindable: 2, stretch: 5, flex: 130, lean: 15, shellStep: 'whole', norm: 'piste sole', price: 740 },
  { id: 'bell-cirque-100', maker: 'Bellgrave', name: 'Cirque 100', family: 'rigid-shell', sizes: WIDE_RUN, at: [279, 36, 111, 286, 74, 296, 77, 379], leg: [85, 422], liner: LINER, insole: 3.5, grindable: 3, stretch: 6, flex: 100, lean: 13, shellStep: 'whole', norm: 'piste sole', price: 480 },
  { id: 'bell-cirque-low', maker: 'Bellgrave', name: 'Cirque 98 low cuff', family: 'rigid-shell', sizes: SHOES, at: [278, 34, 109, 280, 72, 289, 74.5, 370], leg: [84, 438], liner: LINER, insole: 3.5, grindable: 3, stretch: 6, flex: 85, lean: 12, norm: 'piste sole', price: 490 },
  { id: 'lode-ridge-100', maker: 'Lodemark', name: 'Ridge 100', family: 'rigid-shell', sizes: BOOT, at: [281, 36, 112, 287, 73, 296, 77, 379], leg: [86, 424], liner: LINER, insole: 3, grindable: 2, stretch: 6, flex: 100, lean: 12, norm: 'touring sole', price: 590 },
  { id: 'lode-rope-98', maker: 'Lodemark', name: 'Rope 98', family: 'rigid-shell', sizes: BOOT, at: [279, 35, 109, 284, 73, 292, 75.5, 376], leg: [84, 414], liner: [4, 5, 5, 7, 5], insole: 3, grindable: 2, stretch: 4, flex: 95, lean: 11, norm: 'crampon sole', price: 650 },
  { id: 'skar-edge-1', maker: 'Skarnholm', name: 'Edge One', family: 'skate', sizes: BOOT, at: [273, 38, 105, 275, 70, 283, 72, 363], leg: [76], liner: [2, 2, 3, 4, 3], packOut: 0.1, insole: 2.5, stretch: 4, price: 420 },
  { id: 'skar-edge-wide', maker: 'Skarnholm', name: 'Edge Wide', family: 'skate', sizes: BOOT, at: [274, 40, 111, 285, 73, 294, 73.5, 372], leg: [78], liner: [2, 2, 3, 4, 3], packOut: 0.1, insole: 2.5, stretch: 4, price: 430 },
  { id: 'skar-spin-junior', maker: 'Skarnholm', name: 'Spin Junior', family: 'skate', sizes: JUNIOR, ref: 200, at: [209, 28, 84, 216, 58, 222, 56.5, 278], leg: [60], liner: [2, 2, 3, 4, 3], packOut: 0.1, insole: 2.5, stretch: 4, price: 210 },
  { id: 'ostre-glide-r', maker: 'Ostrevane', name: 'Glide R', family: 'skate', sizes: SHOES, at: [274, 39, 107, 278, 71, 286, 72, 365], leg: [77], liner: [2, 2, 3, 4, 3], packOut: 0.1, insole: 2.5, stretch: 4, price: 380 },
  { id: 'ostre-glide-narrow', maker: 'Ostrevane', name: 'Glide N', family: 'skate', sizes: SHOES, at: [273, 37, 101, 268, 69, 276, 69, 356], leg: [74], liner: [2, 2, 3, 4, 3], packOut: 0.1, insole: 2.5, stretch: 3, price: 395 },
  { id: 'ostre-axel-junior', maker: 'Ostrevane', name: 'Axel Junior', family: 'skate', sizes: JUNIOR, ref: 200, at: [207, 27, 82, 211, 56, 217, 55.5, 274], leg: [59], liner: [2, 2, 3, 4, 3], packOut: 0.1, insole: 2.5, stretch: 4, price: 190 },
  { id: 'lode-scree-mid', maker: 'Lodemark', name: 'Scree Mid', family: 'laced-boot', sizes: WIDE_RUN, at: [279, 38, 107, 264, 71, 270, 71, 350], leg: [76], liner: [1, 1.5, 1.5, 2, 1.5], insole: 4, stretch: 4, price: 310 },
  { id: 'lode-moraine', maker: 'Lodemark', name: 'Moraine', family: 'laced-boot', sizes: WIDE_RUN, at: [280, 39, 110, 270, 73, 276, 72.5, 355], leg: [78], liner: [1, 1.5, 1.5, 2, 1.5], insole: 4, stretch: 4, norm: 'crampon sole', price: 390 },
  { id: 'wren-fell-high', maker: 'Wrenfold', name: 'Fell High', family: 'laced-boot', sizes: SHOES, at: [278, 37, 105, 260, 70, 266, 69.5, 346], leg: [75], liner: [1, 1, 1, 2, 1.5], insole: 4, stretch: 5, price: 280 },
  { id: 'wren-fell-wide', maker: 'Wrenfold', name: 'Fell High W', family: 'laced-boot', sizes: SHOES, at: [279, 40, 112, 274, 73, 280, 72, 357], leg: [78], liner: [1, 1, 1, 2, 1.5], insole: 4, stretch: 5, price: 290 },
  { id: 'pinn-cadence', maker: 'Pinnock Hale', name: 'Cadence', family: 'riding-shoe', sizes: SHOES, at: [272, 34, 101, 252, 66, 258, 66, 336], liner: THIN, insole: 2, stretch: 2, price: 260 },
  { id: 'pinn-cadence-wide', maker: 'Pinnock Hale', name: 'Cadence W', family: 'riding-shoe', sizes: SHOES, at: [273, 35, 106, 259, 68, 265, 67, 342], liner: THIN, insole: 2, stretch: 3, price: 265 },
  { id: 'pinn-tempo', maker: 'Pinnock Hale', name: 'Tempo', family: 'riding-shoe', sizes: SHOES, at: [274, 35, 104, 257, 67, 262, 66.5, 340], liner: THIN, insole: 2, stretch: 3, price: 180 },
  { id: 'ostre-pursuit', maker: 'Ostrevane', name: 'Pursuit', family: 'riding-shoe', sizes: WIDE_RUN, at: [271, 33, 99, 249, 65, 255, 65, 333], liner: THIN, insole: 2, stretch: 2, price: 320 },
  { id: 'brack-firebreak-8', maker: 'Brackenline', name: 'Firebreak 8', family: 'work-boot', sizes: SMALL, at: [279, 38, 107, 266, 72, 272, 71, 350], leg: [78], liner: [1, 1, 1, 1, 1.5], insole: 4, stretch: 5, price: 340 },
  { id: 'brack-firebreak-w', maker: 'Brackenline', name: 'Firebreak W', family: 'work-boot', sizes: SMALL, at: [280, 41, 113, 278, 75, 284, 73, 360], leg: [80], liner: [1, 1, 1, 1, 1.5], insole: 4, stretch: 5, price: 345 },
  { id: 'brack-sawyer-10', maker: 'Brackenline', name: 'Sawyer 10', family: 'work-boot', sizes: SMALL, at: [277, 37, 104, 258, 70, 264, 69.5, 344], leg: [76], liner: [1, 1, 1, 1, 1.5], insole: 3.5, stretch: 4, price: 360 },
  { id: 'wren-hotshot', maker: 'Wrenfold', name: 'Hotshot 10', family: 'work-boot', sizes: WIDE_RUN, at: [281, 40, 111, 274, 74, 280, 72, 356], leg: [80], liner: [1, 1, 1, 1, 1.5], insole: 4, stretch: 5, price: 375 },
  { id: 'brack-yard-cap', maker: 'Brackenline', name: 'Yard Cap', family: 'work-boot', sizes: WIDE_RUN, at: [282, 44, 110, 272, 74, 278, 73, 358], leg: [80], liner: [1, 1, 1, 1, 1.5], insole: 4.5, stretch: 3, price: 190 },
  { id: 'mere-ward-soft', maker: 'Meresole', name: 'Ward Soft', family: 'shoe', sizes: SMALL, at: [279, 36, 107, 262, 69, 268, 69, 344], liner: THIN, insole: 4.5, stretch: 5, price: 120 },
  { id: 'mere-ward-rocker', maker: 'Meresole', name: 'Ward Rocker', family: 'shoe', sizes: SMALL, at: [278, 38, 111, 268, 71, 275, 70, 350], liner: THIN, insole: 5, stretch: 5, price: 140 },
  { id: 'mere-ward-deep', maker: 'Meresole', name: 'Ward Deep', family: 'shoe', sizes: SHOES, at: [280, 42, 113, 276, 76, 284, 71, 358], liner: THIN, insole: 7, stretch: 6, price: 165 },
  { id: 'wren-lane', maker: 'Wrenfold', name: 'Lane', family: 'shoe', sizes: SHOES, at: [278, 35, 105, 258, 68, 264, 67.5, 340], liner: THIN, insole: 4, stretch: 4, price: 110 },
  { id: 'wren-towpath', maker: 'Wrenfold', name: 'Towpath', family: 'shoe', sizes: SHOES, at: [280, 38, 108, 263, 70, 269, 68.5, 345], liner: THIN, insole: 5, stretch: 4, price: 135 },
  { id: 'ostre-stride', maker: 'Ostrevane', name: 'Stride', family: 'shoe', sizes: SHOES, at: [281, 37, 106, 261, 69, 267, 68, 343], liner: THIN, insole: 5, stretch: 2, price: 150 },
  { id: 'mere-step-junior', maker: 'Meresole', name: 'Step Junior', family: 'shoe', sizes: JUNIOR, ref: 200, at: [211, 27, 84, 206, 57, 211, 54.5, 269], liner: THIN, insole: 4, stretch: 4, price: 70 },
  { id: 'pinn-assembly', maker: 'Pinnock Hale', name: 'Assembly', family: 'dress-shoe', sizes: SHOES, at: [277, 32, 101, 250, 65, 256, 65.5, 334], liner: THIN, insole: 2.5, stretch: 4, price: 210 },
  { id: 'pinn-recital', maker: 'Pinnock Hale', name: 'Recital', family: 'dress-shoe', sizes: SHOES, at: [276, 30, 98, 246, 63, 251, 64, 330], liner: THIN, insole: 2, stretch: 4, price: 190 },
  { id: 'mere-usher', maker: 'Meresole', name: 'Usher', family: 'dress-shoe', sizes: SHOES, at: [278, 34, 105, 257, 67, 263, 67, 340], liner: THIN, insole: 3, stretch: 4, price: 145 },
]

const HARD = (family: Family) => family === 'rigid-shell' || family === 'skate'

/** The stations that a sketch does not name, in proportion to those it does. */
function stationsOf({ id, at, leg, family, liner = LINER }: Sketch): Stations {
  const [lengthMm, toeBoxHeightMm, ballWidthMm, waistGirthMm, instepHeightMm, instepGirthMm, heelWidthMm, heelInstepGirthMm] = at
  return {
    lengthMm, toeBoxHeightMm, ballWidthMm, waistGirthMm, instepHeightMm, instepGirthMm, heelWidthMm, heelInstepGirthMm,
    toeBoxWidthMm: Math.round(ballWidthMm * 0.9),
    ballHeightMm: Math.round((toeBoxHeightMm + instepHeightMm) / 2),
    heelDepthMm: Math.round(heelWidthMm * 0.72),
    ...(leg && { ankleWidthMm: leg[0], ankleHeightMm: HARD(family) ? 92 : 86 }),
    ...(leg?.[1] && { cuffGirthMm: leg[1], cuffHeightMm: 250 }),
    fifthToeRoomMm: liner[0] + 2, fifthMetRoomMm: liner[1] + 3, navicularRoomMm: liner[2] + 2 + (id.length % 4),
  }
}

/** The demo catalogue, parsed, in the order of the list. */
export function demoModels(): FootwearModel[] {
  return SKETCHES.map((s) => {
    const liner = s.liner ?? (s.family === 'rigid-shell' ? LINER : ([0, 0, 0, 0, 0] as const))
    return modelSchema.parse({
      id: s.id, maker: s.maker, name: s.name, family: s.family, referenceMm: s.ref ?? 265, sizesMm: s.sizes, shellStep: s.shellStep ?? 'half',
      at: stationsOf(s),
      liner: { thicknessMm: { toe: liner[0], ball: liner[1], instep: liner[2], ankle: liner[3], heel: liner[4] }, packOut: s.packOut ?? 0.2, mouldable: HARD(s.family) },
      bootBoard: { rampDeg: HARD(s.family) ? 4 : 0, thicknessMm: 8, grindableMm: s.grindable ?? 0 },
      insoleMm: s.insole,
      ...(s.flex && { flex: { index: s.flex } }),
      ...(s.lean && { cuffLeanDeg: s.lean }),
      ...(s.norm && { soleNorm: s.norm }),
      plastic: { ...(s.family === 'rigid-shell' && { name: 'polyether shell' }), stretchMm: s.stretch, limitC: s.family === 'rigid-shell' ? 120 : 90, wallMm: 4.5, minWallMm: 2.5 },
      stock: Object.fromEntries(s.sizes.map((size, i) => [String(size), (i * 7 + s.id.length) % 3])),
      price: s.price,
    })
  })
}
