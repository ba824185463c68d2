import { defineStore } from 'pinia'
import { markRaw } from 'vue'
import type { FootwearModel } from '../../core/footwear/catalogueSchema'
import type { LearnedBias } from '../../core/footwear/learnedBias'
import type { PackOut } from '../../core/followup/packOut'
import type { LearnedSpringBack } from '../../core/footwear/springBack'
import type { Reserved, StockElsewhere } from '../../shared/contracts'
import { useLine } from './line'
import { useSession } from './session'

/** The shop's footwear models, read once a session. */
export const useModels = defineStore('models', {
  state: () => ({
    models: [] as FootwearModel[],
    learned: {} as Record<string, LearnedBias>,
    /** what springs back, by plastic */
    springBack: {} as Record<string, LearnedSpringBack>,
    /** how liners pack out here, by model */
    packs: {} as Record<string, PackOut>,
    elsewhere: {} as StockElsewhere,
    /** fittings that wait for a pair of this place's shelf */
    reserved: {} as Reserved,
    loaded: false,
  }),
  actions: {
    /** Reads them; again when something was learned. */
    async load(again = false) {
      if (this.loaded && !again) return
      const { models, learned, springBack, packs, elsewhere } = await useLine().read<{
        models: FootwearModel[]
        learned: Record<string, LearnedBias>
        springBack?: Record<string, LearnedSpringBack>
        packs?: Record<string, PackOut>
        elsewhere?: StockElsewhere
      }>('models')
      // Thousands of models need no watching, one by one.
      this.models = markRaw(models)
      this.learned = learned
      this.springBack = springBack ?? {}
      this.packs = packs ?? {}
      this.elsewhere = elsewhere ?? {}
      this.loaded = true
    },
    /** Counts the shelf anew: what lies here, what is chosen by whom, what lies elsewhere. */
    async countShelf() {
      const { stock, reserved, elsewhere } = await useLine().read<{
        stock: Record<string, Record<string, number>>
        reserved: Reserved
        elsewhere: StockElsewhere
      }>('models/shelf')
      this.models = markRaw(this.models.map((m) => ({ ...m, stock: stock[m.id] ?? {} })))
      this.reserved = reserved
      this.elsewhere = elsewhere
    },
    /** Other fittings than this one that wait for a pair. */
    waitingFor(model: string, sizeMm: number, fitting: string): number {
      const ids = this.reserved[model]?.[String(sizeMm)] ?? []
      return ids.filter((id) => id !== fitting).length
    },
    /** Where else pairs of a size lie, in words; empty where nowhere. */
    elsewhereWords(model: string, sizeMm: number): string {
      const { places } = useSession()
      return Object.entries(this.elsewhere[model]?.[String(sizeMm)] ?? {})
        .map(([place, pairs]) => `${pairs} at ${places.find((p) => p.id === place)?.name ?? '?'}`)
        .join(', ')
    },
    byId(id: string | undefined): FootwearModel | undefined {
      return this.models.find((m) => m.id === id)
    },
  },
})
