import type { Footwear } from '../record/schema'

type Chosen = NonNullable<Footwear['chosen']>
/** A model in one size for each foot. */
export type SizedModel = Pick<Chosen, 'model' | 'sizeLeftMm' | 'sizeRightMm'>

/** What is set on one shell and on no other: a next one begins as its maker made it. */
const SET_ON_SHELL = ['cuffAlignDeg', 'soleCantDeg', 'forwardLeanDeg', 'rampDeg'] as const

/**
 * The footwear with a model chosen, and the best beside it. Checks and work name their model and go
 * along; cuff, cant, lean and ramp were set on the shell that was chosen before and stay with it.
 * The binding's delta is the binding's.
 *
 * For instance `chooseShell(footwear, { model: 'b', sizeLeftMm: 265, sizeRightMm: 265 }, ['b']).chosen`
 *   has no forward lean, though model 'a' had one
 */
export function chooseShell(
  footwear: Footwear,
  sized: SizedModel,
  candidates: string[],
): Footwear & { chosen: Chosen } {
  const before = footwear.chosen
  const carried = Object.entries(before ?? {}).filter(
    ([key]) => before!.model === sized.model || !(SET_ON_SHELL as readonly string[]).includes(key),
  )
  return {
    ...footwear,
    candidates,
    chosen: {
      shellChecks: [],
      tryOn: [],
      work: [],
      ...Object.fromEntries(carried),
      ...sized,
    },
  }
}
