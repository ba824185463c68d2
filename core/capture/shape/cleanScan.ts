import type { Mesh } from '../../geometry/mesh'
import { Refusal } from '../../record/refusal'
import { partOf } from './compact'
import { boxOf, componentsOf, spacingOf, type Component } from './components'
import { dropDoubles, turnFlipped } from './faces'
import { findPlate, plateLike } from './plate'

/**
 * A scan fit to look for a foot in: one body, no specks, no table; everything that was left out is
 * said.
 */
export interface CleanScan extends Mesh {
  /** what was cleaned, in words */
  notes: string[]
  /** mean distance between neighbouring points, mm */
  spacingMm: number
  /** closed lines where the surface ends, other than the outermost one */
  holes: number
  /** a second foot that was in the file */
  other: Mesh | null
}

/** Loose pieces smaller than this are specks, mm². */
const SPECK_MM2 = 300
/** Least and longest side of a body that can be a foot, mm. */
const FOOT_SIDE_MM = [110, 420] as const
/** A second piece at least this long is another foot, not a part of the first, mm. */
const SECOND_FOOT_MM = 150

const footSized = (c: Component, all: readonly Component[]) =>
  c.longestMm <= FOOT_SIDE_MM[1] && (c.longestMm >= FOOT_SIDE_MM[0] || all.length > 1)

/**
 * Cleans a scan in mm: doubled faces, a table plate (loose or grown together with the foot),
 * specks, faces turned inside out. What cannot be cleaned is refused with a reason.
 *
 * @throws Refusal `no-foot` when nothing of a foot's size is left
 */
export function cleanScan(scan: Mesh): CleanScan {
  const notes: string[] = []
  const near = withoutStrays(scan)
  if (near.strays > 0) notes.push(`${near.strays} stray points far from everything left out`)
  let mesh: Mesh = near.mesh
  const single = dropDoubles(mesh)
  if (single.dropped > 0) {
    notes.push(`${single.dropped} doubled triangles left out`)
    mesh = { positions: mesh.positions, triangles: single.triangles }
  }
  const spacingMm = spacingOf(mesh)
  const plate = findPlate(mesh, spacingMm)
  if (plate) {
    notes.push('a table plate was cut away')
    mesh = plate
  }
  const { labels, components: all } = componentsOf(mesh, spacingMm)
  let components = all
  const tables = components.filter((c) => plateLike(c))
  if (tables.length > 0 && tables.length < components.length) {
    if (!plate) notes.push('a table plate was left out')
    components = components.filter((c) => !tables.includes(c))
  }
  const largest = components[0]
  if (!largest || largest.areaMm2 < 5000 || !footSized(largest, components) || plateLike(largest))
    throw notAFoot(largest)
  const box = boxOf(mesh, labels, largest.label)
  const second = components
    .slice(1)
    .find(
      (c) =>
        c.areaMm2 > 0.35 * largest.areaMm2 &&
        c.longestMm > Math.max(SECOND_FOOT_MM, 0.7 * largest.longestMm),
    )
  // A strip that was not seen cuts a foot in two: a large piece close by belongs to it.
  const part = (c: Component) =>
    c.areaMm2 > 0.08 * largest.areaMm2 &&
    box.holds(c, FOOT_SIDE_MM[1] - largest.longestMm) &&
    box.gap(c) < 50
  const kept = components.filter(
    (c) => c === largest || (c !== second && c.areaMm2 > SPECK_MM2 && (box.holds(c, 6) || part(c))),
  )
  const specks = components.length - kept.length - (second ? 1 : 0)
  if (specks > 0) notes.push(`${specks} loose ${specks === 1 ? 'piece' : 'pieces'} left out`)
  const keep = new Set(kept.map((c) => c.label))
  let body =
    components.length + tables.length === keep.size
      ? mesh
      : partOf(mesh, (i) => keep.has(labels[i]!))
  const turned = turnFlipped(body)
  if (turned.flipped > 0) {
    notes.push(`${turned.flipped} triangles lay inside out and were turned`)
    body = { positions: body.positions, triangles: turned.triangles }
  }
  const other = second ? partOf(mesh, (i) => labels[i] === second.label) : null
  return { ...body, notes, spacingMm, holes: turned.holes, other }
}

/** Nothing of a foot lies further than this from the middle of a scan, tables included, mm. */
const FAR_MM = 1200

/**
 * A scan without points that lie far from the middle of most of them: one stray coordinate must not
 * stretch everything that follows.
 */
function withoutStrays(mesh: Mesh): { mesh: Mesh; strays: number } {
  const p = mesh.positions
  const step = 3 * Math.max(1, Math.floor(p.length / 3 / 5000))
  const middle = [0, 1, 2].map((k) => {
    const values: number[] = []
    for (let i = k; i < p.length; i += step) values.push(p[i]!)
    return values.sort((a, b) => a - b)[Math.floor(values.length / 2)]!
  })
  const near = (i: number) => [0, 1, 2].every((k) => Math.abs(p[3 * i + k]! - middle[k]!) <= FAR_MM)
  let strays = 0
  for (let i = 0; i < p.length / 3; i++) if (!near(i)) strays++
  return { mesh: strays === 0 ? mesh : partOf(mesh, near), strays }
}

function notAFoot(largest: Component | undefined): Refusal {
  const size = largest
    ? ` The largest piece is ${largest.sizeMm.map((v) => v.toFixed(0)).join(' × ')} mm.`
    : ''
  return new Refusal(
    'no-foot',
    `There is no foot in this file, or its unit is wrong.${size} Take another unit, or scan again.`,
    'scan',
  )
}
