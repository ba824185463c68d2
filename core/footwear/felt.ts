import { STATION_KINDS, type Station } from '../kinds/stations/all'
import type { Footwear, HotSpot, TryOn, TryOnReading } from '../record/schema'
import type { Norms } from '../record/tables'
import { SIDES, type Side } from '../tables/vocabulary'
import { stationAt, USUAL_LENGTH_MM } from './character'
import type { Offset } from './shownOffsets'

/** How much room each thing felt stands for. */
export type FeltRows = Pick<Norms, 'feltMm'>

/** Every try-on of a fitting, oldest first. */
export const tryOnsOf = (footwear: Footwear | undefined): TryOn[] => [
  ...(footwear?.tryOns ?? []),
  ...(footwear?.chosen?.tryOn ?? []),
]

/** The last reading of a foot: what stays after a quarter of an hour counts, not what passes. */
export function lastReading(tryOn: TryOn, foot: Side): TryOnReading | undefined {
  return tryOn.readings
    .filter((r) => r.foot === foot)
    .reduce<TryOnReading | undefined>(
      (last, r) => (last && last.minute > r.minute ? last : r),
      undefined,
    )
}

/** Station a hot spot presses on; under the sole it is the device's, not the shell's. */
export const stationOfSpot = (spot: HotSpot, lengthMm: number): Station | undefined =>
  stationAt(spot.view, spot.xMm, spot.yMm, lengthMm)

/**
 * What the client felt, as room the prediction has to be corrected by: only the last reading of
 * each foot counts, and a later try-on of the same model on the same foot replaces an earlier one.
 * Toes that touch upright and come off when flexed are right and change nothing.
 *
 * @param lengthMm foot lengths, to know where hot spots lie
 */
export function feltOffsets(
  footwear: Footwear | undefined,
  lengthMm: Partial<Record<Side, number>>,
  { feltMm }: FeltRows,
): Offset[] {
  const latest = new Map<string, Offset[]>()
  for (const tryOn of tryOnsOf(footwear))
    for (const foot of SIDES) {
      const worn = tryOn.worn[foot]
      const reading = lastReading(tryOn, foot)
      if (worn && reading)
        latest.set(
          `${worn.model} ${foot}`,
          offsetsOfReading(reading, worn.model, foot, lengthMm[foot] ?? USUAL_LENGTH_MM, feltMm),
        )
    }
  return [...latest.values()].flat()
}

function offsetsOfReading(
  r: TryOnReading,
  model: string,
  foot: Side,
  lengthMm: number,
  feltMm: Norms['feltMm'],
): Offset[] {
  const out: Offset[] = []
  const at = `felt at ${r.minute} min`
  const add = (station: Station, mm: number, words: string) =>
    out.push({
      by: 'felt',
      model,
      foot,
      station,
      mm,
      words: `${at}: ${words}, counts ${mm > 0 ? '+' : '−'}${Math.abs(mm)} mm at ${STATION_KINDS.of(station).short}`,
    })
  if (r.toesFlexed === 'press') add('length', feltMm.toesPressFlexed, 'toes press even when flexed')
  else if (r.toesFlexed === 'touch')
    add('length', feltMm.toesTouchFlexed, 'toes do not come off when flexed')
  else if (r.toesUpright === 'press') add('length', feltMm.toesPressUpright, 'toes press upright')
  else if (r.toesUpright === 'clear') add('length', feltMm.toesClear, 'toes never touch')
  const lift = r.heelLiftMm ?? 0
  if (lift > feltMm.heelLifts)
    add(
      'heel',
      lift > 2 * feltMm.heelLifts ? feltMm.heelLiftMuch : feltMm.heelLift,
      `heel lifts ${lift} mm`,
    )
  if (r.numb && r.numb !== 'none')
    add(
      'instep',
      r.numb === 'numb' ? feltMm.numb : feltMm.tingling,
      r.numb === 'numb' ? 'toes go numb' : 'toes tingle',
    )
  if (r.hold === 'loose') add('waist', feltMm.holdLoose, 'the hold is loose')
  if (r.hold === 'tight') add('waist', feltMm.holdTight, 'the hold is tight')
  const worst = new Map<Station, number>()
  for (const spot of r.hotSpots) {
    const station = stationOfSpot(spot, lengthMm)
    if (station) worst.set(station, Math.max(worst.get(station) ?? 0, spot.level))
  }
  for (const [station, level] of worst)
    add(
      station,
      feltMm.hotSpotPerLevel * level,
      `hot spot ${['', 'felt', 'that bothers', 'that hurts'][level]}`,
    )
  return out
}

/** A try-on in words: firm and even is right; what is not, by foot. */
export function tryOnWords(
  tryOn: TryOn,
  foot: Side,
  { feltMm }: FeltRows,
): { kind: 'good' | 'watch' | 'stop'; words: string } | null {
  const r = lastReading(tryOn, foot)
  if (!r) return null
  const bad: string[] = []
  if (r.toesFlexed === 'press' || r.toesFlexed === 'touch')
    bad.push('toes stay on the front when flexed: too short')
  else if (r.toesUpright === 'clear') bad.push('toes never touch: too long')
  if ((r.heelLiftMm ?? 0) > feltMm.heelLifts) bad.push(`heel lifts ${r.heelLiftMm} mm`)
  if (r.numb === 'numb') bad.push('goes numb: open the instep, do not wait')
  else if (r.numb === 'tingling') bad.push('tingles')
  if (r.hold && r.hold !== 'even') bad.push(`hold ${r.hold}`)
  for (const spot of r.hotSpots)
    if (spot.level > 1) bad.push(`hot spot ${spot.level === 3 ? 'hurts' : 'bothers'}, ${spot.view}`)
  const stop =
    r.numb === 'numb' || r.hotSpots.some((s) => s.level === 3) || r.toesFlexed === 'press'
  if (bad.length)
    return { kind: stop ? 'stop' : 'watch', words: `${bad.join('; ')} (${r.minute} min)` }
  return {
    kind: r.minute >= 15 ? 'good' : 'watch',
    words:
      r.minute >= 15 ? 'firm and even after 15 min' : `firm and even so far, ${r.minute} min of 15`,
  }
}

/** The insole test in words: the toe over the end says too short, much short of it too long. */
export function insoleWords(toeOverMm: number): { kind: 'good' | 'watch' | 'stop'; words: string } {
  if (toeOverMm > 0)
    return { kind: 'stop', words: `toe ${toeOverMm} mm over the end of the insole: too short` }
  const room = -toeOverMm
  return room < 5
    ? { kind: 'watch', words: `${room} mm before the end: little` }
    : room > 20
      ? { kind: 'watch', words: `${room} mm before the end: long` }
      : { kind: 'good', words: `${room} mm before the end` }
}
