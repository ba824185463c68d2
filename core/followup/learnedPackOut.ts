import type { FootwearModel } from '../footwear/catalogueSchema'
import type { Norms } from '../record/tables'
import { fitPackOut, statedCurve, type PackOut } from './packOut'

/** A liner that was measured again after some days of use. */
export interface LinerSeen {
  model: string
  days: number
  /** of its thickness that is gone, 0–1 */
  share: number
}

/** Fewer liners of a model than this teach nothing of it (own assumption). */
const LEAST = 5

/**
 * How the liners of each model pack out in this shop: the curve through what was measured on them at the
 * follow-ups, drawn towards the model's own share. Models with fewer than five measurements are left out: they go
 * by what is stated.
 *
 * @param seen of any client, on models of the catalogue
 */
export function learnPackOut(
  seen: readonly LinerSeen[],
  models: readonly FootwearModel[],
  rows: Pick<Norms, 'packOut'>,
): Record<string, PackOut> {
  const byModel = new Map<string, LinerSeen[]>()
  for (const one of seen) byModel.set(one.model, [...(byModel.get(one.model) ?? []), one])
  return Object.fromEntries(
    models.flatMap((model) => {
      const own = byModel.get(model.id) ?? []
      return own.length < LEAST ? [] : [[model.id, fitPackOut(own, statedCurve(model, rows))]]
    }),
  )
}

/** A model as its liner packs out here: in the end, and so in the match, as was learned; else as it is stated. */
export function asPacked(
  model: FootwearModel,
  packs: Readonly<Record<string, Pick<PackOut, 'endShare'>>>,
): FootwearModel {
  const own = packs[model.id]
  return own ? { ...model, liner: { ...model.liner, packOut: own.endShare } } : model
}

/**
 * In words. For instance 'liners pack out 27 % here, by 6 measured (20 % stated)'
 *
 * @param model as it is stated
 */
export function packOutWords({ liner }: Pick<FootwearModel, 'liner'>, own: PackOut): string {
  const percent = (share: number) => `${Math.round(share * 100)} %`
  return `liners pack out ${percent(own.endShare)} here, by ${own.count} measured (${percent(liner.packOut)} stated)`
}
