import { matrixOf, type Vec3 } from '../geometry/frame'
import type { Mesh } from '../geometry/mesh'
import { guessUnit, MM_PER, type Unit } from '../geometry/units'
import type { Norms } from '../record/tables'
import { Refusal } from '../record/refusal'
import type { Foot } from '../record/schema'
import type { Side } from '../tables/vocabulary'
import { footFrame, type FootView } from './foot/footFrame'
import { landmarksOf, type LandmarkName, type Landmarks } from './foot/landmarks'
import { frameForSide, poseScan, refaced, type RoughScan } from './foot/poseScan'
import { scanReadings, type ScanReadings } from './foot/scanReadings'
import { captureChecks, type CaptureCheck, type NotSeen } from './quality/captureChecks'
import { coverageOf, type Coverage } from './quality/coverage'
import { examinedOf } from './quality/examined'
import { cleanScan, type CleanScan } from './shape/cleanScan'

/**
 * A scan cleaned and found to be a foot: what stays the same while sides, landmarks and findings
 * change.
 */
export interface OpenScan {
  unit: Unit
  unitFrom: 'told' | 'file' | 'guessed'
  scan: CleanScan
  rough: RoughScan
  /** sureness from which the side need not be asked */
  sideSure: boolean
  notes: string[]
}

/**
 * Everything read off a captured foot. Landmarks, grid and readings are in the foot's frame, mm.
 */
export interface CapturedFoot {
  side: Side
  view: FootView
  landmarks: Landmarks
  readings: ScanReadings
  coverage: Coverage
  checks: CaptureCheck[]
  notSeen: NotSeen[]
  /** scan (in its own unit) → foot, row by row */
  matrix: number[]
}

const SURE = 1

/** A scan as it came out of its file: its own unit where it names one, what was cleaned on the way in. */
export interface ScanFile extends Mesh {
  unit: Unit | null
  notes: string[]
}

/**
 * Opens a scan: unit, cleaning, rough pose, side. The slow part, done once per file.
 *
 * @param unit told by somebody; else the file's own, else guessed from the size
 * @param side which of two feet in one file is meant
 * @throws Refusal when no foot can be found in it
 */
export function openScan(
  file: ScanFile,
  unit?: Unit,
  side?: Side,
  progress: (words: string, share: number) => void = () => {},
): OpenScan {
  const known = unit ?? file.unit ?? guessUnit(file.positions)
  if (!known)
    throw new Refusal(
      'no-unit',
      'No unit makes this as large as a foot. Say which unit it is in.',
      'unit',
    )
  const positions =
    MM_PER[known] === 1 ? file.positions : file.positions.map((v) => v * MM_PER[known])
  progress('cleaning', 0.3)
  let scan = cleanScan({ positions, triangles: file.triangles })
  progress('finding the foot', 0.6)
  let rough = poseScan(scan)
  const notes = [...file.notes, ...scan.notes]
  if (scan.other) {
    if (!side)
      throw new Refusal(
        'two-feet',
        'There are two feet in this file. Say which one is meant.',
        'side',
      )
    notes.push(`two feet in the file, the ${side} one was taken`)
    const other = cleanScan(scan.other)
    const otherRough = poseScan(other)
    if (rough.guess.side !== side && otherRough.guess.side === side)
      [scan, rough] = [other, otherRough]
  }
  return {
    unit: known,
    unitFrom: unit ? 'told' : file.unit ? 'file' : 'guessed',
    scan,
    rough,
    sideSure: rough.guess.sureness >= SURE,
    notes,
  }
}

/**
 * The foot in an open scan: frame, landmarks, sole grid, readings and checks.
 *
 * @param moved landmarks put by hand, in scan coordinates (mm)
 * @param foot what hands and eyes found, to judge the capture by
 * @param norms limits of the checks and the largest gap that is filled
 */
export function captureFoot(
  open: OpenScan,
  side: Side,
  foot: Foot | undefined,
  moved: Landmarks,
  norms: Pick<Norms, 'captureLimit' | 'gapFilledMm2'>,
): CapturedFoot {
  const examined = examinedOf(foot)
  const start = frameForSide(open.rough.frame, side)
  let view = footFrame(start, open.rough, open.rough.lengthMm, examined.forefootDeg, moved)
  const laidAnew = refaced(open.scan, open.rough, view.frame)
  if (laidAnew !== open.rough)
    view = footFrame(view.frame, laidAnew, view.lengthMm, examined.forefootDeg, moved)
  const landmarks = landmarksOf(view, moved)
  const readings = scanReadings(view, landmarks)
  const coverage = coverageOf(view, norms.gapFilledMm2)
  const { checks, notSeen } = captureChecks(
    view,
    landmarks,
    readings,
    coverage,
    examined,
    norms.captureLimit,
  )
  return {
    side,
    view,
    landmarks,
    readings,
    coverage,
    checks,
    notSeen,
    matrix: matrixOf(view.frame, MM_PER[open.unit]),
  }
}

/** What `arch capture` prints. */
export function captureReport(open: OpenScan, captured: CapturedFoot) {
  const { side, landmarks, readings, coverage, checks, notSeen, matrix } = captured
  return {
    unit: open.unit,
    unitFrom: open.unitFrom,
    side,
    sideGuess: open.rough.guess,
    triangles: open.scan.triangles.length / 3,
    points: open.scan.positions.length / 3,
    holes: open.scan.triangles.length > 0 ? open.scan.holes : coverage.gaps.length,
    notes: open.notes,
    frame: { matrix },
    landmarks: landmarks as Record<LandmarkName, Vec3>,
    readings,
    coverage: {
      percent: coverage.percent,
      pointsPerCm2: coverage.pointsPerCm2,
      gaps: coverage.gaps,
    },
    checks,
    notSeen,
  }
}
