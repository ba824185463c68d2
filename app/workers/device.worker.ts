import { LAYERS } from '../../core/kinds/layers/all'
import { expose, transfer } from 'comlink'
import { soleDifference } from '../../core/capture/difference'
import { placeWords } from '../../core/capture/quality/coverage'
import { buildDevice, plainDevice } from '../../core/device/buildDevice'
import { calipersOf, type Calipers } from '../../core/device/calipers'
import { contourRings, deviceContours } from '../../core/device/contours'
import type { Reach } from '../../core/kinds/layers/definition'
import type { DeviceRows } from '../../core/device/deviceRows'
import { soleOutline, trimLines } from '../../core/device/outline'
import { cutSection, type Section } from '../../core/device/section'
import { buildShell, type ShellBody } from '../../core/device/bodySolid'
import { fieldKey, footField } from '../../core/device/footField'
import type { SoleField } from '../../core/geometry/soleField'
import type { Stands } from '../../core/device/stands'
import { buildSolid, inRealSpace, standingOf } from '../../core/device/solid'
import {
  deviceWidths,
  stackHeights,
  type SpacePlace,
  type WidthPlace,
} from '../../core/device/space'
import { buildSurface } from '../../core/device/surface'
import { surfaceChange } from '../../core/device/surfaceChange'
import { waysOut, type WayOut } from '../../core/device/waysOut'
import { deviceFiles } from '../../core/formats/deviceFiles'
import { decodeSurface } from '../../core/record/surfaceHeights'
import type { CapturedSurface } from '../../core/record/captureSchema'
import type { Contradiction } from '../../core/advice/contradictions'
import { ofOtherDevices } from '../../core/advice/ofOtherDevices'
import { finishedDevices } from '../../core/advice/finishedDevices'
import type { FittingRecord, Foot } from '../../core/record/schema'
import type { Side } from '../../core/tables/vocabulary'
import { drawRings, HUES, type DrawnRing } from '../drawing/footDrawing'

type Point = [number, number]

export type TerrainKind = 'device' | 'cast' | 'difference'

/** What the studio draws of one foot after a change. */
export interface Shape {
  lengthMm: number
  outline: Point[]
  /** where the shell is cut: its border first, then its holes */
  trims: Point[][]
  /** contours, drawn: paths are far quicker to hand over than their points */
  rings: DrawnRing[]
  intervalMm: number
  section: Section
  stackMm: Record<SpacePlace, number>
  widthMm: Record<WidthPlace, number>
  layers: {
    kind: string
    index: number
    askedMm: number
    peakMm: number
    at: { xMm: number; yMm: number } | null
    reach: Reach
  }[]
  marks: { heelY: number; archY: number; headsY: number; headLine: Point[] }
  heelWidthMm: number
}

export interface SolidAnswer {
  positions: Float32Array
  triangles: Uint32Array
  /** height from underside to top at every vertex, mm */
  thickness?: Float32Array
  report: ReturnType<typeof buildSolid>['report']
  heelAngleDeg: number | null
}

/** How a device stands, and the forefoot's own angle under it, degrees. */
export interface Standing {
  stands: Stands | null
  forefootDeg: number
}

const fields = new Map<string, SoleField>()
/** the body of a moment ago, for the next change to start from */
const bodies = new Map<Side, ShellBody>()

/**
 * What a foot's devices are built on; the last few are kept, since layers change far more often
 * than readings.
 */
function fieldOf(foot: Foot, rows: DeviceRows): SoleField | null {
  const key = fieldKey(foot, rows)
  const known = fields.get(key)
  if (known) return known
  const found = footField(foot, rows, 1)
  if (!found) return null
  if (fields.size > 5) fields.delete(fields.keys().next().value!)
  fields.set(key, found.field)
  return found.field
}

const api = {
  /**
   * Surface, contours and section after a change; null without a foot length. The section lies at a
   * share of the length, turned by some degrees.
   */
  shape(
    foot: Foot,
    side: Side,
    rows: DeviceRows,
    sectionShare: number,
    terrain: TerrainKind,
    turnDeg = 0,
  ): Shape | null {
    const field = fieldOf(foot, rows)
    if (!field) return null
    const device = foot.device ?? plainDevice()
    const surface = buildSurface(field, device)
    const before = bodies.get(side)
    const body = buildShell(
      surface,
      device,
      rows,
      before?.surface.field === field ? before : undefined,
    )
    bodies.set(side, body)
    const { lengthMm, heelWidthMm } = field.sole.parameters
    const outline = soleOutline(field.sole)
    const inside = (i: number) => field.mask[i] === 1
    const intervalMm = terrain === 'difference' ? 0.5 : 2
    const rings =
      terrain === 'device'
        ? deviceContours(body, intervalMm)
        : terrain === 'cast'
          ? contourRings(field, surface.cast, inside, intervalMm)
          : contourRings(
              field,
              surface.top.map((z, i) => z - surface.cast[i]!),
              inside,
              intervalMm,
            )
    return {
      lengthMm,
      outline,
      trims: trimLines(body),
      rings: drawRings(side, lengthMm, rings, HUES.spruce, 0.05, 0.5, 5, intervalMm, outline),
      intervalMm,
      section: cutSection(body, sectionShare * lengthMm, turnDeg),
      stackMm: stackHeights(body, device),
      widthMm: deviceWidths(body),
      layers: surface.layers.map(({ kind, index, askedMm, peakMm, at }) => ({
        kind,
        index,
        askedMm,
        peakMm,
        at,
        reach: LAYERS.of(kind).reach(field, device.layers[index] as never),
      })),
      marks: {
        heelY: field.sole.heelCentreY,
        archY: 0.42 * lengthMm,
        headsY: field.sole.headLineY(0),
        headLine: field.sole.heads.map((h): Point => [h.x, h.y]),
      },
      heelWidthMm,
    }
  },
  /** How the finished device stands on a flat floor; null without a foot length. */
  standing(foot: Foot, rows: DeviceRows): Standing | null {
    const field = fieldOf(foot, rows)
    if (!field) return null
    const device = foot.device ?? plainDevice()
    const { stands } = standingOf(buildShell(buildSurface(field, device), device, rows))
    return { stands, forefootDeg: field.sole.parameters.forefootDeg }
  },
  /** What the finished devices of a fitting contradict. */
  finished: (record: FittingRecord): Contradiction[] => [
    ...finishedDevices(record),
    ...ofOtherDevices(record),
  ],
  /** What a caliper should read off the finished device; null without a foot length. */
  calipers(foot: Foot, rows: DeviceRows): Calipers | null {
    const field = fieldOf(foot, rows)
    if (!field) return null
    const device = foot.device ?? plainDevice()
    return calipersOf(buildShell(buildSurface(field, device), device, rows))
  },
  /** Ways to make room where it is missing. */
  ways(foot: Foot, missing: Record<SpacePlace, number>, rows: DeviceRows): WayOut[] {
    return waysOut(foot, foot.device ?? plainDevice(), missing, rows)
  },
  /** One file of a device by the end of its name. */
  file(foot: Foot, side: Side, rows: DeviceRows, code: string, end: string): Uint8Array {
    const found = deviceFiles(buildDevice(foot, side, rows), side, code, rows).find(
      (f) => f.name === `${side}${end}`,
    )
    if (!found && end === '-positive.stl')
      throw new Error('This device is not pressed: it has no positive.')
    if (!found) throw new Error(`There is no file ${side}${end}.`)
    return found.bytes
  },
  /** The solid in the foot's real space, for turning in 3D. */
  solid(foot: Foot, side: Side, rows: DeviceRows): SolidAnswer | null {
    const field = fieldOf(foot, rows)
    if (!field) return null
    const device = foot.device ?? plainDevice()
    const solid = buildSolid(buildShell(buildSurface(field, device), device, rows))
    const mesh = inRealSpace(solid.mesh, side)
    const positions = Float32Array.from(mesh.positions)
    // Top and underside share their plan: the height between a vertex and its twin.
    const half = positions.length / 6
    const thickness = Float32Array.from(
      { length: 2 * half },
      (_, i) => positions[3 * (i % half) + 2]! - positions[3 * ((i % half) + half) + 2]!,
    )
    return transfer(
      {
        positions,
        triangles: mesh.triangles,
        thickness,
        report: solid.report,
        heelAngleDeg: solid.heelAngleDeg,
      },
      [positions.buffer, mesh.triangles.buffer, thickness.buffer],
    )
  },
  /**
   * What a device's move onto the captured surface changes; null where one of the two surfaces is
   * missing.
   */
  change: (foot: Foot, rows: DeviceRows) => surfaceChange(foot, rows),
  /**
   * Two captured soles against each other, as rings above (+) and below (−) and their common plan.
   */
  difference(first: CapturedSurface, second: CapturedSurface, intervalMm: number) {
    const grid = (s: CapturedSurface) => ({ ...decodeSurface(s), lengthMm: s.lengthMm })
    const { grid: d, largest, rmsMm } = soleDifference(grid(first), grid(second))
    const rings = (sign: 1 | -1) =>
      contourRings(
        d,
        d.z.map((v) => sign * v),
        (i) => Math.abs(d.z[i]!) < 12,
        intervalMm,
      ).filter((r) => r.heightMm >= intervalMm / 2)
    const plan = contourRings(
      d,
      d.z.map((v) => (Number.isNaN(v) ? 0 : 1)),
      () => true,
      0.5,
    ).filter((r) => r.heightMm === 0.5)
    return {
      largest: largest && { ...largest, words: placeWords(first, largest.xMm, largest.yMm) },
      rmsMm,
      plan: plan.flatMap((r) => r.rings),
      above: rings(1),
      below: rings(-1),
    }
  },
}

export type DeviceWorker = typeof api
expose(api)
