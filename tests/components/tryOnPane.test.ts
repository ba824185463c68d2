import { beforeEach, expect, test, vi } from 'vitest'
import { computed, markRaw, nextTick, ref } from 'vue'
import TryOnPane from '../../app/stations/match/TryOnPane.vue'
import type { Match } from '../../app/stations/match/useMatch'
import { useChanges } from '../../app/stores/changes'
import { useFitting } from '../../app/stores/fitting'
import { checksMade } from '../../core/footwear/checksMade'
import { pairInSizes } from '../../core/footwear/pairInSizes'
import { matchRecord, matchSettings, standingFeet } from '../../core/footwear/matchRecord'
import type { Footwear } from '../../core/record/schema'
import { demoModels } from '../../demo/catalogue'
import { button, offered, pick, textOf } from './find'
import { demo, mountWith } from './mountWith'

const MODELS = demoModels().filter((m) => m.family === 'rigid-shell')
const [FIRST, SECOND, LAST] = ['fern-couloir-97', 'tarn-col-96', 'tarn-gully-104']

beforeEach(() => {
  vi.useFakeTimers({ toFake: ['Date', 'setInterval', 'clearInterval'] })
  vi.setSystemTime(new Date('2026-11-26T09:00:00Z'))
  return () => vi.useRealTimers()
})

/** The pane over the stores as they are, with the core’s own match in place of the worker’s. */
async function open(change: (footwear: Footwear) => void = () => undefined) {
  const record = demo('Tove')
  record.footwear = { candidates: [] }
  change(record.footwear)
  const Host = {
    components: { TryOnPane },
    emits: ['check'],
    setup() {
      const fitting = useFitting()
      const changes = useChanges()
      const { record: now } = fitting
      const match = {
        fitting,
        footwear: computed(() => fitting.record.footwear!),
        compared: ref([FIRST, FIRST]),
        chosen: ref(undefined),
        looking: ref(LAST),
        result: ref(matchRecord(now, MODELS)),
        model: (id: string) => MODELS.find((m) => m.id === id),
        fitOf: (id: string) =>
          pairInSizes(
            standingFeet(now),
            MODELS.find((m) => m.id === id)!,
            matchSettings(now),
            {},
          ),
        put: (next: Footwear, words: string) => changes.put('footwear', next, words),
      }
      // Refs within stay refs: the pane takes them apart as it does the station’s.
      return { match: markRaw(match) as never as Match }
    },
    template: '<TryOnPane :match="match" @check="(worn) => $emit(`check`, worn)" />',
  }
  const opened = await mountWith(Host, { record })
  const tryOns = () => opened.fitting.record.footwear!.tryOns ?? []
  const later = async (minutes: number) => {
    vi.advanceTimersByTime(minutes * 60_000)
    await nextTick()
  }
  return { ...opened, tryOns, later }
}
test('what is looked at can be put on though it ranks nowhere, in any of its sizes', async () => {
  const { wrapper, tryOns } = await open()
  const name = MODELS.find((m) => m.id === LAST)!.name
  expect(offered(wrapper, 'Model on the left foot')).toContain(name)
  await pick(wrapper, 'Model on the left foot', name)
  await pick(wrapper, 'Size on the left foot', '27.5')
  await button(wrapper, 'Start the clock').trigger('click')
  expect(tryOns()).toHaveLength(1)
  expect(tryOns()[0]!.worn.left).toEqual({ model: LAST, sizeMm: 275 })
})

test('each model that is put on has its clock and its readings; the list keeps them', async () => {
  const { wrapper, tryOns, later } = await open()
  await button(wrapper, 'Start the clock').trigger('click')
  await nextTick()
  await button(wrapper.find('[aria-label="left toes flexed"]') as never, 'press').trigger('click')
  await later(6)
  await button(wrapper, 'Try another').trigger('click')
  const other = MODELS.find((m) => m.id === SECOND)!.name
  await pick(wrapper, 'Model on the left foot', other)
  await pick(wrapper, 'Model on the right foot', other)
  await button(wrapper, 'Try this too').trigger('click')
  await nextTick()
  expect(tryOns()).toHaveLength(2)
  // The second begins at nothing; what was felt in the first is not in it.
  expect(textOf(wrapper)).toMatch(/0:00/)
  await button(wrapper.find('[aria-label="left toes flexed"]') as never, 'come off').trigger(
    'click',
  )
  await nextTick()
  expect(tryOns()[1]!.readings).toMatchObject([{ minute: 0, foot: 'left', toesFlexed: 'clear' }])
  const rows = wrapper.findAll('.log .old')
  expect(rows).toHaveLength(2)
  expect(rows[0]!.text()).toContain(other)
  expect(rows[1]!.text()).toContain('too short')
  // Back to the first: its clock ran on, the reading that is due is its fifth minute.
  await rows[1]!.trigger('click')
  await nextTick()
  await button(wrapper.find('[aria-label="left toes flexed"]') as never, 'touch').trigger('click')
  expect(tryOns()[0]!.readings.map((r) => r.minute)).toEqual([0, 5])
  // After its quarter of an hour it is read at its last mark.
  await later(30)
  await wrapper.findAll('.log .old')[1]!.trigger('click')
  await nextTick()
  await button(wrapper.find('[aria-label="right hold"]') as never, 'even').trigger('click')
  expect(tryOns()[0]!.readings.at(-1)).toMatchObject({ minute: 15, foot: 'right', hold: 'even' })
})

test('its shell check is asked for what is on, and stands beside what was felt', async () => {
  const check = {
    model: FIRST!,
    sizeMm: 265,
    foot: 'left' as const,
    gapMm: 7,
    predictedMm: 9.25,
    onDevice: true,
    kneeBent: false,
    looks: {},
    at: '2026-11-26T08:50:00Z',
  }
  const { wrapper, fitting } = await open((f) => (f.shellChecks = [check]))
  await button(wrapper, 'Start the clock').trigger('click')
  await nextTick()
  expect(checksMade(fitting.record.footwear)).toHaveLength(1)
  const row = wrapper.find('.log .old').text().replace(/\s+/g, ' ')
  expect(row).toContain('shell check 26.5: gap 7 mm, 9.3 predicted (on the device, knee straight)')
  await button(wrapper, 'Shell check').trigger('click')
  const [worn] = wrapper.emitted<[object]>('check')!.at(-1)!
  expect(worn).toMatchObject({ left: { model: FIRST }, right: { model: FIRST } })
})
