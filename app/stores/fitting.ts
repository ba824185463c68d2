import { format } from 'date-fns'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, type ComputedRef } from 'vue'
import { cautionsOf, type Caution } from '../../core/advice/cautions'
import { wearerOf } from '../../core/bench/wearer'
import { riskOf, type Risk } from '../../core/examine/risk'
import { measureRecord } from '../../core/measure/measureRecord'
import { allowanceFor } from '../../core/measure/sizes'
import { fieldChanges } from '../../core/record/clientChanges'
import { applyCommand, partOf, type Command, type CommandContext } from '../../core/record/commands'
import { joinRecord, PART_NAMES, type PartName, type Parts } from '../../core/record/parts'
import { stationsDone } from '../../core/record/progress'
import type { Client } from '../../core/record/schema'
import { UNKNOWN_WEARER, type Wearer } from '../../core/record/stepState'
import { HOUSE_TABLES, normsOf, type ShopKey, type ShopTables } from '../../core/record/tables'
import type { FittingState, PartState } from '../../shared/contracts'
import { EMPTY_PARTS } from './emptyParts'
import { useOutbox } from './outbox'
import { useLine } from './line'
import { useSession } from './session'

type States = Partial<Record<PartName, PartState>>

/** What the server says of a fitting to a role that does not see everything. */
interface Told {
  cautions: Caution[]
  blocked: boolean
  wearer: Wearer
}

const NOTHING_TOLD: Told = { cautions: [], blocked: false, wearer: UNKNOWN_WEARER }

/**
 * The open fitting: its parts as the screen has them, and what is derived from them. Contents are
 * raw and never changed in place: a change puts a new one there, so what is derived from the others
 * stays as it is.
 */
export const useFitting = defineStore('fitting', () => {
  const session = useSession()
  const outbox = useOutbox()
  const id = ref('')
  const client = shallowRef<FittingState['client'] | null>(null)
  const openedOn = ref('')
  const shop = ref('')
  /** where it is made */
  const placeId = ref('')
  /** the shop's tables of today: prices, processes, stock, the margin of the skin's limit */
  const tables = shallowRef<Pick<ShopTables, ShopKey>>(HOUSE_TABLES)
  const told = shallowRef<Told>(NOTHING_TOLD)
  const parts = shallowRef<States>({})

  /** One look at each part, so that what is made of a part is made again only with it. */
  const contents = Object.fromEntries(
    PART_NAMES.map((name) => [name, computed(() => parts.value[name]?.content)]),
  ) as Record<PartName, ComputedRef<unknown>>
  const contentOf = (...names: readonly PartName[]): Parts =>
    Object.fromEntries(names.map((name) => [name, contents[name].value])) as Parts
  const ofFoot = (side: 'left' | 'right') => PART_NAMES.filter((name) => name.endsWith(`.${side}`))
  const feet = {
    left: computed(() => joinRecord(contentOf(...ofFoot('left')), undefined).feet.left!),
    right: computed(() => joinRecord(contentOf(...ofFoot('right')), undefined).feet.right!),
  }
  const record = computed(() => {
    const { visit, ...content } = contentOf(...PART_NAMES)
    const joined = joinRecord(
      { ...content, visit: { on: openedOn.value, ...visit } },
      client.value?.details,
      { name: shop.value },
    )
    return { ...joined, feet: { left: feet.left.value, right: feet.right.value } }
  })
  /** the rows this fitting is judged by */
  const norms = computed(() => normsOf({ norms: contentOf('norms').norms }))
  const measures = computed(() =>
    measureRecord(record.value, allowanceFor(record.value.story?.activity, norms.value)),
  )
  /** day by which it is judged: what was asked and cleared lapses */
  const today = computed(() => format(new Date(), 'yyyy-MM-dd'))
  const risk = computed<Risk>(() => riskOf(record.value, today.value))

  /** A role without the story takes the server's word for what follows from it. */
  const seesAll = computed(() => session.may('clients.see'))
  const cautions = computed(() =>
    seesAll.value ? cautionsOf(record.value, today.value) : told.value.cautions,
  )
  const blocked = computed(() => (seesAll.value ? risk.value.blocked : told.value.blocked))
  const wearer = computed(() =>
    seesAll.value ? wearerOf(record.value, tables.value) : told.value.wearer,
  )
  const readOnly = computed(() => !session.may('fittings.change'))
  const isEmpty = (part: PartName) => {
    const content = contents[part].value
    return content === undefined || JSON.stringify(content) === JSON.stringify(EMPTY_PARTS[part])
  }
  const done = computed(() =>
    stationsDone((part) => !isEmpty(part), record.value.footwear?.chosen !== undefined),
  )

  /** Forgets everything: another fitting is opened. */
  function begin(fittingId: string) {
    id.value = fittingId
    client.value = null
    parts.value = {}
    told.value = NOTHING_TOLD
  }
  /**
   * Reads the fitting anew.
   *
   * @param kept parts that stay as the screen has them, since changes of theirs are on their way
   */
  async function load(kept: () => ReadonlySet<PartName> = () => new Set()) {
    const state = await useLine().read<FittingState>(`fittings/${id.value}`)
    if (state.id !== id.value) return
    client.value = {
      ...state.client,
      details: outbox.withOwn(state.client.id, state.client.details),
    }
    openedOn.value = state.openedOn
    shop.value = state.shop.name
    placeId.value = state.placeId
    tables.value = state.shop.tables
    told.value = { cautions: state.cautions, blocked: state.blocked, wearer: state.wearer }
    const mine = [...kept()].flatMap((name) => {
      const here = parts.value[name]
      return here ? [[name, here] as const] : []
    })
    parts.value = { ...state.parts, ...Object.fromEntries(mine) }
  }
  /** Puts a part there, or takes it away. */
  function setPart(part: PartName, state: PartState | undefined) {
    const { [part]: _, ...others } = parts.value
    parts.value = state ? { ...others, [part]: state } : others
  }
  /** What a part would be after a command; throws a Refusal where it cannot be. */
  function after(command: Command): unknown {
    const { stamp, ...rest } = context()
    const own = command.kind === 'jobs.step' ? { ...rest, stamp } : rest
    return applyCommand(contents[partOf(command)].value, command, own)
  }
  /** What a change is judged by here, and by whom it is made. */
  const context = (): CommandContext => ({
    stamp: { by: session.person?.name ?? '', at: new Date().toISOString() },
    norms: norms.value,
    wearer: wearer.value,
  })
  /** Puts a content on the screen; the version stays that of the server. */
  function show(part: PartName, content: unknown) {
    const old = parts.value[part]
    setPart(part, {
      content,
      version: old?.version ?? 0,
      changedBy: old?.changedBy ?? null,
      changedAt: old?.changedAt ?? '',
    })
  }
  /** Changes fields of the client: on the screen at once, others' fields stay as they are. */
  async function changeClient(patch: Partial<Client>, words: string) {
    const { id: clientId, details } = client.value!
    const changes = fieldChanges(details, patch)
    if (Object.keys(changes).length === 0) return
    client.value = { ...client.value!, details: { ...details, ...patch } }
    try {
      await outbox.write({ method: 'PATCH', path: `clients/${clientId}`, body: { changes }, words })
    } catch (error) {
      await load(() => new Set(Object.keys(parts.value) as PartName[])).catch(() => undefined)
      throw error
    }
  }

  return {
    id,
    client,
    openedOn,
    shop,
    placeId,
    tables,
    parts,
    record,
    norms,
    measures,
    risk,
    today,
    cautions,
    blocked,
    wearer,
    readOnly,
    done,
    begin,
    load,
    setPart,
    after,
    context,
    show,
    changeClient,
  }
})
