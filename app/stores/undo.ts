import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import type { PartName } from '../../core/record/parts'
import { historyOf, keepHistory } from '~/browser/keptChanges'
import { useSession } from './session'

/** A part as it was before a change. */
export interface Before {
  part: PartName
  before: unknown
  words: string
  /** changes that belong together are taken back together */
  group?: string
}

/** So many changes can be taken back. */
const MOST = 50

/** What can be taken back and done again; kept on this device until sign-out. */
export const useUndo = defineStore('undo', () => {
  const session = useSession()
  const owner = () => session.person?.id ?? ''
  let fittingId = ''
  const back = shallowRef<readonly Before[]>([])
  const forth = shallowRef<readonly Before[]>([])
  const next = computed(() => back.value.at(-1) ?? null)
  const redoable = computed(() => forth.value.length > 0)

  /** Another fitting is opened: nothing of the last one can be taken back in it. */
  function forget() {
    fittingId = ''
    back.value = []
    forth.value = []
  }
  async function begin(id: string) {
    fittingId = id
    const kept = await historyOf(owner(), id).catch(() => undefined)
    if (fittingId !== id) return
    back.value = kept?.undo ?? []
    forth.value = kept?.redo ?? []
  }
  const remember = () =>
    void keepHistory(owner(), {
      fittingId,
      undo: [...back.value],
      redo: [...forth.value],
    }).catch(() => undefined)
  /** A change was made: what was done again before it is gone. */
  function note(before: Before) {
    back.value = [...back.value.slice(-(MOST - 1)), before]
    forth.value = []
    remember()
  }
  /** The newest of one pile moved to the other, once `put` has put it back. */
  function move(
    from: 'back' | 'forth',
    put: (there: Before) => { now: unknown } | { refused: string },
  ): Before | { refused: string } | null {
    const [source, target] = from === 'back' ? [back, forth] : [forth, back]
    const last = source.value.at(-1)
    if (!last) return null
    const done = put(last)
    if ('refused' in done) return done
    source.value = source.value.slice(0, -1)
    target.value = [...target.value, { ...last, before: done.now }]
    remember()
    return last
  }
  /** The group of what would be moved next; nothing where it stands alone. */
  const groupAt = (from: 'back' | 'forth') => (from === 'back' ? back : forth).value.at(-1)?.group
  return { next, redoable, forget, begin, note, move, groupAt }
})
