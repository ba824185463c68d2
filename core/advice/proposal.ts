import { plainDevice } from '../device/buildDevice'
import type { Device, FittingRecord } from '../record/schema'
import type { School, Side } from '../tables/vocabulary'
import { judge } from './advise'
import { applyChange } from './applyChange'
import type { Entry } from './entry'
import { feetOfChange } from './lifts'

/** A device that a school would build for a foot, with the reason of every amount. */
export interface Proposal {
  school: School
  device: Device
  reasons: Entry[]
}

/** Changes that shape a device. */
const shapes = (entry: Entry): boolean =>
  entry.change !== null &&
  ['layer', 'post', 'heelLiftMm', 'device', 'shell'].some((key) => key in entry.change!)

/**
 * The device that one school proposes for one foot, built from nothing out of the readings: every
 * suggestion of that school that shapes a device, in the ledger's order. Where two of its rules
 * want the same thing the first, and stronger, one counts. Each part carries the code of its rule,
 * so that the reason stays beside it.
 *
 * @returns null where the school finds nothing to build
 */
export function proposeDevice(record: FittingRecord, side: Side, school: School): Proposal | null {
  const foot = record.feet[side]
  if (!foot) return null
  let device: Device = { ...plainDevice(), school }
  const bare: FittingRecord = { ...record, feet: { ...record.feet, [side]: { ...foot, device } } }
  const reasons: Entry[] = []
  const taken = new Set<string>()
  for (const entry of judge(bare, school)) {
    if (
      entry.kind !== 'suggest' ||
      entry.lesser ||
      !shapes(entry) ||
      (entry.school !== school && entry.school !== 'all') ||
      !feetOfChange(bare, entry.foot, entry.change!).includes(side)
    )
      continue
    const about = subjectOf(entry)
    if (taken.has(about)) continue
    taken.add(about)
    const command = applyChange(
      { ...bare, feet: { ...bare.feet, [side]: { ...foot, device } } },
      { ...entry, foot: side },
    ).find((c) => c.kind === 'part.put' && c.part === `device.${side}`)
    if (command?.kind !== 'part.put') continue
    device = command.content as Device
    reasons.push(entry)
  }
  return reasons.length > 0 ? { school, device, reasons } : null
}

function subjectOf({ change }: Entry): string {
  if (!change) return ''
  if ('layer' in change) return change.layer
  if ('post' in change) return change.post.at
  if ('shell' in change) return Object.keys(change.shell).sort().join()
  return Object.keys(change)[0]!
}
