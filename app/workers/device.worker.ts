import { expose, transfer } from 'comlink'
import { soleDifference } from '../../core/capture/difference'
import { placeWords } from '../../core/capture/quality/coverage'
import { plainDevice } from '../../core/device/buildDevice'
import { contourRings, deviceContours, type ContourRing } from '../../core/device/contours'
import { coverLine, soleOutline, trimLine } from '../../core/device/outline'
import { cutSection, type Section } from '../../core/device/section'
import { buildShell } from '../../core/device/shell'
import { fieldKey, footField } from '../../core/device/footField'
import type { SoleField } from '../../core/device/soleField'
import { buildSolid, inRealSpace } from '../../core/device/solid'
import { stackHeights, type SpacePlace } from '../../core/device/space'
import { buildSurface } from '../../core/device/surface'
import { surfaceChange } from '../../core/device/surfaceChange'
import { decodeSurface } from '../../core/formats/heights'
import { writeStl } from '../../core/formats/mesh/writeStl'
import { svgTemplate } from '../../core/formats/svgTemplate'
import type { CapturedSurface } from '../../core/record/captureSchema'
import type { Foot } from '../../core/record/schema'
import type { Side } from '../../core/record/vocabulary'

type Point = [number, number]

export type TerrainKind = 'device' | 'cast' | 'difference'

/** What the studio draws of one foot after a change. */
export interface Shape {
  lengthMm: number
  outline: Point[]
  trim: Point[]
  rings: ContourRing[]
  intervalMm: number
  section: Section
  stackMm: Record<SpacePlace, number>
  layers: { kind: string; askedMm: number; peakMm: number }[]
  marks: { heelY: number; archY: number; headsY: number }
}

export interface SolidAnswer {
  positions: Float32Array
  triangles: Uint32Array
  report: ReturnType<typeof buildSolid>['report']
  heelAngleDeg: number
}

const fields = new Map<string, SoleField>()

/** What a foot's devices are built on; the last few are kept, since layers change far more often than readings. */
function fieldOf(foot: Foot): SoleField | null {
  const key = fieldKey(foot)
  const known = fields.get(key)
  if (known) return known
  const found = footField(foot, 1)
  if (!found) return null
  if (fields.size > 5) fields.delete(fields.keys().next().value!)
  fields.set(key, found.field)
  return found.field
}

const api = {
  /** Surface, contours and section after a change; null without a foot length. */
  shape(foot: Foot, sectionYMm: number, terrain: TerrainKind): Shape | null {
    const field = fieldOf(foot)
    if (!field) return null
    const device = foot.device ?? plainDevice()
    const surface = buildSurface(field, device)
    const body = buildShell(surface, device)
    const inside = (i: number) => field.mask[i] === 1
    const rings =
      terrain === 'device'
        ? deviceContours(body, 2)
        : terrain === 'cast'
          ? contourRings(field, surface.cast, inside, 2)
          : contourRings(field, surface.top.map((z, i) => z - surface.cast[i]!), inside, 0.5)
    return {
      lengthMm: field.sole.parameters.lengthMm,
      outline: soleOutline(field.sole),
      trim: trimLine(body),
      rings,
      intervalMm: terrain === 'difference' ? 0.5 : 2,
      section: cutSection(body, sectionYMm),
      stackMm: stackHeights(body, device),
      layers: surface.layers.map(({ kind, askedMm, peakMm }) => ({ kind, askedMm, peakMm })),
      marks: { heelY: field.sole.heelCentreY, archY: 0.42 * field.sole.parameters.lengthMm, headsY: field.sole.headLineY(0) - device.outline.distal.behindHeadsMm - 2 },
    }
  },
  /** The solid in the foot's real space, for turning in 3D. */
  solid(foot: Foot, side: Side): SolidAnswer | null {
    const field = fieldOf(foot)
    if (!field) return null
    const device = foot.device ?? plainDevice()
    const solid = buildSolid(buildShell(buildSurface(field, device), device))
    const mesh = inRealSpace(solid.mesh, side)
    const positions = Float32Array.from(mesh.positions)
    return transfer({ positions, triangles: mesh.triangles, report: solid.report, heelAngleDeg: solid.heelAngleDeg }, [positions.buffer, mesh.triangles.buffer])
  },
  /** Binary STL of the solid. */
  stl(foot: Foot, side: Side, code: string): Uint8Array | null {
    const field = fieldOf(foot)
    if (!field) return null
    const device = foot.device ?? plainDevice()
    return writeStl(inRealSpace(buildSolid(buildShell(buildSurface(field, device), device)).mesh, side), `${side} device ${code}, mm`)
  },
  /** What a device's move onto the captured surface changes; null where one of the two surfaces is missing. */
  change: (foot: Foot) => surfaceChange(foot),
  /** Two captured soles against each other, as rings above (+) and below (−) and their common plan. */
  difference(first: CapturedSurface, second: CapturedSurface, intervalMm: number) {
    const grid = (s: CapturedSurface) => ({ ...decodeSurface(s), lengthMm: s.lengthMm })
    const { grid: d, largest, rmsMm } = soleDifference(grid(first), grid(second))
    const rings = (sign: 1 | -1) => contourRings(d, d.z.map((v) => sign * v), (i) => Math.abs(d.z[i]!) < 12, intervalMm).filter((r) => r.heightMm >= intervalMm / 2)
    const plan = contourRings(d, d.z.map((v) => (Number.isNaN(v) ? 0 : 1)), () => true, 0.5).filter((r) => r.heightMm === 0.5)
    return { largest: largest && { ...largest, words: placeWords(first, largest.xMm, largest.yMm) }, rmsMm, plan: plan.flatMap((r) => r.rings), above: rings(1), below: rings(-1) }
  },
  /** Trim template as SVG at 1:1. */
  template(foot: Foot, side: Side, code: string): string | null {
    const field = fieldOf(foot)
    if (!field) return null
    const device = foot.device ?? plainDevice()
    const body = buildShell(buildSurface(field, device), device)
    return svgTemplate({ side, label: code, trim: trimLine(body), cover: coverLine(body, device.outline.cover), foot: soleOutline(field.sole) })
  },
}

export type DeviceWorker = typeof api
expose(api)
