import { defineStore } from 'pinia'
import { ref } from 'vue'
import { canSeal } from '~/browser/sealing'

/**
 * Whether what was typed has reached this device's own storage: kept is said of what is kept, and
 * not of what is on its way there.
 */
export const useOnDevice = defineStore('onDevice', () => {
  const storing = ref(0)
  /** the browser keeps nothing for us: what waits is gone with the page */
  const pageOnly = ref(!canSeal())

  async function store(work: () => Promise<unknown>): Promise<void> {
    storing.value++
    try {
      await work()
      pageOnly.value = !canSeal()
    } catch {
      pageOnly.value = true
    } finally {
      storing.value--
    }
  }
  return { storing, pageOnly, store }
})
