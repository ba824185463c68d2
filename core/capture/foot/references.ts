/**
 * Where things lie on a foot as a share of its length and of its plan's width (0 outer border, 1
 * inner), and what a level, well held foot reads by the rules of this folder because its border is
 * round. House values, own assumption; measured feet may move them.
 */
export const FOOT_REFERENCE = {
  /** lowest point of the heel from its rear */
  heelShare: 0.13,
  /** met heads 1 to 5: share of length, share of the width of the plan there */
  headShare: [0.725, 0.735, 0.715, 0.685, 0.645],
  headAcross: [0.81, 0.59, 0.42, 0.27, 0.125],
  /** pads of toes 1 to 5 from the heel and from the axis, the latter per mm of forefoot width */
  toeShare: [0.905, 0.894, 0.872, 0.835, 0.79],
  toeAcross: [0.26, 0.07, -0.08, -0.21, -0.32],
  /** how far the middle of the ball's plan lies outside the axis, per mm of forefoot width */
  ballOutside: 0.018,
  /**
   * angle of the sole under the heads of a level forefoot, degrees: the outer border rises earlier
   */
  forefootDeg: -0.73,
  /** outer border above the chord heel–fifth head in its middle third, mm */
  borderSagMm: 0.67,
  /** sole under the first head over the line of heads 2 to 5, mm */
  firstRayMm: 2.67,
  /** knuckle over tip of the lesser toes, mm */
  toeStepMm: 1.16,
  /** sole under heads 4 and 5 over its surroundings, mm */
  headPadMm: -0.8,
  /** middle of the heads over the heel's own plane, mm */
  ballLevelMm: 2.7,
  /** arch apex for a navicular height: at 44 mm, and per mm */
  apexMm: 10.4,
  apexPerNavicular: 0.33,
} as const
