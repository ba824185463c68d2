import { soleFieldOf, plainDevice } from '../device/buildDevice'
import { footField } from '../device/footField'
import { buildShell, type ShellBody } from '../device/shell'
import type { SoleField } from '../device/soleField'
import { buildSurface } from '../device/surface'
import { riskOf } from '../examine/risk'
import { smoothstep as S } from '../geometry/smoothstep'
import { ageInYears } from '../measure/ageAtVisit'
import { Refusal } from '../record/refusal'
import type { Device, FittingRecord, Foot } from '../record/schema'
import type { Side } from '../record/vocabulary'
import { solveContact, type ContactCells, type ContactLoad, type ContactSolution } from './contactSolver'
import { regionFigures, regionsOf, type RegionFigures } from './pressureRegions'
import { AXES, subtalarMoment, type SubtalarAxis } from './subtalarAxis'
import { tissueOf, type TissueLaw } from './tissue'

/** How the foot is loaded: force in body weights, where the resultant lies, how hard the leg holds the roll. */
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
export const CONTACT_LABEL = 'Static estimate from a simplified spring model. Direction is surer than size. Not a measurement, not a promise.'
export const CONTACT_IGNORES = ['flow of the heel pad in the cup (heel peaks under a skive read too high)', 'a flexible forefoot (posting under the heads overstated)', 'shear', 'muscles', 'windlass', 'the shoe'] as const

/** Contact of one foot on one surface. */
export interface ContactResult extends RegionFigures {
  copMm: { x: number; y: number }
  rollDeg: number
  /** about the subtalar axis, N·mm, + supination: with the leg's spring, and with the roll held fast as the upper bound */
  momentNmm: number
  momentFixedNmm: number
  solution: ContactSolution
  /** beyond 8° of roll the model's small angles do not hold */
  flagged: boolean
}

/** A foot made ready: springs, regions, the centre its barefoot load turns about. Kept while only the device changes. */
export interface ContactGround {
  field: SoleField
  law: TissueLaw
  regions: Int8Array
  load: ContactLoad
  lengthMm: number
  axis: SubtalarAxis
  floor: ContactResult
}

const FLAG_DEG = 8

/** Give of shell and cover in series with the tissue, mm/MPa by cell. */
function deviceGive(field: SoleField, device: Device): Float64Array {
  const cover = device.shell.cover.material === 'none' ? 0 : COVER_GIVE * device.shell.cover.thicknessMm
  return field.s.map((s, i) => cover + SHELL_GIVE * S(s, 0.22, 0.4) * (1 - S(s, 0.52, 0.68)) * (0.3 + 0.7 * S(field.u[i]!, 0.3, 0.8)))
}

/** Cells of the foot's plan over a surface; those that `carries` leaves out hold nothing. */
function cellsOver(field: SoleField, law: TissueLaw, height: Float64Array | null, give: Float64Array | null, carries: (i: number) => boolean, shaped: (i: number) => boolean = () => true): { cells: ContactCells; index: Int32Array } {
  const index: number[] = []
  for (let i = 0; i < field.mask.length; i++) if (field.mask[i] && carries(i)) index.push(i)
  const n = index.length
  const make = () => new Float64Array(n)
  const cells: ContactCells = { x: make(), y: make(), areaMm2: field.stepMm ** 2, gapMm: make(), nz: make(), aMm: make(), p0: make(), cMm: make() }
  const { columns, stepMm } = field
  const slope = (i: number, by: number) => {
    if (!height || !shaped(i)) return 0
    const [a, b] = [field.mask[i - by] && shaped(i - by) ? i - by : i, field.mask[i + by] && shaped(i + by) ? i + by : i]
    return a === b ? 0 : (height[b]! - height[a]!) / ((b - a) / by) / stepMm
  }
  index.forEach((i, k) => {
    cells.x[k] = field.x[i]!
    cells.y[k] = field.y[i]!
    cells.gapMm[k] = field.z[i]! - (height ? height[i]! : 0)
    cells.nz[k] = 1 / Math.sqrt(1 + slope(i, 1) ** 2 + slope(i, columns) ** 2)
    cells.aMm[k] = law.aMm[i]!
    cells.p0[k] = law.p0[i]!
    cells.cMm[k] = law.cMm[i]! + (give ? give[i]! : 0)
  })
  return { cells, index: Int32Array.from(index) }
}

function resultOf(ground: Omit<ContactGround, 'floor'>, cells: ContactCells, index: Int32Array, start?: ContactSolution): ContactResult {
  const from = start && ([start.sinkMm, start.rollRad, start.pitchRad] as const)
  const solution = solveContact(cells, ground.load, from)
  const fixed = solveContact(cells, { ...ground.load, roll: 'fixed' }, [solution.sinkMm, 0, solution.pitchRad])
  const pressure = new Float64Array(ground.field.x.length)
  index.forEach((i, k) => (pressure[i] = solution.pressure[k]!))
  const moment = (s: ContactSolution) => subtalarMoment(ground.load.forceN, s.copMm.x, s.copMm.y, ground.lengthMm, ground.axis)
  const rollDeg = (solution.rollRad * 180) / Math.PI
  return { ...regionFigures(ground.field, ground.regions, pressure), copMm: solution.copMm, rollDeg, momentNmm: moment(solution), momentFixedNmm: moment(fixed), solution: { ...solution, pressure }, flagged: Math.abs(rollDeg) > FLAG_DEG }
}

/**
 * A foot on flat floor, roll fixed: the barefoot reference, and the centre that everything else turns about.
 *
 * @param massKg body weight
 * @param stiffer one factor on the tissue's moduli, from a measured picture of this client
 */
export function contactGround(field: SoleField, massKg: number, load: LoadName = 'standing', axis: SubtalarAxis = AXES.central, stiffer = 1): ContactGround {
  const { bodyWeights, yShare, rollNmPerRad } = LOADS[load]
  const lengthMm = field.sole.parameters.lengthMm
  const law = tissueOf(field, stiffer)
  const { cells, index } = cellsOver(field, law, null, null, () => true)
  const asked = { forceN: bodyWeights * massKg * G, xcMm: 0, ycMm: yShare * lengthMm }
  const bare = solveContact(cells, { ...asked, roll: 'fixed' })
  const ground = { field, law, regions: regionsOf(field), lengthMm, axis, load: { ...asked, xcMm: bare.copMm.x, roll: rollNmPerRad * 1000 } }
  return { ...ground, floor: resultOf(ground, cells, index, bare) }
}

/** The same foot on a device: walls that were trimmed off carry nothing, shell and cover give in series with the tissue. */
export function contactOnDevice(ground: ContactGround, device: Device, body?: ShellBody, start?: ContactResult): ContactResult {
  const shell = body ?? buildShell(buildSurface(ground.field, device), device)
  const { field, law } = ground
  const front = shell.frontY
  // In front of the shell the foot lies on the cover alone, flat on the shoe's insole; without a cover there, on the insole itself.
  const bare = device.outline.cover === 'shell' ? shell.floorMm - device.shell.cover.thicknessMm : shell.floorMm
  const onShell = (i: number) => shell.inside[i]! > 0
  const height = shell.top.map((z, i) => (onShell(i) ? z : bare))
  const { cells, index } = cellsOver(field, law, height, deviceGive(field, device), (i) => onShell(i) || field.y[i]! > front, onShell)
  return resultOf(ground, cells, index, start?.solution)
}

/** May pressure numbers be shown for this client? The tissue law is of healthy adults. */
export function pressureRefusal(record: FittingRecord, side: Side): string | null {
  const { bornOn } = record.client ?? {}
  if (bornOn && record.visit?.on && ageInYears(bornOn, record.visit.on) < 16) return 'Under 16 the tissue is another; no pressure numbers.'
  if (record.feet[side]?.findings?.fatPad === 'thin') return 'A thin heel pad does not follow this law; no pressure numbers.'
  const conditions = record.story?.conditions ?? []
  if (conditions.includes('diabetes') || conditions.includes('neuropathy')) return 'With diabetes or neuropathy the tissue is another and the cost of an error high; measure inside the shoe.'
  const { grade } = riskOf(record)
  return grade !== null && grade >= 1 ? 'A foot at risk is measured inside the shoe, not estimated.' : null
}

export interface ContactReport {
  label: string
  ignores: readonly string[]
  load: string
  forceN: number
  floor: Omit<ContactResult, 'solution'>
  plain: Omit<ContactResult, 'solution'>
  device: Omit<ContactResult, 'solution'>
  /** this device less the plain one: share points, peaks in per cent, moment in N·mm */
  change: { share: RegionFigures['share']; peakPercent: RegionFigures['peakKPa']; momentNmm: number; momentFixedNmm: number }
}

/**
 * Foot of a record on flat floor, on a plain device and on its own.
 *
 * @param stepMm 2 for estimates
 * @throws Refusal `no-pressure-numbers` where the law does not hold, or with the path of what is missing
 */
export function contactReport(record: FittingRecord, side: Side, load: LoadName = 'standing', stepMm = 2): ContactReport {
  const foot = record.feet[side] as Foot
  const refused = pressureRefusal(record, side)
  if (refused) throw new Refusal('no-pressure-numbers', refused, `feet.${side}`)
  const massKg = record.client?.massKg
  if (massKg === undefined) throw new Refusal('no-mass', 'client.massKg: the load is reckoned from body weight.', 'client.massKg')
  const { field } = footField(foot, stepMm) ?? soleFieldOf(foot, side, stepMm)
  const axis = { ...AXES[foot.findings?.axis ?? 'central'], ...(foot.findings?.axisAngleDeg !== undefined && { deviationDeg: foot.findings.axisAngleDeg }) }
  const ground = contactGround(field, massKg, load, axis)
  const own = foot.device ?? plainDevice()
  const plain = contactOnDevice(ground, { ...plainDevice(), shell: own.shell, outline: own.outline })
  const device = contactOnDevice(ground, own, undefined, plain)
  const bare = ({ solution: _, ...rest }: ContactResult) => rest
  const each = <K extends string>(a: Record<K, number>, b: Record<K, number>, of: (a: number, b: number) => number) => Object.fromEntries(Object.keys(a).map((k) => [k, of(a[k as K], b[k as K])])) as Record<K, number>
  return {
    label: CONTACT_LABEL, ignores: CONTACT_IGNORES, load: LOADS[load].words, forceN: ground.load.forceN, floor: bare(ground.floor), plain: bare(plain), device: bare(device),
    change: {
      share: each(device.share, plain.share, (a, b) => a - b), peakPercent: each(device.peakKPa, plain.peakKPa, (a, b) => (b > 0 ? 100 * (a / b - 1) : 0)),
      momentNmm: device.momentNmm - plain.momentNmm, momentFixedNmm: device.momentFixedNmm - plain.momentFixedNmm,
    },
  }
}
