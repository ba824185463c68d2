import { blankRefusal } from '../device/blanks'
import { fieldKey, footField } from '../device/footField'
import { normsOf } from '../record/tables'
import { Refusal } from '../record/refusal'
import type { FittingRecord } from '../record/schema'
import type { Side } from '../tables/vocabulary'
import { contactGround, contactOnDevice } from '../mechanics/contact'
import { axisOf, plainOf } from '../mechanics/contactReport'
import { effectOf, surelyNmm } from '../mechanics/contactEffect'
import { overPush, type OverPush } from '../mechanics/overPush'
import { pressureRefusal } from '../mechanics/pressureRefusal'

/** A direction and its order of size are asked for: a coarse grid and a usual shell tell them. */
const STEP_MM = 4
const MOST_KEPT = 8
const kept = new Map<string, number | null>()

/**
 * Change of the turning moment of a foot's device against the plain one, N·mm; null without a foot
 * length or where there is no rest. The last few are kept.
 */
function roughMoment(record: FittingRecord, side: Side, massKg: number): number | null {
  const foot = record.feet[side]!
  const device = foot.device!
  const norms = normsOf(record)
  const key = JSON.stringify([fieldKey(foot, norms), device, massKg, axisOf(foot)])
  if (kept.has(key)) return kept.get(key)!
  let moment: number | null = null
  try {
    const found = footField(foot, norms, STEP_MM)
    if (found) {
      const ground = contactGround(found.field, norms, massKg, 'standing', axisOf(foot))
      const plain = contactOnDevice(ground, plainOf(device))
      moment = surelyNmm(effectOf(plain, contactOnDevice(ground, device, { start: plain })))
    }
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
  }
  if (kept.size >= MOST_KEPT) kept.delete(kept.keys().next().value!)
  kept.set(key, moment)
  return moment
}

/**
 * What the ledger says of a device with a wanted moment: that it pushes harder than that, or the
 * other way; null where no estimate may be given.
 */
export function pushContradiction(record: FittingRecord, side: Side): OverPush | null {
  const foot = record.feet[side]
  const massKg = record.client?.massKg
  if (
    !foot?.device?.aimNmm ||
    foot.device.kind === 'none' ||
    massKg === undefined ||
    blankRefusal(foot.device) ||
    pressureRefusal(record, side)
  )
    return null
  const moment = roughMoment(record, side, massKg)
  return moment === null ? null : overPush(moment, foot.device.aimNmm, normsOf(record).pushMostNmm)
}
