import { defineStore } from 'pinia'
import { markRaw } from 'vue'
import type { FootwearModel } from '../../core/footwear/catalogueSchema'
import type { LearnedBias } from '../../core/footwear/shellCheck'
import { useLine } from './line'

/** The shop's footwear models, read once a session. */
export const useModels = defineStore('models', {
  state: () => ({
    models: [] as FootwearModel[],
    learned: {} as Record<string, LearnedBias>,
    loaded: false,
  }),
  actions: {
    /** Reads them; again when something was learned. */
    async load(again = false) {
      if (this.loaded && !again) return
      const { models, learned } = await useLine().read<{
        models: FootwearModel[]
        learned: Record<string, LearnedBias>
      }>('models')
      // Thousands of models need no watching, one by one.
      this.models = markRaw(models)
      this.learned = learned
      this.loaded = true
    },
    byId(id: string | undefined): FootwearModel | undefined {
      return this.models.find((m) => m.id === id)
    },
  },
})
