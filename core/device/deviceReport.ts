import type { FootwearModel } from '../footwear/catalogueSchema'
import { roomOf } from '../footwear/room'
import { isChild } from '../measure/ageAtVisit'
import { normsOf } from '../measure/normsTable'
import { bestMean } from '../measure/reading'
import type { FittingRecord } from '../record/schema'
import type { Side } from '../record/vocabulary'
import type { BuiltDevice } from './buildDevice'
import { contradictionsOf } from './contradictions'
import { layerDefinition } from './layers/registry'
import { shellMaterial } from './materials'
import { postHeightMm, skiveSense } from './sizeSense'
import { spaceBudget, stackHeights } from './space'

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
  const material = shellMaterial(device.shell.material, normsOf(record).shellMaterials)
  const { report } = solid
  const heelWidth = surface.field.sole.parameters.heelWidthMm
  return {
    foot: side,
    layers: surface.layers.map(({ kind, askedMm, peakMm, at }) => ({
      kind,
      askedMm,
      peakMm,
      at,
      ...(layerDefinition(kind).phase === 'skive' && { sizeSense: skiveSense(askedMm, heelWidth) }),
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
    ...(model && { space: spaceBudget(body, device, roomOf(model)) }),
    contradictions: contradictionsOf(record, isChild(record.client, record.visit?.on)).filter(
      (c) => c.foot === side || c.foot === 'both',
    ),
    missing,
  }
}

/** The part of the heel's angle that comes from the cast and from other posts than this one. */
const otherRearfootDeg = (built: BuiltDevice, angleDeg: number) =>
  built.surface.rearfootTiltDeg - angleDeg

export type DeviceReport = ReturnType<typeof deviceReport>
