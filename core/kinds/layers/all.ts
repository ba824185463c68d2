import { z } from 'zod'
import { archFill } from './archFill'
import { cuboidSupport } from './cuboidSupport'
import { elongatedHeelAperture } from './elongatedHeelAperture'
import { fasciaGroove } from './fasciaGroove'
import { fifthMetSupport } from './fifthMetSupport'
import { firstRayAccommodation } from './firstRayAccommodation'
import { firstRayCutOut } from './firstRayCutOut'
import { firstRayExtension } from './firstRayExtension'
import { firstRayWedge } from './firstRayWedge'
import { forefootExtension } from './forefootExtension'
import { forefootWedge } from './forefootWedge'
import { gaitPlate } from './gaitPlate'
import { heelAperture } from './heelAperture'
import { heelCushion } from './heelCushion'
import { heelExpansion } from './heelExpansion'
import { intrinsicForefootPost } from './intrinsicForefootPost'
import { lateralFill } from './lateralFill'
import { lateralFlange } from './lateralFlange'
import { lateralFlare } from './lateralFlare'
import { lateralSkive } from './lateralSkive'
import { medialFlange } from './medialFlange'
import { medialFlare } from './medialFlare'
import { medialSkive } from './medialSkive'
import { medialWrap } from './medialWrap'
import { metBar } from './metBar'
import { metHeadRelief } from './metHeadRelief'
import { metPad } from './metPad'
import { nerveSpreadPad } from './nerveSpreadPad'
import { raiseTwoToFive } from './raiseTwoToFive'
import { sweetSpot } from './sweetSpot'
import { threePlaneShave } from './threePlaneShave'
import { toeCarbonPlate } from './toeCarbonPlate'
import { underArchFill } from './underArchFill'
import { registry } from '../registry'
import type { LayerKindOf } from './definition'

/**
 * Every kind of layer, in the order in which the studio offers them: cast, heel, midfoot, forefoot,
 * outline.
 */
const LIST = [
  archFill,
  heelExpansion,
  lateralFill,
  intrinsicForefootPost,
  medialSkive,
  lateralSkive,
  threePlaneShave,
  heelAperture,
  elongatedHeelAperture,
  heelCushion,
  fasciaGroove,
  sweetSpot,
  cuboidSupport,
  fifthMetSupport,
  underArchFill,
  metPad,
  metBar,
  nerveSpreadPad,
  metHeadRelief,
  firstRayCutOut,
  firstRayAccommodation,
  firstRayWedge,
  firstRayExtension,
  raiseTwoToFive,
  forefootWedge,
  forefootExtension,
  gaitPlate,
  toeCarbonPlate,
  medialFlare,
  lateralFlare,
  medialWrap,
  medialFlange,
  lateralFlange,
] as const

type Kinds = (typeof LIST)[number]
/** One layer of a device as the record keeps it. */
export type Layer = z.output<Kinds['stored']>
export type LayerKind = Layer['kind']
export type LayerOf<K extends LayerKind> = Extract<Layer, { kind: K }>

/** A definition as whoever reads the list sees it: of some kind, its layer any layer. */
export type AnyLayerKind = LayerKindOf<LayerKind, z.ZodRawShape, Layer>

export const LAYERS = registry(LIST as unknown as readonly AnyLayerKind[])

/**
 * Schema of a layer: every kind of the list with its numbers and defaults, so that `{ "kind": … }`
 * alone is valid.
 */
export const layerSchema = z.discriminatedUnion(
  'kind',
  LAYERS.all.map((d) => d.stored) as unknown as [Kinds['stored'], ...Kinds['stored'][]],
)
