import { archSizeLengthMm } from './archSize'
import type { Client, Foot } from '../record/schema'
import { DEVICE_KINDS, POSTURES, type DeviceKind, type Posture } from '../tables/vocabulary'
import { READING_KINDS, type ReadingKind } from '../kinds/readings/all'
import { archHeightClass, archHeightIndexOf, archStiffness, navicularDropClass } from './archIndex'
import { forefootWidthClass, volumeClass } from './classes'
import type { Norms } from '../record/tables'
import { risesStanding } from './questions'
import { bestMean, meanOfReading, readingOf, summarise } from './reading'
import type { FootMeasure } from './footMeasure'
import { sizesOf } from './sizes'
import { supportedLengthMm } from './supportedLength'
import { describeShape } from './words'

/**
 * Sizes, classes, arch and supported length of one foot.
 *
 * @param child true under 16 years: adult classes are left out
 * @param allowanceMm of the footwear family: 10 boots, 16 shoes
 * For instance `measureFoot(foot, { massKg: 75 }, false, 10).supportedLengthMm?.['full-custom']` is 263.2
 *   for 262 sitting, 266 standing
 */
export function measureFoot(
  foot: Foot,
  client: Client | undefined,
  child: boolean,
  allowanceMm: number,
  norms: Norms,
): FootMeasure {
  const readings: FootMeasure['readings'] = {}
  for (const what of READING_KINDS)
    for (const posture of POSTURES) {
      const reading = readingOf(foot, what, posture)
      const summary = reading && summarise(reading, norms)
      if (summary) (readings[what] ??= {})[posture] = summary
    }
  const missing: string[] = []
  const length = bestMean(foot, 'footLengthMm', 'standing')
  if (length === undefined) missing.push('readings.footLengthMm')
  const classes = length === undefined || child ? undefined : classesOf(foot, length, norms)
  const result: FootMeasure = {
    readings,
    arch: archOf(foot, client, child, norms),
    words: '',
    missing,
  }
  if (length !== undefined) {
    result.sizes = sizesOf(length, allowanceMm)
    const sitting = meanOfReading(foot, 'footLengthMm', 'sitting')
    result.supportedLengthMm = Object.fromEntries(
      DEVICE_KINDS.map((kind) => [kind, supportedLengthMm(length, sitting, kind, norms)]),
    ) as Record<DeviceKind, number>
    const stand = meanOfReading(foot, 'footLengthMm', 'standing')
    if (stand !== undefined && sitting !== undefined) result.growthMm = stand - sitting
    const archSize = archSizeLengthMm(foot, norms)
    if (archSize !== undefined) {
      result.archSizeLengthMm = archSize
      result.sizeBy = archSize - length >= norms.archSizeMm.by ? 'archLength' : 'footLength'
    } else missing.push('readings.archLengthMm')
  }
  if (classes && Object.keys(classes).length > 0) result.classes = classes
  for (const what of [
    'forefootWidthMm',
    'heelWidthMm',
    'waistGirthMm',
    'heelInstepGirthMm',
    'dorsumHeightMm',
  ] as const)
    if (bestMean(foot, what, 'standing') === undefined) missing.push(`readings.${what}`)
  const [toe, met] = [
    bestMean(foot, 'secondToeLeadMm', 'standing'),
    bestMean(foot, 'secondMetLeadMm', 'standing'),
  ]
  if (toe !== undefined || met !== undefined)
    result.leads = {
      ...(toe !== undefined && { secondToeMm: toe }),
      ...(met !== undefined && { secondMetMm: met }),
    }
  result.words = describeShape(result, child)
  return result
}

function classesOf(foot: Foot, length: number, norms: Norms): NonNullable<FootMeasure['classes']> {
  const width = bestMean(foot, 'forefootWidthMm', 'standing')
  const waist = bestMean(foot, 'waistGirthMm', 'standing')
  const heelInstep = bestMean(foot, 'heelInstepGirthMm', 'standing')
  const ankle = bestMean(foot, 'ankleGirthMm', 'standing')
  return {
    ...(width !== undefined && { forefootWidth: forefootWidthClass(width, length, norms) }),
    ...(waist !== undefined && { midfootVolume: volumeClass(waist, length, norms.waistShare) }),
    ...(heelInstep !== undefined && {
      heelInstep: volumeClass(heelInstep, length, norms.heelInstepShare),
    }),
    ...(ankle !== undefined && { ankle: volumeClass(ankle, length, norms.ankleShare) }),
  }
}

function archOf(
  foot: Foot,
  client: Client | undefined,
  child: boolean,
  norms: Norms,
): FootMeasure['arch'] {
  const sitting = archHeightIndexOf(foot, 'sitting')
  const standing = archHeightIndexOf(foot, 'standing')
  // A pair that cannot be has no class, no stiffness and no drop until it was taken again.
  const arches = !risesStanding(foot, 'dorsumHeightMm')
  const pair = arches && sitting !== undefined && standing !== undefined
  const arch = bestMean(foot, 'archLengthMm', 'standing')
  const drop = navicularDropOf(foot)
  return {
    ...(sitting !== undefined && { ahiSitting: sitting }),
    ...(standing !== undefined && { ahiStanding: standing }),
    ...(standing !== undefined &&
      arches &&
      !child && { class: archHeightClass(standing, norms.archHeightStanding) }),
    ...(pair && { ari: standing / sitting }),
    ...(pair &&
      client?.massKg !== undefined && {
        stiffnessNPerUnit: archStiffness(client.massKg, sitting, standing),
      }),
    ...(drop && {
      navicularDropMm: drop.mm,
      navicularDropBy: drop.by,
      ...(!child &&
        drop.by === 'sitting neutral' && {
          navicularDropClass: navicularDropClass(drop.mm, norms.navicularDropMm),
        }),
      ...(arch !== undefined && { navicularDropPercent: (100 * drop.mm) / arch }),
    }),
  }
}

/**
 * Fall of the navicular to standing relaxed, mm: from sitting neutral, else from standing neutral
 * (Brody 1982 read both standing); null where the two cannot both be.
 */
function navicularDropOf(
  foot: Foot,
): { mm: number; by: NonNullable<FootMeasure['arch']['navicularDropBy']> } | null {
  const at = (what: ReadingKind, posture: Posture) => meanOfReading(foot, what, posture)
  const relaxed = at('navicularHeightMm', 'standing')
  if (relaxed === undefined || risesStanding(foot, 'navicularHeightMm')) return null
  const sitting = at('navicularHeightMm', 'sitting')
  if (sitting !== undefined) return { mm: sitting - relaxed, by: 'sitting neutral' }
  const standing = at('navicularNeutralMm', 'standing')
  return standing === undefined || standing < relaxed
    ? null
    : { mm: standing - relaxed, by: 'standing neutral' }
}
