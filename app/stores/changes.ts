import { defineStore } from 'pinia'
import { ref, watch } from 'vue'
import { commandSchema, partOf, type Command } from '../../core/record/commands'
import { parseWith } from '../../core/record/parse'
import type { PartContent, PartName } from '../../core/record/parts'
import { Refusal } from '../../core/record/refusal'
import { EMPTY_PARTS } from './emptyParts'
import { useFitting } from './fitting'
import { useQueue } from './queue'
import { useSession } from './session'
import { useUndo, type Before } from './undo'

interface Change {
  command: Command
  words: string
}

/**
 * What can be done to the open fitting: a change is on the screen at once, can be taken back, and is
 * sent. Every one answers with a sentence when it is refused, and null when it was made.
 */
export const useChanges = defineStore('changes', () => {
  const fitting = useFitting()
  const queue = useQueue()
  const session = useSession()
  const undoing = useUndo()
  /** said to the person at the bench: what was refused, or what was taken back */
  const said = ref('')
  // Taken once it is said: the same refusal twice is said twice.
  watch(
    () => queue.refused,
    (words) => {
      if (!words) return
      said.value = words
      queue.refused = ''
    },
  )

  // Somebody else signs in over the open page: what the first one has not sent yet is theirs, and
  // neither stands on the screen nor can be taken back by another.
  watch(
    () => session.person?.id,
    (person, was) => {
      const { id } = fitting
      if (!person || !was || !id) return
      fitting.begin(id)
      void open(id).catch((error: Error) => (said.value = error.message))
    },
  )

  /** The work done, or the sentence that it was refused with. */
  function refusalOf(work: () => void): string | null {
    try {
      work()
      return null
    } catch (error) {
      if (error instanceof Refusal) return error.message
      throw error
    }
  }
  /** Shows and sends a change; what is sent holds nothing of the screen's own objects. */
  function make(command: Command, words: string): { before: unknown } {
    const checked = parseWith(commandSchema, command)
    const part = partOf(checked)
    const before = fitting.parts[part]?.content
    const content = fitting.after(checked)
    fitting.show(part, content)
    const sent: Command = checked.kind === 'part.put' ? { ...checked, content } : checked
    queue.send(sent, words, before, content)
    return { before }
  }

  /** Opens a fitting with what waits for it on this device. */
  async function open(id: string) {
    if (fitting.id === id && fitting.client) return
    fitting.begin(id)
    said.value = ''
    undoing.forget()
    await fitting.load()
    // Another one was opened meanwhile: nothing of this one may reach it.
    if (fitting.id !== id) return
    await undoing.begin(id)
    if (fitting.id === id) await queue.begin()
  }
  function change(command: Command, words: string, group?: string): string | null {
    return refusalOf(() => {
      const { before } = make(command, words)
      undoing.note({ part: partOf(command), before, words, ...(group && { group }) })
    })
  }
  /** Changes of different parts that belong together: all of them, or none with a sentence. */
  function changeAll(changes: readonly Change[], group?: string): string | null {
    const refused = refusalOf(() => changes.forEach(({ command }) => fitting.after(command)))
    return changes.reduce<string | null>(
      (so, { command, words }) => so ?? change(command, words, group),
      refused,
    )
  }
  /** The same, taken back together too: one alone would leave half of it. */
  const changeTogether = (changes: readonly Change[]) => changeAll(changes, crypto.randomUUID())
  const put = <P extends PartName>(
    part: P,
    content: PartContent<P>,
    words: string,
  ): string | null => change({ kind: 'part.put', part, content }, words)
  /** The same, with a refusal said to the person at the bench. */
  function keep<P extends PartName>(part: P, content: PartContent<P>, words: string) {
    said.value = put(part, content, words) ?? ''
  }

  /** Puts one part back to what it was. */
  const putBack = (done: string) => (there: Before) => {
    const content = there.before ?? EMPTY_PARTS[there.part] ?? {}
    let now: unknown
    const refused = refusalOf(() => {
      const command: Command = { kind: 'part.put', part: there.part, content }
      now = make(command, `${done.toLowerCase()}: ${there.words}`).before
    })
    return refused === null ? { now } : { refused }
  }
  function step(from: 'back' | 'forth', done: string, nothing: string): string {
    let moved = undoing.move(from, putBack(done))
    while (moved && 'group' in moved && moved.group && undoing.groupAt(from) === moved.group)
      moved = undoing.move(from, putBack(done))
    said.value =
      moved === null ? nothing : 'refused' in moved ? moved.refused : `${done}: ${moved.words}`
    return said.value
  }
  const undo = () => step('back', 'Taken back', 'Nothing to take back')
  const redo = () => step('forth', 'Done again', 'Nothing to do again')

  return { said, open, change, changeAll, changeTogether, put, keep, undo, redo }
})
