import { defineStore } from 'pinia'
import { ledgerOf, type Decided } from '../../core/advice/advise'
import type { Wearer } from '../../core/bench/stepState'
import { wearerOf } from '../../core/bench/wearer'
import { cautionsOf, type Caution } from '../../core/advice/cautions'
import { applyChange, changeWords } from '../../core/advice/applyChange'
import { entryKey, type Entry } from '../../core/advice/entry'
import { riskOf, type Risk } from '../../core/examine/risk'
import { measureRecord } from '../../core/measure/measureRecord'
import { normsOf } from '../../core/measure/normsTable'
import { allowanceFor } from '../../core/measure/sizes'
import { applyCommand, partOf, type Command } from '../../core/record/commands'
import { joinRecord, type PartContent, type PartName, type Parts } from '../../core/record/parts'
import { stationsDone } from '../../core/record/progress'
import { Refusal } from '../../core/record/refusal'
import type { Client, Decision } from '../../core/record/schema'
import type { FittingState, PartState } from '../../shared/contracts'
import { api, ApiError } from '~/composables/api'
import {
  dropPending,
  historyOf,
  keepHistory,
  keepPending,
  pendingOf,
  type Pending,
} from '~/composables/commandQueue'
import { useSession } from './session'

type Saved = 'saved' | 'saving' | 'kept'

interface Undo {
  part: PartName
  before: unknown
  words: string
}

/** Someone else changed a part that we changed too; the person at the bench chooses. */
interface Conflict {
  item: Pending
  current: PartState
}

const EMPTY: Partial<Record<PartName, unknown>> = {
  'device.left': null,
  'device.right': null,
  legLength: null,
  'readings.left': [],
  'readings.right': [],
  'versions.left': [],
  'versions.right': [],
  orders: [],
  jobs: [],
  quotes: [],
  making: {},
  followups: [],
  ledger: [],
}
/** So many changes can be taken back. */
const MOST_UNDO = 50
const copy = <T>(value: T): T =>
  value === undefined ? value : (JSON.parse(JSON.stringify(value)) as T)

/** The open fitting: its parts as the screen has them, changes on their way, and what is derived from the record. */
export const useFitting = defineStore('fitting', {
  state: () => ({
    id: '',
    client: null as FittingState['client'] | null,
    openedOn: '',
    shop: '',
    told: {
      cautions: [] as Caution[],
      blocked: false,
      wearer: { child: true, noHeat: false } as Wearer,
    },
    parts: {} as Partial<Record<PartName, PartState>>,
    queue: [] as Pending[],
    undoStack: [] as Undo[],
    redoStack: [] as Undo[],
    conflict: null as Conflict | null,
    message: '',
    saved: 'saved' as Saved,
    sending: false,
    order: 0,
  }),
  getters: {
    content: (state) =>
      Object.fromEntries(
        Object.entries(state.parts).map(([name, part]) => [name, part.content]),
      ) as Parts,
    record(): ReturnType<typeof joinRecord> {
      return joinRecord(
        { ...this.content, visit: { on: this.openedOn, ...this.content.visit } },
        this.client?.details,
        { name: this.shop },
      )
    },
    measures(): ReturnType<typeof measureRecord> {
      return measureRecord(
        this.record,
        allowanceFor(this.record.story?.activity, normsOf(this.record)),
      )
    },
    ledger(): { open: Entry[]; decided: Decided[] } {
      return ledgerOf(this.record)
    },
    openEntries(): Entry[] {
      return this.ledger.open
    },
    /** cautions that follow the client; a role without the story takes the server's word */
    cautions(): Caution[] {
      return useSession().may('clients.see') ? cautionsOf(this.record) : this.told.cautions
    },
    blocked(): boolean {
      return useSession().may('clients.see') ? this.risk.blocked : this.told.blocked
    },
    wearer(): Wearer {
      return useSession().may('clients.see') ? wearerOf(this.record) : this.told.wearer
    },
    risk(): Risk {
      return riskOf(this.record)
    },
    done(): number[] {
      return stationsDone(
        (part) =>
          this.parts[part] !== undefined &&
          JSON.stringify(this.parts[part]!.content) !== JSON.stringify(EMPTY[part]),
        this.record.footwear?.chosen !== undefined,
      )
    },
    readOnly(): boolean {
      return !useSession().may('fittings.change')
    },
  },
  actions: {
    async open(id: string) {
      if (this.id === id && this.client) return
      this.$reset()
      this.id = id
      await this.reload()
      const history = await historyOf(id).catch(() => undefined)
      if (history) [this.undoStack, this.redoStack] = [history.undo, history.redo]
      const waiting = await pendingOf(id).catch(() => [])
      for (const item of waiting) {
        // One that fits no longer goes to the server all the same: it says why, and the fitting opens.
        this.applyKept(item.command)
        this.queue.push(item)
        this.order = Math.max(this.order, item.order)
      }
      void this.flush()
    },
    /** Reads the fitting anew; parts with changes on their way stay as the screen has them. */
    async reload() {
      const state = await api<FittingState>(`fittings/${this.id}`)
      if (state.id !== this.id) return
      const busy = new Set(this.queue.map((q) => q.part))
      this.client = state.client
      this.openedOn = state.openedOn
      this.shop = state.shop.name
      this.told = { cautions: state.cautions, blocked: state.blocked, wearer: state.wearer }
      const parts = { ...state.parts }
      for (const name of busy) if (this.parts[name]) parts[name] = this.parts[name]
      this.parts = parts
    },
    /** Word from the server that a part has a newer version. */
    async heard(part: PartName, version: number) {
      if (
        this.queue.some((q) => q.part === part) ||
        this.sending ||
        (this.parts[part]?.version ?? 0) >= version
      )
        return
      await this.reload().catch(() => undefined)
    },
    /** What a part would be after a command; throws a Refusal where it cannot be. */
    after(command: Command): unknown {
      const stamp =
        command.kind === 'jobs.step'
          ? { by: useSession().person?.name ?? '', at: new Date().toISOString() }
          : undefined
      return applyCommand(
        copy(this.parts[partOf(command)]?.content),
        copy(command),
        stamp,
        normsOf(this.content),
        this.wearer,
      )
    },
    applyLocally(command: Command) {
      const part = partOf(command)
      const old = this.parts[part]
      const content = this.after(command)
      this.parts = {
        ...this.parts,
        [part]: {
          content,
          version: old?.version ?? 0,
          changedBy: old?.changedBy ?? null,
          changedAt: old?.changedAt ?? '',
        },
      }
    },
    /** Puts a change that waits onto what is there now; one that does not fit there is left to the server to refuse. */
    applyKept(command: Command) {
      try {
        this.applyLocally(command)
      } catch (error) {
        if (!(error instanceof Refusal)) throw error
      }
    },
    /** Makes a change: on the screen at once, in the browser's database, then on the server. Returns a sentence when it is refused. */
    change(command: Command, words: string, undoable = true): string | null {
      const part = partOf(command)
      const before = copy(this.parts[part]?.content)
      try {
        this.applyLocally(command)
      } catch (error) {
        if (error instanceof Refusal) return error.message
        throw error
      }
      if (undoable) {
        this.undoStack = [...this.undoStack.slice(-(MOST_UNDO - 1)), { part, before, words }]
        this.redoStack = []
        this.remember()
      }
      const version =
        (this.parts[part]?.version ?? 0) + this.queue.filter((q) => q.part === part).length
      const item: Pending = {
        id: crypto.randomUUID(),
        order: ++this.order,
        fittingId: this.id,
        part,
        version,
        command: copy(command),
        words,
      }
      this.queue.push(item)
      this.saved = 'saving'
      void keepPending(item)
        .catch(() => undefined)
        .then(() => this.flush())
      return null
    },
    /** Changes of different parts that belong together, as the two feet of one line: all of them, or none with a sentence. */
    changeAll(changes: readonly { command: Command; words: string }[]): string | null {
      try {
        for (const { command } of changes) this.after(command)
      } catch (error) {
        if (error instanceof Refusal) return error.message
        throw error
      }
      return changes.reduce<string | null>(
        (refused, { command, words }) => refused ?? this.change(command, words),
        null,
      )
    },
    put<P extends PartName>(part: P, content: PartContent<P>, words: string): string | null {
      return this.change({ kind: 'part.put', part, content }, words)
    },
    /** Keeps what can be taken back on this device. */
    remember() {
      void keepHistory({ fittingId: this.id, undo: this.undoStack, redo: this.redoStack }).catch(
        () => undefined,
      )
    },
    undo(): string {
      return this.step(this.undoStack, this.redoStack, 'Taken back', 'Nothing to take back')
    },
    redo(): string {
      return this.step(this.redoStack, this.undoStack, 'Done again', 'Nothing to do again')
    },
    /** Puts one part back to what it was, and remembers what it is now on the other pile. */
    step(from: Undo[], to: Undo[], done: string, nothing: string): string {
      const last = from.pop()
      if (!last) return nothing
      to.push({ part: last.part, before: copy(this.parts[last.part]?.content), words: last.words })
      const refused = this.change(
        { kind: 'part.put', part: last.part, content: last.before ?? EMPTY[last.part] ?? {} },
        `${done.toLowerCase()}: ${last.words}`,
        false,
      )
      if (refused) {
        to.pop()
        from.push(last)
        return refused
      }
      this.remember()
      return `${done}: ${last.words}`
    },
    /** Sends what waits, one after the other, until all is confirmed, somebody must choose, or the line is down. */
    async flush() {
      if (this.sending || this.conflict) return
      this.sending = true
      try {
        while (this.queue.length > 0 && !this.conflict) {
          const item = this.queue[0]!
          try {
            const { state } = await api<{ part: PartName; state: PartState }>(
              `fittings/${item.fittingId}/commands`,
              'POST',
              { id: item.id, version: item.version, command: item.command },
            )
            this.settle(item, state)
          } catch (error) {
            if (!(error instanceof ApiError)) throw error
            if (error.status === 409 && error.problem?.current)
              this.conflict = { item, current: error.problem.current }
            else if (error.status === 401) {
              useSession().lock()
              this.saved = 'kept'
              return
            } else if (error.status === 0 || error.status >= 500 || error.status === 429) {
              this.saved = 'kept'
              setTimeout(() => void this.flush(), 1500)
              return
            } else await this.refuse(item, error.message)
          }
        }
        if (!this.conflict) this.saved = 'saved'
      } finally {
        this.sending = false
      }
    },
    settle(item: Pending, state: PartState) {
      this.queue = this.queue.filter((q) => q.id !== item.id)
      void dropPending(item.id).catch(() => undefined)
      if (item.fittingId !== this.id) return
      const more = this.queue.some((q) => q.part === item.part)
      const local = this.parts[item.part]
      // While more of ours waits, the screen keeps its own content; the confirmed version counts for what follows.
      this.parts = {
        ...this.parts,
        [item.part]: more && local ? { ...state, content: local.content } : state,
      }
      this.queue
        .filter((q) => q.part === item.part)
        .forEach((q, i) => (q.version = state.version + i))
    },
    /** What the server refused goes; what was made after it stays, put onto what the server has. */
    async refuse(item: Pending, message: string) {
      this.queue = this.queue.filter((q) => q.id !== item.id)
      await dropPending(item.id).catch(() => undefined)
      this.message = `Could not keep "${item.words}": ${message}`
      const after = this.queue.filter((q) => q.part === item.part)
      for (const q of after) q.version--
      const state = await api<FittingState>(`fittings/${item.fittingId}`).catch(() => null)
      if (state?.id === this.id) this.onto(item.part, state.parts[item.part])
    },
    /** Puts what waits for a part onto another content of it; a part that is not there yet is undefined. */
    onto(part: PartName, current: PartState | undefined) {
      const { [part]: _, ...others } = this.parts
      this.parts = current && current.version > 0 ? { ...others, [part]: current } : others
      this.queue
        .filter((q) => q.part === part)
        .forEach((q, i) => {
          q.version = (current?.version ?? 0) + i
          this.applyKept(q.command)
          void keepPending(q).catch(() => undefined)
        })
    },
    /** The choice after somebody else's change: ours on top of theirs, or theirs. */
    resolve(choice: 'mine' | 'theirs') {
      const conflict = this.conflict
      if (!conflict) return
      const { item, current } = conflict
      if (choice === 'theirs') {
        for (const q of this.queue.filter((q) => q.part === item.part))
          void dropPending(q.id).catch(() => undefined)
        this.queue = this.queue.filter((q) => q.part !== item.part)
      }
      this.onto(item.part, current)
      this.conflict = null
      void this.flush()
    },
    /** Accepts an entry of the ledger: its change is made and the decision filed. */
    accept(entry: Entry) {
      for (const command of applyChange(this.record, entry)) this.change(command, entry.words)
      this.decide(entry, 'accepted')
    },
    decide(entry: Entry, decision: Decision['decision'], reason?: string) {
      const by = useSession().person?.name
      const made = decision === 'accepted' ? changeWords(entry.change) : null
      const line: Decision = {
        code: entry.code,
        foot: entry.foot,
        ...(entry.about && { about: entry.about }),
        decision,
        words: entry.words,
        school: entry.school,
        ...(made && { made }),
        ...(reason && { reason }),
        ...(by && { by }),
        at: new Date().toISOString(),
      }
      this.put(
        'ledger',
        [...(this.record.ledger ?? []).filter((d) => entryKey(d) !== entryKey(entry)), line],
        `${decision} in Why`,
      )
    },
    reopen(decision: Decision) {
      this.put(
        'ledger',
        (this.record.ledger ?? []).filter((d) => entryKey(d) !== entryKey(decision)),
        'opened again in Why',
      )
    },
    async changeClient(details: Client) {
      const answer = await api<{ version: number; details: Client }>(
        `clients/${this.client!.id}`,
        'PUT',
        { id: this.client!.id, version: this.client!.version, details },
      )
      this.client = { ...this.client!, ...answer }
    },
  },
})
