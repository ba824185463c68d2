import { z } from 'zod'
import { parseWith } from '../../record/parse'
import { Refusal } from '../../record/refusal'
import { place, surfaceStates } from './shellElement'
import { SHELL_UNKNOWNS, thicknessAt, type ShellModel } from './shellModel'
import { readyShell, solveShell } from './solveShell'

const finite = z.number().refine(Number.isFinite, 'must be a number')
const MOST_VERTICES = 20_000

/** A shell model as a file: mm, N, MPa; foundation in N/mm³ of plan area. */
const shellFileSchema = z.strictObject({
  format: z.literal('gentle-arch/shell'),
  version: z.literal(1),
  verticesMm: z
    .array(z.tuple([finite, finite, finite]))
    .min(3)
    .max(MOST_VERTICES),
  triangles: z
    .array(z.tuple([z.int().min(0), z.int().min(0), z.int().min(0)]))
    .min(1)
    .max(2 * MOST_VERTICES),
  thicknessMm: z.union([z.number().positive(), z.array(z.number().positive())]),
  youngMPa: z.number().positive(),
  poisson: z.number().min(0).max(0.5),
  fixed: z
    .array(z.strictObject({ vertex: z.int().min(0), dof: z.array(z.enum(SHELL_UNKNOWNS)).min(1) }))
    .default([]),
  loadsN: z
    .array(
      z.strictObject({
        vertex: z.int().min(0),
        fx: finite.default(0),
        fy: finite.default(0),
        fz: finite.default(0),
      }),
    )
    .default([]),
  foundation: z
    .strictObject({
      perTriangle: z.array(z.number().min(0)),
      gapMm: z.array(finite).optional(),
      unilateral: z.boolean().default(true),
    })
    .optional(),
})

const wrong = (path: string, words: string): never => {
  throw new Refusal('shell-model', `${path}: ${words}`, path)
}

/**
 * A model from its file.
 *
 * @throws Refusal naming the first place that does not fit: a vertex that is not there, a triangle
 *   without area, a list of the wrong length
 */
function shellModelOf(input: unknown): ShellModel {
  const file = parseWith(shellFileSchema, input)
  const n = file.verticesMm.length
  const vertex = (v: number, path: string) =>
    v < n ? v : wrong(path, `there is no vertex ${v}; the last is ${n - 1}.`)
  const inAll = new Uint8Array(n)
  file.triangles.forEach((t, e) => {
    t.forEach((v, k) => (inAll[vertex(v, `triangles.${e}.${k}`)] = 1))
    const [a, b, c] = t.map((v) => file.verticesMm[v]!) as [
      [number, number, number],
      [number, number, number],
      [number, number, number],
    ]
    const { areaMm2, flat } = place(a, b, c)
    if (!(areaMm2 > 1e-9 * flat.x[1] ** 2))
      wrong(`triangles.${e}`, 'its corners lie on a line; leave it out.')
  })
  const unused = inAll.indexOf(0)
  if (unused >= 0) wrong(`verticesMm.${unused}`, 'no triangle uses this vertex; leave it out.')
  const perTriangle = (list: readonly number[], path: string) =>
    list.length === file.triangles.length
      ? list
      : wrong(path, `${list.length} values for ${file.triangles.length} triangles.`)
  const held = new Uint8Array(6 * n)
  file.fixed.forEach(({ vertex: v, dof }, k) =>
    dof.forEach((d) => (held[6 * vertex(v, `fixed.${k}.vertex`) + SHELL_UNKNOWNS.indexOf(d)] = 1)),
  )
  const loadN = new Float64Array(6 * n)
  file.loadsN.forEach(({ vertex: v, fx, fy, fz }, k) =>
    [fx, fy, fz].forEach((f, d) => (loadN[6 * vertex(v, `loadsN.${k}.vertex`) + d]! += f)),
  )
  const { foundation } = file
  if (foundation) perTriangle(foundation.perTriangle, 'foundation.perTriangle')
  if (foundation?.gapMm && foundation.gapMm.length !== n)
    wrong('foundation.gapMm', `${foundation.gapMm.length} values for ${n} vertices.`)
  return {
    verticesMm: file.verticesMm,
    triangles: file.triangles,
    thicknessMm: Array.isArray(file.thicknessMm)
      ? perTriangle(file.thicknessMm, 'thicknessMm')
      : file.thicknessMm,
    youngMPa: file.youngMPa,
    poisson: file.poisson,
    held,
    loadN,
    ...(foundation && { foundation }),
  }
}

/** What `arch shell --model` prints. */
export interface ShellFileAnswer {
  displacementsMm: [number, number, number][]
  /** largest deflection downwards */
  peakDeflectionMm: number
  peakStressMPa: number
  reactionN: [number, number, number]
  foundationN: number
  iterations: number
  /** said when contact had not come to rest at the cap */
  settled?: false
}

/** Solves a model from a file. */
export function solveShellFile(input: unknown): ShellFileAnswer {
  const model = shellModelOf(input)
  const { unknowns, reactionN, foundationN, iterations, settled } = solveShell(readyShell(model))
  const displacementsMm = model.verticesMm.map((_, i): [number, number, number] => [
    unknowns[6 * i]!,
    unknowns[6 * i + 1]!,
    unknowns[6 * i + 2]!,
  ])
  const u = new Float64Array(18)
  let peakStressMPa = 0
  model.triangles.forEach((t, e) => {
    t.forEach((v, k) => u.set(unknowns.subarray(6 * v, 6 * v + 6), 6 * k))
    const placed = place(model.verticesMm[t[0]]!, model.verticesMm[t[1]]!, model.verticesMm[t[2]]!)
    for (const { stressMPa } of surfaceStates(
      placed,
      thicknessAt(model, e),
      model.youngMPa,
      model.poisson,
      u,
    ))
      peakStressMPa = Math.max(peakStressMPa, stressMPa)
  })
  return {
    displacementsMm,
    peakDeflectionMm: Math.max(0, -displacementsMm.reduce((low, d) => Math.min(low, d[2]), 0)),
    peakStressMPa,
    reactionN,
    foundationN,
    iterations,
    ...(!settled && { settled }),
  }
}
