import { useNow } from '@vueuse/core'
import { differenceInSeconds } from 'date-fns'
import { computed, ref } from 'vue'
import { tryOnsOf } from '../../../core/footwear/felt'
import { TRY_ON_MINUTES } from '../../../core/record/footwearSchema'
import type { HotSpot, TryOn, TryOnReading } from '../../../core/record/schema'
import { SIDES, type Side } from '../../../core/tables/vocabulary'
import { newId } from '~/browser/newId'
import { useSession } from '~/stores/session'
import type { Match } from './useMatch'

const LAST_MINUTE = TRY_ON_MINUTES.at(-1)!

/**
 * The try-ons of a fitting: each has its own clock and its own readings, so that several models are
 * tried in one visit, in turn or one on each foot.
 */
export function useTryOn(match: Match) {
  const { footwear, model } = match
  const session = useSession()
  const now = useNow({ interval: 1000 })

  const all = computed(() => tryOnsOf(footwear.value))
  const at = ref<string | null>(null)
  const current = computed(
    () => all.value.find((t) => t.id === at.value) ?? all.value.at(-1) ?? null,
  )
  const secondsOf = (t: TryOn) => Math.max(0, differenceInSeconds(now.value, new Date(t.startedAt)))
  const elapsed = computed(() => (current.value ? secondsOf(current.value) : 0))
  const minute = ref<number | null>(null)
  /** The reading that is due: the last mark the clock has passed, unless the fitter chose another. */
  const due = computed(
    () => minute.value ?? [...TRY_ON_MINUTES].reverse().find((m) => elapsed.value >= m * 60) ?? 0,
  )
  const isRunning = (t: TryOn) => secondsOf(t) < LAST_MINUTE * 60

  /** Shows one of them: where its clock still runs the reading that is due, else the last. */
  function look(t: TryOn) {
    at.value = t.id
    minute.value = isRunning(t) ? null : LAST_MINUTE
  }

  const save = (next: TryOn[], words: string) =>
    match.put(
      {
        ...footwear.value,
        tryOns: next.slice(-20),
        ...(footwear.value.chosen && { chosen: { ...footwear.value.chosen, tryOn: [] } }),
      },
      words,
    )
  function start(worn: TryOn['worn'], onDevice: boolean) {
    const by = session.person?.name
    const startedAt = new Date().toISOString()
    const made: TryOn = { id: newId(), startedAt, onDevice, readings: [], worn, ...(by && { by }) }
    save([...all.value, made], 'try-on')
    at.value = made.id
    minute.value = null
  }
  const keep = (changed: TryOn, words: string) =>
    save(
      all.value.map((t) => (t.id === changed.id ? changed : t)),
      words,
    )

  const readingOf = (side: Side): TryOnReading | undefined =>
    current.value?.readings.find((r) => r.minute === due.value && r.foot === side)
  /** Spots stay from one reading to the next until they are taken off. */
  const lastSpots = (side: Side) =>
    current.value?.readings.filter((r) => r.foot === side && r.minute < due.value).at(-1)?.hotSpots
  const spotsOf = (side: Side): HotSpot[] => readingOf(side)?.hotSpots ?? lastSpots(side) ?? []

  function change(side: Side, patch: Partial<TryOnReading>) {
    const t = current.value
    if (!t) return
    const had = readingOf(side)
    const next: TryOnReading = {
      ...(had ?? { minute: due.value, foot: side, hotSpots: [...spotsOf(side)] }),
      ...patch,
    }
    const readings = [...t.readings.filter((r) => r !== had), next]
    keep(
      { ...t, readings: readings.sort((a, b) => a.minute - b.minute) },
      `try-on, ${due.value} min, ${side}`,
    )
  }
  const insoleOf = (side: Side) =>
    current.value?.insole?.find((i) => i.foot === side)?.toeOverMm ?? null
  function setInsole(side: Side, toeOverMm: number) {
    const t = current.value
    if (!t) return
    const others = (t.insole ?? []).filter((i) => i.foot !== side)
    keep({ ...t, insole: [...others, { foot: side, toeOverMm }] }, `insole test, ${side}`)
  }
  /** The models of a try-on by name, one or two. */
  const nameOf = (t: TryOn) =>
    [
      ...new Set(
        SIDES.flatMap((s) => (t.worn[s] ? [model(t.worn[s].model)?.name ?? t.worn[s].model] : [])),
      ),
    ].join(' and ')
  return {
    all,
    current,
    elapsed,
    minute,
    due,
    isRunning,
    look,
    start,
    readingOf,
    spotsOf,
    change,
    insoleOf,
    setInsole,
    nameOf,
  }
}
export type TryOnInHand = ReturnType<typeof useTryOn>
