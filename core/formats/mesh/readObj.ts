import { broken, MOST_TRIANGLES, type MeshFile } from './meshFile'
import { TextReader } from './textReader'

/**
 * Reads the points and faces of an OBJ; polygons are cut into triangles from their first corner,
 * everything else is passed over.
 *
 * @throws Refusal with the line
 */
export function readObj(bytes: Uint8Array): MeshFile {
  const reader = new TextReader(bytes)
  const positions: number[] = []
  const triangles: number[] = []
  while (!reader.ended) {
    const word = reader.word()
    if (word === 'v') positions.push(reader.number(), reader.number(), reader.number())
    else if (word === 'f') face(reader, positions.length / 3, triangles)
    else if (word !== '' && word[0] !== '#' && !/^[a-z_]{1,12}$/i.test(word))
      throw broken(`"${word.slice(0, 40)}" does not begin a line of an OBJ`, reader.place)
    reader.nextLine()
    if (triangles.length > 3 * MOST_TRIANGLES)
      throw broken(`More than ${MOST_TRIANGLES} triangles`, reader.place)
  }
  if (positions.length === 0) throw broken('This OBJ holds no point', 'whole file')
  return {
    format: 'obj',
    unit: null,
    positions: Float64Array.from(positions),
    triangles: Uint32Array.from(triangles),
    notes: [],
  }
}

/**
 * One face; corners count from 1, or backwards from the last point when negative; texture and
 * normal numbers are passed over.
 */
function face(reader: TextReader, points: number, triangles: number[]) {
  const corners: number[] = []
  while (!reader.lineEnded) {
    const word = reader.word()
    if (word[0] === '#') break
    const index = Number.parseInt(word, 10)
    const corner = index < 0 ? points + index : index - 1
    if (!Number.isInteger(corner) || corner < 0 || corner >= points)
      throw broken(
        `A face asks for point "${word.slice(0, 20)}", there are ${points} so far`,
        reader.place,
      )
    corners.push(corner)
    if (corners.length > 1000) throw broken('A face has more than 1000 corners', reader.place)
  }
  if (corners.length < 3) throw broken(`A face has ${corners.length} corners`, reader.place)
  for (let i = 2; i < corners.length; i++) triangles.push(corners[0]!, corners[i - 1]!, corners[i]!)
}
