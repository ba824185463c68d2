import { flushPromises, mount, type VueWrapper } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { vi } from 'vitest'
import { createVuetify } from 'vuetify'
import { computed, defineComponent, h, ref, unref, type Component, type MaybeRef } from 'vue'
import { DEMO_RECORDS } from '../../demo/records'
import { vuetifyOptions } from '../../app/theme/vuetifyOptions'
import { useFitting } from '../../app/stores/fitting'
import { useSession } from '../../app/stores/session'
import { splitRecord, type PartName } from '../../core/record/parts'
import type { FittingRecord } from '../../core/record/schema'
import { HOUSE_TABLES } from '../../core/record/tables'
import type { Place } from '../../shared/contracts'
import type { Role } from '../../shared/permissions'

/** A demo record by the client's name, as a copy that a test may change. */
export const demo = (name: string): FittingRecord =>
  structuredClone(Object.values(DEMO_RECORDS).find((r) => r.client?.name?.includes(name))!)

const link = defineComponent({
  props: { to: { type: [String, Object], default: '' } },
  setup:
    (props, { slots }) =>
    () =>
      h('a', { href: String(props.to) }, slots.default?.()),
})

/** A link of the router as Vuetify's buttons use it: it has an address and goes nowhere. */
const routerLink = Object.assign({}, link, {
  useLink: ({ to }: { to: MaybeRef<string> }) => ({
    route: computed(() => ({ href: unref(to) })),
    isActive: ref(false),
    isExactActive: ref(false),
    navigate: async () => undefined,
  }),
})

/** What every page asks for. */
const QUIET: Answers = {
  timers: { now: Date.parse('2026-11-26T09:00:00Z'), timers: [] },
  // Nobody is found, whoever is looked for.
  'clients?q=': { clients: [] },
  'norms/own': { shares: [], ownRecords: HOUSE_TABLES.ownRecords },
}

/** The clock of this machine, also where a test has put another in its place. */
const realSetTimeout = setTimeout

/** When answers have come, what was asked because of them, and what comes in its turn. */
export async function settled() {
  for (let i = 0; i < 4; i++) {
    await flushPromises()
    await new Promise((go) => realSetTimeout(go, 1))
  }
}

/** Answers of the server by the path behind `/api/`; what stands nowhere is an empty answer. */
export type Answers = Record<string, unknown>

/**
 * A component as the application shows it: our Vuetify, the stores, a signed-in person, a fitting
 * that holds a record, and a server that answers what the test says.
 */
export async function mountWith(
  component: Component,
  {
    record,
    props = {},
    role = 'owner',
    answers = {},
    slots,
    places,
  }: {
    record?: FittingRecord
    props?: Record<string, unknown>
    role?: Role
    answers?: Answers
    slots?: Record<string, () => unknown>
    /** places of the shop; one works at the first */
    places?: Place[]
  } = {},
) {
  setActivePinia(createPinia())
  useSession().person = { id: 'p', name: 'Rhona Kestle', role, shop: 'Hollin Row' } as never
  if (places) useSession().page = { place: { here: places[0]!.id, all: places } } as never
  const calls: { path: string; method: string; body: unknown }[] = []
  vi.stubGlobal('fetch', async (input: RequestInfo | URL, init: RequestInit = {}) => {
    const path = String(input instanceof Request ? input.url : input).replace(/^.*\/api\//, '')
    const method = init.method ?? 'GET'
    // Changes wait on the device: what a test looks at is the record on the screen.
    if (path.endsWith('/commands')) throw new TypeError('no line')
    calls.push({
      path,
      method,
      body: typeof init.body === 'string' ? JSON.parse(init.body) : init.body,
    })
    const answer =
      answers[path] ??
      answers[`${method} ${path}`] ??
      QUIET[path] ??
      QUIET[path.replace(/=.*$/, '=')] ??
      {}
    return new Response(JSON.stringify(answer), {
      status: 200,
      headers: { 'content-type': 'application/json' },
    })
  })
  vi.stubGlobal('navigateTo', vi.fn())
  vi.stubGlobal('useRoute', () => ({ params: {}, query: {} }))
  const fitting = useFitting()
  if (record) {
    fitting.begin('fitting')
    fitting.openedOn = record.visit?.on ?? '2026-11-26'
    fitting.shop = 'Hollin Row Fit Room'
    fitting.tables = HOUSE_TABLES
    fitting.client = {
      id: 'client',
      code: 'HR-0001',
      version: 1,
      details: record.client ?? {},
    } as never
    for (const [name, content] of Object.entries(splitRecord(record)))
      if (content !== undefined)
        fitting.setPart(name as PartName, {
          content,
          version: 1,
          changedBy: 'Rhona Kestle',
          changedAt: '2026-11-26T09:00:00Z',
        })
  }
  // A place of its own: what another one says is not read along with it.
  const place = document.body.appendChild(document.createElement('div'))
  const wrapper: VueWrapper = mount(component, {
    props,
    slots: slots as never,
    attachTo: place,
    global: {
      plugins: [createVuetify(vuetifyOptions())],
      stubs: { NuxtLink: link },
      components: { RouterLink: routerLink },
    },
  })
  await settled()
  return { wrapper, fitting, calls }
}
