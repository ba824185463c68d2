import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { canSeal } from '~/browser/sealing'

/**
 * Whether what was typed has reached this device's own storage: kept is said of what is kept, and
 * not of what is on its way there.
 */
export const useOnDevice = defineStore('onDevice', () => {
  const storing = ref(0)
  /** what the browser would not take: gone with the page, unless it is sent before */
  const notKept = ref<ReadonlySet<string>>(new Set())
  const pageOnly = computed(() => !canSeal() || notKept.value.size > 0)
  function note(id: string, isKept: boolean) {
    const others = [...notKept.value].filter((other) => other !== id)
    notKept.value = new Set(isKept ? others : [...others, id])
  }

  /** @returns whether the browser took it */
  async function store(id: string, work: () => Promise<unknown>): Promise<boolean> {
    storing.value++
    try {
      await work()
      note(id, true)
      return true
    } catch {
      note(id, false)
      return false
    } finally {
      storing.value--
    }
  }
  /** It waits no more: sent, or let go. */
  const forget = (id: string) => note(id, true)
  return { storing, pageOnly, store, forget }
})
