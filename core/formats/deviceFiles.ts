import { zipSync } from 'fflate'
import { buildDevice, type BuiltDevice } from '../device/buildDevice'
import type { MaterialRows } from '../device/materialNames'
import { coverLine, soleOutline, trimLines } from '../device/outline'
import { sheetParts } from '../device/sheetParts'
import { inRealSpace } from '../device/solid'
import { soleSurfaceMesh } from '../device/soleSurfaceMesh'
import type { Mesh } from '../geometry/mesh'
import type { FittingRecord } from '../record/schema'
import { normsOf } from '../record/tables'
import { SIDES, type Side } from '../tables/vocabulary'
import { dxfTemplate } from './dxfTemplate'
import { prescription } from './papers/prescription'
import { svgTemplate } from './svgTemplate'
import { layTemplate, type Template, type TemplateInput } from './template'
import { write3mf } from './mesh/write3mf'
import { writeObj } from './mesh/writeObj'
import { writeStl } from './mesh/writeStl'

export interface NamedFile {
  name: string
  bytes: Uint8Array
}

const text = (name: string, content: string): NamedFile => ({
  name,
  bytes: new TextEncoder().encode(content),
})

/** The template of a device: where the shell is cut, its sheet parts, and the foot it is for. */
export function templateOf(
  { body, device, surface }: BuiltDevice,
  side: Side,
  label: string,
  rows: MaterialRows,
): Template {
  const cover = coverLine(body, device.outline.cover)
  const lines: TemplateInput['lines'] = [
    { id: 'foot', words: 'foot', style: 'light', points: soleOutline(surface.field.sole) },
    { id: 'cover', words: 'cover', style: 'dashed', points: cover },
    ...trimLines(body).map((points, i) => ({
      id: i === 0 ? 'trim' : `hole-${i}`,
      words: 'shell',
      style: 'solid' as const,
      points,
    })),
    ...sheetParts(body, device, rows)
      .filter((p) => p.id !== 'cover' && p.id !== 'base')
      .flatMap((p) =>
        p.lines.map((points, i) => ({
          id: `${p.id}${i ? `-${i + 1}` : ''}`,
          words: `${p.words.toLowerCase()} ${p.thicknessMm} mm`,
          style: 'dashed' as const,
          points,
        })),
      ),
  ]
  return layTemplate({ side, label, lines })
}

/**
 * Every file of one foot's device: solid as STL, OBJ and 3MF, the sole surface for milling, the
 * trim template as SVG and DXF.
 */
export function* eachDeviceFile(
  built: BuiltDevice,
  side: Side,
  label: string,
  rows: MaterialRows,
): Generator<NamedFile> {
  const mesh = inRealSpace(built.solid.mesh, side)
  const sole = inRealSpace(soleSurfaceMesh(built.body), side)
  const template = templateOf(built, side, label, rows)
  yield { name: `${side}.stl`, bytes: writeStl(mesh, `${side} device, mm`) }
  yield { name: `${side}-sole.stl`, bytes: writeStl(sole, `${side} sole surface, mm`) }
  yield { name: `${side}.obj`, bytes: writeObj(mesh, `${side} device`) }
  yield { name: `${side}.3mf`, bytes: write3mf([{ name: `${side} device`, mesh }]) }
  yield text(`${side}-template.svg`, svgTemplate(template))
  yield text(`${side}-template.dxf`, dxfTemplate(template))
}

export const deviceFiles = (
  built: BuiltDevice,
  side: Side,
  label: string,
  rows: MaterialRows,
): NamedFile[] => [...eachDeviceFile(built, side, label, rows)]

/** Distance of the two middles when a pair lies side by side, mm. */
const PAIR_APART_MM = 130

/** Both devices side by side in one 3MF, left at the left. */
function pair3mf(pair: readonly { side: Side; built: BuiltDevice }[]): NamedFile {
  const moved = (mesh: Mesh, dx: number): Mesh => ({
    ...mesh,
    positions: mesh.positions.map((v, i) => (i % 3 === 0 ? v + dx : v)),
  })
  return {
    name: 'pair.3mf',
    bytes: write3mf(
      pair.map(({ side, built }) => ({
        name: `${side} device`,
        mesh: moved(
          inRealSpace(built.solid.mesh, side),
          side === 'left' ? -PAIR_APART_MM / 2 : PAIR_APART_MM / 2,
        ),
      })),
    ),
  }
}

/** Feet of a record for which a device is made. */
export const madeSides = (record: FittingRecord): Side[] =>
  SIDES.filter((side) => record.feet[side]?.device && record.feet[side]!.device!.kind !== 'none')

/** The devices of a record that are made, built. */
export const madeDevices = (record: FittingRecord): { side: Side; built: BuiltDevice }[] =>
  madeSides(record).map((side) => ({
    side,
    built: buildDevice(record.feet[side]!, side, normsOf(record)),
  }))

/**
 * Everything of a pair that core can write, one file after the other: both devices, the pair in one
 * 3MF, the prescription as JSON. Whoever has other things to do meanwhile does them between two
 * files.
 */
export function* eachPairFile(record: FittingRecord, on: string): Generator<NamedFile> {
  const label = record.client?.code ?? 'no client code'
  const made: { side: Side; built: BuiltDevice }[] = []
  for (const side of madeSides(record)) {
    const built = buildDevice(record.feet[side]!, side, normsOf(record))
    made.push({ side, built })
    yield* eachDeviceFile(built, side, label, normsOf(record))
  }
  if (made.length > 0) yield pair3mf(made)
  yield text('prescription.json', `${JSON.stringify(prescription(record, on), null, 2)}\n`)
}

export const pairFiles = (record: FittingRecord, on: string): NamedFile[] => [
  ...eachPairFile(record, on),
]

/** A fixed day inside the archive, so that the same files give the same bytes. */
const EPOCH = new Date(1980, 0, 1)

/** Files in one zip, quickly; what is packed already is only stored. */
export const zipFiles = (files: readonly NamedFile[]): Uint8Array =>
  zipSync(
    Object.fromEntries(
      files.map((f) => [
        f.name,
        [f.bytes, { level: /\.(3mf|pdf)$/.test(f.name) ? 0 : 1 }] as const,
      ]),
    ) as never,
    { mtime: EPOCH },
  )
