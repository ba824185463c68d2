import type { LayerKind } from '../../record/layerSchema'
import { elongatedHeelAperture, heelAperture } from './apertures'
import { archFill } from './archFill'
import { toeCarbonPlate } from './carbonPlate'
import type { LayerDefinition } from './definition'
import { firstRayAccommodation, firstRayCutOut, firstRayExtension, firstRayWedge } from './firstRay'
import { metBar, nerveSpreadPad } from './forefootPads'
import { intrinsicForefootPost } from './forefootPost'
import { cuboidSupport, fifthMetSupport, metPad } from './pads'
import { fasciaGroove, metHeadRelief, sweetSpot } from './reliefs'
import { lateralSkive, medialSkive, threePlaneShave } from './skives'
import { heelExpansion, lateralFill } from './softTissue'
import { lateralFlare, medialFlange, medialFlare, medialWrap } from './walls'

/** Every kind of layer, in the order in which the studio offers them: cast, heel, midfoot, forefoot, outline. A new kind is one file and one entry here. */
const DEFINITIONS = [
  archFill,
  heelExpansion,
  lateralFill,
  intrinsicForefootPost,
  medialSkive,
  lateralSkive,
  threePlaneShave,
  heelAperture,
  elongatedHeelAperture,
  fasciaGroove,
  sweetSpot,
  cuboidSupport,
  fifthMetSupport,
  metPad,
  metBar,
  nerveSpreadPad,
  metHeadRelief,
  firstRayCutOut,
  firstRayAccommodation,
  firstRayWedge,
  firstRayExtension,
  toeCarbonPlate,
  medialFlare,
  lateralFlare,
  medialWrap,
  medialFlange,
] as unknown as LayerDefinition[]

const BY_KIND = new Map(DEFINITIONS.map((d) => [d.kind, d]))

/** The definition of a kind; the test of the registry guarantees that there is one for every kind of the record. */
export function layerDefinition(kind: LayerKind): LayerDefinition {
  const found = BY_KIND.get(kind)
  if (!found) throw new Error(`no layer of kind ${kind}`)
  return found
}

/** Kinds that can be added in the studio. */
export const layerKinds = (): readonly LayerDefinition[] => DEFINITIONS
