import { LAYERS, type AnyLayerKind, type Layer } from '../kinds/layers/all'
import { scratch } from '../geometry/scratch'
import { smoothstep as S } from '../geometry/smoothstep'
import type { Device } from '../record/schema'
import { movedWall } from '../kinds/layers/movedWall'
import { BORDER_LIMIT } from './sole'
import type { SoleField } from '../geometry/soleField'

/**
 * How steep a wall stands that is raised beyond the foot's own border: it leans out by one in this
 * many.
 */
const WALL_SLOPE = 3

/**
 * Rim beyond the foot's border, as a share of the shell's thickness, and its largest width, mm
 * (house settings).
 */
const LIP = { share: 0.8, mostMm: 4 } as const

/** Cells further outside the cut than this take no part in anything, mm. */
const FAR_MM = -4

/**
 * A point of the trim line takes its neighbourhood along, so far on either side, as a share of the
 * length (house shape).
 */
const POINT_REACH = 0.08

/**
 * How far the trim line was moved by hand at a share of the length, mm; every point fades out
 * smoothly to both sides.
 */
const movedMm = (
  points: Device['outline']['points'],
  s: number,
  edge: 'medial' | 'lateral',
): number =>
  (points ?? []).reduce(
    (sum, p) =>
      p.edge === edge ? sum + p.mm * Math.max(0, 1 - ((s - p.s) / POINT_REACH) ** 2) ** 2 : sum,
    0,
  )

/** Share of the half width at every cell, as it is once the wall of the heel has been moved outward. */
export function borderOf(field: SoleField, { layers }: Device): Float64Array {
  const mm = layers.reduce(
    (sum, layer) => sum + (layer.on ? (LAYERS.of(layer.kind).outwardMm?.(layer) ?? 0) : 0),
    0,
  )
  return mm > 0 ? movedWall(field, mm).rho : field.rho
}

/** Where a device is cut and how high its rim stands there. */
export interface Trim {
  /** distance inside the trim line (+) per cell, mm; −99 far outside */
  inside: Float64Array
  /** the top with its rim and walls, mm */
  top: Float64Array
  /** distance behind the front edge (+), mm; holds until the next device is cut */
  front: Float64Array
}

/** Height of the foot's own border at every cell, worked out once for each way it lies. */
const BORDERS = new WeakMap<Float64Array, Float64Array>()
function bordersOf(field: SoleField, rho: Float64Array): Float64Array {
  const known = BORDERS.get(rho)
  if (known) return known
  const out = new Float64Array(field.z.length)
  for (let row = 0; row < field.rows; row++) {
    const first = row * field.columns
    for (let i = first + field.from[row]!; i < first + field.to[row]!; i++)
      out[i] = field.sole.borderHeight(field.s[first]!, rho[i]!)
  }
  BORDERS.set(rho, out)
  return out
}

/**
 * One border of one row: the share of the half width at which it is cut, and what must stand above
 * the foot's own border there, mm.
 */
interface Edge {
  limit: number
  raise: number
  rimMm: number
}

/**
 * Cuts a device out of its top. The foot's border is itself the wall up to the height asked (cup
 * depth at the heel, top lines beside the midfoot); what the border does not reach, and what wraps
 * and flanges add, is raised beyond it. Flares and points move the line, apertures and cut-outs
 * take away, the front edge follows the line of the heads.
 */
export function trimDevice(field: SoleField, device: Device, surfaceTop: Float64Array): Trim {
  const size = field.z.length
  const active = device.layers
    .filter((l) => l.on)
    .map((layer) => ({ layer, definition: LAYERS.of(layer.kind) }))
  const having = <K extends 'widen' | 'wall' | 'keep' | 'forwardMm'>(key: K) =>
    active.filter(
      (a): a is { layer: Layer; definition: AnyLayerKind & Required<Pick<AnyLayerKind, K>> } =>
        a.definition[key] !== undefined,
    )
  const [walls, flares, cuts, longer] = [
    having('wall'),
    having('widen'),
    having('keep'),
    having('forwardMm'),
  ]
  const lip = Math.min(LIP.mostMm, LIP.share * device.shell.thicknessMm)
  const edge = (s: number, medial: boolean): Edge => {
    const reach = field.sole.borderHeight(s, BORDER_LIMIT)
    const beside = (medial ? device.outline.medialTopMm : device.outline.lateralTopMm) ?? reach
    const w = S(s, 0.2, 0.36)
    const target =
      (1 - w) * device.outline.heelCupMm +
      w * beside +
      walls.reduce(
        (sum, { layer, definition }) => sum + definition.wall(s, medial, layer as never),
        0,
      )
    const limit = field.sole.borderShare(s, target)
    return { limit, raise: Math.max(0, target - reach), rimMm: field.sole.borderHeight(s, limit) }
  }
  const out: Trim = {
    inside: new Float64Array(size).fill(-99),
    top: surfaceTop.slice(),
    front: scratch('trim.front', size),
  }
  const { inside, top, front } = out
  const border = borderOf(field, device)
  const borders = bordersOf(field, border)
  for (let row = 0; row < field.rows; row++) {
    const first = row * field.columns
    const s = field.s[first]!
    const [outer, inner] = [edge(s, false), edge(s, true)]
    const moved = [
      movedMm(device.outline.points, s, 'lateral'),
      movedMm(device.outline.points, s, 'medial'),
    ] as const
    for (let i = first; i < first + field.columns; i++)
      front[i] = longer.reduce(
        (sum, { layer, definition }) => sum + definition.forwardMm(field, layer as never, i),
        -device.outline.distal.behindHeadsMm - field.q[i]!,
      )
    for (let i = first + field.from[row]!; i < first + field.to[row]!; i++) {
      const rho = border[i]!
      // At the very back the two borders meet: the wall turns smoothly from one height to the
      // other.
      const side = s < 0.1 ? S(field.u[i]!, 0.25, 0.75) : field.u[i]! > 0.5 ? 1 : 0
      const limit = outer.limit + side * (inner.limit - outer.limit)
      const raise = outer.raise + side * (inner.raise - outer.raise)
      const beyond = (rho - limit) * field.reach[i]!
      let wide = lip + raise / WALL_SLOPE - beyond + moved[0] + side * (moved[1] - moved[0])
      for (const { layer, definition } of flares) wide += definition.widen(field, layer as never, i)
      // Far outside nothing is drawn or interpolated.
      if (wide < FAR_MM) {
        inside[i] = wide
        continue
      }
      let cut = Math.min(wide, front[i]!)
      for (const { layer, definition } of cuts)
        cut = Math.min(cut, definition.keep(field, layer as never, i))
      inside[i] = cut
      // Beyond the trim line the rim runs level, where the foot's own border would go on rising.
      if (beyond > 0)
        top[i]! +=
          outer.rimMm +
          side * (inner.rimMm - outer.rimMm) -
          borders[i]! +
          Math.min(raise, beyond * WALL_SLOPE)
    }
  }
  return out
}
