import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { ledgerOf } from '../../core/advice/advise'
import { applyChange } from '../../core/advice/applyChange'
import { changeWords } from '../../core/advice/changeWords'
import type { Contradiction } from '../../core/advice/contradictions'
import { basisOf } from '../../core/advice/decided'
import { entryKey, type Entry } from '../../core/advice/entry'
import type { Decision } from '../../core/record/schema'
import { useChanges } from './changes'
import { useFitting } from './fitting'
import { useSession } from './session'

/** Why: what the rules say of the open fitting, and what was decided on it. */
export const useLedger = defineStore('ledger', () => {
  const fitting = useFitting()
  const changes = useChanges()
  const session = useSession()
  /** what the finished devices contradict, told a moment after each change */
  const finished = shallowRef<Contradiction[]>([])
  const judged = computed(() => ledgerOf(fitting.record, finished.value, fitting.today))
  const open = computed(() => judged.value.open)
  const decided = computed(() => judged.value.decided)

  const others = (of: Entry | Decision) =>
    (fitting.record.ledger ?? []).filter((d) => entryKey(d) !== entryKey(of))
  function decide(entry: Entry, decision: Decision['decision'], reason?: string) {
    const by = session.person?.name
    const made = decision === 'accepted' ? changeWords(entry.change, fitting.norms) : null
    const line: Decision = {
      code: entry.code,
      foot: entry.foot,
      ...(entry.about && { about: entry.about }),
      decision,
      words: entry.words,
      school: entry.school,
      ...(made && { made }),
      basis: basisOf(entry),
      ...(reason && { reason }),
      ...(by && { by }),
      at: new Date().toISOString(),
    }
    changes.keep('ledger', [...others(entry), line], `${decision} in Why`)
  }
  /** Makes what an entry suggests, and files the decision. */
  function accept(entry: Entry) {
    for (const command of applyChange(fitting.record, entry)) changes.change(command, entry.words)
    decide(entry, 'accepted')
  }
  const reopen = (decision: Decision) =>
    changes.keep('ledger', others(decision), 'opened again in Why')

  const tellFinished = (found: Contradiction[]) => (finished.value = found)

  return { open, decided, accept, decide, reopen, tellFinished }
})
