import { zipSync } from 'fflate'
import { buildDevice, type BuiltDevice } from '../device/buildDevice'
import type { MaterialRows } from '../device/materialNames'
import { coverLine, soleOutline, trimLines } from '../device/outline'
import { LAYERS } from '../kinds/layers/all'
import type { ShellBody } from '../device/bodySolid'
import { planOf, sheetParts } from '../device/sheetParts'
import { madeOf } from '../device/shellMaking'
import { buildPositive } from '../device/positive'
import { marked } from '../device/printMarks'
import { buildSolid, inRealSpace } from '../device/solid'
import { soleSurfaceMesh } from '../device/soleSurfaceMesh'
import type { Device, FittingRecord } from '../record/schema'
import { normsOf } from '../record/tables'
import { SIDES, type Side } from '../tables/vocabulary'
import { dxfTemplate } from './dxfTemplate'
import { prescription } from './papers/prescription'
import { nestedPair } from './nestedPair'
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

/** Radius of the ring that stands for a met head, mm, and its corners. */
const HEAD_MM = 4
const HEAD_CORNERS = 24

/** What the bench looks for on a template: heads, pads, spots and reliefs, limits of blocks. */
function placesOf(body: ShellBody, device: Device): TemplateInput['lines'] {
  const { field, layers } = body.surface
  const heads = field.sole.heads.map(({ x, y }, k) => ({
    id: `head-${k + 1}`,
    words: `head ${k + 1}`,
    style: 'light' as const,
    points: Array.from({ length: HEAD_CORNERS }, (_, n): [number, number] => {
      const turn = (2 * Math.PI * n) / HEAD_CORNERS
      return [x + HEAD_MM * Math.cos(turn), y + HEAD_MM * Math.sin(turn)]
    }),
  }))
  const shapes = layers
    .filter(({ kind }) => LAYERS.of(kind).lies !== 'cast' && !LAYERS.of(kind).sheet)
    .flatMap((result) =>
      planOf(body, result.change).map((points, n) => ({
        id: `${result.kind}-${result.index + 1}${n ? `-${n + 1}` : ''}`,
        words: `${LAYERS.of(result.kind).name.toLowerCase()} ${result.askedMm} mm`,
        style: 'dashed' as const,
        points,
      })),
    )
  const blocks = body.blocks.flatMap(({ post, at }, k) =>
    planOf(
      body,
      Float64Array.from(body.blockOf, (block) => (block === k ? 1 : 0)),
    ).map((points, n) => ({
      id: `block-${k + 1}${n ? `-${n + 1}` : ''}`,
      words: post === null ? 'heel base' : `${at} post ${device.posts[post]!.angleDeg}°`,
      style: 'light' as const,
      points,
    })),
  )
  return [...heads, ...shapes, ...blocks]
}

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
    ...placesOf(body, device),
  ]
  return layTemplate({ side, label, lines })
}

/**
 * Every file of one foot's device: solid as STL, OBJ and 3MF, blocks that are glued on, the positive where a
 * sheet is pressed, the sole surface for milling, the trim template as SVG and DXF.
 */
export function* eachDeviceFile(
  built: BuiltDevice,
  side: Side,
  label: string,
  rows: MaterialRows,
): Generator<NamedFile> {
  const { device, body, surface } = built
  const { way } = madeOf(device, rows)
  // What is printed says whose it is.
  const solid = way === 'printed' ? buildSolid(marked(body, side, label)) : built.solid
  const mesh = inRealSpace(solid.mesh, side)
  const sole = inRealSpace(soleSurfaceMesh(built.body), side)
  const template = templateOf(built, side, label, rows)
  yield { name: `${side}.stl`, bytes: writeStl(mesh, `${side} device, mm`) }
  if (way === 'pressed') {
    const positive = inRealSpace(buildPositive(surface.field, device).mesh, side)
    yield {
      name: `${side}-positive.stl`,
      bytes: writeStl(positive, `${side} positive with trim line, mm`),
    }
  }
  yield { name: `${side}-sole.stl`, bytes: writeStl(sole, `${side} sole surface, mm`) }
  yield { name: `${side}.obj`, bytes: writeObj(mesh, `${side} device`) }
  const bodies = [{ name: `${side} device`, mesh }]
  for (const { post, mesh: block } of solid.glued) {
    const name = `${side}-post-${post + 1}`
    const real = inRealSpace(block, side)
    bodies.push({ name: `${side} post ${post + 1}`, mesh: real })
    yield { name: `${name}.stl`, bytes: writeStl(real, `${side} post, glued on, mm`) }
  }
  yield { name: `${side}.3mf`, bytes: write3mf(bodies) }
  yield text(`${side}-template.svg`, svgTemplate(template))
  yield text(`${side}-template.dxf`, dxfTemplate(template))
}

export const deviceFiles = (
  built: BuiltDevice,
  side: Side,
  label: string,
  rows: MaterialRows,
): NamedFile[] => [...eachDeviceFile(built, side, label, rows)]

/** The devices in one file, as they lie on a plate: a pair head to tail, as close as their outlines let them. */
function pair3mf(made: readonly { side: Side; built: BuiltDevice }[]): NamedFile {
  const real = made.map(({ side, built }) => inRealSpace(built.solid.mesh, side))
  const [first, second] = real
  const bodies = first && second ? nestedPair(first, second).bodies : real
  return {
    name: 'pair.3mf',
    bytes: write3mf(bodies.map((mesh, i) => ({ name: `${made[i]!.side} device`, mesh }))),
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
