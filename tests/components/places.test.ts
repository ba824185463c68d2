import { describe, expect, test } from 'vitest'
import { VList } from 'vuetify/components'
import Audit from '../../app/pages/audit.vue'
import Catalogue from '../../app/pages/catalogue.vue'
import Today from '../../app/pages/index.vue'
import PlaceMenu from '../../app/components/PlaceMenu.vue'
import BenchTablesPane from '../../app/settings/BenchTablesPane.vue'
import PlacesPane from '../../app/settings/PlacesPane.vue'
import MadeAt from '../../app/stations/make/MadeAt.vue'
import { useSession } from '../../app/stores/session'
import { useWaiting } from '../../app/stores/waiting'
import { demoModels } from '../../demo/catalogue'
import { HOUSE_TABLES } from '../../core/record/tables'
import type { Role } from '../../shared/permissions'
import { button, field, offered, pick, textOf, type } from './find'
import { demo, mountWith, settled } from './mountWith'

const HALL = { id: 'hall', name: 'Hollin Row' }
const RINK = { id: 'rink', name: 'Rink counter' }
const TWO = [HALL, RINK]
const STATE = {
  places: TWO,
  people: [
    { id: 'p1', name: 'Bram Oyelaran', placeId: 'rink' },
    { id: 'p2', name: 'Sunniva Hale', placeId: null },
  ],
}

describe('the menu of places', () => {
  const open = (places = TWO) =>
    mountWith(
      { components: { PlaceMenu, VList }, template: '<VList><PlaceMenu /></VList>' },
      { places },
    )
  test('says nothing where there is one place', async () => {
    const { wrapper } = await open([HALL])
    expect(textOf(wrapper)).toBe('')
  })
  test('says where one works, and takes one elsewhere', async () => {
    const { wrapper, calls } = await open()
    expect(textOf(wrapper)).toContain('You work at Hollin Row')
    await wrapper.find('.v-list-item').trigger('click')
    await settled()
    const [asked] = calls.filter((c) => c.path === 'me/place')
    expect([asked?.method, asked?.body]).toEqual(['PUT', { place: 'rink' }])
    // The next who signs in on this device works there too.
    await useSession().signIn('bram', '')
    expect(calls.find((c) => c.path === 'sign-in' && c.method === 'POST')?.body).toMatchObject({
      place: 'rink',
    })
  })
  test('stays while something typed here waits for the line', async () => {
    const { wrapper, calls } = await open()
    const waiting = useWaiting()
    Object.defineProperty(waiting, 'lines', { value: [{ words: 'a timer' }] })
    await wrapper.find('.v-list-item').trigger('click')
    await settled()
    expect(textOf(wrapper)).toContain('still waits for the line')
    expect(calls.some((c) => c.path === 'me/place')).toBe(false)
  })
})

describe('the pane of places', () => {
  const open = async (role: Role = 'owner', state: object = STATE) => {
    const opened = await mountWith(PlacesPane, {
      role,
      places: TWO,
      answers: { places: state, 'POST places': { id: 'new' } },
    })
    await settled()
    const sent = (method: string) =>
      opened.calls.filter((c) => c.method === method).map((c) => [c.path, c.body])
    return { ...opened, sent }
  }
  test('opens a further place under a name that was typed', async () => {
    const { wrapper, sent } = await open()
    expect(button(wrapper, 'Open it').attributes('disabled')).toBeDefined()
    await type(wrapper, 'A further place', '  Valley room ')
    await wrapper.findAll('form').at(-1)!.trigger('submit')
    await settled()
    expect(sent('POST')).toEqual([['places', { name: 'Valley room' }]])
  })
  test('names one anew', async () => {
    const { wrapper, sent } = await open()
    await type(wrapper, 'Name', 'Rink stall')
    await button(wrapper, /^Name it so$/)
    const named = wrapper.findAll('button').filter((b) => b.text() === 'Name it so')
    expect(named.map((b) => b.attributes('disabled') !== undefined)).toEqual([true, false])
    await named[1]!.trigger('click')
    await settled()
    expect(sent('PATCH')).toEqual([['places/rink', { name: 'Rink stall' }]])
  })
  test('asks where all goes before it closes one, and offers the others only', async () => {
    const { wrapper, sent } = await open()
    await button(wrapper, 'Close Rink counter').trigger('click')
    expect(textOf(wrapper)).toContain('What was done there stays where it was done')
    expect(offered(wrapper, 'All that goes to')).toEqual(['Hollin Row'])
    const goes = () =>
      wrapper
        .findAll('button')
        .find((b) => b.text() === 'Close Rink counter' && !b.attributes('aria-label'))!
    expect(goes().attributes('disabled')).toBeDefined()
    await pick(wrapper, 'All that goes to', 'Hollin Row')
    await wrapper.find('form.notice').trigger('submit')
    await settled()
    expect(sent('POST')).toEqual([['places/rink/close', { place: 'hall' }]])
  })
  test('keeps the last one open', async () => {
    const { wrapper } = await open('owner', { ...STATE, places: [HALL] })
    expect(button(wrapper, 'Close Hollin Row').attributes('disabled')).toBeDefined()
  })
  test('says who works where, and sets it', async () => {
    const { wrapper, sent } = await open()
    expect(offered(wrapper, 'Where Bram Oyelaran works')).toEqual([
      'anywhere',
      'Hollin Row',
      'Rink counter',
    ])
    await pick(wrapper, 'Where Bram Oyelaran works', 'anywhere')
    await settled()
    expect(sent('PUT')).toEqual([['places/people', { person: 'p1', place: null }]])
  })
  test('is read by others, not changed', async () => {
    const { wrapper } = await open('fitter')
    expect(() => button(wrapper, 'Open it')).toThrow()
    expect(() => button(wrapper, 'Close Rink counter')).toThrow()
    expect(field(wrapper, 'Name').attributes('disabled')).toBeDefined()
  })
})

describe('what is of a place', () => {
  const visit = (id: string, placeId: string) => ({
    id,
    fittingId: id,
    clientId: 'c',
    code: 'HR-0007',
    name: `Visitor ${id}`,
    occupation: null,
    bornOn: null,
    startsAt: '2026-11-29T09:30:00',
    minutes: 60,
    reason: 'cold toes',
    state: 'to-come',
    stations: [],
    version: 1,
    placeId,
    blocked: false,
  })
  test('Today shows this place, and all with where each is', async () => {
    const { wrapper, calls } = await mountWith(Today, {
      places: TWO,
      answers: {
        today: { visits: [visit('one', 'hall')], unfinished: [] },
        'today?at=all': {
          visits: [visit('one', 'hall'), visit('two', 'rink')],
          unfinished: [],
        },
      },
    })
    await settled()
    expect(wrapper.findAll('.visit')).toHaveLength(1)
    const all = wrapper.findAll('[role="tab"]').find((t) => t.text() === 'All places')!
    await all.trigger('click')
    await settled()
    expect(calls.some((c) => c.path === 'today?at=all')).toBe(true)
    const [here, there] = wrapper.findAll('.visit').map((v) => v.text())
    expect(here).not.toContain('at Hollin Row')
    expect(there).toContain('at Rink counter')
  })
  test('pages read again when one works elsewhere', async () => {
    const { calls } = await mountWith(Today, {
      places: TWO,
      answers: { today: { visits: [], unfinished: [] } },
    })
    const before = calls.filter((c) => c.path === 'today').length
    useSession().page = { place: { here: 'rink', all: TWO } } as never
    await settled()
    expect(calls.filter((c) => c.path === 'today')).toHaveLength(before + 1)
  })
  test('a fitting is made at a place, and taken to another', async () => {
    const { wrapper, fitting, calls } = await mountWith(MadeAt, {
      record: demo('Tove'),
      places: TWO,
      props: { disabled: false },
    })
    fitting.placeId = 'hall'
    await pick(wrapper, 'Made at', 'Rink counter')
    await settled()
    expect(calls.find((c) => c.method === 'PUT')).toMatchObject({
      path: 'fittings/fitting/place',
      body: { place: 'rink' },
    })
    expect(fitting.placeId).toBe('rink')
  })
  test('what the bench has differs by place, and nothing else changes', async () => {
    const { wrapper } = await mountWith(BenchTablesPane, {
      places: TWO,
      props: { draft: structuredClone(HOUSE_TABLES), may: true },
    })
    const tab = wrapper.findAll('[role="tab"]').find((t) => t.text() === 'What the bench has')!
    await tab.trigger('click')
    expect(offered(wrapper, 'Which place has it')).toEqual([
      'Everywhere',
      'Hollin Row',
      'Rink counter',
    ])
    await pick(wrapper, 'Which place has it', 'Rink counter')
    await type(wrapper, 'How many: Oven', '0')
    const pane = wrapper.findComponent(BenchTablesPane)
    const [[told]] = pane.emitted('change') as [[{ benchResources: { id: string }[] }]]
    const { from, to } = HOUSE_TABLES.benchResources.find((r) => r.id === 'oven')!
    expect(told.benchResources).toEqual(
      HOUSE_TABLES.benchResources.map((r) =>
        r.id === 'oven' ? { ...r, at: { rink: { count: 0, from, to } } } : r,
      ),
    )
  })
  test('the shelf says what lies elsewhere', async () => {
    const [model] = demoModels()
    const size = String(model!.sizesMm[0])
    const { wrapper } = await mountWith(Catalogue, {
      places: TWO,
      answers: {
        models: {
          models: [model],
          learned: {},
          elsewhere: { [model!.id]: { [size]: { rink: 3 } } },
        },
      },
    })
    await settled()
    await button(wrapper, model!.name).trigger('click')
    expect(textOf(wrapper)).toContain('3 at Rink counter')
  })
  test('the trail says where', async () => {
    const line = {
      id: '1',
      at: '2026-11-29T09:30:00Z',
      person: 'Rhona Kestle',
      place: 'Rink counter',
      action: 'fitting.see',
      clientId: null,
      code: null,
      detail: null,
    }
    const answers = { 'audit?': { lines: [line], more: false } }
    const { wrapper } = await mountWith(Audit, { places: TWO, answers })
    await settled()
    expect(textOf(wrapper)).toContain('Rhona Kestle, Rink counter')
  })
})
