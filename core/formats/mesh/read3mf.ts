import { unzipSync, type UnzipFileInfo } from 'fflate'
import { broken, MOST_TRIANGLES, type MeshFile } from './meshFile'
import type { Unit } from '../../geometry/units'
import { Refusal } from '../../record/refusal'

/** A packed model may grow to this many bytes: more is no single text for the machine. */
const MOST_BYTES = 400_000_000
/** Text of a mesh packs to a fifth or a tenth; what packs to less than this was made to flood. */
const MOST_GROWTH = 200
/** Growth is looked at from this size on, bytes. */
const GROWTH_FROM_BYTES = 20_000_000
/** Entries of a package, and times that one object is put into another. */
const MOST_ENTRIES = 10_000
const MOST_PLACED = 10_000
/** Objects within objects. */
const MOST_DEPTH = 8
const UNIT_NAMES: Record<string, [Unit, number]> = {
  millimeter: ['mm', 1],
  centimeter: ['cm', 1],
  meter: ['m', 1],
  inch: ['in', 1],
  micron: ['mm', 0.001],
  foot: ['in', 12],
}

interface Part {
  positions: number[]
  triangles: number[]
  components: { id: string; transform: number[] }[]
}
const IDENTITY = [1, 0, 0, 0, 1, 0, 0, 0, 1, 0, 0, 0]

/**
 * Reads the model of a 3MF: every object that the build asks for, with its transform, as one mesh
 * in the unit that the file names.
 *
 * @throws Refusal with the place
 */
export function read3mf(bytes: Uint8Array): MeshFile {
  const { unit, scale, parts, items } = model(modelText(bytes))
  const positions: number[] = []
  const triangles: number[] = []
  let placed = 0
  const place = (id: string, transform: number[], depth: number): void => {
    const part = parts.get(id)
    if (!part) throw broken(`The build asks for object ${id}, which is not there`, `object ${id}`)
    if (depth > MOST_DEPTH) throw broken('Objects hold each other too deeply', `object ${id}`)
    if (++placed > MOST_PLACED)
      throw broken(`Objects are put together more than ${MOST_PLACED} times`, `object ${id}`)
    if (positions.length + part.positions.length > 9 * MOST_TRIANGLES)
      throw broken(`More than ${3 * MOST_TRIANGLES} points`, `object ${id}`)
    const first = positions.length / 3
    const t = transform
    for (let i = 0; i < part.positions.length; i += 3) {
      const [x, y, z] = [part.positions[i]!, part.positions[i + 1]!, part.positions[i + 2]!]
      positions.push(
        scale * (x * t[0]! + y * t[3]! + z * t[6]! + t[9]!),
        scale * (x * t[1]! + y * t[4]! + z * t[7]! + t[10]!),
        scale * (x * t[2]! + y * t[5]! + z * t[8]! + t[11]!),
      )
    }
    for (const corner of part.triangles) triangles.push(first + corner)
    if (triangles.length > 3 * MOST_TRIANGLES)
      throw broken(`More than ${MOST_TRIANGLES} triangles`, `object ${id}`)
    for (const c of part.components) place(c.id, combine(c.transform, t), depth + 1)
  }
  for (const item of items.length
    ? items
    : [...parts.keys()].map((id) => ({ id, transform: IDENTITY })))
    place(item.id, item.transform, 0)
  if (positions.length === 0) throw broken('This 3MF holds no mesh', 'model')
  return {
    format: '3mf',
    unit,
    positions: Float64Array.from(positions),
    triangles: Uint32Array.from(triangles),
    notes: [],
  }
}

/** Unpacks what is asked for; whatever is wrong with the package is said in a sentence. */
function unpacked(bytes: Uint8Array, filter: (entry: UnzipFileInfo) => boolean) {
  try {
    return unzipSync(bytes, { filter })
  } catch (error) {
    if (error instanceof Refusal) throw error
    throw broken(`The package cannot be unpacked: ${(error as Error).message}`, 'package')
  }
}

/** The one entry that is read: the others are looked at by name and size alone. */
function modelText(bytes: Uint8Array): string {
  const entries: UnzipFileInfo[] = []
  unpacked(bytes, (entry) => {
    if (entries.push(entry) > MOST_ENTRIES)
      throw broken(`More than ${MOST_ENTRIES} entries`, 'package')
    return false
  })
  const models = entries.filter((entry) => /\.model$/i.test(entry.name))
  const chosen = models.find((entry) => /3dmodel\.model$/i.test(entry.name)) ?? models[0]
  if (!chosen) throw broken('There is no model in this package', 'package')
  const { name, size, originalSize } = chosen
  if (originalSize > MOST_BYTES)
    throw broken(`It unpacks to more than ${MOST_BYTES / 1e6} MB`, name)
  if (originalSize > GROWTH_FROM_BYTES && originalSize > MOST_GROWTH * size)
    throw broken(`It unpacks to more than ${MOST_GROWTH} times its size`, name)
  const model = unpacked(bytes, (entry) => entry.name === name)[name]
  return new TextDecoder().decode(model)
}

const TAG =
  /<(\/?)(?:[\w-]+:)?(model|object|vertex|triangle|component|item|resources|build)\b([^<>]*?)\/?>/g

function model(text: string): {
  unit: Unit
  scale: number
  parts: Map<string, Part>
  items: { id: string; transform: number[] }[]
} {
  if (!/<(?:[\w-]+:)?model\b/.test(text)) throw broken('The model has no <model>', 'model')
  if (!/<\/(?:[\w-]+:)?model>/.test(text))
    throw broken('It ends in the middle: the file was cut off', 'end of the model')
  let unit: Unit = 'mm'
  let scale = 1
  const parts = new Map<string, Part>()
  const items: { id: string; transform: number[] }[] = []
  let part: Part | null = null
  let counted = 0
  for (const [, closing, tag, attributes] of text.matchAll(TAG)) {
    if (closing) {
      if (tag === 'object') part = null
      continue
    }
    const of = (name: string) => attribute(attributes!, name)
    if (tag === 'model') {
      const named = UNIT_NAMES[of('unit') ?? 'millimeter']
      if (!named) throw broken(`"${of('unit')}" is no unit`, 'model')
      ;[unit, scale] = named
    } else if (tag === 'object') {
      part = { positions: [], triangles: [], components: [] }
      parts.set(of('id') ?? '', part)
    } else if (tag === 'vertex' && part)
      part.positions.push(
        number(of('x'), counted),
        number(of('y'), counted),
        number(of('z'), counted),
      )
    else if (tag === 'triangle' && part) {
      const points = part.positions.length / 3
      for (const name of ['v1', 'v2', 'v3']) {
        const corner = number(of(name), counted)
        if (!Number.isInteger(corner) || corner < 0 || corner >= points)
          throw broken(
            `A triangle asks for point ${corner}, there are ${points}`,
            `triangle ${part.triangles.length / 3 + 1}`,
          )
        part.triangles.push(corner)
      }
    } else if (tag === 'component' && part)
      part.components.push({ id: of('objectid') ?? '', transform: transformOf(of('transform')) })
    else if (tag === 'item')
      items.push({ id: of('objectid') ?? '', transform: transformOf(of('transform')) })
    counted++
  }
  return { unit, scale, parts, items }
}

function attribute(attributes: string, name: string): string | undefined {
  const at = attributes.indexOf(` ${name}="`)
  if (at < 0) return undefined
  const from = at + name.length + 3
  const to = attributes.indexOf('"', from)
  return to < 0 ? undefined : attributes.slice(from, to)
}

function number(text: string | undefined, counted: number): number {
  const value = text === undefined || text.trim() === '' ? Number.NaN : Number(text)
  if (!Number.isFinite(value))
    throw broken(
      `"${String(text).slice(0, 40)}" is not a number`,
      `element ${counted + 1} of the model`,
    )
  return value
}

function transformOf(text: string | undefined): number[] {
  if (text === undefined) return IDENTITY
  const values = text.trim().split(/\s+/).map(Number)
  if (values.length !== 12 || values.some((v) => !Number.isFinite(v)))
    throw broken('A transform needs twelve numbers', 'build')
  return values
}

/** First a, then b: 4 × 3 matrices in rows as the format writes them. */
function combine(a: number[], b: number[]): number[] {
  const out: number[] = []
  for (let row = 0; row < 4; row++)
    for (let column = 0; column < 3; column++)
      out.push(
        a[3 * row]! * b[column]! +
          a[3 * row + 1]! * b[3 + column]! +
          a[3 * row + 2]! * b[6 + column]! +
          (row === 3 ? b[9 + column]! : 0),
      )
  return out
}
