import { broken, MOST_TRIANGLES, type MeshFile } from './meshFile'
import { TextReader } from './textReader'
import { Welder } from './welder'

/**
 * Does a file begin like an STL written as text? Binary ones may begin with "solid" too: then their
 * length fits their count.
 */
export function isTextStl(bytes: Uint8Array): boolean {
  const begin = new TextDecoder('latin1').decode(bytes.subarray(0, 512)).trimStart().toLowerCase()
  if (!begin.startsWith('solid')) return false
  return (
    !(
      bytes.length >= 84 &&
      bytes.length === 84 + 50 * new DataView(bytes.buffer, bytes.byteOffset).getUint32(80, true)
    ) &&
    (/\bfacet\b|\bendsolid\b/.test(begin) || bytes.length < 512)
  )
}

/**
 * Reads an STL, text or binary. Corners at the same place become one point.
 *
 * @throws Refusal saying which triangle or line is wrong
 */
export const readStl = (bytes: Uint8Array): MeshFile =>
  isTextStl(bytes) ? readTextStl(bytes) : readBinaryStl(bytes)

function readBinaryStl(bytes: Uint8Array): MeshFile {
  if (bytes.length < 84)
    throw broken(`A binary STL has at least 84 bytes, this one has ${bytes.length}`, 'header')
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  const count = view.getUint32(80, true)
  if (count === 0) throw broken('This STL holds no triangle', 'header')
  if (count > MOST_TRIANGLES)
    throw broken(`It says ${count} triangles; at most ${MOST_TRIANGLES} are read`, 'header')
  const whole = Math.floor((bytes.length - 84) / 50)
  if (whole < count)
    throw broken(
      `It promises ${count} triangles and ends after ${whole}: the file was cut off`,
      `triangle ${whole + 1}`,
    )
  const welder = new Welder(count / 2)
  const triangles = new Uint32Array(3 * count)
  for (let i = 0, at = 84; i < count; i++, at += 50)
    for (let k = 0; k < 3; k++) {
      const o = at + 12 + 12 * k
      const [x, y, z] = [
        view.getFloat32(o, true),
        view.getFloat32(o + 4, true),
        view.getFloat32(o + 8, true),
      ]
      if (!Number.isFinite(x + y + z))
        throw broken('A coordinate is not a number', `triangle ${i + 1}`)
      triangles[3 * i + k] = welder.add(x, y, z)
    }
  const more = bytes.length - 84 - 50 * count
  return {
    format: 'stl',
    unit: null,
    positions: welder.positions(),
    triangles,
    notes: more > 0 ? [`${more} bytes after the last triangle ignored`] : [],
  }
}

function readTextStl(bytes: Uint8Array): MeshFile {
  const reader = new TextReader(bytes)
  const welder = new Welder(1000)
  const corners: number[] = []
  let inLoop = 0
  let ended = false
  while (!reader.ended) {
    const word = reader.word().toLowerCase()
    if (word === 'vertex') {
      if (inLoop >= 3) throw broken('A facet has more than three corners', reader.place)
      corners.push(welder.add(reader.number(), reader.number(), reader.number()))
      inLoop++
    } else if (word === 'endloop') {
      if (inLoop !== 3) throw broken(`A facet has ${inLoop} corners instead of three`, reader.place)
      inLoop = 0
    } else if (word === 'endsolid') ended = true
    else if (word !== '' && !['solid', 'facet', 'outer', 'endfacet'].includes(word))
      throw broken(`"${word.slice(0, 40)}" does not belong in an STL`, reader.place)
    reader.nextLine()
    if (corners.length > 3 * MOST_TRIANGLES)
      throw broken(`More than ${MOST_TRIANGLES} triangles`, reader.place)
  }
  if (inLoop !== 0 || (corners.length > 0 && !ended))
    throw broken('It ends in the middle: the file was cut off', reader.place)
  if (corners.length === 0) throw broken('This STL holds no triangle', 'whole file')
  return {
    format: 'stl',
    unit: null,
    positions: welder.positions(),
    triangles: Uint32Array.from(corners),
    notes: [],
  }
}
