/** The six unknowns of a node, by their place. */
export const SHELL_UNKNOWNS = ['ux', 'uy', 'uz', 'rx', 'ry', 'rz'] as const

/** Springs of floor and posts under a shell, per plan area. */
export interface ShellFoundation {
  /** N/mm³ of plan area, one per triangle */
  perTriangle: ArrayLike<number>
  /** height of the underside over what it would stand on, mm, one per vertex; 0 without it */
  gapMm?: ArrayLike<number>
  /** it pushes and never pulls; otherwise it acts both ways and has no gap */
  unilateral: boolean
}

/** A shell of flat triangles: mm, N, MPa. */
export interface ShellModel {
  verticesMm: readonly (readonly [number, number, number])[]
  triangles: readonly (readonly [number, number, number])[]
  /** one for all, or one per triangle */
  thicknessMm: number | ArrayLike<number>
  youngMPa: number
  poisson: number
  /** six flags a vertex, 1 = held */
  held: Uint8Array
  /** fx fy fz mx my mz a vertex, N and N·mm */
  loadN: Float64Array
  foundation?: ShellFoundation
}

export const thicknessAt = ({ thicknessMm }: ShellModel, triangle: number): number =>
  typeof thicknessMm === 'number' ? thicknessMm : thicknessMm[triangle]!
