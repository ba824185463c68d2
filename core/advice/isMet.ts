import { mean } from 'd3-array'
import { amountOf, mainRule } from '../kinds/layers/amount'
import type { Layer } from '../kinds/layers/all'
import type { Device, FittingRecord } from '../record/schema'
import { otherSide, type Side } from '../tables/vocabulary'
import { serves } from './becauseOf'
import type { Change } from './entry'
import { feetOfChange, liftLimitMm, liftOf } from './lifts'
import { isSamePart } from './samePart'

/** How much of a device each kind is: a fuller one holds what a lesser one was suggested for. */
export const FULLNESS = { none: 0, 'trim-to-fit': 1, 'heat-moulded': 2, 'full-custom': 3 } as const

/** Amounts are set in steps: what misses by less than half of one is there. */
const ALMOST = 0.26

/**
 * Does the record hold a change already: of that kind, at that place, of at least that amount, and for that
 * reason? A referral is decided, never met.
 *
 * For instance a skive of 2 mm does not meet one of 3 mm, and a lift of 3 mm that the calf asked for is no step of a leg
 *
 * @param code of the entry that asks; any reason will do where absent
 */
export function isMet(
  record: FittingRecord,
  foot: Side | 'both',
  change: Change,
  code?: string,
): boolean {
  if ('footwear' in change)
    return (record.footwear?.asks ?? []).some(
      (a) => a.what === change.footwear && (a.foot === foot || a.foot === 'both'),
    )
  if ('exercise' in change)
    return (record.handover?.exercises ?? []).some((e) => e.what === change.exercise)
  return feetOfChange(record, foot, change).every((side) => isMetOn(record, side, change, code))
}

function isMetOn(
  record: FittingRecord,
  side: Side,
  change: Change,
  code: string | undefined,
): boolean {
  const device = record.feet[side]?.device
  if (!device) return false
  const isFor = (because: string | undefined) => code === undefined || serves(because, code)
  if ('layer' in change)
    return device.layers.some(
      (l) => l.on && isSamePart(l, change) && isFor(l.because) && isEnough(record, side, l, change),
    )
  if ('post' in change) {
    const { at, angleDeg } = change.post
    return device.posts.some(
      (p) =>
        p.at === at &&
        isFor(p.because) &&
        Math.sign(p.angleDeg) === Math.sign(angleDeg) &&
        Math.abs(p.angleDeg) >= Math.abs(angleDeg) - ALMOST,
    )
  }
  if ('heelLiftMm' in change) {
    const other = change.overOther ? liftOf(record, otherSide(side)) : 0
    const wanted = Math.min(liftLimitMm(record), other + change.heelLiftMm)
    // A step that no counter has room for is not taken by standing as high as the other.
    if (change.overOther && wanted <= other) return false
    return liftOf(record, side) >= wanted - ALMOST
  }
  if ('device' in change && change.device === 'none') return device.kind === 'none'
  if ('device' in change) return FULLNESS[device.kind] >= FULLNESS[change.device]
  return 'shell' in change && isShell(device, change.shell)
}

/** Is a layer as strong as it was asked for, in the same direction? */
function isEnough(
  record: FittingRecord,
  side: Side,
  layer: Layer,
  { amounts }: Extract<Change, { layer: unknown }>,
): boolean {
  const has = layer as unknown as Record<string, unknown>
  if (Object.entries(amounts).some(([part, asked]) => asked === true && has[part] !== true))
    return false
  const { key } = mainRule(layer)
  const wanted = amounts[key]
  if (typeof wanted !== 'number') return true
  const found = mean(record.feet[side]!.findings?.forefootDeg ?? []) ?? 0
  const is = amountOf(layer, key, found)
  return (
    (wanted === 0 || Math.sign(is) === Math.sign(wanted)) &&
    Math.abs(is) >= Math.abs(wanted) - ALMOST
  )
}

function isShell(
  { shell: built, outline }: Device,
  wanted: Extract<Change, { shell: unknown }>['shell'],
): boolean {
  const { material, thicknessMm, heelCupMm, coverMaterial, coverMm } = wanted
  return (
    (material === undefined || built.material === material) &&
    (thicknessMm === undefined || built.thicknessMm <= thicknessMm) &&
    (heelCupMm === undefined || outline.heelCupMm >= heelCupMm) &&
    (coverMaterial === undefined || built.cover.material === coverMaterial) &&
    (coverMm === undefined || built.cover.thicknessMm >= coverMm)
  )
}
