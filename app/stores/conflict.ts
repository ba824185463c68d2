import { defineStore } from 'pinia'
import { computed, ref, watch } from 'vue'
import { clashWords, valueWords } from '../../core/record/clashWords'
import { placeOf, useQueue } from './queue'

/** Two people changed one thing: what each wrote, and the choice between them, place by place. */
export const useConflict = defineStore('conflict', () => {
  const queue = useQueue()
  const choices = ref(new Map<string, 'mine' | 'theirs'>())
  watch(
    () => queue.met,
    () => (choices.value = new Map()),
  )
  const open = computed(() => {
    const { met } = queue
    if (!met) return null
    const places = met.clashes.map((clash) => ({
      id: placeOf(clash),
      words: clashWords(met.part, clash.path),
      mine: valueWords(clash.mine),
      theirs: valueWords(clash.theirs),
      choice: choices.value.get(placeOf(clash)) ?? null,
    }))
    return {
      who: met.current.changedBy ?? 'Someone',
      at: met.current.changedAt,
      part: met.part,
      // One place may be changed twice by what waits: it is asked once.
      places: [...new Map(places.map((place) => [place.id, place])).values()],
    }
  })
  const decided = computed(
    () => open.value?.places.every((place) => place.choice !== null) ?? false,
  )
  const choose = (id: string, choice: 'mine' | 'theirs') =>
    (choices.value = new Map(choices.value).set(id, choice))
  function chooseAll(choice: 'mine' | 'theirs') {
    const places = open.value?.places ?? []
    choices.value = new Map(places.map(({ id }) => [id, choice]))
  }
  const keep = () => decided.value && queue.choose(choices.value)

  return { open, decided, choose, chooseAll, keep }
})
