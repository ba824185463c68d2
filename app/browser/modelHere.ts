import { modelOf, withBrought } from '../../core/footwear/brought'
import type { FootwearModel } from '../../core/footwear/catalogueSchema'
import { useFitting } from '~/stores/fitting'
import { useModels } from '~/stores/models'

/**
 * A model of the shop's, or of what the client of the open fitting brought. It stands beside the store, which the
 * first page needs and which knows no shapes of footwear.
 */
export const modelHere = (id: string | undefined): FootwearModel | undefined =>
  modelOf(useFitting().record, useModels().models, id)

/** Every model that may be chosen here: what the client brought first. */
export const modelsHere = (): FootwearModel[] =>
  withBrought(useFitting().record, useModels().models)
