import type { Grid } from './grid'

/** What the parametric sole needs to know of a foot, mm and degrees. */
export interface SoleParameters {
  lengthMm: number
  forefootWidthMm: number
  heelWidthMm: number
  navicularHeightMm: number
  forefootDeg: number
  castDeg: number
  secondToeLeadMm: number
  lateralArchMm: number
}

/**
 * What a captured foot gives instead of the house's plan: borders at a height y, and where heads
 * and toes lie, mm.
 */
export interface SolePlan {
  medial: (y: number) => number
  lateral: (y: number) => number
  heads: readonly (readonly [number, number])[]
  toes: readonly (readonly [number, number])[]
}

/** A pad under a met head or a toe. */
export interface Bump {
  x: number
  y: number
  depth: number
  sigmaX: number
  sigmaY: number
}

/** Where a point lies in the foot: shares and distances that every layer formula is written in. */
export interface SolePlace {
  /** share of foot length from the heel, y/L */
  s: number
  /** share of the width from the lateral (0) to the medial border (1) */
  u: number
  /** mm in front of the line through the met heads (behind: negative) */
  q: number
  /** 0 on the middle line, 1 on the border */
  rho: number
  /** middle and half of the width, mm */
  middleX: number
  halfWidth: number
}

/** The closed-form sole of one foot in its own frame (x medial, y from the heel, z up; mm). */
export interface Sole {
  parameters: SoleParameters
  heelCentreY: number
  medial: (y: number) => number
  lateral: (y: number) => number
  headLineY: (x: number) => number
  heads: readonly Bump[]
  toes: readonly Bump[]
  place: (x: number, y: number) => SolePlace
  height: (x: number, y: number) => number
  /** height of the rounded border alone, at a share rho of the half width */
  borderHeight: (s: number, rho: number) => number
  /** the share of the half width at which the border reaches a height */
  borderShare: (s: number, heightMm: number) => number
  contains: (x: number, y: number) => boolean
}

/**
 * The sole sampled on the working grid, with the place of every cell, so that a change of one layer
 * costs one pass over arrays. All arrays have `columns × rows` cells; heights beyond the plan
 * follow the same closed form.
 */
export interface SoleField extends Omit<Grid, 'z'> {
  sole: Sole
  /** 1 inside the foot's plan */
  mask: Uint8Array
  x: Float64Array
  y: Float64Array
  s: Float64Array
  u: Float64Array
  q: Float64Array
  rho: Float64Array
  /** mm per unit of rho, along its gradient */
  reach: Float64Array
  /** height of the sole without cast rotation, mm */
  z: Float64Array
  /**
   * first column and column after the last that lie in or near the plan, per row; nothing is built
   * beyond
   */
  from: Uint16Array
  to: Uint16Array
}
