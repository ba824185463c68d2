import { SET_ON_SHELL } from '../record/footwearSchema'
import type { Footwear } from '../record/schema'
import type { FootwearModel } from './catalogueSchema'

type Chosen = NonNullable<Footwear['chosen']>
/** A model in one size for each foot. */
export type SizedModel = Pick<Chosen, 'model' | 'sizeLeftMm' | 'sizeRightMm'>

/** What a model asks of an ankle by the way it was made. */
export type MadeModel = Pick<FootwearModel, 'cuffLeanDeg' | 'bootBoard'>

const isSetOnShell = (key: string) => (SET_ON_SHELL as readonly string[]).includes(key)

/**
 * The footwear with a model chosen, and the best beside it. Checks and work name their model and go
 * along; cuff, cant, lean and ramp were set on the shell that was chosen before, stay with it, and are there again
 * when it is chosen again. The binding's delta is the binding's.
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
  const isSame = before?.model === sized.model
  const entries = Object.entries(before ?? {})
  const leaves = isSame ? [] : entries.filter(([key]) => isSetOnShell(key))
  const { [sized.model]: returning, ...others } = footwear.setOn ?? {}
  const setOn = {
    ...others,
    ...(leaves.length > 0 && { [before!.model]: Object.fromEntries(leaves) }),
  }
  const { setOn: _, ...rest } = footwear
  return {
    ...rest,
    ...(Object.keys(setOn).length > 0 && { setOn }),
    candidates,
    chosen: {
      shellChecks: [],
      tryOn: [],
      work: [],
      ...(!isSame &&
        made?.cuffLeanDeg !== undefined && {
          forwardLeanDeg: made.cuffLeanDeg,
          rampDeg: made.bootBoard.rampDeg,
        }),
      ...(!isSame && returning),
      ...Object.fromEntries(entries.filter(([key]) => isSame || !isSetOnShell(key))),
      ...sized,
    },
  }
}
