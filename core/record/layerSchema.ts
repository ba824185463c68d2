import { z } from 'zod'

const amount = (fallback: number) => z.number().min(0).max(40).default(fallback)
const angle = z.number().min(-45).max(45)
const base = {
  on: z.boolean().default(true),
  name: z.string().max(80).optional(),
  because: z.string().max(80).optional(),
}
const kind = <K extends string, S extends z.ZodRawShape>(name: K, shape: S) =>
  z.strictObject({ kind: z.literal(name), ...base, ...shape })
/** Where a spot may lie on the sole: to either side of the axis, and from the heel, mm. */
export const SPOT_HALF_MM = 80
export const SPOT_LENGTH_MM = 400
const spot = {
  xMm: z.number().min(-SPOT_HALF_MM).max(SPOT_HALF_MM).default(0),
  yMm: z.number().min(0).max(SPOT_LENGTH_MM).default(35),
  radiusMm: amount(12),
}

/** Every layer kind of the record with its amounts and defaults, so that `{ "kind": … }` alone is valid. */
export const layerSchema = z.discriminatedUnion('kind', [
  kind('heelExpansion', { amountMm: amount(2) }),
  kind('lateralFill', { amountMm: amount(2) }),
  kind('archFill', {
    amountMm: z.number().min(0).max(40).optional(),
    level: z.enum(['minimum', 'standard', 'full']).optional(),
  }),
  kind('intrinsicForefootPost', { angleDeg: angle.optional() }),
  kind('medialSkive', { depthMm: amount(3) }),
  kind('lateralSkive', { depthMm: amount(3) }),
  kind('threePlaneShave', { depthMm: amount(4) }),
  kind('fifthMetSupport', { heightMm: amount(3) }),
  kind('cuboidSupport', { heightMm: amount(3) }),
  kind('metPad', { heightMm: amount(4), behindHeadsMm: z.number().min(-20).max(60).default(8) }),
  kind('metBar', { heightMm: amount(4), behindHeadsMm: z.number().min(-20).max(60).default(8) }),
  kind('nerveSpreadPad', {
    heightMm: amount(4),
    behindHeadsMm: z.number().min(-20).max(60).default(8),
    between: z.array(z.number().int().min(1).max(5)).length(2).default([3, 4]),
  }),
  kind('sweetSpot', { depthMm: amount(2), ...spot }),
  kind('heelAperture', { depthMm: amount(3), through: z.boolean().default(false), ...spot }),
  kind('elongatedHeelAperture', {
    depthMm: amount(3),
    through: z.boolean().default(false),
    ...spot,
  }),
  kind('firstRayCutOut', { depthMm: amount(4), lengthMm: z.number().min(0).max(120).default(35) }),
  kind('firstRayAccommodation', {
    depthMm: amount(4),
    lengthMm: z.number().min(0).max(120).default(35),
  }),
  kind('firstRayWedge', { depthMm: amount(3) }),
  kind('firstRayExtension', { heightMm: amount(3), rigid: z.boolean().default(false) }),
  kind('metHeadRelief', {
    depthMm: amount(2),
    heads: z.array(z.number().int().min(1).max(5)).default([2]),
  }),
  kind('fasciaGroove', { depthMm: amount(2) }),
  kind('medialFlare', { widthMm: amount(4) }),
  kind('lateralFlare', { widthMm: amount(4) }),
  kind('medialWrap', { heightMm: amount(8) }),
  kind('medialFlange', { heightMm: amount(15) }),
  kind('toeCarbonPlate', { thicknessMm: amount(1.2), shorterMm: amount(6) }),
])

/** One layer of a device as stored in the record. */
export type Layer = z.output<typeof layerSchema>
export type LayerKind = Layer['kind']
export type LayerOf<K extends LayerKind> = Extract<Layer, { kind: K }>
