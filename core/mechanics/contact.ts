import { bodyRest, type BodyRest } from '../device/bodyRest'
import { buildShell, type ShellBody } from '../device/bodySolid'
import { rollOf, STANDING } from '../device/stands'
import type { Plane } from '../geometry/restingPlane'
import { degrees } from '../geometry/tilt'
import { Refusal } from '../record/refusal'
import type { SoleField } from '../geometry/soleField'
import type { MakingRows } from '../device/shellMaking'
import { LAYERS } from '../kinds/layers/all'
import { buildSurface } from '../device/surface'
import { smoothstep as S } from '../geometry/smoothstep'
import type { Device } from '../record/schema'
import {
  solveContact,
  type ContactCells,
  type ContactLoad,
  type ContactSolution,
} from './contactSolver'
import { regionFigures, regionsOf, type RegionFigures } from './pressureRegions'
import { AXES, subtalarMoment, type SubtalarAxis } from './subtalarAxis'
import { tissueOf, type TissueLaw } from './tissue'

/**
 * How the foot is loaded: force in body weights, where the resultant lies, how hard the leg holds
 * the roll.
 */
export const LOADS = {
  standing: { words: 'standing on both feet', bodyWeights: 0.5, yShare: 0.357, rollNmPerRad: 30 },
  'single-limb': { words: 'single-limb load', bodyWeights: 1.1, yShare: 0.45, rollNmPerRad: 60 },
} as const
export type LoadName = keyof typeof LOADS

const G = 9.81
/** Give of a cover, mm for each MPa and mm of thickness (3 mm of soft EVA give 3). */
const COVER_GIVE = 1
/** Give of a plain shell's arch where nothing better is known, mm/MPa. */
const SHELL_GIVE = 40

/** What is said with every number. */
export const CONTACT_LABEL =
  'Static estimate from a simplified spring model. Direction is surer than size. Not a measurement, not a promise.'
export const CONTACT_IGNORES = [
  'flow of the heel pad in the cup (heel peaks under a skive read too high)',
  'a flexible forefoot (posting under the heads overstated)',
  'shear',
  'muscles',
  'windlass',
  'the shoe, which may hold a device that rocks on a flat floor',
] as const

/** Soft foam is what the give of a cover is reckoned for. */
const RECKONED_COVER = 'eva-35'

/**
 * What of a device its estimate is not told: pieces in front of the shell, a post's motion, a cover of another
 * material than soft foam.
 */
export function notTold({ layers, posts, shell, outline }: Device): string[] {
  const ahead = layers.filter((l) => l.on && LAYERS.of(l.kind).sheet)
  const hasCover = shell.cover.material !== 'none' && outline.cover !== 'shell'
  return [
    ...ahead.map((l) => `what lies in front of the shell: ${LAYERS.of(l.kind).name.toLowerCase()}`),
    ...(posts.some((p) => p.motionDeg) ? ['the motion of a post'] : []),
    ...(hasCover && shell.cover.material !== RECKONED_COVER
      ? ['the cover’s own material: it is taken for soft foam']
      : []),
  ]
}

/** Contact of one foot on one surface. */
export interface ContactResult extends RegionFigures {
  copMm: { x: number; y: number }
  rollDeg: number
  /**
   * about the subtalar axis, N·mm, + supination: with the leg's spring, and with the roll held fast
   * as the upper bound
   */
  momentNmm: number
  momentFixedNmm: number
  solution: ContactSolution
  /** how the device under the foot rests on its floor; null for the bare floor */
  rest: ContactRest | null
  /** beyond 8° of roll the model's small angles do not hold */
  flagged: boolean
}

/** How a device rests on a flat floor under the foot's own centre. */
export interface ContactRest {
  /** + = its medial side goes down (everted) */
  rollDeg: number
  /** + = its front goes down */
  pitchDeg: number
  rocks: boolean
  /** the moment with the load a little to the outer and to the inner side, N·mm */
  asideNmm: [number, number]
}

/**
 * A foot made ready: springs, regions, the centre its barefoot load turns about. Kept while only
 * the device changes.
 */
export interface ContactFloor {
  field: SoleField
  law: TissueLaw
  regions: Int8Array
  load: ContactLoad
  lengthMm: number
  axis: SubtalarAxis
  floor: ContactResult
}

/** The same with how devices on it are made. */
export interface ContactGround extends ContactFloor {
  rows: MakingRows
}

const FLAG_DEG = 8

/** Give of a shell's arch where nothing better is known, mm/MPa by cell. */
export const usualShellGive = (field: SoleField): Float64Array =>
  field.s.map(
    (s, i) =>
      SHELL_GIVE *
      S(s, 0.22, 0.4) *
      (1 - S(s, 0.52, 0.68)) *
      (0.3 + 0.7 * S(field.u[i]!, 0.3, 0.8)),
  )

/** Give of a cover, mm/MPa. */
const coverGive = ({ shell: { cover } }: Device): number =>
  cover.material === 'none' ? 0 : COVER_GIVE * cover.thicknessMm

/** Cells of the foot's plan over a surface; those that `carries` leaves out hold nothing. */
function cellsOver(
  field: SoleField,
  law: TissueLaw,
  height: Float64Array | null,
  give: Float64Array | null,
  carries: (i: number) => boolean,
  shaped: (i: number) => boolean = () => true,
): { cells: ContactCells; index: Int32Array } {
  const index = new Int32Array(field.mask.length)
  let n = 0
  for (let i = 0; i < field.mask.length; i++) if (field.mask[i] && carries(i)) index[n++] = i
  const make = () => new Float64Array(n)
  const cells: ContactCells = {
    x: make(),
    y: make(),
    areaMm2: field.stepMm ** 2,
    gapMm: make(),
    nz: make(),
    aMm: make(),
    p0: make(),
    cMm: make(),
  }
  const { columns, stepMm } = field
  const slope = (i: number, by: number) => {
    if (!height || !shaped(i)) return 0
    const [a, b] = [
      field.mask[i - by] && shaped(i - by) ? i - by : i,
      field.mask[i + by] && shaped(i + by) ? i + by : i,
    ]
    return a === b ? 0 : (height[b]! - height[a]!) / ((b - a) / by) / stepMm
  }
  for (let k = 0; k < n; k++) {
    const i = index[k]!
    cells.x[k] = field.x[i]!
    cells.y[k] = field.y[i]!
    cells.gapMm[k] = field.z[i]! - (height ? height[i]! : 0)
    cells.nz[k] = 1 / Math.sqrt(1 + slope(i, 1) ** 2 + slope(i, columns) ** 2)
    cells.aMm[k] = law.aMm[i]!
    cells.p0[k] = law.p0[i]!
    cells.cMm[k] = law.cMm[i]! + (give ? give[i]! : 0)
  }
  return { cells, index: index.subarray(0, n) }
}

const momentOf = (
  { load, lengthMm, axis }: Omit<ContactFloor, 'floor'>,
  { copMm }: ContactSolution,
): number => subtalarMoment(load.forceN, copMm.x, copMm.y, lengthMm, axis)

function resultOf(
  ground: Omit<ContactFloor, 'floor'>,
  cells: ContactCells,
  index: Int32Array,
  start?: ContactSolution,
): ContactResult {
  const from = start && ([start.sinkMm, start.rollRad, start.pitchRad] as const)
  const solution = solveContact(cells, ground.load, from)
  const fixed = solveContact(cells, { ...ground.load, roll: 'fixed' }, [
    solution.sinkMm,
    0,
    solution.pitchRad,
  ])
  const pressure = new Float64Array(ground.field.x.length)
  index.forEach((i, k) => (pressure[i] = solution.pressure[k]!))
  const moment = (s: ContactSolution) => momentOf(ground, s)
  const rollDeg = (solution.rollRad * 180) / Math.PI
  return {
    ...regionFigures(ground.field, ground.regions, pressure),
    copMm: solution.copMm,
    rollDeg,
    momentNmm: moment(solution),
    momentFixedNmm: moment(fixed),
    solution: { ...solution, pressure },
    rest: null,
    flagged: Math.abs(rollDeg) > FLAG_DEG,
  }
}

/**
 * A foot on flat floor, roll fixed: the barefoot reference, and the centre that everything else
 * turns about.
 *
 * @param massKg body weight
 * @param stiffer one factor on the tissue's moduli, from a measured picture of this client
 */
export function contactOnFloor(
  field: SoleField,
  massKg: number,
  load: LoadName = 'standing',
  axis: SubtalarAxis = AXES.central,
  stiffer = 1,
): ContactFloor {
  const { bodyWeights, yShare, rollNmPerRad } = LOADS[load]
  const lengthMm = field.sole.parameters.lengthMm
  const law = tissueOf(field, stiffer)
  const { cells, index } = cellsOver(field, law, null, null, () => true)
  const asked = { forceN: bodyWeights * massKg * G, xcMm: 0, ycMm: yShare * lengthMm }
  const bare = solveContact(cells, { ...asked, roll: 'fixed' })
  const ground = {
    field,
    law,
    regions: regionsOf(field),
    lengthMm,
    axis,
    load: { ...asked, xcMm: bare.copMm.x, roll: rollNmPerRad * 1000 },
  }
  return { ...ground, floor: resultOf(ground, cells, index, bare) }
}

/**
 * The same, made ready for devices.
 *
 * @param rows materials that they are made of
 */
export const contactGround = (
  field: SoleField,
  rows: MakingRows,
  ...asked: Parameters<typeof contactOnFloor> extends [SoleField, ...infer Rest] ? Rest : never
): ContactGround => ({ ...contactOnFloor(field, ...asked), rows })

export interface OnDevice {
  body?: ShellBody
  /** give of the shell by cell, mm/MPa; the usual arch's where it is not known */
  give?: Float64Array
  /** the contact of a moment ago */
  start?: ContactResult
}

/** Less roll than this between two places of the load makes no other moment. */
const SAME_ROLL_DEG = 0.2

/**
 * The same foot on a device that rests on a flat floor under the foot's own centre: walls that were
 * trimmed off carry nothing, shell and cover give in series with the tissue.
 *
 * @throws Refusal `falls-over` where the device does not stand under the foot's centre
 */
export function contactOnDevice(
  ground: ContactGround,
  device: Device,
  { body, give, start }: OnDevice = {},
): ContactResult {
  const { field, load } = ground
  const shell = body ?? buildShell(buildSurface(field, device), device, ground.rows)
  const cover = coverGive(device)
  const under = (give ?? usualShellGive(field)).map((g) => g + cover)
  const rest = bodyRest(shell, { x: load.xcMm, y: STANDING.loadShare * ground.lengthMm })
  if (!rest)
    throw new Refusal(
      'falls-over',
      'Under the foot this device falls over: no estimate. See how it stands, and what would hold it.',
      'device',
    )
  const on = cellsOnFloor(ground, device, shell, under, rest.floor)
  const result = resultOf(ground, on.cells, on.index, start?.solution)
  const momentOn = (floor: Plane | null) => {
    if (!floor || Math.abs(rollOf(floor) - rollOf(rest.floor)) < SAME_ROLL_DEG)
      return result.momentNmm
    const { cells } = cellsOnFloor(ground, device, shell, under, floor)
    const { sinkMm, rollRad, pitchRad } = result.solution
    return momentOf(ground, solveContact(cells, load, [sinkMm, rollRad, pitchRad]))
  }
  return { ...result, rest: restOf(rest, momentOn) }
}

const restOf = (
  { floor, aside, rocks }: BodyRest,
  momentOn: (floor: Plane | null) => number,
): ContactRest => ({
  rollDeg: rollOf(floor),
  pitchDeg: degrees(Math.atan(floor.c)),
  rocks,
  asideNmm: [momentOn(aside[0]), momentOn(aside[1])],
})

/** Cells of the foot over a device that lies on a floor: heights are those over that floor. */
function cellsOnFloor(
  { field, law }: ContactGround,
  device: Device,
  shell: ShellBody,
  give: Float64Array,
  { a, b, c }: Plane,
) {
  // In front of the shell the foot lies on the cover alone, flat on the shoe's insole; without a
  // cover there, on the insole itself.
  const bare = device.outline.cover === 'shell' ? -device.shell.cover.thicknessMm : 0
  const onShell = (i: number) => shell.inside[i]! > 0
  const height = shell.top.map((z, i) =>
    onShell(i) ? z - a - b * field.x[i]! - c * field.y[i]! : bare,
  )
  const carries = (i: number) => onShell(i) || field.y[i]! > shell.frontY
  return cellsOver(field, law, height, give, carries, onShell)
}
