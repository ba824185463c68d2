import type { ShellBody } from '../device/bodySolid'
import { blankMisfit } from '../device/blankTop'
import { leastThickness } from '../device/leastThickness'
import { materialName } from '../device/materialNames'
import { reachedMm } from '../device/reached'
import { madeOf } from '../device/shellMaking'
import { LAYERS, type LayerKind } from '../kinds/layers/all'
import type { Device } from '../record/schema'
import type { Norms } from '../record/tables'
import type { Stands } from '../device/stands'
import { layerNames } from './layerNames'
import { limitsOf } from './limits'
import type { Side } from '../tables/vocabulary'
import type { Contradiction } from './contradictions'

/** Less than this is the grid's, mm. */
const NEAR_MM = 0.2

/**
 * What a finished body contradicts in its prescription: hollows it has no room for, a sheet too thin, raises
 * that meet at one place, a cut-out on a device that does not stand.
 */
export function finishedContradictions(
  body: ShellBody,
  stands: Stands | null,
  device: Device,
  side: Side,
  rows: Norms,
): Contradiction[] {
  const { leastMm } = madeOf(device, rows)
  const material = materialName(device.shell.material, rows)
  const source = 'least thickness of the material’s row, measured on the body'
  const out: Contradiction[] = []
  const names = layerNames(device.layers)
  for (const result of body.surface.layers) {
    const reached = reachedMm(body, result)
    if (result.peakMm - reached < NEAR_MM) continue
    const { name } = LAYERS.of(result.kind)
    const why =
      leastMm === null
        ? `${material} is never thinned`
        : `${material} keeps ${leastMm} mm and nothing may come through the floor`
    out.push({
      code: 'hollow-too-deep',
      kind: 'watch',
      foot: side,
      about: names[result.index]!,
      words: `${name}: ${result.peakMm.toFixed(1)} mm asked, ${reached.toFixed(1)} mm there: ${why}. ${wayOut(result.kind, leastMm)}`,
      triggers: [`feet.${side}.device.layers.${result.index}`],
      source,
      figures: [{ words: 'asked, there', value: result.peakMm, limit: reached, unit: 'mm' }],
    })
  }
  const thinnest = leastThickness(body)
  if (leastMm !== null && thinnest && thinnest.mm < leastMm - NEAR_MM)
    out.push({
      code: 'shell-too-thin',
      kind: 'watch',
      foot: side,
      words:
        `The shell is ${thinnest.mm.toFixed(1)} mm thin, ` +
        `${Math.round(thinnest.yMm)} mm from the heel; ${material} is not made under ${leastMm} mm.`,
      triggers: [`feet.${side}.device.shell.thicknessMm`],
      source,
      figures: [{ words: 'thinnest', value: thinnest.mm, limit: leastMm, unit: 'mm' }],
    })
  out.push(...blankUnder(body, device, side, rows))
  out.push(...raisesThatMeet(body, side, rows), ...unsteadyCutOut(stands, device, side, rows))
  return out
}

/** A blank whose arch is not the foot's, after all that heat can do. */
function blankUnder(
  { surface: { field } }: ShellBody,
  device: Device,
  side: Side,
  rows: Norms,
): Contradiction[] {
  const misfit = blankMisfit(field, device)
  if (!misfit) return []
  const [presses, gapes] = [limitsOf('blank-presses', rows), limitsOf('blank-gapes', rows)]
  const own = `Blank ${device.blank!.id} ${device.blank!.sizeMm}`
  const heat = device.kind === 'heat-moulded' ? ', as far as heat brings it' : ''
  const common = {
    kind: 'watch' as const,
    foot: side,
    triggers: [`feet.${side}.device.blank`, `feet.${side}.readings.navicularHeightMm`],
    source: 'house limits for a blank under an arch, measured on the body',
  }
  return [
    ...(presses.over('mm', misfit.overMm)
      ? [
          {
            ...common,
            code: 'blank-presses',
            words:
              `${own}: its arch stays ${misfit.overMm.toFixed(1)} mm ` +
              `over the ${side} foot’s${heat}. It presses: take a lower line, or make it to the foot.`,
            figures: presses.figures(),
          },
        ]
      : []),
    ...(gapes.over('mm', misfit.underMm)
      ? [
          {
            ...common,
            code: 'blank-gapes',
            words:
              `${own}: its arch stays ${misfit.underMm.toFixed(1)} mm ` +
              `under the ${side} foot’s${heat}. It does not carry there: take a higher line, or build it up.`,
            figures: gapes.figures(),
          },
        ]
      : []),
  ]
}

/** What helps where a layer finds too little of the shell. */
function wayOut(kind: LayerKind, leastMm: number | null): string {
  if (kind === 'firstRayAccommodation') return 'Ask for less, or cut the corner out and post it.'
  if (leastMm === null) return 'Cut it through and fill it soft.'
  return 'Cut it through and fill it soft, or make the shell thicker.'
}

/** A layer that raises a place by less than this is not counted there, mm. */
const COUNTS_MM = 0.5

/** Raises of several layers that come together at one place to more than a foot bears. */
function raisesThatMeet(
  { surface: { field, layers }, inside }: ShellBody,
  side: Side,
  rows: Norms,
): Contradiction[] {
  const raises = layers.filter(({ change, kind }) => {
    const { lies, phase } = LAYERS.of(kind)
    return lies !== 'hollow' && phase !== 'tilt' && change.some((mm) => mm > COUNTS_MM)
  })
  if (raises.length < 2) return []
  let worst = { mm: 0, i: -1 }
  for (let i = 0; i < inside.length; i++) {
    if (inside[i]! <= 0) continue
    const there = raises.filter(({ change }) => change[i]! > COUNTS_MM)
    if (there.length < 2) continue
    const mm = there.reduce((sum, { change }) => sum + change[i]!, 0)
    if (mm > worst.mm) worst = { mm, i }
  }
  const limit = limitsOf('raises-overlap', rows)
  if (worst.i < 0 || !limit.over('mm', worst.mm)) return []
  const meeting = raises.filter(({ change }) => change[worst.i]! > COUNTS_MM)
  const names = meeting.map(({ kind }) => LAYERS.of(kind).name.toLowerCase())
  return [
    {
      code: 'raises-overlap',
      kind: 'watch',
      foot: side,
      about: meeting.map(({ kind }) => kind).join('+'),
      words:
        `${names.join(' and ')} meet ${Math.round(field.y[worst.i]!)} mm ` +
        `from the heel and raise it by ${worst.mm.toFixed(1)} mm together. That is too much for one place.`,
      triggers: [`feet.${side}.device.layers`],
      source: 'house limit for one place',
      figures: limit.figures(),
    },
  ]
}

/** A cut-out takes away what the shell stands on: it wants a device that stands without it. */
function unsteadyCutOut(
  stands: Stands | null,
  { layers }: Device,
  side: Side,
  rows: Norms,
): Contradiction[] {
  const limit = limitsOf('cut-out-unsteady', rows)
  const isCut = layers.some((l) => l.on && l.kind === 'firstRayCutOut')
  if (!isCut || !stands || !(stands.rocks || limit.over('deg', Math.abs(stands.rollDeg)))) return []
  return [
    {
      code: 'cut-out-unsteady',
      kind: 'watch',
      foot: side,
      words:
        `A first-ray cut-out on a device that ${stands.words}: ` +
        `its corner no longer meets the floor. Post it, or let the corner down instead.`,
      triggers: [`feet.${side}.device`],
      source: 'a device is judged where it stands: workshop practice, a flat bench',
      figures: limit.figures(),
    },
  ]
}
