import type { ComplaintPlace } from '../tables/vocabulary'

/**
 * Where complaints lie on a drawn foot, as shares: x of half the forefoot width (medial +), y of
 * foot length; and what they are called.
 */
export const PLACES: Record<
  ComplaintPlace,
  { name: string; plain: string; spot: [x: number, y: number] | null }
> = {
  heelPlantar: { name: 'Heel, plantar', plain: 'under the heel', spot: [0, 0.12] },
  heelBack: { name: 'Heel, back', plain: 'back of the heel', spot: [0, 0.02] },
  archPlantar: { name: 'Arch', plain: 'arch', spot: [0.3, 0.42] },
  firstMetHead: { name: '1st met head', plain: 'ball, big-toe side', spot: [0.56, 0.725] },
  secondMetHead: { name: '2nd met head', plain: 'ball, second toe', spot: [0.2, 0.735] },
  thirdMetHead: { name: '3rd met head', plain: 'ball, middle', spot: [-0.13, 0.715] },
  fourthMetHead: { name: '4th met head', plain: 'ball, fourth toe', spot: [-0.45, 0.685] },
  fifthMetHead: { name: '5th met head', plain: 'ball, little-toe side', spot: [-0.78, 0.645] },
  greatToe: { name: 'Great toe', plain: 'big toe', spot: [0.5, 0.905] },
  lesserToes: { name: 'Lesser toes', plain: 'small toes', spot: [-0.3, 0.87] },
  navicular: { name: 'Navicular', plain: 'inner midfoot', spot: [0.62, 0.45] },
  fifthMetBase: { name: '5th met base', plain: 'outer midfoot', spot: [-0.7, 0.42] },
  medialAnkle: { name: 'Medial ankle', plain: 'inner ankle', spot: [0.66, 0.22] },
  lateralAnkle: { name: 'Lateral ankle', plain: 'outer ankle', spot: [-0.7, 0.2] },
  instep: { name: 'Instep', plain: 'instep', spot: [0, 0.54] },
  achilles: { name: 'Achilles', plain: 'Achilles tendon', spot: null },
  shin: { name: 'Shin', plain: 'shin', spot: null },
  knee: { name: 'Knee', plain: 'knee', spot: null },
  hip: { name: 'Hip', plain: 'hip', spot: null },
  back: { name: 'Back', plain: 'back', spot: null },
}
