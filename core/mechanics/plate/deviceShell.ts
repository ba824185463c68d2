import type { ShellMaterial } from '../../tables/materials'
import { trimLines } from '../../device/outline'
import { thicknessOf, type ShellBody } from '../../device/bodySolid'
import { sampleGrid } from '../../geometry/grid'
import { youngFromShoreA } from '../shoreHardness'
import { Refusal } from '../../record/refusal'
import type { Device } from '../../record/schema'
import { inEllipse, loadShares, type PlanEllipse } from './planLoad'
import { planMesh, type PlanMesh } from './planMesh'
import type { ShellModel } from './shellModel'

/**
 * How a shell is held and pressed for its arch stiffness (house settings; supports after the
 * field's test shell).
 */
export const SHELL_CASE = {
  /** floor through a shoe, N/mm³ of plan area */
  floorNPerMm3: 10,
  /** modulus of post material, MPa (high-density EVA) */
  postMPa: 3.6,
  /**
   * what seats the shell while its arch is pressed, in body weights: on the heel, and on the last
   * millimetres behind the front edge
   */
  seatHeel: 0.3,
  seatFront: 0.05,
  frontMm: 25,
  /** even pressure on the arch of a person of 75 kg, MPa; it goes with body weight */
  archMPa: 0.02,
  usualKg: 75,
  /** the loaded ellipse: shares of foot length, and of forefoot width over 100 mm */
  yShare: 0.41,
  ryShare: 0.12,
  xMm: 8,
  rxMm: 16,
} as const

/** A device's shell made into a model, with what is needed to read the answer. */
export interface DeviceShell {
  model: ShellModel
  plan: PlanMesh
  /** shares of the load on the arch by vertex; the model itself carries what seats it */
  shares: Float64Array
  ellipse: PlanEllipse
  forceN: number
  stepMm: number
}

/** The ellipse of the arch that is pressed. */
function archEllipse(lengthMm: number, forefootWidthMm: number): PlanEllipse {
  const wide = forefootWidthMm / 100
  return {
    x: SHELL_CASE.xMm * wide,
    y: SHELL_CASE.yShare * lengthMm,
    rx: SHELL_CASE.rxMm * wide,
    ry: SHELL_CASE.ryShare * lengthMm,
  }
}

const LEAST_TRIANGLES = 40
/** A wall is not counted thinner than this by its own slope, mm. */
const LEAST_MM = 0.3

/**
 * The shell of a device as flat triangles: its middle surface over the trimmed plan, its thickness
 * along the normal, floor and posts as springs that push only, an even pressure on the arch, heel
 * and front edge seated by the foot.
 *
 * @param stepMm about how long an edge is; 6 while something is dragged, 4 at rest
 * @param massKg the load goes with body weight
 * @param support factor on all springs, for the range
 * @throws Refusal `shell-not-bent` for materials that are blocks, `shell-too-small` where nothing
 *   is left to mesh
 */
export function deviceShell(
  body: ShellBody,
  device: Device,
  material: ShellMaterial,
  stepMm: number,
  massKg: number,
  support = 1,
): DeviceShell {
  if (!material.rigid)
    throw new Refusal(
      'shell-not-bent',
      `${material.name} is a block that gives by being pressed, not a shell that bends; no arch stiffness is reckoned.`,
      'device.shell.material',
    )
  const { field } = body.surface
  const grid = (z: Float64Array) => ({ ...field, z })
  const [inside, top, under, bottom] = [
    grid(body.inside),
    grid(body.shellTop),
    grid(body.shellBottom),
    grid(body.bottom),
  ]
  const asked = thicknessOf(field, device)
  const ahead = grid(field.q)
  const thick = typeof asked === 'number' ? null : grid(asked)
  const plan = planMesh(
    { rings: trimLines(body), insideMm: (x, y) => sampleGrid(inside, x, y) },
    stepMm,
  )
  if (plan.triangles.length < LEAST_TRIANGLES)
    throw new Refusal(
      'shell-too-small',
      'So little of the shell is left that no stiffness can be reckoned.',
      'device.outline',
    )
  const at = (g: ReturnType<typeof grid>) => plan.points.map(([x, y]) => sampleGrid(g, x, y))
  const [zTop, zUnder, zBottom] = [at(top), at(under), at(bottom)]
  const vertices = plan.points.map(([x, y], i): [number, number, number] => [
    x,
    y,
    (zTop[i]! + zUnder[i]!) / 2,
  ])
  const moduli = body.blocks.map(({ post, youngMPa }) => {
    const shoreA = post === null ? undefined : device.posts[post]?.shoreA
    return shoreA === undefined ? (youngMPa ?? SHELL_CASE.postMPa) : youngFromShoreA(shoreA)
  })
  const blockMPa = (x: number, y: number) => {
    const [c, r] = [x - field.x0, y - field.y0].map((v) => Math.floor(v / field.stepMm))
    return moduli[body.blockOf[r! * field.columns + c!]!] ?? SHELL_CASE.postMPa
  }
  const thicknessMm = new Float64Array(plan.triangles.length)
  const perTriangle = new Float64Array(plan.triangles.length)
  plan.triangles.forEach((t, e) => {
    const mean = (v: readonly number[]) => (v[t[0]]! + v[t[1]]! + v[t[2]]!) / 3
    const [a, b, c] = t.map((v) => vertices[v]!) as [
      [number, number, number],
      [number, number, number],
      [number, number, number],
    ]
    const [ux, uy, uz, vx, vy, vz] = [
      b[0] - a[0],
      b[1] - a[1],
      b[2] - a[2],
      c[0] - a[0],
      c[1] - a[1],
      c[2] - a[2],
    ]
    const plane = ux * vy - uy * vx
    const upright = plane / Math.hypot(uy * vz - uz * vy, uz * vx - ux * vz, plane)
    const whole =
      typeof asked === 'number'
        ? asked
        : sampleGrid(thick!, (a[0] + b[0] + c[0]) / 3, (a[1] + b[1] + c[1]) / 3)
    thicknessMm[e] = Math.max(LEAST_MM, Math.min(whole, (mean(zTop) - mean(zUnder)) * upright))
    const block = Math.max(0, mean(zUnder) - mean(zBottom))
    const [x, y] = [(a[0] + b[0] + c[0]) / 3, (a[1] + b[1] + c[1]) / 3]
    perTriangle[e] = support / (block / blockMPa(x, y) + 1 / SHELL_CASE.floorNPerMm3)
  })
  const { lengthMm, forefootWidthMm, heelWidthMm } = field.sole.parameters
  const ellipse = archEllipse(lengthMm, forefootWidthMm)
  const shares = loadShares(plan, (x, y) => inEllipse(ellipse, x, y))
  if (!shares)
    throw new Refusal(
      'shell-too-small',
      'The shell ends before the arch; no stiffness of the arch can be reckoned.',
      'device.outline',
    )
  const forceN =
    SHELL_CASE.archMPa * Math.PI * ellipse.rx * ellipse.ry * (massKg / SHELL_CASE.usualKg)
  const loadN = new Float64Array(6 * vertices.length)
  const seat = [
    {
      bodyWeights: SHELL_CASE.seatHeel,
      shares: loadShares(plan, (x, y) =>
        inEllipse(
          { x: 0, y: field.sole.heelCentreY, rx: 0.28 * heelWidthMm, ry: 0.08 * lengthMm },
          x,
          y,
        ),
      ),
    },
    {
      bodyWeights: SHELL_CASE.seatFront,
      shares: loadShares(
        plan,
        (x, y) =>
          sampleGrid(ahead, x, y) > -device.outline.distal.behindHeadsMm - SHELL_CASE.frontMm,
      ),
    },
  ]
  shares.forEach(
    (_, i) =>
      (loadN[6 * i + 2] = -seat.reduce(
        (sum, { bodyWeights, shares: at }) => sum + bodyWeights * massKg * 9.81 * (at?.[i] ?? 0),
        0,
      )),
  )
  const held = new Uint8Array(6 * vertices.length)
  const nearest = (x: number, y: number) =>
    plan.points.reduce(
      (best, p, i) =>
        Math.hypot(p[0] - x, p[1] - y) <
        Math.hypot(plan.points[best]![0] - x, plan.points[best]![1] - y)
          ? i
          : best,
      0,
    )
  // Three holds against sliding and turning on the floor; under vertical load they carry nothing.
  const heel = nearest(0, field.sole.heelCentreY)
  held[6 * heel] = held[6 * heel + 1] = 1
  held[6 * nearest(0, body.frontY)] = 1
  return {
    model: {
      verticesMm: vertices,
      triangles: plan.triangles,
      thicknessMm,
      youngMPa: material.youngMPa,
      poisson: material.poisson,
      held,
      loadN,
      foundation: { perTriangle, gapMm: zBottom.map((z) => z - body.floorMm), unilateral: true },
    },
    plan,
    shares,
    ellipse,
    forceN,
    stepMm,
  }
}
