import { materialName, shellMaterial } from '../device/materialNames'
import { conditionsOf } from '../record/health'
import { postAngleDeg } from '../device/surface'
import { BODY_AMOUNTS } from '../kinds/body/all'
import { LAYERS } from '../kinds/layers/all'
import { unitBehind } from '../kinds/layers/amountRule'
import { amountOf } from '../kinds/layers/amount'
import { postKind } from '../kinds/posts/all'
import { bestMean } from '../measure/reading'
import type { Device, FittingRecord } from '../record/schema'
import { deviceRoom } from '../record/storyActivity'
import { normsOf } from '../record/tables'
import { otherSide, SIDES, type Side } from '../tables/vocabulary'
import { isBuilt } from '../device/deviceWords'
import { deviceClashes } from './deviceClashes'
import { layerNames } from './layerNames'
import { liftOf } from './lifts'
import { limitsOf, type Figure } from './limits'
import { n } from './rule'
import { pushContradiction } from './pushContradiction'

/** Something in a prescription that does not go together, with the foot and what triggers it. */
export interface Contradiction {
  code: string
  kind: 'stop' | 'watch'
  foot: Side | 'both'
  /** which layer or part, where several may have the same code */
  about?: string
  words: string
  triggers: string[]
  source: string
  figures: readonly Figure[]
}

type Said = Omit<Contradiction, 'foot' | 'about' | 'source' | 'figures'> &
  Partial<Pick<Contradiction, 'source' | 'figures'>>

/**
 * Adds contradictions of a foot to a list, about one of its layers or parts where several may have
 * the same code.
 */
const adder =
  (out: Contradiction[], foot: Side | 'both', about?: string) =>
  (said: Said): void =>
    void out.push({
      source: 'what goes together in a device, workshop practice',
      figures: [],
      ...said,
      foot,
      ...(about && { about }),
    })

/** Says that a number lies outside its usual range. */
function outside(
  add: (said: Said) => void,
  name: string,
  value: number,
  unit: string,
  [low, high]: readonly [number, number],
  path: string,
): void {
  if (value >= low && value <= high) return
  const u = unitBehind(unit)
  add({
    code: 'outside-usual',
    kind: 'watch',
    words: `${name} ${value}${u} is outside the usual ${low} to ${high}${u}.`,
    triggers: [path],
    figures: [
      value < low
        ? { words: 'usual from', value, limit: low, unit }
        : { words: 'usual to', value, limit: high, unit },
    ],
  })
}

/** Modulus of the shell that thicknesses are compared by, MPa; source: handbook of the device, checked. */
const POLYPROPYLENE_MPA = 1300

/** Contradictions of one foot's device with itself, the foot and the footwear intent. */
function deviceContradictions(record: FittingRecord, side: Side): Contradiction[] {
  const device = record.feet[side]?.device
  if (!device || device.kind === 'none') return []
  const out: Contradiction[] = []
  layerContradictions(record, side, device, out)
  bodyContradictions(record, side, device, out)
  for (const { about, ...clash } of deviceClashes(record, side, device))
    adder(out, side, about)(clash)
  const push = pushContradiction(record, side)
  if (push)
    adder(
      out,
      side,
    )({
      code: push.code,
      kind: 'watch',
      words: push.words,
      triggers: [`feet.${side}.device.aimNmm`],
      source: 'estimate of the turning moment against what was wanted',
    })
  return out
}

function layerContradictions(
  record: FittingRecord,
  side: Side,
  device: Device,
  out: Contradiction[],
): void {
  const at = `feet.${side}.device`
  const { layerUsual } = normsOf(record)
  const around = {
    layers: device.layers,
    posts: device.posts.length,
    lowRoom: deviceRoom(record) === 'low',
    mayNotFeel: isInsensate(record, side),
  }
  const names = layerNames(device.layers)
  device.layers.forEach((layer, i) => {
    if (!layer.on) return
    const path = `${at}.layers.${i}`
    const name = names[i]!
    const definition = LAYERS.of(layer.kind)
    for (const clash of definition.clashes)
      if (clash.when(layer, around))
        adder(
          out,
          side,
          name,
        )({
          code: clash.code,
          kind: clash.kind,
          words: clash.words,
          triggers: [path, ...clash.triggers],
        })
    for (const rule of definition.amounts)
      outside(
        adder(out, side, `${name}.${rule.key}`),
        `${definition.name}: ${rule.label}`,
        amountOf(layer, rule.key, record.feet[side]!.findings?.forefootDeg?.[0] ?? 0),
        rule.unit,
        layerUsual[`${layer.kind}.${rule.key}`] ?? rule.usual,
        path,
      )
  })
}

function bodyContradictions(
  record: FittingRecord,
  side: Side,
  device: Device,
  out: Contradiction[],
): void {
  const at = `feet.${side}.device`
  const norms = normsOf(record)
  const add = adder(out, side)
  const material = shellMaterial(device.shell.material, norms)
  const { thicknessMm } = device.shell
  if (!material)
    add({
      code: 'unknown-material',
      kind: 'watch',
      words: `Material "${device.shell.material}" is not in the table; mass is left out.`,
      triggers: [`${at}.shell.material`],
    })
  else if (thicknessMm < material.usualMm[0] || thicknessMm > material.usualMm[1])
    adder(
      out,
      side,
      'shell',
    )({
      code: 'outside-usual',
      kind: 'watch',
      words:
        `${materialName(material.id, norms)} ${thicknessMm} mm is outside its usual ` +
        `${material.usualMm[0]} to ${material.usualMm[1]} mm.`,
      triggers: [`${at}.shell.thicknessMm`],
    })
  for (const amount of BODY_AMOUNTS.all) {
    const value = amount.read(device)
    const usual = norms.layerUsual[`body.${amount.kind}`] ?? amount.usual
    if (value !== undefined && usual)
      outside(adder(out, side, amount.kind), amount.full, value, amount.unit, usual, at)
  }
  const snug = record.story?.intent === 'race' || record.story?.intent === 'performance'
  const rigid = limitsOf('rigid-in-snug', norms)
  // As stiff as polypropylene of which thickness: bending goes with the modulus and the cube of it.
  const asThickMm = material ? thicknessMm * Math.cbrt(material.youngMPa / POLYPROPYLENE_MPA) : 0
  if (material?.rigid && snug && rigid.atLeast('thicknessMm', asThickMm))
    add({
      code: 'rigid-in-snug',
      kind: 'watch',
      words: 'A rigid shell in a snug fit: the arch wants some give. Try a thinner shell.',
      triggers: [`${at}.shell.thicknessMm`, 'story.intent'],
      figures: rigid.figures(),
    })
  const below = device.posts.some((p) => p.at === 'rearfoot' && isBuilt(p) && postKind(p).takesRoom)
  if (below && deviceRoom(record) === 'low')
    add({
      code: 'extrinsic-in-low-volume',
      kind: 'watch',
      words:
        'An extrinsic post takes room that this footwear does not have. The same angle intrinsically, or a skive, takes none.',
      triggers: [`${at}.posts`, 'story.intent'],
    })
  const large = limitsOf('post-large', norms)
  const posted = Math.abs(postAngleDeg(device, 'rearfoot'))
  if (large.over('deg', posted))
    add({
      code: 'post-large',
      kind: 'watch',
      words: `${posted}° of rearfoot post is more than is usual. Read the angle again first.`,
      triggers: [`${at}.posts`],
      figures: large.figures(),
    })
  const counter = limitsOf('lift-over-counter', norms)
  if (counter.over('mm', device.heelLiftMm))
    add({
      code: 'lift-over-counter',
      kind: 'watch',
      words:
        `A heel lift of ${device.heelLiftMm} mm inside lifts the heel out of most counters ` +
        `(${counter.of('mm')} mm). Put the rest on the whole sole.`,
      triggers: [`${at}.heelLiftMm`],
      figures: counter.figures(),
    })
  const heel = bestMean(record.feet[side]!, 'heelWidthMm', 'standing')
  const cup = limitsOf('cup-too-deep', norms)
  if (heel !== undefined && cup.over('share', device.outline.heelCupMm / heel))
    add({
      code: 'cup-too-deep',
      kind: 'watch',
      words: `A cup of ${device.outline.heelCupMm} mm is more than ${Math.round(100 * cup.of('share'))} % of this heel's width.`,
      triggers: [`${at}.outline.heelCupMm`],
      figures: cup.figures(),
    })
}

/** Contradictions between the two feet. */
function pairContradictions(record: FittingRecord): Contradiction[] {
  const out: Contradiction[] = []
  bareContradiction(record, out)
  liftsContradiction(record, out)
  return out
}

function bareContradiction(record: FittingRecord, out: Contradiction[]): void {
  const made = (side: Side) =>
    record.feet[side]?.device !== undefined && record.feet[side]!.device!.kind !== 'none'
  const corrected = SIDES.find((side) => made(side) && !made(otherSide(side)))
  if (!corrected || !record.feet[otherSide(corrected)]) return
  const bare = otherSide(corrected)
  adder(
    out,
    bare,
  )({
    code: 'one-foot-bare',
    kind: 'watch',
    words: `The ${corrected} foot gets a device, the ${bare} foot none. Give the ${bare} one a neutral blank, so that both stand alike.`,
    triggers: [`feet.${corrected}.device`],
  })
}

/** Lifts that differ lengthen a leg: said where no leg asks for it, or for less. */
function liftsContradiction(record: FittingRecord, out: Contradiction[]): void {
  const lifts = { left: liftOf(record, 'left'), right: liftOf(record, 'right') }
  const higher: Side = lifts.left >= lifts.right ? 'left' : 'right'
  const stepMm = lifts[higher] - lifts[otherSide(higher)]
  const limit = limitsOf('lift-on-one', normsOf(record))
  if (!limit.atLeast('mm', stepMm)) return
  const leg = record.legLengthDifferenceMm
  const isShorter = leg !== undefined && leg.value > 0 && leg.shorter === higher
  const askedMm = isShorter ? leg.value * normsOf(record).ruleThresholds['leg-lift.share'] : 0
  if (stepMm <= askedMm + 0.05) return
  const over = isShorter
    ? `stands ${n(stepMm)} mm over the other, higher than its leg asks (${n(askedMm)} mm)`
    : `stands ${n(stepMm)} mm over the other and lengthens that leg by as much; no difference of the legs asks for it`
  adder(
    out,
    higher,
  )({
    code: 'lift-on-one',
    kind: 'watch',
    words: `The ${higher} heel ${over}. Lift both alike, or say which leg is shorter.`,
    triggers: [
      'feet.left.device.heelLiftMm',
      'feet.right.device.heelLiftMm',
      'legLengthDifferenceMm',
    ],
    figures: limit.figures(),
  })
}

/**
 * May this foot have lost protective feeling? Neuropathy recorded, a point not felt, or diabetes
 * without a full screen.
 */
export function isInsensate(record: FittingRecord, side: Side): boolean {
  const conditions = conditionsOf(record)
  const felt = record.feet[side]?.findings?.sensationFelt
  return (
    conditions.includes('neuropathy') ||
    (felt !== undefined && felt < 10) ||
    (conditions.includes('diabetes') && felt !== 10)
  )
}

/** All contradictions of a record. */
export const contradictionsOf = (record: FittingRecord): Contradiction[] => [
  ...SIDES.flatMap((side) => deviceContradictions(record, side)),
  ...pairContradictions(record),
]
