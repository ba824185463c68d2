import { broken, MOST_TRIANGLES, type MeshFile } from './meshFile'
import { TextReader } from './textReader'

const SIZES: Record<string, number> = {
  char: 1,
  uchar: 1,
  int8: 1,
  uint8: 1,
  short: 2,
  ushort: 2,
  int16: 2,
  uint16: 2,
  int: 4,
  uint: 4,
  int32: 4,
  uint32: 4,
  float: 4,
  float32: 4,
  double: 8,
  float64: 8,
}
type Scalar = keyof typeof SIZES

interface Property {
  name: string
  type: Scalar
  /** type of the count when it is a list */
  count?: Scalar
}
interface Element {
  name: string
  count: number
  properties: Property[]
}

/** One value at a time, from text or from bytes of either order. */
interface Values {
  next: (type: Scalar) => number
  place: (element: Element, i: number) => string
}

/**
 * Reads a PLY: text, binary little or big endian; elements other than vertex and face are passed
 * over. Without faces it is a point cloud.
 *
 * @throws Refusal with line or element
 */
export function readPly(bytes: Uint8Array): MeshFile {
  const { format, elements, reader } = header(bytes)
  const values =
    format === 'ascii'
      ? textValues(reader)
      : binaryValues(bytes, reader.at, format === 'binary_little_endian')
  const total = elements.reduce((n, e) => n + e.count, 0)
  if (total > bytes.length)
    throw broken(`It promises ${total} elements in ${bytes.length} bytes`, 'header')
  let positions = new Float64Array(0)
  const triangles: number[] = []
  for (const element of elements) {
    const at = ['x', 'y', 'z'].map((n) =>
      element.properties.findIndex((p) => p.name === n && !p.count),
    )
    const isVertex = element.name === 'vertex'
    if (isVertex) {
      if (at.some((i) => i < 0)) throw broken('The points have no x, y and z', 'header')
      positions = new Float64Array(3 * element.count)
    }
    for (let i = 0; i < element.count; i++)
      element.properties.forEach((property, k) => {
        if (property.count) {
          const n = values.next(property.count)
          if (!(n >= 0 && n <= 1000))
            throw broken(`A list of ${n} entries`, values.place(element, i))
          const corners = Array.from({ length: n }, () => values.next(property.type))
          if (element.name === 'face' && /^vertex_ind(ex|ices)$/.test(property.name))
            addFace(corners, positions.length / 3, triangles, () => values.place(element, i))
        } else {
          const value = values.next(property.type)
          const axis = isVertex ? at.indexOf(k) : -1
          if (axis >= 0) {
            if (!Number.isFinite(value))
              throw broken('A coordinate is not a number', values.place(element, i))
            positions[3 * i + axis] = value
          }
        }
      })
  }
  return {
    format: 'ply',
    unit: null,
    positions,
    triangles: Uint32Array.from(triangles),
    notes: triangles.length === 0 ? ['a point cloud: no faces'] : [],
  }
}

function addFace(
  corners: readonly number[],
  points: number,
  triangles: number[],
  place: () => string,
) {
  if (corners.length < 3) throw broken(`A face has ${corners.length} corners`, place())
  for (const c of corners)
    if (!Number.isInteger(c) || c < 0 || c >= points)
      throw broken(`A face asks for point ${c}, there are ${points}`, place())
  for (let i = 2; i < corners.length; i++) triangles.push(corners[0]!, corners[i - 1]!, corners[i]!)
  if (triangles.length > 3 * MOST_TRIANGLES)
    throw broken(`More than ${MOST_TRIANGLES} triangles`, place())
}

function header(bytes: Uint8Array): { format: string; elements: Element[]; reader: TextReader } {
  const reader = new TextReader(bytes)
  if (reader.word() !== 'ply') throw broken('A PLY begins with the word "ply"', 'line 1')
  reader.nextLine()
  let format = ''
  const elements: Element[] = []
  for (let lines = 0; ; lines++) {
    if (reader.ended || lines > 500)
      throw broken('The header has no end: "end_header" is missing', reader.place)
    const word = reader.word()
    if (word === 'end_header') break
    if (word === 'format') format = reader.word()
    else if (word === 'element') {
      const [name, count] = [reader.word(), reader.number()]
      if (!Number.isInteger(count) || count < 0)
        throw broken(`"${count}" is no count of elements`, reader.place)
      elements.push({ name, count, properties: [] })
    } else if (word === 'property') property(reader, elements.at(-1))
    else if (word !== '' && word !== 'comment' && word !== 'obj_info')
      throw broken(`"${word.slice(0, 40)}" does not belong in the header`, reader.place)
    reader.nextLine()
  }
  reader.nextLine()
  if (!['ascii', 'binary_little_endian', 'binary_big_endian'].includes(format))
    throw broken(`"${format}" is no PLY format`, 'header')
  if (!elements.some((e) => e.name === 'vertex' && e.count > 0))
    throw broken('This PLY holds no point', 'header')
  return { format, elements, reader }
}

function property(reader: TextReader, element: Element | undefined) {
  if (!element) throw broken('A property stands before any element', reader.place)
  const first = reader.word()
  const count = first === 'list' ? reader.word() : undefined
  const type = first === 'list' ? reader.word() : first
  const name = reader.word()
  for (const t of count === undefined ? [type] : [count, type])
    if (!(t in SIZES)) throw broken(`"${t.slice(0, 40)}" is no type of a property`, reader.place)
  if (element.properties.length > 100) throw broken('More than 100 properties', reader.place)
  element.properties.push({ name, type, ...(count !== undefined && { count }) })
}

function textValues(reader: TextReader): Values {
  return {
    next: () => {
      while (!reader.ended && reader.lineEnded) reader.nextLine()
      if (reader.ended) throw broken('It ends in the middle: the file was cut off', reader.place)
      return reader.number()
    },
    place: () => reader.place,
  }
}

function binaryValues(bytes: Uint8Array, from: number, little: boolean): Values {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  let at = from
  const read: Record<Scalar, (o: number) => number> = {}
  for (const [names, get] of [
    [['char', 'int8'], (o: number) => view.getInt8(o)],
    [['uchar', 'uint8'], (o: number) => view.getUint8(o)],
    [['short', 'int16'], (o: number) => view.getInt16(o, little)],
    [['ushort', 'uint16'], (o: number) => view.getUint16(o, little)],
    [['int', 'int32'], (o: number) => view.getInt32(o, little)],
    [['uint', 'uint32'], (o: number) => view.getUint32(o, little)],
    [['float', 'float32'], (o: number) => view.getFloat32(o, little)],
    [['double', 'float64'], (o: number) => view.getFloat64(o, little)],
  ] as const)
    for (const name of names) read[name] = get
  return {
    next: (type) => {
      const size = SIZES[type]!
      if (at + size > bytes.length)
        throw broken('It ends in the middle: the file was cut off', `byte ${at}`)
      at += size
      return read[type]!(at - size)
    },
    place: (element, i) => `${element.name} ${i + 1}`,
  }
}
