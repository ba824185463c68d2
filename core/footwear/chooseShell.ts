import type { Footwear } from '../record/schema'
import type { FootwearModel } from './catalogueSchema'

type Chosen = NonNullable<Footwear['chosen']>
/** A model in one size for each foot. */
export type SizedModel = Pick<Chosen, 'model' | 'sizeLeftMm' | 'sizeRightMm'>

/** What a model asks of an ankle by the way it was made. */
export type MadeModel = Pick<FootwearModel, 'cuffLeanDeg' | 'bootBoard'>

/** What is set on one shell and on no other: a next one begins as its maker made it. */
const SET_ON_SHELL = ['cuffAlignDeg', 'soleCantDeg', 'forwardLeanDeg', 'rampDeg'] as const

/**
 * The footwear with a model chosen, and the best beside it. Checks and work name their model and go
 * along; cuff, cant, lean and ramp were set on the shell that was chosen before and stay with it.
 * The binding's delta is the binding's.
 *
 * For instance `chooseShell(footwear, { model: 'b', sizeLeftMm: 265, sizeRightMm: 265 }, ['b']).chosen`
 *   has no forward lean, though model 'a' had one; with model b's own it has that
 *
 * @param made the model as its maker made it: lean and ramp begin there, where the lean is known
 */
export function chooseShell(
  footwear: Footwear,
  sized: SizedModel,
  candidates: string[],
  made?: MadeModel,
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
      ...(before?.model !== sized.model &&
        made?.cuffLeanDeg !== undefined && {
          forwardLeanDeg: made.cuffLeanDeg,
          rampDeg: made.bootBoard.rampDeg,
        }),
      ...Object.fromEntries(carried),
      ...sized,
    },
  }
}
