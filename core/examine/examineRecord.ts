import { normsOf } from '../record/tables'
import { bestMean } from '../measure/reading'
import type { FittingRecord, Foot } from '../record/schema'
import { SIDES } from '../tables/vocabulary'
import type { ReadingKind } from '../kinds/readings/all'
import { riskOf } from './risk'
import { bootDemand } from './verdicts'
import { examineSide } from './examineSide'
import { findingPath } from '../kinds/findings/all'

const NEEDS: readonly [string, readonly string[]][] = [
  ['neutralDeg', ['findings.subtalar.inversionDeg', 'findings.subtalar.eversionDeg']],
  ['rollDeg', ['findings.ncspDeg', 'findings.rcspDeg']],
  [
    'eversionLeftDeg',
    ['findings.subtalar.eversionDeg', 'findings.rcspDeg', 'findings.tibialVarumDeg'],
  ],
  ['forefootMm', ['findings.forefootDeg', 'readings.forefootWidthMm']],
  ['ankle', ['findings.ankleKneeStraightDeg', 'findings.ankleKneeBentDeg']],
  ['firstToe', ['findings.firstToeUnloadedDeg']],
  ['postureSum', ['findings.posture']],
]

/** Does the foot hold something at a path of a finding or a reading? */
function has(foot: Foot, path: string): boolean {
  const [part, ...keys] = path.split('.')
  if (part === 'readings') return bestMean(foot, keys[0] as ReadingKind, 'standing') !== undefined
  return (
    keys.reduce<unknown>(
      (at, key) => (at as Record<string, unknown> | undefined)?.[key],
      foot.findings,
    ) !== undefined
  )
}

/**
 * The examination of a record as the command line prints it: per foot what is derived, what could
 * not be given with the paths it needs, and the risk screen of the client.
 */
export function examineRecord(record: FittingRecord) {
  const chosen = record.footwear?.chosen
  const feet = SIDES.flatMap((side) => {
    const foot = record.feet[side]
    if (!foot) return []
    const { angles, forefoot, relaxed, stiff, loose, impossible, ...exam } = examineSide(
      record,
      side,
    )!
    const bent = angles.ankleKneeBentDeg?.meanDeg
    const told = Object.fromEntries(
      Object.entries({
        ...exam,
        forefootDeg: forefoot?.meanDeg ?? null,
        rcspDeg: relaxed?.meanDeg ?? null,
      }).filter(([, value]) => value !== null),
    )
    const missing = NEEDS.flatMap(([key, paths]) =>
      key in told ? [] : paths.filter((p) => !has(foot, p)).map((p) => `feet.${side}.${p}`),
    )
    const summaries = Object.fromEntries(Object.entries(angles).filter(([, s]) => s !== null))
    return [
      [
        side,
        {
          ...told,
          angles: summaries,
          stiff,
          loose,
          ...(chosen?.forwardLeanDeg !== undefined &&
            bent !== undefined && {
              boot: bootDemand(
                chosen.forwardLeanDeg,
                chosen.rampDeg ?? 0,
                bent,
                normsOf(record).ankleDeg,
              ),
            }),
          questions: impossible.map((pair) => ({
            paths: pair.of.map((kind) => `feet.${side}.${findingPath(kind)}`),
            words: pair.words.replace('{side}', side),
          })),
          missing: [...new Set(missing)],
        },
      ] as const,
    ]
  })
  const risk = riskOf(record)
  return {
    feet: Object.fromEntries(feet),
    risk: {
      grade: risk.grade,
      refer: risk.refers.map((r) => r.words),
      lossOfSensation: risk.lossOfSensation,
      reducedFlow: risk.reducedFlow,
      blocked: risk.blocked,
      atRisk: risk.atRisk,
    },
  }
}
