import { Delaunay } from 'd3-delaunay'
import type { ShellMaterial } from '../../tables/materials'
import type { ShellBody } from '../../device/bodySolid'
import { Refusal } from '../../record/refusal'
import type { Device } from '../../record/schema'
import { blockPattern, type BlockPattern } from './blockCholesky'
import { deviceShell, type DeviceShell } from './deviceShell'
import type { FoundationSample } from './foundation'
import { place, surfaceStates } from './shellElement'
import { thicknessAt, type ShellModel } from './shellModel'
import { readyShell, solveShell, type ReadyShell, type ShellAnswer } from './solveShell'

export const SHELL_LABEL =
  'Linear estimate of the bare shell, seated under heel and front edge, its arch pressed evenly. ' +
  'Compare shells by it; it is not a measurement.'
export const SHELL_IGNORES = [
  'creep and heat',
  'friction on the floor',
  'a post’s own bending',
  'layers of a laminate',
  'large deflections',
  'the cover and the shoe around it',
] as const

/**
 * Stress is read so far away from what carries the shell, mm: close to it the model's edge would be
 * read, not the shell.
 */
const CLEAR_OF_SUPPORT_MM = 10

/** A shell that settles by more than this hangs at its front edge, mm (house limit). */
const HANGS_MM = 5

/** What the shell of a device does under the pressure on its arch. */
export interface ArchStiffness {
  /** force on the arch over the mean deflection that it adds under it, the shell seated */
  archStiffnessNPerMm: number
  /** the same on a foundation of 0.3 and of 10 times the stiffness, where asked */
  rangeNPerMm?: [number, number]
  forceN: number
  /** what the pressure on the arch bends, settling left out */
  meanDeflectionMm: number
  peakDeflectionMm: number
  /**
   * lowest point of all that heel, front edge and arch do: settling and rocking with the bending
   */
  settlesMm: number
  peakAt: { xMm: number; yMm: number }
  /**
   * largest surface strain and equivalent stress, away from supports; null where all of the shell
   * lies on something
   */
  peakStrain: number | null
  peakStressMPa: number | null
  stressAt: { xMm: number; yMm: number } | null
  /** stress over the material's limit, per cent; null without either */
  utilisationPercent: number | null
  nodes: number
  triangles: number
  iterations: number
  settled: boolean
  /** sentences where the estimate must be read with more care */
  flags: string[]
}

/** An answer with what is drawn from it. */
export interface ArchAnswer {
  stiffness: ArchStiffness
  shell: DeviceShell
  seated: Seated
  answer: ShellAnswer
  /** what the pressure on the arch bends by vertex, mm downwards */
  bendsMm: Float64Array
}

const middleOf = (s: FoundationSample, { verticesMm }: ShellModel): [number, number] => [
  (verticesMm[s.a]![0] + verticesMm[s.b]![0]) / 2,
  (verticesMm[s.a]![1] + verticesMm[s.b]![1]) / 2,
]

/** Which samples of a finer mesh touch, from the nearest of a coarser answer. */
function touchingFrom(
  coarse: Seated,
  model: ShellModel,
  samples: readonly FoundationSample[],
): Uint8Array {
  if (coarse.ready.samples.length === 0) return new Uint8Array(samples.length)
  const near = Delaunay.from(coarse.ready.samples.map((s) => middleOf(s, coarse.shell.model)))
  let last = 0
  return Uint8Array.from(
    samples,
    (s) => coarse.seat.touching[(last = near.find(...middleOf(s, model), last))]!,
  )
}

/** Largest strain and stress at corners, away from what carries. */
function peaksOf(
  { model }: DeviceShell,
  samples: readonly FoundationSample[],
  { unknowns, touching }: ShellAnswer,
) {
  const carrying = samples.filter((_, s) => touching[s]).map((s) => middleOf(s, model))
  const near = carrying.length ? Delaunay.from(carrying) : null
  let best: { strain: number; stress: number; at: { xMm: number; yMm: number } } | null = null
  let strain = 0
  const u = new Float64Array(18)
  model.triangles.forEach((t, e) => {
    const corners = t.map((v) => model.verticesMm[v]!) as [
      readonly [number, number, number],
      readonly [number, number, number],
      readonly [number, number, number],
    ]
    const [x, y] = [0, 1].map(
      (d) => (corners[0][d as 0 | 1] + corners[1][d as 0 | 1] + corners[2][d as 0 | 1]) / 3,
    ) as [number, number]
    if (near) {
      const p = carrying[near.find(x, y)]!
      if (Math.hypot(p[0] - x, p[1] - y) < CLEAR_OF_SUPPORT_MM) return
    }
    t.forEach((v, k) => u.set(unknowns.subarray(6 * v, 6 * v + 6), 6 * k))
    for (const state of surfaceStates(
      place(...corners),
      thicknessAt(model, e),
      model.youngMPa,
      model.poisson,
      u,
    )) {
      strain = Math.max(strain, Math.abs(state.principal))
      if (!best || state.stressMPa > best.stress)
        best = { strain, stress: state.stressMPa, at: { xMm: x, yMm: y } }
    }
  })
  return best === null
    ? null
    : { ...(best as { strain: number; stress: number; at: { xMm: number; yMm: number } }), strain }
}

/** An arch that bends by less than this lies on something, mm. */
const RESTS_MM = 1e-4

function read(
  shell: DeviceShell,
  ready: ReadyShell,
  answer: ShellAnswer,
  bendsMm: Float64Array,
  material: ShellMaterial,
): ArchStiffness {
  const { shares, forceN, model } = shell
  const mean = shares.reduce((sum, s, i) => sum + s * bendsMm[i]!, 0)
  if (!(mean > RESTS_MM))
    throw new Refusal(
      'shell-rests',
      'The arch of this shell lies on its post or on the floor: it does not bend, and no stiffness is told.',
      'device.posts',
    )
  const at = bendsMm.reduce((best, v, i) => (v > bendsMm[best]! ? i : best), 0)
  const peak = bendsMm[at]!
  const settles = -bendsMm.reduce((low, _, i) => Math.min(low, answer.unknowns[6 * i + 2]!), 0)
  const peaks = peaksOf(shell, ready.samples, answer)
  const thickness = Math.max(...Array.from(model.thicknessMm as ArrayLike<number>))
  const utilisation =
    peaks && material.limitMPa !== null ? (100 * peaks.stress) / material.limitMPa : null
  const flags = [
    ...(settles > HANGS_MM
      ? [
          `It settles by about ${settles.toFixed(0)} mm until it stands: its front edge hangs. ` +
            'Balance or post it, or read this as rocking.',
        ]
      : []),
    ...(peak > thickness
      ? ['It gives by more than its thickness: the linear estimate is too stiff.']
      : []),
    ...(answer.settled
      ? []
      : ['Contact with the floor did not settle; read the figures as rough.']),
    ...(utilisation !== null && utilisation > 100
      ? ['The stress passes the limit set for this material.']
      : []),
    ...(peaks
      ? []
      : ['The whole shell lies on something: there is no free part whose strain could be read.']),
  ]
  const [x, y] = model.verticesMm[at]!
  return {
    archStiffnessNPerMm: forceN / mean,
    forceN,
    meanDeflectionMm: mean,
    peakDeflectionMm: peak,
    settlesMm: settles,
    peakAt: { xMm: x, yMm: y },
    peakStrain: peaks?.strain ?? null,
    peakStressMPa: peaks?.stress ?? null,
    stressAt: peaks?.at ?? null,
    utilisationPercent: utilisation,
    nodes: model.verticesMm.length,
    triangles: model.triangles.length,
    iterations: answer.iterations,
    settled: answer.settled,
    flags,
  }
}

/** A factor's order and pattern by mesh: kept while only heights, thickness or material change. */
const PATTERNS = new Map<string, BlockPattern>()
const MOST_PATTERNS = 8
function patternOf({ model }: DeviceShell): BlockPattern {
  const key = `${model.verticesMm.length} ${model.triangles.join(' ')}`
  const found =
    PATTERNS.get(key) ??
    blockPattern(
      model.verticesMm.length,
      model.triangles.flatMap(([a, b, c]) => [a, b, b, c, c, a]),
    )
  PATTERNS.delete(key)
  PATTERNS.set(key, found)
  if (PATTERNS.size > MOST_PATTERNS) PATTERNS.delete(PATTERNS.keys().next().value!)
  return found
}

export interface ArchOptions {
  massKg?: number
  /** edge of the finest mesh, mm: 6 while something is dragged, 4 at rest, 3 for proof */
  stepMm?: number
  /** the range over the foundation too */
  range?: boolean
  /** the answer of a moment ago, for a shell much like it: contact starts from there */
  from?: ArchAnswer
}

/** A shell on one mesh, seated: what the next answer may start from. */
export interface Seated {
  shell: DeviceShell
  ready: ReadyShell
  seat: ShellAnswer
}

function seated(
  body: ShellBody,
  device: Device,
  material: ShellMaterial,
  stepMm: number,
  massKg: number,
  support: number,
  coarse?: Seated,
): Seated {
  const shell = deviceShell(body, device, material, stepMm, massKg, support)
  const ready = readyShell(shell.model, patternOf(shell))
  return {
    shell,
    ready,
    seat: solveShell(
      ready,
      coarse && { touching: touchingFrom(coarse, shell.model, ready.samples) },
    ),
  }
}

/** Presses the arch of a seated shell. */
function pressed(seated: Seated, material: ShellMaterial): ArchAnswer {
  const { shell, ready, seat } = seated
  const loadN = shell.model.loadN.slice()
  shell.shares.forEach((s, i) => (loadN[6 * i + 2]! -= s * shell.forceN))
  const answer = solveShell({ ...ready, model: { ...shell.model, loadN } }, seat)
  const bendsMm = shell.shares.map(
    (_, i) => seat.unknowns[6 * i + 2]! - answer.unknowns[6 * i + 2]!,
  )
  return {
    shell,
    seated,
    answer,
    bendsMm,
    stiffness: read(
      shell,
      ready,
      {
        ...answer,
        iterations: seat.iterations + answer.iterations,
        settled: seat.settled && answer.settled,
      },
      bendsMm,
      material,
    ),
  }
}

/** Contact is first looked for on a mesh so coarse, mm. */
const COARSE_MM = 8
/** The range over supports is told on this mesh, as a ratio. */
const RANGE_MM = 6
const SUPPORT_RANGE = [0.3, 10] as const

/**
 * How stiff the arch of a device's shell is: an even pressure on the arch, heel and front edge
 * seated, the shell free to lift from floor and posts and to reach them. Contact is found on a
 * coarse mesh first and taken from there to the finer one.
 *
 * @throws Refusal `shell-not-bent` where the material is a block, `shell-too-small` where nothing
 *   is left to bend,
 * `shell-rests` where the arch lies on its post
 */
export function archStiffness(
  body: ShellBody,
  device: Device,
  material: ShellMaterial,
  { massKg = 75, stepMm = 4, range = false, from }: ArchOptions = {},
): ArchAnswer {
  const seat = (step: number, start?: Seated, support = 1) =>
    seated(body, device, material, step, massKg, support, start)
  const first = from?.seated ?? (stepMm < COARSE_MM ? seat(COARSE_MM) : undefined)
  const fine = pressed(seat(stepMm, first), material)
  if (!range) return fine
  const at = (support: number) =>
    pressed(seat(RANGE_MM, fine.seated, support), material).stiffness.archStiffnessNPerMm
  const middle = at(1)
  const k = fine.stiffness.archStiffnessNPerMm
  const ends = SUPPORT_RANGE.map((support) => (k * at(support)) / middle)
  return {
    ...fine,
    stiffness: { ...fine.stiffness, rangeNPerMm: [Math.min(k, ...ends), Math.max(k, ...ends)] },
  }
}
