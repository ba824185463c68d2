/**
 * House settings of how a shell is ground and posted, mm; `share` values are of foot length or half
 * width.
 */
export const SHELL_RULES = {
  /** front edge ground thin over this length, to this share of the thickness */
  bevelMm: 10,
  bevelShare: 0.35,
  /** an extrinsic block keeps this much under the lowest point of the shell */
  postBaseMm: 1,
  /** sides of a block run in over this width */
  draftMm: 2.5,
  /** a rearfoot block: from the heel to this share of length, this wide */
  postLengthShare: 0.24,
  postWidthShare: 0.8,
  /** a forefoot block: this long behind the front edge */
  forefootPostMm: 30,
  /** thinnest the shell may get anywhere */
  leastMm: 0.4,
} as const
