import { expose } from 'comlink'
import { isBrought, modelOf, withBrought } from '../../core/footwear/brought'
import type { FootwearModel } from '../../core/footwear/catalogueSchema'
import { ownFlexStep } from '../../core/footwear/flex'
import { matchCatalogue, type Feet, type MatchResult } from '../../core/footwear/match'
import { matchSettings, standingFeet } from '../../core/footwear/matchRecord'
import { pairOptions, type PairQuestion } from '../../core/footwear/pairOptions'
import { catalogueChanges, type CatalogueChanges } from '../../core/formats/catalogueChanges'
import { asPacked } from '../../core/followup/learnedPackOut'
import type { PackOut } from '../../core/followup/packOut'
import type { LearnedBias } from '../../core/footwear/learnedBias'
import {
  readCatalogueCsv,
  readCatalogueJson,
  type CatalogueCheck,
} from '../../core/formats/catalogueCsv'
import { packOutForecast } from '../../core/followup/packOutForecast'
import { normsOf } from '../../core/record/tables'
import { Refusal } from '../../core/record/refusal'
import type { FittingRecord } from '../../core/record/schema'
import type { Family } from '../../core/kinds/families/all'

/**
 * What is compared: families, shelf, price; ids that are always told even when they rank far down.
 */
export interface MatchFilter {
  families: Family[] | null
  inStock: boolean
  mostPrice: number | null
  /** step of stiffness on the shop's own scale; those further off are left out */
  flexStep: number | null
  makers: string[]
  always: string[]
}

export interface Matched {
  result: MatchResult
  feet: Feet
  /** the rank of ids asked for, in `always`, may lie behind the ones told */
  offered: number
}

/** A stated flex this far off the advice is left out, steps. */
const FLEX_NEAR = 1.5
/** Does a model lie here in the sizes that it ranks with? */
const liesHere = ({ stock }: FootwearModel, sizesMm: readonly number[]) =>
  sizesMm.every((sizeMm) => (stock[String(sizeMm)] ?? 0) > 0)

class MatchWorker {
  #models: FootwearModel[] = []
  #learned: Record<string, LearnedBias> = {}
  #packs: Record<string, PackOut> = {}
  #feet: { key: string; feet: Feet } | null = null

  /**
   * @param learned what the shop's shell checks taught, by model
   * @param packs how liners pack out here, by model
   */
  setModels(
    models: FootwearModel[],
    learned: Record<string, LearnedBias>,
    packs: Record<string, PackOut>,
  ): void {
    this.#models = models.map((model) => asPacked(model, packs))
    this.#learned = learned
    this.#packs = packs
  }

  /**
   * Feet on their devices; building a device takes longer than the whole match, so they are kept
   * while nothing of them changes.
   */
  #standing(record: FittingRecord): Feet {
    const key = JSON.stringify([record.feet, record.norms?.supportShare])
    if (this.#feet?.key !== key) this.#feet = { key, feet: standingFeet(record) }
    return this.#feet.feet
  }

  /** Ranks what the filter lets through; null while no foot has a length. */
  match(record: FittingRecord, filter: MatchFilter, most: number): Matched | null {
    const rows = normsOf(record)
    const flexFits = (m: FootwearModel) => {
      const own = filter.flexStep === null ? null : ownFlexStep(m, rows)
      return own === null || Math.abs(own.step - filter.flexStep!) <= FLEX_NEAR
    }
    const fromShop = this.#models.filter(
      (m) =>
        (filter.families === null || filter.families.includes(m.family)) &&
        (filter.mostPrice === null || m.price <= filter.mostPrice) &&
        (filter.makers.length === 0 || filter.makers.includes(m.maker)) &&
        flexFits(m),
    )
    // What the client brought stands there whatever is looked for.
    const offered = withBrought(record, fromShop)
    try {
      const feet = this.#standing(record)
      const settings = { ...matchSettings(record), learned: this.#learned }
      // The size counts, not that some other lies there.
      const isHere = (m: FootwearModel, sizes: readonly number[]) =>
        !filter.inStock || isBrought(m.id) || liesHere(m, sizes)
      const result = matchCatalogue(feet, offered, settings, most, isHere)
      const told = new Set([...result.pair, ...result.rejected].map((p) => p.model))
      const isAsked = (m: FootwearModel) => filter.always.includes(m.id) || isBrought(m.id)
      const extra = offered.filter((m) => isAsked(m) && !told.has(m.id))
      if (extra.length) {
        const more = matchCatalogue(feet, extra, settings)
        result.pair.push(...more.pair)
        result.rejected.push(...more.rejected)
      }
      return { result, feet, offered: result.counts.compared }
    } catch (error) {
      if (error instanceof Refusal && error.code === 'no-length') return null
      throw error
    }
  }

  /** Same size, padded, split or made to measure, for one model. */
  options(record: FittingRecord, id: string): PairQuestion | null {
    const model = modelOf(record, this.#models, id)
    return model
      ? pairOptions(this.#standing(record), model, {
          ...matchSettings(record),
          learned: this.#learned,
        })
      : null
  }

  /**
   * What packing out does with the chosen shell; null where nothing is chosen or no foot has a
   * length.
   */
  packOut(record: FittingRecord, daysUsed: number): ReturnType<typeof packOutForecast> | null {
    const model = modelOf(record, this.#models, record.footwear?.chosen?.model)
    try {
      return model ? packOutForecast(record, model, daysUsed, this.#packs[model.id]) : null
    } catch (error) {
      if (error instanceof Refusal && error.code === 'no-length') return null
      throw error
    }
  }

  /**
   * Checks a catalogue file, and says what it would do to the catalogue; a sentence when it is none.
   *
   * @param known models as they are stored
   */
  check(
    text: string,
    kind: 'csv' | 'json',
    known: FootwearModel[],
  ): (CatalogueCheck & { changes: CatalogueChanges }) | { wrong: string } {
    try {
      const check =
        kind === 'csv' ? readCatalogueCsv(text, known) : readCatalogueJson(JSON.parse(text))
      return { ...check, changes: catalogueChanges(known, check.models) }
    } catch (error) {
      if (error instanceof Refusal) return { wrong: error.message }
      return { wrong: 'This is not JSON. Check the file from its start.' }
    }
  }
}

export type { MatchWorker }
expose(new MatchWorker())
