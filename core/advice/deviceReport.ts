import { LAYERS } from '../kinds/layers/all'
import type { FootwearModel } from '../footwear/catalogueSchema'
import { roomLeft, roomOf, sizeOfFoot } from '../footwear/room'
import { normsOf } from '../record/tables'
import { bestMean } from '../measure/reading'
import type { Device, FittingRecord } from '../record/schema'
import type { Side } from '../tables/vocabulary'
import { finishedContradictions } from './finishedContradictions'
import { standsContradiction } from './standsContradiction'
import { buildShell, type ShellBody } from '../device/bodySolid'
import type { BuiltDevice } from '../device/buildDevice'
import { blankMisfit } from '../device/blankTop'
import { calipersOf } from '../device/calipers'
import { cupDepth } from '../device/cupDepth'
import { leastThickness, type LeastThickness } from '../device/leastThickness'
import { reachedMm } from '../device/reached'
import { madeOf, type MakingRows } from '../device/shellMaking'
import { millingSetup, TOOL_MM } from '../device/milling'
import { standingOf } from '../device/solid'
import type { Stands } from '../device/stands'
import { buildSurface } from '../device/surface'
import { contradictionsOf } from './contradictions'
import { massG } from '../device/mass'
import { postHeightMm, skiveSense } from '../device/sizeSense'
import { deviceWidths, spaceBudget, stackHeights } from '../device/space'

/** What `arch device` prints and the studio shows about one foot's device. */
export function deviceReport(
  record: FittingRecord,
  side: Side,
  built: BuiltDevice,
  model?: FootwearModel,
) {
  const { device, surface, body, solid, assumed } = built
  const missing = assumed.map((name) =>
    name === 'forefootDeg' ? `feet.${side}.findings.forefootDeg` : `feet.${side}.readings: ${name}`,
  )
  if (!model) missing.push('footwear.chosen')
  const norms = normsOf(record)
  const mass = massG(body, solid, device, norms)
  const { report } = solid
  const thinnest = leastThickness(body)
  const misfit = blankMisfit(surface.field, device)
  const heelWidth = surface.field.sole.parameters.heelWidthMm
  return {
    foot: side,
    layers: surface.layers.map((result) => ({
      kind: result.kind,
      askedMm: result.askedMm,
      peakMm: reachedMm(body, result),
      at: result.at,
      ...(LAYERS.of(result.kind).phase === 'skive' && {
        sizeSense: skiveSense(result.askedMm, heelWidth),
      }),
    })),
    ...(misfit && { blank: { ...device.blank, misfit } }),
    heelAngleDeg: solid.heelAngleDeg,
    stands: solid.stands && standsOnFile(solid.stands, solid.heelAngleDeg),
    posts: device.posts.map((post, i) => ({
      at: post.at,
      style: post.style,
      askedDeg: post.angleDeg,
      ...(post.half && { half: post.half }),
      ...(post.glued && { glued: true }),
      achievedDeg: achievedDeg(built, i, norms),
      heightMm: postHeightMm(
        post.angleDeg,
        post.at === 'rearfoot'
          ? heelWidth
          : (bestMean(record.feet[side]!, 'forefootWidthMm', 'standing') ??
              surface.field.sole.parameters.forefootWidthMm),
      ),
    })),
    outline: { heelCupMm: device.outline.heelCupMm },
    rim: {
      cupMm: cupDepth(body),
      leastThicknessMm: thinnest && thinnest.mm,
      at: thinnest && [thinnest.xMm, thinnest.yMm],
    },
    solid: {
      ...report,
      ...(mass !== null && { massG: mass }),
    },
    making: makingOf(body, device, thinnest, norms),
    stackMm: stackHeights(body, device),
    calipers: calipersOf(body),
    ...(model && {
      space: spaceBudget(body, device, roomOf(model, norms)),
      room: roomIn(record, side, model, built),
    }),
    contradictions: [
      ...contradictionsOf(record).filter((c) => c.foot === side || c.foot === 'both'),
      ...(device.kind === 'none'
        ? []
        : [
            ...standsContradiction(solid.stands, device, side),
            ...finishedContradictions(body, solid.stands, device, side, norms),
          ]),
    ],
    missing,
  }
}

/** Printed shells lie flat up to this height, else they are stood on their side, mm (house rule). */
const FLAT_MM = 40

/** How it is made, and what that leaves: tool and block of what is milled, walls of what is printed. */
function makingOf(
  body: ShellBody,
  device: Device,
  thinnest: LeastThickness | null,
  rows: MakingRows,
) {
  const { way, leastMm } = madeOf(device, rows)
  if (way === 'milled') return { way, milling: millingSetup(body, device.shell.toolMm ?? TOOL_MM) }
  if (way === 'pressed' || way === 'blank') return { way }
  const highMm = body.top.reduce((m, z, i) => (body.inside[i]! > 0 ? Math.max(m, z) : m), -Infinity)
  return {
    way,
    printing: {
      lies: highMm - body.floorMm > FLAT_MM ? 'on its side' : 'flat',
      leastWallMm: thinnest && thinnest.mm,
      isThick: thinnest === null || leastMm === null || thinnest.mm >= leastMm,
    },
  }
}

/** How it stands as a file tells it: without the plane in the mesh's own heights. */
function standsOnFile({ floor: _, ...stands }: Stands, heelToFloorDeg: number | null) {
  return { ...stands, heelToFloorDeg }
}

/** Size that a foot has of a model, chosen or nearest, and what is left in it, place by place. */
function roomIn(record: FittingRecord, side: Side, model: FootwearModel, built: BuiltDevice) {
  const { body, device } = built
  const sizeMm = sizeOfFoot(record, side, model)
  const needed = { ...stackHeights(body, device), ...deviceWidths(body) }
  return { sizeMm, places: roomLeft(model, sizeMm, needed, normsOf(record)) }
}

/**
 * What a post does, measured on the body that it is part of and on the same without it, each standing
 * on a flat floor: a rearfoot post by the heel's angle to the floor, a forefoot post by the roll that it
 * takes away. Null where one of the two falls over.
 */
function achievedDeg(
  { device, surface, solid }: BuiltDevice,
  index: number,
  rows: MakingRows,
): number | null {
  const without = { ...device, posts: device.posts.filter((_, i) => i !== index) }
  const other = standingOf(buildShell(buildSurface(surface.field, without), without, rows))
  if (device.posts[index]!.at === 'forefoot')
    return solid.stands && other.stands && other.stands.rollDeg - solid.stands.rollDeg
  return solid.heelAngleDeg === null || other.heelAngleDeg === null
    ? null
    : solid.heelAngleDeg - other.heelAngleDeg
}
