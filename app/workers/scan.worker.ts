import { expose, transfer } from 'comlink'
import { guessUnit, MM_PER, type MeshFormat, type Unit } from '../../core/formats/mesh/meshFile'
import { readMesh } from '../../core/formats/mesh/readMesh'
import { Refusal } from '../../core/record/refusal'

/** A scan as the screen shows it: centred, standing on its lowest point, in mm of the unit that was taken. */
export interface ScanPicture {
  positions: Float32Array
  triangles: Uint32Array
}

/** What reading a file gave, or the one sentence why not. */
export type ScanRead =
  | { ok: true; format: MeshFormat; unitInFile: Unit | null; guess: Unit | null; points: number; triangles: number; sizeMm: [number, number, number]; notes: string[]; picture: ScanPicture }
  | { ok: false; words: string }

const api = {
  /** Reads a file away from the screen; ending the worker cancels it. */
  read(name: string, bytes: Uint8Array, unit?: Unit): ScanRead {
    try {
      const file = readMesh(name, bytes)
      const guess = guessUnit(file.positions)
      const scale = MM_PER[unit ?? file.unit ?? guess ?? 'mm']
      const { positions, sizeMm } = centred(file.positions, scale)
      const picture = { positions, triangles: file.triangles }
      return transfer<ScanRead>({ ok: true, format: file.format, unitInFile: file.unit, guess, points: file.positions.length / 3, triangles: file.triangles.length / 3, sizeMm, notes: file.notes, picture }, [positions.buffer, file.triangles.buffer])
    } catch (error) {
      if (error instanceof Refusal) return { ok: false, words: error.message }
      throw error
    }
  },
}

function centred(from: Float64Array, scale: number): { positions: Float32Array; sizeMm: [number, number, number] } {
  const low = [Infinity, Infinity, Infinity]
  const high = [-Infinity, -Infinity, -Infinity]
  for (let i = 0; i < from.length; i++) {
    const v = from[i]! * scale
    if (v < low[i % 3]!) low[i % 3] = v
    if (v > high[i % 3]!) high[i % 3] = v
  }
  const positions = new Float32Array(from.length)
  const shift = [(low[0]! + high[0]!) / 2, (low[1]! + high[1]!) / 2, low[2]!]
  for (let i = 0; i < from.length; i++) positions[i] = from[i]! * scale - shift[i % 3]!
  return { positions, sizeMm: [high[0]! - low[0]!, high[1]! - low[1]!, high[2]! - low[2]!] }
}

expose(api)
export type ScanWorker = typeof api
