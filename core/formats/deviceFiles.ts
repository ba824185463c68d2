import { zipSync } from 'fflate'
import { buildDevice, type BuiltDevice } from '../device/buildDevice'
import { coverLine, soleOutline, trimLines } from '../device/outline'
import { sheetParts } from '../device/sheetParts'
import { inRealSpace } from '../device/solid'
import { soleSurfaceMesh } from '../device/soleSurfaceMesh'
import type { Mesh } from '../geometry/mesh'
import type { FittingRecord } from '../record/schema'
import { SIDES, type Side } from '../record/vocabulary'
import { dxfTemplate } from './dxfTemplate'
import { prescription } from './prescription'
import { svgTemplate } from './svgTemplate'
import { layTemplate, type Template, type TemplateInput } from './template'
import { write3mf, writeObj } from './mesh/writers'
import { writeStl } from './mesh/writeStl'

export interface NamedFile {
  name: string
  bytes: Uint8Array
}

const text = (name: string, content: string): NamedFile => ({ name, bytes: new TextEncoder().encode(content) })

/** The template of a device: where the shell is cut, its sheet parts, and the foot it is for. */
export function templateOf({ body, device, surface }: BuiltDevice, side: Side, label: string): Template {
  const cover = coverLine(body, device.outline.cover)
  const lines: TemplateInput['lines'] = [
    { id: 'foot', words: 'foot', style: 'light', points: soleOutline(surface.field.sole) },
    { id: 'cover', words: 'cover', style: 'dashed', points: cover },
    ...trimLines(body).map((points, i) => ({ id: i === 0 ? 'trim' : `hole-${i}`, words: 'shell', style: 'solid' as const, points })),
    ...sheetParts(body, device)
      .filter((p) => p.id !== 'cover' && p.id !== 'base')
      .flatMap((p) => p.lines.map((points, i) => ({ id: `${p.id}${i ? `-${i + 1}` : ''}`, words: `${p.words.toLowerCase()} ${p.thicknessMm} mm`, style: 'dashed' as const, points }))),
  ]
  return layTemplate({ side, label, lines })
}

/** Every file of one foot's device: solid as STL, OBJ and 3MF, the sole surface for milling, the trim template as SVG and DXF. */
export function deviceFiles(built: BuiltDevice, side: Side, label: string): NamedFile[] {
  const mesh = inRealSpace(built.solid.mesh, side)
  const sole = inRealSpace(soleSurfaceMesh(built.body), side)
  const template = templateOf(built, side, label)
  return [
    { name: `${side}.stl`, bytes: writeStl(mesh, `${side} device, mm`) },
    { name: `${side}-sole.stl`, bytes: writeStl(sole, `${side} sole surface, mm`) },
    { name: `${side}.obj`, bytes: writeObj(mesh, `${side} device`) },
    { name: `${side}.3mf`, bytes: write3mf([{ name: `${side} device`, mesh }]) },
    text(`${side}-template.svg`, svgTemplate(template)),
    text(`${side}-template.dxf`, dxfTemplate(template)),
  ]
}

/** Distance of the two middles when a pair lies side by side, mm. */
const PAIR_APART_MM = 130

/** Both devices side by side in one 3MF, left at the left. */
export function pair3mf(pair: readonly { side: Side; built: BuiltDevice }[]): NamedFile {
  const moved = (mesh: Mesh, dx: number): Mesh => ({ ...mesh, positions: mesh.positions.map((v, i) => (i % 3 === 0 ? v + dx : v)) })
  return { name: 'pair.3mf', bytes: write3mf(pair.map(({ side, built }) => ({ name: `${side} device`, mesh: moved(inRealSpace(built.solid.mesh, side), side === 'left' ? -PAIR_APART_MM / 2 : PAIR_APART_MM / 2) }))) }
}

/** The devices of a record that are made, built. */
export const madeDevices = (record: FittingRecord): { side: Side; built: BuiltDevice }[] =>
  SIDES.flatMap((side) => {
    const foot = record.feet[side]
    return foot?.device && foot.device.kind !== 'none' ? [{ side, built: buildDevice(foot, side) }] : []
  })

/** Everything of a pair that core can write: both devices, the pair in one 3MF, the prescription as JSON. */
export function pairFiles(record: FittingRecord, on: string): NamedFile[] {
  const made = madeDevices(record)
  const label = record.client?.code ?? 'no client code'
  return [
    ...made.flatMap(({ side, built }) => deviceFiles(built, side, label)),
    ...(made.length > 0 ? [pair3mf(made)] : []),
    text('prescription.json', `${JSON.stringify(prescription(record, on), null, 2)}\n`),
  ]
}

/** A fixed day inside the archive, so that the same files give the same bytes. */
const EPOCH = new Date(1980, 0, 1)

/** Files in one zip. */
export const zipFiles = (files: readonly NamedFile[]): Uint8Array => zipSync(Object.fromEntries(files.map((f) => [f.name, f.bytes])), { mtime: EPOCH })
