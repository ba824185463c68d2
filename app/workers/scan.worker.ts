import { sha256 } from '@noble/hashes/sha2.js'
import { bytesToHex } from '@noble/hashes/utils.js'
import { expose, transfer } from 'comlink'
import {
  captureFoot,
  openScan,
  type CapturedFoot,
  type OpenScan,
} from '../../core/capture/captureScan'
import { decimated } from '../../core/capture/shape/decimate'
import type { Landmarks } from '../../core/capture/foot/landmarks'
import { smoothed } from '../../core/capture/foot/soleGrid'
import { silhouetteBehind } from '../../core/capture/foot/silhouette'
import { examinedOf } from '../../core/capture/quality/examined'
import { borderSag } from '../../core/capture/quality/signals'
import { takenSurface } from '../../core/capture/takenSurface'
import { contourRings, type ContourRing } from '../../core/device/contours'
import type { MeshFile } from '../../core/formats/mesh/meshFile'
import { guessUnit, MM_PER, type Unit } from '../../core/geometry/units'
import { readMesh } from '../../core/formats/mesh/readMesh'
import { allIntoFrame, type Frame } from '../../core/geometry/frame'
import type { CapturedSurface } from '../../core/record/captureSchema'
import type { Norms } from '../../core/record/tables'
import { Refusal } from '../../core/record/refusal'
import type { Foot } from '../../core/record/schema'
import type { Side } from '../../core/tables/vocabulary'

/** A scan as the screen shows it in 3D, mm: standing on its sole once a foot was found in it. */
export interface ScanPicture {
  positions: Float32Array
  triangles: Uint32Array
}

/**
 * What opening a file gave, or the one sentence why not. `why` says why there is no foot in a file
 * that can be read.
 */
export type ScanRead =
  | {
      ok: true
      format: string
      /** of the file as it came */
      sha256: string
      unitInFile: Unit | null
      guess: Unit | null
      points: number
      triangles: number
      sizeMm: [number, number, number]
      notes: string[]
      side: Side | null
      sideSure: boolean
      twoFeet: boolean
      why: string | null
    }
  | { ok: false; words: string }

/**
 * What was read off one foot, ready to be drawn. Everything lies in the foot's frame (x medial),
 * mm.
 */
export interface Analysis extends Pick<
  CapturedFoot,
  'side' | 'landmarks' | 'readings' | 'checks' | 'notSeen'
> {
  frame: Frame
  lengthMm: number
  outline: [number, number][][]
  rings: ContourRing[]
  border: [number, number][]
  /**
   * the foot from behind: silhouette of heel and leg, and the sole under the heads; x medial, z up
   */
  behind: {
    silhouette: [number, number][]
    heads: [number, number][]
    neutralDeg: number
    forefootDeg: number | null
    legSeen: boolean
  }
  gaps: CapturedFoot['coverage']['gaps']
  percent: number
  pointsPerCm2: number
  surface: CapturedSurface
  picture: ScanPicture
  ms: number
}

let file: MeshFile | null = null
let hash = ''
let open: OpenScan | null = null
type Say = (words: string, share: number) => void

const api = {
  /**
   * Reads a file and looks for a foot in it, away from the screen; ending the worker cancels it.
   */
  open(
    name: string,
    bytes: Uint8Array,
    unit: Unit | undefined,
    side: Side | undefined,
    say: Say,
  ): ScanRead {
    try {
      say('reading', 0.1)
      file = readMesh(name, bytes)
      hash = bytesToHex(sha256(bytes))
    } catch (error) {
      if (error instanceof Refusal) return { ok: false, words: error.message }
      throw error
    }
    return this.find(unit, side, say)
  },
  /** Looks for the foot again: another unit, or which of two. */
  find(unit: Unit | undefined, side: Side | undefined, say: Say): ScanRead {
    const read = file!
    const guess = guessUnit(read.positions)
    let why: string | null = null
    let twoFeet = false
    open = null
    try {
      open = openScan(read, unit, side, (words, share) => say(words, share))
    } catch (error) {
      if (!(error instanceof Refusal)) throw error
      twoFeet = error.code === 'two-feet'
      why = error.message
    }
    return {
      ok: true,
      format: read.format,
      sha256: hash,
      unitInFile: read.unit,
      guess,
      points: read.positions.length / 3,
      triangles: read.triangles.length / 3,
      sizeMm: sizeOf(read.positions, MM_PER[unit ?? read.unit ?? guess ?? 'mm']),
      notes: open?.notes ?? read.notes,
      side: open?.rough.guess.side ?? null,
      sideSure: open?.sideSure ?? false,
      twoFeet,
      why,
    }
  },
  /** Frame, landmarks, readings and checks of the foot that was found. */
  capture(side: Side, foot: Foot, moved: Landmarks, norms: Norms): Analysis | { words: string } {
    const began = performance.now()
    try {
      const captured = captureFoot(open!, side, foot, moved, norms)
      const { view, coverage, landmarks, readings, checks, notSeen } = captured
      const surface = takenSurface(captured)
      const examined = examinedOf(foot)
      // What is drawn is smoothed as the taken surface is: single points of a noisy border say
      // nothing.
      const plan = smoothed({ ...coverage.grid, z: Float64Array.from(coverage.plan) }, 1.6)
      const drawn = smoothed(coverage.grid, 1.8)
      const picture = pictureOf(captured)
      return transfer<Analysis>(
        {
          side,
          landmarks,
          readings,
          checks,
          notSeen,
          frame: view.frame,
          lengthMm: view.lengthMm,
          outline: contourRings(plan, plan.z, () => true, 0.5).flatMap((r) =>
            r.heightMm === 0.5 ? r.rings : [],
          ),
          rings: contourRings(
            drawn,
            drawn.z,
            (i) => !Number.isNaN(drawn.z[i]!) && drawn.z[i]! < 24,
            1.5,
          ),
          border: (borderSag(view)?.line ?? []).map(([x, y]): [number, number] => [x, y]),
          behind: {
            silhouette: silhouetteBehind(view),
            heads: view.heads.map(([x, , z]): [number, number] => [x, z]),
            neutralDeg: examined.neutralDeg,
            forefootDeg: examined.forefootDeg,
            legSeen: view.leg !== null,
          },
          gaps: coverage.gaps,
          percent: coverage.percent,
          pointsPerCm2: coverage.pointsPerCm2,
          surface,
          picture,
          ms: performance.now() - began,
        },
        [picture.positions.buffer, picture.triangles.buffer],
      )
    } catch (error) {
      if (error instanceof Refusal) return { words: error.message }
      throw error
    }
  },
}

function sizeOf(p: Float64Array, scale: number): [number, number, number] {
  const low = [Infinity, Infinity, Infinity]
  const high = [-Infinity, -Infinity, -Infinity]
  for (let i = 0; i < p.length; i++) {
    if (p[i]! < low[i % 3]!) low[i % 3] = p[i]!
    if (p[i]! > high[i % 3]!) high[i % 3] = p[i]!
  }
  return [0, 1, 2].map((k) => (high[k]! - low[k]!) * scale) as [number, number, number]
}

/**
 * The cleaned scan in real space, standing on its sole; dense ones thinned so that turning it stays
 * smooth.
 */
function pictureOf({ side, view }: CapturedFoot): ScanPicture {
  const { scan } = open!
  const mesh = scan.triangles.length > 600_000 ? decimated(scan, 1.6) : scan
  const placed = allIntoFrame(view.frame, mesh.positions)
  const positions = Float32Array.from(placed)
  if (side === 'right') for (let i = 0; i < positions.length; i += 3) positions[i] = -positions[i]!
  return { positions, triangles: Uint32Array.from(mesh.triangles) }
}

expose(api)
export type ScanWorker = typeof api
