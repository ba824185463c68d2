import { SHELL_MEASURES } from '../kinds/stations/all'
import type { FootwearModel, Stations } from './catalogueSchema'

/** What a step of grade adds to each measure of a shell; rooms for bumps do not grow. */
const GROWS = new Map<string, (typeof SHELL_MEASURES)[number]['grows']>(
  SHELL_MEASURES.map((m) => [m.key, m.grows]),
)

/**
 * Steps of grade (10 mm each) between a size and the reference. Shells that share a size
 * (`shellStep: whole`) go by whole centimetres: with pairing 0-5 a size and the half above it are
 * one shell, with 5-0 the half and the whole above it.
 *
 * @example gradeSteps({ referenceMm: 265, shellStep: 'whole', pairing: '0-5' }, 270) // 1; 265 → 0
 */
export function gradeSteps(
  model: Pick<FootwearModel, 'referenceMm' | 'shellStep' | 'pairing'>,
  sizeMm: number,
): number {
  if (model.shellStep === 'half') return (sizeMm - model.referenceMm) / 10
  const shift = model.pairing === '5-0' ? 5 : 0
  return Math.floor((sizeMm + shift) / 10) - Math.floor((model.referenceMm + shift) / 10)
}

/**
 * Inside width at the ball at the reference size, mm: measured, else last width as sold + 2 × liner
 * after break-in.
 */
export const ballInsideMm = (model: FootwearModel): number | undefined =>
  model.at.ballWidthMm ??
  (model.lastWidthMm === undefined
    ? undefined
    : model.lastWidthMm + 2 * model.liner.thicknessMm.ball * (1 - model.liner.packOut))

/**
 * Inside of the bare shell at a size, mm: reference + steps × grade, station by station. Unknown
 * stations stay unknown, but a ball that was not measured follows from the last width as sold
 * (liner in): last width + 2 × liner after break-in.
 */
export function shellInside(model: FootwearModel, sizeMm: number): Stations {
  const n = gradeSteps(model, sizeMm)
  const { grade } = model
  return Object.fromEntries(
    Object.entries({ ...model.at, ballWidthMm: ballInsideMm(model) }).map(([measure, value]) => {
      const grows = GROWS.get(measure) ?? null
      const step = grows === null ? 0 : grade[grows]
      return [measure, value === undefined ? undefined : value + n * step]
    }),
  ) as Stations
}
