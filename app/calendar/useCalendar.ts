import { addDays, format, parseISO, startOfWeek } from 'date-fns'
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import type { CalendarState, DaylessVisit, VisitRow, VisitState } from '../../shared/contracts'
import { ApiError } from '~/browser/api'
import { hear } from '~/browser/news'
import { KEPT_HERE, useOutbox } from '~/stores/outbox'
import { useLine } from '~/stores/line'
import { useSession } from '~/stores/session'
import {
  columnOf,
  columnsOf,
  clockMinutes,
  momentOf,
  type By,
  type Column,
  type View,
} from './columns'

export type AnyVisit = VisitRow | DaylessVisit
/** Where a visit would go: a column and a minute of its day. */
export interface Spot {
  column: Column
  minute: number
}
/** What a visit has that a move changes. */
type Time = Pick<AnyVisit, 'startsAt' | 'chair' | 'personId'>

/** Minutes that a step of the arrow keys, and a dragged visit, go by. */
export const STEP_MIN = 15

/** Some days of the calendar, and what is done with their visits: each move can be taken back. */
export function useCalendar(first: { day: string; view: View }) {
  const outbox = useOutbox()
  const session = useSession()
  const view = ref<View>(first.view)
  const by = ref<By>('chairs')
  const day = ref(first.day)
  /** whose week it is, or of which chair (`chair 1`) */
  const only = ref('all')
  const reach = ref<'here' | 'all'>('here')
  const state = ref<CalendarState | null>(null)
  const trouble = ref('')
  /** what was done last, and how it was before */
  const done = ref<{ words: string; back?: () => Promise<void> } | null>(null)
  /** a move that something speaks against */
  const clash = ref<{ words: string; anyway: () => Promise<void> } | null>(null)
  const chosenId = ref('')
  /** where the chosen visit would go, before that is kept */
  const pending = ref<Spot | null>(null)

  const from = computed(() =>
    view.value === 'day'
      ? day.value
      : format(startOfWeek(parseISO(day.value), { weekStartsOn: 1 }), 'yyyy-MM-dd'),
  )
  const days = computed(() => (view.value === 'day' ? 1 : 7))
  const columns = computed(() => {
    if (!state.value) return []
    const somebody = state.value.people.find(({ id }) => id === only.value)
    return columnsOf(state.value, view.value, by.value, somebody)
  })
  const all = computed<AnyVisit[]>(() =>
    state.value ? [...state.value.visits, ...state.value.waiting] : [],
  )
  const chosen = computed(() => all.value.find(({ id }) => id === chosenId.value) ?? null)

  async function load() {
    const asked = `visits?from=${from.value}&days=${days.value}${reach.value === 'all' ? '&at=all' : ''}`
    try {
      const answer = await useLine().read<CalendarState>(asked)
      // Another week was turned to meanwhile: its own answer is on its way.
      if (answer.from !== from.value || answer.days !== days.value) return
      state.value = answer
      trouble.value = ''
    } catch (error) {
      trouble.value = (error as Error).message
    }
  }
  watch([from, days, reach, () => session.placeId], load)
  let deaf: (() => void) | undefined
  onMounted(() => {
    void load()
    deaf = hear(({ what }) => (what === 'bench' || what === 'open') && void load())
  })
  onBeforeUnmount(() => deaf?.())

  function go(by: number) {
    day.value = format(addDays(parseISO(day.value), by * days.value), 'yyyy-MM-dd')
    pending.value = null
  }
  function choose(id: string) {
    if (chosenId.value !== id) pending.value = null
    chosenId.value = id
  }

  /** Where the chosen visit would go; null: it stays. */
  const shadow = (spot: Spot | null) => void (pending.value = spot)

  /** Changes a visit, and says what was done; its other fields come with the next look. */
  async function change(visit: AnyVisit, body: object, words: string, back?: object) {
    clash.value = done.value = null
    const write = { method: 'PATCH' as const, path: `visits/${visit.id}` }
    try {
      const kept = await outbox.write<{ version: number; said: string[] }>({
        ...write,
        body: { ...body, version: visit.version },
        words,
      })
      if ('waits' in kept) return void (done.value = { words: KEPT_HERE })
      const { version, said } = kept.answer
      const again = { ...visit, version }
      done.value = {
        words: [words, ...said].join('. '),
        ...(back && { back: () => change(again, { ...back, anyway: true }, 'Taken back') }),
      }
      await load()
    } catch (error) {
      const isClash = error instanceof ApiError && error.problem?.code === 'clash'
      if (!isClash) {
        trouble.value = (error as Error).message
        return void load()
      }
      const anyway = () => change(visit, { ...body, anyway: true }, words, back)
      clash.value = { words: error.message, anyway }
    }
  }
  const nameOf = (visit: AnyVisit) => visit.name ?? visit.code
  const timeOf = ({ startsAt, chair, personId }: AnyVisit): Time => ({ startsAt, chair, personId })
  const whenWords = ({ startsAt }: Pick<Time, 'startsAt'>) =>
    startsAt === null ? 'waits for a day' : format(new Date(startsAt), 'EEE d MMM, HH:mm')

  /** Puts a visit somewhere; it keeps what the column does not say. */
  async function put(visit: AnyVisit, { column, minute }: Spot) {
    const next = { ...timeOf(visit), startsAt: momentOf(column.day, minute), ...column.at }
    pending.value = null
    if (JSON.stringify(next) === JSON.stringify(timeOf(visit))) return
    await change(visit, next, `${nameOf(visit)}: ${whenWords(next)}`, timeOf(visit))
  }
  const toWaiting = (visit: AnyVisit) =>
    change(
      visit,
      { startsAt: null, chair: null },
      `${nameOf(visit)} waits for a day`,
      timeOf(visit),
    )
  const stands = (visit: AnyVisit, next: VisitState, words: string, note = '') =>
    change(visit, { state: next, note }, `${nameOf(visit)}: ${words}`, {
      state: visit.state,
      note: visit.note,
    })

  /** Where the chosen visit stands, or would go. */
  function spotOf(visit: AnyVisit): Spot | null {
    if (pending.value && visit.id === chosenId.value) return pending.value
    if (visit.startsAt === null) return null
    const column = columnOf(columns.value, visit)
    return column ? { column, minute: clockMinutes(visit.startsAt) } : null
  }
  /** Moves the chosen visit's shadow by columns and steps of time; Enter keeps it. */
  function nudge(visit: AnyVisit, columnsOn: number, steps: number) {
    choose(visit.id)
    const spot = spotOf(visit)
    if (!spot) return
    const at = columns.value.findIndex(({ key }) => key === spot.column.key) + columnsOn
    const column = columns.value[Math.min(columns.value.length - 1, Math.max(0, at))]!
    const minute = Math.min(1440 - STEP_MIN, Math.max(0, spot.minute + steps * STEP_MIN))
    pending.value = { column, minute }
  }

  return {
    view,
    by,
    only,
    day,
    reach,
    state,
    trouble,
    done,
    clash,
    chosen,
    chosenId,
    pending,
    from,
    columns,
    load,
    go,
    choose,
    put,
    toWaiting,
    stands,
    spotOf,
    nudge,
    shadow,
    change,
  }
}
export type Calendar = ReturnType<typeof useCalendar>
