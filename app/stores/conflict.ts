import { defineStore } from 'pinia'
import { computed } from 'vue'
import { useQueue } from './queue'

/** Two people changed one part: what both have, and the choice between them. */
export const useConflict = defineStore('conflict', () => {
  const queue = useQueue()
  const open = computed(() => queue.met)
  /** Ours on top of theirs, or theirs. */
  function resolve(choice: 'mine' | 'theirs') {
    if (!queue.met) return
    const { item, current } = queue.met
    if (choice === 'theirs') queue.drop(item.part)
    queue.onto(item.part, current)
    queue.met = null
    void queue.flush()
  }
  return { open, resolve }
})
