import { defineStore } from 'pinia'
import type { FootwearModel } from '../../core/footwear/catalogueSchema'
import { api } from '~/composables/api'

/** The shop's footwear models, read once a session. */
export const useModels = defineStore('models', {
  state: () => ({ models: [] as FootwearModel[], loaded: false }),
  actions: {
    async load() {
      if (this.loaded) return
      this.models = (await api<{ models: FootwearModel[] }>('models')).models
      this.loaded = true
    },
    byId(id: string | undefined): FootwearModel | undefined {
      return this.models.find((m) => m.id === id)
    },
  },
})
