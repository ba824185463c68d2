import { plainCopy } from '~/browser/plainCopy'
import { FAMILY_KINDS } from '../../../core/kinds/families/all'
import { computed, reactive, ref, shallowRef, watch } from 'vue'
import { familiesFor } from '../../../core/record/storyActivity'
import type { FootwearModel } from '../../../core/footwear/catalogueSchema'
import { chooseShell } from '../../../core/footwear/chooseShell'
import { adviseFlex } from '../../../core/footwear/flex'
import type { FootFit, PairFit } from '../../../core/footwear/match'
import { isBrought } from '../../../core/footwear/brought'
import { stockOf } from '../../../core/footwear/pairFit'
import { sizeWords } from '../../../core/footwear/reasons'
import { pairInSizes, type TakenPair, type TakenSizes } from '../../../core/footwear/pairInSizes'
import { matchSettings } from '../../../core/footwear/matchRecord'
import { shapeNotes } from '../../../core/footwear/shapeNotes'
import { sockNotes } from '../../../core/footwear/socks'
import { whyNot } from '../../../core/footwear/whyNot'
import type { Footwear } from '../../../core/record/schema'
import { SIDES, type Side } from '../../../core/tables/vocabulary'
import { useFitting } from '~/stores/fitting'
import { useModels } from '~/stores/models'
import { asPacked } from '../../../core/followup/learnedPackOut'
import { modelHere } from '~/browser/modelHere'
import { newestWins } from '~/workers/deviceWorker'
import type { Matched, MatchFilter } from '~/workers/match.worker'
import { matchWorker } from '~/workers/matchWorker'
import { useChanges } from '~/stores/changes'

/** So many candidates are told at first; the rest is asked for. */
const FIRST = 40

/**
 * The match of the open fitting: ranked in the worker whenever something of it changes; what is
 * looked at and compared.
 */
export function useMatch() {
  const fitting = useFitting()
  const changes = useChanges()
  const models = useModels()
  const trouble = ref('')
  const matched = shallowRef<Matched | null>(null)
  const busy = ref(true)
  const most = ref(FIRST)
  const filter = reactive({
    family: 'suited' as 'suited' | 'all' | FootwearModel['family'],
    flex: false,
    inStock: false,
    mostPrice: null as number | null,
    makers: [] as string[],
  })
  const looking = ref('')
  const compared = ref<string[]>([])

  const suited = computed(() => familiesFor(fitting.record.story))
  const footwear = computed<Footwear>(() => fitting.record.footwear ?? { candidates: [] })
  const chosen = computed(() => footwear.value.chosen)
  const settings = computed(() => matchSettings(fitting.record))
  const request = computed<MatchFilter>(() => ({
    families:
      filter.family === 'all' || (filter.family === 'suited' && suited.value === null)
        ? null
        : filter.family === 'suited'
          ? [...suited.value!]
          : [filter.family],
    flexStep: filter.flex ? advice.value.step : null,
    inStock: filter.inStock,
    mostPrice: filter.mostPrice,
    makers: [...filter.makers],
    always: [...new Set([...(chosen.value ? [chosen.value.model] : []), ...compared.value])],
  }))

  const ask = newestWins<null, Matched | null>(
    async () =>
      matchWorker().match(plainCopy(fitting.record), plainCopy(request.value), most.value),
    (answer) => {
      matched.value = answer
      busy.value = false
    },
  )
  /** Pairs of a size that lie here and that nobody else waits for. */
  const freeOf = (m: FootwearModel, fit: Pick<FootFit, 'sizeMm'> | undefined): number =>
    isBrought(m.id)
      ? 1
      : fit
        ? Math.max(0, stockOf(m, fit) - models.waitingFor(m.id, fit.sizeMm, fitting.id))
        : 0
  const withFreeStock = (m: FootwearModel): FootwearModel =>
    models.reserved[m.id]
      ? {
          ...m,
          stock: Object.fromEntries(m.sizesMm.map((sizeMm) => [sizeMm, freeOf(m, { sizeMm })])),
        }
      : m
  /** What lies here of the sizes that are looked at, and what of it waits for others. */
  function shelfWords(m: FootwearModel, fits: Partial<Record<Side, FootFit>>): string {
    const sizes = [...new Set(SIDES.flatMap((s) => fits[s]?.sizeMm ?? []))]
    return sizes
      .map((sizeMm) => {
        const others = models.waitingFor(m.id, sizeMm, fitting.id)
        const waits = others > 0 ? `, ${others} waiting for others` : ''
        return `${sizeWords(sizeMm)}: ${stockOf(m, { sizeMm })} here${waits}`
      })
      .join('; ')
  }
  async function load(again = false) {
    try {
      await models.load(again)
      // Away from the line what was counted last stands.
      await models.countShelf().catch(() => undefined)
      await matchWorker().setModels(
        models.models.map(withFreeStock),
        plainCopy(models.learned),
        plainCopy(models.packs),
      )
      ask(null)
    } catch (error) {
      trouble.value = (error as Error).message
      busy.value = false
    }
  }
  // What the ranking rests on; a change anywhere else of the fitting does not ask again.
  watch(
    () =>
      JSON.stringify([
        fitting.record.feet,
        fitting.record.story,
        fitting.record.footwear,
        fitting.record.client,
        fitting.record.norms,
        request.value,
        most.value,
      ]),
    () => models.loaded && ask(null),
  )

  const result = computed(() => matched.value?.result ?? null)
  watch(result, (r) => {
    if (!r) return
    const known = (id: string) =>
      r.pair.some((p) => p.model === id) || r.rejected.some((p) => p.model === id)
    if (!known(looking.value))
      looking.value =
        (chosen.value && known(chosen.value.model) ? chosen.value.model : r.pair[0]?.model) ??
        r.rejected[0]?.model ??
        ''
    if (compared.value.length === 0) compared.value = r.pair.slice(0, 2).map((p) => p.model)
  })
  const model = (id: string): FootwearModel | undefined => modelHere(id)
  const ranked = (id: string): PairFit | undefined => result.value?.pair.find((p) => p.model === id)
  /** Sizes that were taken by hand, by model; what was chosen stands in the sizes it was chosen in. */
  const taken = ref<Record<string, TakenSizes>>({})
  function sizesOf(id: string): TakenSizes | undefined {
    const { model: chosenModel, sizeLeftMm, sizeRightMm } = chosen.value ?? {}
    if (taken.value[id]) return taken.value[id]
    return chosenModel === id
      ? {
          ...(sizeLeftMm !== undefined && { left: sizeLeftMm }),
          ...(sizeRightMm !== undefined && { right: sizeRightMm }),
        }
      : undefined
  }
  /** A model in the sizes that were taken, else as it ranks; what does not fit can be looked at too. */
  function fitOf(id: string): (PairFit & Partial<TakenPair>) | undefined {
    const [best, sizes, known] = [ranked(id), sizesOf(id), model(id)]
    const isAsRanked =
      best && (!sizes || SIDES.every((s) => !sizes[s] || sizes[s] === best[s]?.sizeMm))
    if (isAsRanked || !known || !matched.value) return best
    const { feet } = matched.value
    return pairInSizes(
      feet,
      asPacked(known, models.packs),
      { ...settings.value, learned: models.learned },
      sizes ?? {},
    )
  }
  function takeSize(id: string, side: Side, sizeMm: number) {
    const now = fitOf(id)
    const both = Object.fromEntries(
      SIDES.flatMap((s) => (now?.[s] ? [[s, now[s].sizeMm] as const] : [])),
    )
    taken.value = { ...taken.value, [id]: { ...both, [side]: sizeMm } }
  }
  const takeSizes = (id: string, sizes: TakenSizes) =>
    (taken.value = { ...taken.value, [id]: sizes })
  const current = computed(() => fitOf(looking.value))
  const advice = computed(() => adviseFlex(fitting.record))
  /** points of the shop's own scale of stiffness */
  const flexRows = computed(() => fitting.norms)
  const whyNotThis = computed(() =>
    result.value ? whyNot(looking.value, result.value, model, fitting.norms) : null,
  )
  const notes = computed(() => [
    ...shapeNotes(fitting.record).map((n) => n.words),
    ...sockNotes(settings.value.socks, settings.value.child, fitting.norms),
  ])

  const put = (next: Footwear, words: string) =>
    (trouble.value = changes.put('footwear', plainCopy(next), words) ?? '')
  function choose(p: PairFit) {
    const sized = {
      model: p.model,
      sizeLeftMm: p.left?.sizeMm,
      sizeRightMm: p.right?.sizeMm,
    }
    const best = result.value!.pair.slice(0, 4).map((c) => c.model)
    const made = model(p.model)
    put(chooseShell(footwear.value, sized, best, made), `choose ${made?.name ?? p.model}`)
    // From now on the fitting says in which sizes it stands.
    const { [p.model]: _, ...others } = taken.value
    taken.value = others
  }
  function compare(id: string) {
    const has = compared.value.includes(id)
    compared.value = has
      ? compared.value.filter((c) => c !== id)
      : [...compared.value, id].slice(-4)
  }
  return {
    fitting,
    models,
    trouble,
    matched,
    result,
    busy,
    most,
    filter,
    looking,
    compared,
    suited,
    footwear,
    chosen,
    settings,
    current,
    fitOf,
    ranked,
    takeSize,
    takeSizes,
    model,
    freeOf,
    shelfWords,
    advice,
    flexRows,
    whyNotThis,
    notes,
    load,
    put,
    choose,
    compare,
  }
}
export type Match = ReturnType<typeof useMatch>

export const familyPlural = (m: FootwearModel['family']): string => FAMILY_KINDS.of(m).plural
