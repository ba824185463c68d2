import { LAYERS } from '../kinds/layers/all'
import type { FootwearModel } from '../footwear/catalogueSchema'
import { roomLeft, roomOf, sizeOfFoot } from '../footwear/room'
import { isChild } from '../measure/ageAtVisit'
import { normsOf } from '../record/tables'
import { bestMean } from '../measure/reading'
import type { FittingRecord } from '../record/schema'
import type { Side } from '../tables/vocabulary'
import type { BuiltDevice } from '../device/buildDevice'
import { contradictionsOf } from './contradictions'
import { shellMaterial } from '../device/materialNames'
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
  const material = shellMaterial(device.shell.material, norms)
  const { report } = solid
  const heelWidth = surface.field.sole.parameters.heelWidthMm
  return {
    foot: side,
    layers: surface.layers.map(({ kind, askedMm, peakMm, at }) => ({
      kind,
      askedMm,
      peakMm,
      at,
      ...(LAYERS.of(kind).phase === 'skive' && { sizeSense: skiveSense(askedMm, heelWidth) }),
    })),
    heelAngleDeg: solid.heelAngleDeg,
    posts: device.posts.map((post) => ({
      at: post.at,
      style: post.style,
      askedDeg: post.angleDeg,
      achievedDeg:
        post.at === 'rearfoot'
          ? solid.heelAngleDeg === null
            ? null
            : solid.heelAngleDeg - otherRearfootDeg(built, post.angleDeg)
          : post.angleDeg,
      heightMm: postHeightMm(
        post.angleDeg,
        post.at === 'rearfoot'
          ? heelWidth
          : (bestMean(record.feet[side]!, 'forefootWidthMm', 'standing') ??
              surface.field.sole.parameters.forefootWidthMm),
      ),
    })),
    outline: { heelCupMm: device.outline.heelCupMm },
    solid: {
      ...report,
      ...(material && { massG: (report.volumeMm3 * material.densityGPerCm3) / 1000 }),
    },
    stackMm: stackHeights(body, device),
    ...(model && {
      space: spaceBudget(body, device, roomOf(model, norms)),
      room: roomIn(record, side, model, built),
    }),
    contradictions: contradictionsOf(record, isChild(record.client, record.visit?.on)).filter(
      (c) => c.foot === side || c.foot === 'both',
    ),
    missing,
  }
}

/** Size that a foot has of a model, chosen or nearest, and what is left in it, place by place. */
function roomIn(record: FittingRecord, side: Side, model: FootwearModel, built: BuiltDevice) {
  const { body, device } = built
  const sizeMm = sizeOfFoot(record, side, model)
  const needed = { ...stackHeights(body, device), ...deviceWidths(body) }
  return { sizeMm, places: roomLeft(model, sizeMm, needed, normsOf(record)) }
}

/** The part of the heel's angle that comes from the cast and from other posts than this one. */
const otherRearfootDeg = (built: BuiltDevice, angleDeg: number) =>
  built.surface.rearfootTiltDeg - angleDeg
