import { bootDemand, liftForDeg, liftTiltDeg } from '../examine/verdicts'
import { liftLimitMm, liftOf } from './lifts'
import { n, type FootContext } from './rule'

/** What the chosen boot asks an ankle for and it does not have. */
export interface BootDemand {
  /** how much is short, and with the reserve, in words */
  words: string
  /** what is missing with the reserve, degrees */
  missingDeg: number
  /** the lift in all that takes some of it off, within what the counter holds; null where none fits */
  lift: { mm: number; givesDeg: number } | null
  /** the lift as the other way, in words; empty where none fits */
  orLift: string
  triggers: string[]
}

/**
 * Lean of the cuff less the ramp of the board, and less what a lift in the device already takes off, against the
 * ankle's range with a bent knee, some of it in reserve.
 *
 * Source: handbook of examination, ankle dorsiflexion in boots.
 *
 * For instance 15° of lean over 4° of ramp ask for 11°; an ankle with 9° is 2° short, 5° with the reserve of 3°
 *
 * @returns null where nothing is missing, or lean or ankle are not known
 */
export function demandOf(c: FootContext): BootDemand | null {
  const { exam, record, side, mean, at, norms } = c
  const chosen = record.footwear?.chosen
  const bent = exam.angles.ankleKneeBentDeg
  const isImpossible = exam.impossible.some((p) => p.code === 'bent-below-straight')
  if (chosen?.forwardLeanDeg === undefined || !bent || isImpossible) return null
  const [lean, ramp] = [chosen.forwardLeanDeg, chosen.rampDeg ?? 0]
  const [arch, length] = [mean('archLengthMm'), mean('footLengthMm')]
  const isKnown = arch !== undefined && length !== undefined
  const liftMm = liftOf(record, side)
  const liftDeg = isKnown ? liftTiltDeg(liftMm, arch, length) : 0
  const { demandDeg, leftDeg } = bootDemand(lean, ramp + liftDeg, bent.meanDeg, norms.ankleDeg)
  if (leftDeg >= -0.05) return null
  const missingDeg = -leftDeg
  const { reserve } = norms.ankleDeg
  const short = missingDeg - reserve
  const made = [
    `${n(lean)}° of lean less ${n(ramp)}° of ramp`,
    ...(liftDeg > 0 ? [`${n(liftDeg)}° of the ${n(liftMm)} mm lift`] : []),
  ].join(' and ')
  const has =
    short > 0.05
      ? `${n(short)}° short, ${n(missingDeg)}° with the ${n(reserve)}° kept in reserve`
      : `enough, but ${n(missingDeg)}° of the ${n(reserve)}° kept in reserve are missing`
  const most = liftLimitMm(record)
  const wanted = isKnown ? liftMm + Math.ceil(liftForDeg(missingDeg, arch, length)) : null
  const mm = wanted === null ? null : Math.min(most, wanted)
  const lift =
    mm !== null && mm > liftMm ? { mm, givesDeg: liftTiltDeg(mm, arch!, length!) - liftDeg } : null
  const full =
    wanted !== null && wanted > most
      ? `, the most that the counter holds, which gives ${n(lift?.givesDeg ?? 0)}° of it`
      : ''
  return {
    words: `The boot asks the ${side} ankle for ${n(demandDeg)}° (${made}); it has ${n(bent.meanDeg)}°: ${has}.`,
    missingDeg,
    lift,
    orLift: lift
      ? `, or lift the heel to ${n(lift.mm)} mm${full}`
      : isKnown
        ? ''
        : `, or lift the heel, ${n(most)} mm at most`,
    triggers: [
      'footwear.chosen.forwardLeanDeg',
      'footwear.chosen.rampDeg',
      at('findings.ankleKneeBentDeg'),
    ],
  }
}
