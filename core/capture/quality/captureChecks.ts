import { sampleGrid } from '../../geometry/grid'
import type { FootView } from '../foot/footFrame'
import type { Landmarks } from '../foot/landmarks'
import type { ScanReadings } from '../foot/scanReadings'
import { CHECK_TABLE, type CheckCode, type CheckRule } from '../../tables/captureChecks'
import type { Coverage } from './coverage'
import type { Examined } from './examined'
import {
  archDifference,
  ballLevel,
  borderSag,
  fingerDent,
  firstRayRise,
  forefootRollDeg,
  toeClaw,
} from './signals'

export type CaptureVerdict = 'good' | 'doubtful' | 'redo'

/**
 * One line of the quality table: what was found, what is allowed, what it means and where to look.
 */
export interface CaptureCheck {
  code: CheckCode
  value: number
  limit: number
  unit: 'deg' | 'mm' | '%'
  verdict: CaptureVerdict
  words: string
  /** where on the sole, foot's frame, mm */
  at?: [number, number, number]
}

export interface NotSeen {
  code: CheckCode
  because: string
}

/** Up to this many times its limit a value is doubtful; beyond, the capture is to be redone. */
const DOUBTFUL = 1.25

/**
 * Is the value within, a little beyond, or far beyond its limit? Coverage counts what is missing.
 */
export function verdictOf(rule: Pick<CheckRule, 'code' | 'limit'>, value: number): CaptureVerdict {
  const away =
    rule.code === 'coverage'
      ? (100 - value) / (100 - rule.limit)
      : rule.code === 'midfootLocked' || rule.code === 'toes' || rule.code === 'fingerDents'
        ? value / rule.limit
        : Math.abs(value) / rule.limit
  return away <= 1 + 1e-9 ? 'good' : away <= DOUBTFUL ? 'doubtful' : 'redo'
}

type Found =
  { value: number; at?: [number, number, number]; against?: string } | { because: string }

const NEUTRAL_FROM = {
  palpated: 'as palpated',
  computed: 'from the ranges',
  standing: 'as standing in neutral',
  assumed: 'assumed upright, nothing examined',
}

/**
 * Every check of a captured shape against what was examined: good, doubtful or redo, or not seen
 * and why.
 */
export function captureChecks(
  view: FootView,
  landmarks: Landmarks,
  readings: ScanReadings,
  coverage: Coverage,
  examined: Examined,
  limits: Record<CheckCode, number>,
): { checks: CaptureCheck[]; notSeen: NotSeen[] } {
  const seen = (k: number) =>
    !Number.isNaN(sampleGrid(view.grid, view.heads[k]![0], view.heads[k]![1]))
  const heads = [0, 1, 2, 3, 4].every(seen)
  const gap: Found = { because: 'part of the sole is missing there' }
  const found: Record<CheckCode, () => Found> = {
    heelUpright: () => {
      if (!view.leg) return { because: 'less than 60 mm of leg in view' }
      if (readings.heelBisectionDeg === undefined)
        return { because: 'the back of the heel is not in view' }
      return {
        value: readings.heelBisectionDeg - examined.neutralDeg,
        at: landmarks.heelBisectionHigh,
        against: `${examined.neutralDeg.toFixed(1)}° ${NEUTRAL_FROM[examined.neutralFrom]}`,
      }
    },
    midfootLocked: () => {
      const sag = heads ? borderSag(view) : null
      return sag ? { value: sag.mm, at: sag.line[Math.floor(sag.line.length / 2)] } : gap
    },
    forefootAngle: () => {
      if (!heads || !view.heelPlane) return gap
      if (examined.forefootDeg === null) return { because: 'the forefoot angle was not examined' }
      return {
        value: forefootRollDeg(view) - examined.forefootDeg,
        at: view.heads[2],
        against: `${examined.forefootDeg.toFixed(1)}° as examined`,
      }
    },
    firstRay: () =>
      !heads
        ? gap
        : examined.firstRayMm === null
          ? { value: firstRayRise(view), at: view.heads[0], against: 'level, nothing examined' }
          : {
              value: firstRayRise(view) - examined.firstRayMm,
              at: view.heads[0],
              against: `${examined.firstRayMm.toFixed(1)} mm as examined`,
            },
    toes: () => {
      const claw = toeClaw(view, view.fine)
      return claw ? { value: claw.mm, at: claw.at[1] } : { because: 'the toes are not in view' }
    },
    fingerDents: () => {
      const dent = seen(3) && seen(4) ? fingerDent(view) : null
      return dent ? { value: dent.mm, at: dent.at } : gap
    },
    levelHeelBall: () => {
      const level = heads ? ballLevel(view) : null
      return level === null ? gap : { value: level, at: view.heel }
    },
    archHeight: () => {
      if (examined.navicularHeightMm === null)
        return { because: 'neither navicular height nor arch index was measured' }
      const apex = landmarks.archApex
      const difference =
        apex && !Number.isNaN(sampleGrid(view.fine, apex[0], apex[1]))
          ? archDifference(landmarks, examined.navicularHeightMm)
          : null
      return difference === null
        ? gap
        : {
            value: difference,
            at: landmarks.archApex,
            against: `navicular ${examined.navicularHeightMm.toFixed(0)} mm ${examined.navicularFrom === 'measured' ? 'as measured' : 'from the arch index'}`,
          }
    },
    coverage: () => {
      const open = coverage.gaps.find((g) => !g.filled)
      return {
        value: coverage.percent,
        ...(open && {
          at: [open.xMm, open.yMm, 0] as [number, number, number],
          against: open.words,
        }),
      }
    },
  }
  const checks: CaptureCheck[] = []
  const notSeen: NotSeen[] = []
  for (const rule of CHECK_TABLE.map((c) => ({ ...c, limit: limits[c.code] }))) {
    const f = found[rule.code]()
    if ('because' in f) {
      notSeen.push({ code: rule.code, because: f.because })
      continue
    }
    const verdict = verdictOf(rule, f.value)
    const way = verdict === 'good' ? rule.good : f.value < 0 && rule.below ? rule.below : rule.above
    checks.push({
      code: rule.code,
      value: f.value,
      limit: rule.limit,
      unit: rule.unit,
      verdict,
      words: f.against ? `${way} (${f.against})` : way,
      ...(f.at && { at: f.at }),
    })
  }
  return { checks, notSeen }
}
