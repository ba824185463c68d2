import { BROUGHT_ID } from '../record/footwearSchema'
import type { BroughtFootwear, FittingRecord } from '../record/schema'
import { modelSchema, type FootwearModel } from './catalogueSchema'

/** Who made what a client brought is rarely known, and does not matter. */
export const BROUGHT_BY_CLIENT = 'brought along'

/**
 * What a client brought as a model of one size: as it stands there, with nothing on the shelf and no price.
 *
 * For instance a boot of 270 with 281 mm inside is a model made in 270 only, its length 281 there
 */
export const broughtModel = (own: BroughtFootwear): FootwearModel =>
  modelSchema.parse({
    id: own.id,
    maker: BROUGHT_BY_CLIENT,
    name: own.name,
    family: own.family,
    referenceMm: own.sizeMm,
    sizesMm: [own.sizeMm],
    at: own.at,
    liner: {
      thicknessMm: {
        toe: own.linerMm,
        ball: own.linerMm,
        instep: own.linerMm,
        ankle: own.linerMm,
        heel: own.linerMm,
      },
      // It has been worn: what packs out is out.
      packOut: 0,
    },
    insoleMm: own.insoleMm,
    ...(own.stretchMm !== undefined && { plastic: { stretchMm: own.stretchMm } }),
  })

const MODELS = new WeakMap<BroughtFootwear, FootwearModel>()
/** The models of what a client brought; the same one for the same thing, because matches keep what they know of it. */
export const broughtModels = ({ footwear }: Pick<FittingRecord, 'footwear'>): FootwearModel[] =>
  (footwear?.brought ?? []).map((own) => {
    const had = MODELS.get(own)
    if (had) return had
    const made = broughtModel(own)
    MODELS.set(own, made)
    return made
  })

/** A catalogue with what the client of a record brought before it. */
export const withBrought = (
  record: Pick<FittingRecord, 'footwear'>,
  models: readonly FootwearModel[],
): FootwearModel[] => [...broughtModels(record), ...models.filter((m) => !isBrought(m.id))]

/** A model of the catalogue, or of what the client brought; undefined for one that is neither. */
export const modelOf = (
  record: Pick<FittingRecord, 'footwear'>,
  models: readonly FootwearModel[],
  id: string | undefined,
): FootwearModel | undefined =>
  broughtModels(record).find((m) => m.id === id) ?? models.find((m) => m.id === id)

/** Did the client bring it? Then it is neither sold nor taken off a shelf. */
export const isBrought = (id: string | undefined): boolean => BROUGHT_ID.test(id ?? '')
