import { defineStore } from 'pinia'
import { computed } from 'vue'
import { useOnDevice } from './onDevice'
import { useFiles } from './files'
import { useOutbox } from './outbox'
import { useQueue } from './queue'

export type Saved = 'saved' | 'saving' | 'kept' | 'on this page'

/** One line of what waits on this device. */
export interface WaitingLine {
  id: string
  words: string
  /** why the server would not keep it */
  refused: string | null
  /** the fitting in which a choice is to be made */
  choiceIn: string | null
}

/** Everything of this person that the server has not confirmed, in one list. */
export const useWaiting = defineStore('waiting', () => {
  const queue = useQueue()
  const outbox = useOutbox()
  const files = useFiles()
  const onDevice = useOnDevice()
  const lines = computed<WaitingLine[]>(() => [
    ...queue.all.map((item) => ({
      id: item.id,
      words: item.about ? `${item.about}: ${item.words}` : item.words,
      refused: item.refused ?? null,
      choiceIn: item.met ? item.fittingId : null,
    })),
    ...[...outbox.all, ...files.all].map((item) => ({
      id: item.id,
      words: item.words,
      refused: item.refused ?? null,
      choiceIn: null,
    })),
  ])
  const refused = computed(() => lines.value.filter((line) => line.refused !== null))
  /** 'saved' only where nothing of it waits, 'kept' only where all of it lies on the device */
  const saved = computed<Saved>(() => {
    const count = queue.onItsWay.length + outbox.onItsWay.length + files.onItsWay.length
    if (count === 0) return 'saved'
    if (onDevice.storing > 0 || !(queue.stuck || outbox.down || files.down)) return 'saving'
    return onDevice.pageOnly ? 'on this page' : 'kept'
  })
  async function decide(id: string, what: 'again' | 'let go') {
    await Promise.all([queue, outbox, files].map((store) => store.decide(id, what)))
  }
  return { lines, refused, saved, decide }
})
