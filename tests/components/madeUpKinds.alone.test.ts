import { describe, expect, test, vi } from 'vitest'
import { defineComponent, h, reactive, ref } from 'vue'
import BenchTablesPane from '../../app/settings/BenchTablesPane.vue'
import CallOutLine from '../../app/components/callOut/CallOutLine.vue'
import DeviceTablesPane from '../../app/settings/DeviceTablesPane.vue'
import FootwearTablesPane from '../../app/settings/FootwearTablesPane.vue'
import LayerDetail from '../../app/stations/prescribe/LayerDetail.vue'
import LayerList from '../../app/stations/prescribe/LayerList.vue'
import { layerRows } from '../../app/stations/prescribe/layerRows'
import ScansPane from '../../app/stations/capture/ScansPane.vue'
import { useCapture } from '../../app/stations/capture/useCapture'
import SignsPane from '../../app/stations/story/SignsPane.vue'
import StoryActivity from '../../app/stations/story/StoryActivity.vue'
import StoryHealth from '../../app/stations/story/StoryHealth.vue'
import ExamineStation from '../../app/stations/examine/ExamineStation.vue'
import StancePane from '../../app/stations/examine/StancePane.vue'
import BodyPane from '../../app/stations/prescribe/BodyPane.vue'
import { useFitting } from '../../app/stores/fitting'
import { cautionsOf } from '../../core/advice/cautions'
import { plainDevice } from '../../core/device/buildDevice'
import { amountOfCall, parseSided, AMOUNT_CALLS } from '../../core/device/callOutAmounts'
import { deviceRows } from '../../core/device/deviceRows'
import { deviceLines } from '../../core/device/deviceWords'
import { riskOf } from '../../core/examine/risk'
import { SHELL_ROUND } from '../../core/footwear/measuredShell'
import { houseRow } from '../../core/footwear/targets'
import { clientCard } from '../../core/formats/papers/card'
import { fittingForm } from '../../core/formats/papers/fittingForm'
import { readMesh } from '../../core/formats/mesh/readMesh'
import { writeMesh } from '../../core/formats/mesh/writeMesh'
import { orderSheet } from '../../core/formats/papers/orderSheet'
import { readReadingsCsv, writeReadingsCsv } from '../../core/formats/readingsCsv'
import { WIDTHS } from '../../core/kinds/stations/bands'
import { parseCallOut } from '../../core/measure/callOut'
import { parseRecord } from '../../core/record/parse'
import type { FittingRecord } from '../../core/record/schema'
import { HOUSE_NORMS, HOUSE_TABLES } from '../../core/record/tables'
import { completeTables } from '../../core/record/migrate/completeTables'
import { field, pick, textOf, type } from './find'
import { demo, mountWith } from './mountWith'
import {
  clog,
  cowl,
  cupAsShare,
  earTiltDeg,
  felting,
  glassFeet,
  glowing,
  gullWing,
  humming,
  lastToeGirthMm,
  pouredPost,
  stiltWalking,
} from './madeUpKinds'
import { settingsPane } from './settingsTables'

vi.mock('../../core/kinds/registry', async (importOriginal) =>
  (await import('./madeUpKinds')).withMadeUp(importOriginal),
)

/** A record as a file brings it: kinds that its own version of the types has never heard of. */
interface Raw {
  feet: Record<'left' | 'right', { device?: unknown; readings: unknown[]; findings?: unknown }>
  story: { activity?: unknown; conditions: unknown[]; signs?: object }
}
function withKinds(change: (record: Raw) => void): FittingRecord {
  const record: unknown = structuredClone(demo('Tove'))
  change(record as Raw)
  return parseRecord(record)
}
const onDevices = (layer: object) =>
  withKinds((r) => {
    for (const side of ['left', 'right'] as const)
      r.feet[side].device = { ...plainDevice(), layers: [layer] }
  })

describe('a layer that was made up', () => {
  const record = onDevices({ kind: 'gullWing', heightMm: 3 })
  const device = (side: 'left' | 'right') => record.feet[side]!.device!
  const studio = () => ({
    fitting: useFitting(),
    device,
    rows: ref(layerRows(device('left'), device('right'))),
    chosen: ref(null),
    keep: vi.fn(),
    addLayer: vi.fn(),
    shapes: reactive({ left: null, right: null }),
  })

  test('is kept in a record, with its default where nothing is said', () => {
    expect(device('left').layers).toEqual([{ kind: 'gullWing', on: true, heightMm: 3 }])
    const said = onDevices({ kind: 'gullWing' }).feet.left!.device!.layers
    expect(said).toEqual([{ kind: 'gullWing', on: true, heightMm: 2 }])
    expect(() => onDevices({ kind: 'gullWing', heightMm: 41 })).toThrow('heightMm')
  })

  test('stands on the sheet and, in plain words, on the client’s card', () => {
    const sheet = deviceLines(record.feet.left!, deviceRows(HOUSE_NORMS))
    expect(sheet).toContain('Gull wing: height 3 mm')
    expect(clientCard(record, '2026-11-28').made).toEqual([
      `Left footbed: ${gullWing.plain}.`,
      `Right footbed: ${gullWing.plain}.`,
    ])
  })

  test('is heard at the call-out line', () => {
    expect(parseSided('gull 2 / 3', AMOUNT_CALLS)).toEqual({ word: 'gull', left: [2], right: [3] })
    expect(amountOfCall('gull')).toMatchObject({ range: gullWing.amounts[0].range })
  })

  test('is offered in the menu and told in its detail', async () => {
    const Host = {
      components: { LayerList },
      setup: () => ({ studio: studio() }),
      template: '<LayerList :studio="studio" />',
    }
    const { wrapper } = await mountWith(Host, { record })
    await pick(wrapper, 'Add a layer', 'Gull wing')
    expect(textOf(wrapper)).toContain('Gull wing')
    const Detail = {
      components: { LayerDetail },
      setup: () => ({ studio: studio(), row: layerRows(device('left'), device('right'))[0]! }),
      template: '<LayerDetail :studio="studio" :row="row" />',
    }
    const detail = await mountWith(Detail, { record })
    expect(textOf(detail.wrapper)).toContain(gullWing.does)
  })

  test('says what it means for a child and for a foot that does not feel', async () => {
    const Detail = {
      components: { LayerDetail },
      setup: () => ({ studio: studio(), row: layerRows(device('left'), device('right'))[0]! }),
      template: '<LayerDetail :studio="studio" :row="row" />',
    }
    const child = structuredClone(record)
    child.client!.bornOn = '2017-05-02'
    child.story!.conditions = ['neuropathy']
    const { wrapper } = await mountWith(Detail, { record: child })
    expect(textOf(wrapper)).toContain(gullWing.child)
    expect(textOf(wrapper)).toContain(gullWing.insensate)
  })

  test('has its usual limits in Settings', async () => {
    const { wrapper, tab } = await settingsPane(DeviceTablesPane)
    await tab('Limits of layers')
    expect(field(wrapper, 'Gull wing height usual from').element.value).toBe('1')
    expect(field(wrapper, 'Gull wing height usual to').element.value).toBe('4')
  })
})

describe('a reading that was made up', () => {
  const record = withKinds((r) => {
    r.feet.left.readings.push({ what: 'lastToeGirthMm', posture: 'standing', trials: [41, 42] })
  })

  test('is kept within its bounds', () => {
    expect(record.feet.left!.readings.at(-1)).toMatchObject({ trials: [41, 42] })
    expect(() =>
      withKinds((r) =>
        r.feet.left.readings.push({ what: 'lastToeGirthMm', posture: 'standing', trials: [91] }),
      ),
    ).toThrow('91 is outside 20 to 90 mm')
  })

  test('completes a table that was stored before it was made up', () => {
    const { lastToeGirthMm: _, ...older } = HOUSE_NORMS.hardBoundsMm as Record<string, unknown>
    const read = completeTables({ hardBoundsMm: older }, ['hardBoundsMm']) as typeof HOUSE_NORMS
    expect(read.hardBoundsMm).toMatchObject({ lastToeGirthMm: lastToeGirthMm.boundsMm })
  })

  test('is heard at the call-out line, and refused outside its bounds', () => {
    const context = { posture: 'standing', norms: HOUSE_NORMS } as const
    expect(parseCallOut('lasttoe 41 / 43', context)).toMatchObject({
      kind: 'readings',
      what: 'lastToeGirthMm',
      left: [41],
      right: [43],
    })
    expect(parseCallOut('lasttoe 91 / 43', context)).toMatchObject({ kind: 'refused' })
  })

  test('comes in by CSV and goes onto the form and the order sheet', () => {
    expect(readReadingsCsv(writeReadingsCsv(record), HOUSE_NORMS)).toMatchObject({
      problems: [],
      readings: { left: expect.arrayContaining([record.feet.left!.readings.at(-1)]) },
    })
    expect(JSON.stringify(fittingForm(record, []))).toContain('Last toe girth')
    expect(JSON.stringify(orderSheet(record))).toContain('around the smallest toe')
  })

  test('is understood on the line of the screen', async () => {
    const { wrapper } = await mountWith(CallOutLine, { record, props: { posture: 'standing' } })
    await field(wrapper, /Call-out/).setValue('lasttoe 41 / 43')
    expect(textOf(wrapper)).toContain('Last toe girth')
  })
})

describe('a finding that was made up', () => {
  test('is an angle with its tries, its direction in words, and its line on the form', async () => {
    const record = withKinds((r) => (r.feet.left.findings = { earTiltDeg: [4, 5] }))
    const { wrapper, fitting } = await mountWith(ExamineStation, { record })
    expect(textOf(wrapper)).toContain(earTiltDeg.name)
    expect(textOf(wrapper)).toMatch(/5° ±\d+° pricked, spread 1°/)
    await type(wrapper, 'right Tilt of the ear, try 1, degrees', '-3')
    expect(fitting.record.feet.right!.findings).toMatchObject({ earTiltDeg: [-3] })
    await type(wrapper, 'right Tilt of the ear, try 1, degrees', '13')
    expect(textOf(wrapper)).toContain('“13” is not an angle from −12 to 12 degrees.')
    expect(JSON.stringify(fittingForm(record, []))).toContain(earTiltDeg.name)
    const line = await mountWith(CallOutLine, { record, props: { posture: 'standing' } })
    await field(line.wrapper, /Call-out/).setValue('ear 4 / 5')
    expect(textOf(line.wrapper)).toContain(earTiltDeg.name)
  })

  test('is one word of a few that is chosen for one foot', async () => {
    const record = withKinds((r) => (r.feet.left.findings = { humming: 'low' }))
    const { wrapper } = await mountWith(StancePane, { record, props: { child: false } })
    const pressed = (side: string, word: string) =>
      wrapper
        .find(`[aria-label="${side} ${humming.name}"]`)
        .findAll('button')
        .find((b) => b.text() === word)!
    expect(pressed('left', 'hums low').attributes('aria-pressed')).toBe('true')
    expect(pressed('right', 'hums low').attributes('aria-pressed')).toBe('false')
    await pressed('right', 'hums high').trigger('click')
    expect(wrapper.emitted('choose')).toEqual([['humming', 'right', 'high']])
    expect(JSON.stringify(fittingForm(record, []))).toContain('hums low')
  })
})

describe('an amount of the body that was made up', () => {
  test('is stepped in the studio, said on the sheet, heard at the call-out line', async () => {
    const record = withKinds((r) => {
      for (const side of ['left', 'right'] as const) r.feet[side].device = plainDevice()
    })
    const keep = vi.fn()
    const Host = {
      components: { BodyPane },
      setup: () => ({
        studio: {
          fitting: useFitting(),
          device: (side: 'left' | 'right') => record.feet[side]!.device!,
          keep,
          show: vi.fn(),
        },
        estimates: { arch: { left: null, right: null } },
      }),
      template: '<BodyPane :studio="studio" :estimates="estimates" />',
    }
    const { wrapper } = await mountWith(Host, { record })
    expect(textOf(wrapper)).toContain(cupAsShare.name)
    const sheet = deviceLines(record.feet.left!, deviceRows(HOUSE_NORMS)).join(' ')
    expect(sheet).toContain('6 tenths of cup')
    expect(parseSided('tenths 4 / 5', AMOUNT_CALLS)).toEqual({
      word: 'tenths',
      left: [4],
      right: [5],
    })
  })
})

describe('a station of a shell that was made up', () => {
  test('has its band in Settings and is measured in its turn', async () => {
    expect(houseRow('skate', 'cowl' as never)).toMatchObject(WIDTHS)
    const { wrapper } = await settingsPane(FootwearTablesPane)
    expect(textOf(wrapper)).toContain(cowl.name)
    const turns = SHELL_ROUND.map(({ key }) => key as string)
    expect(turns[turns.indexOf('ballWidthMm') + 1]).toBe('cowlWidthMm')
  })
})

describe('a family of footwear that was made up', () => {
  test('has bands at every station, and a place in Settings', async () => {
    expect(houseRow('clog' as never, 'ball')).toEqual(houseRow('rigid-shell', 'ball'))
    const { wrapper } = await settingsPane(FootwearTablesPane)
    await pick(wrapper, 'Family', clog.plural)
    expect(textOf(wrapper)).toContain(clog.rules[0])
  })
})

describe('an activity that was made up', () => {
  test('is asked for, and asks what to ask', async () => {
    const record = withKinds((r) => (r.story.activity = 'stilt-walking'))
    const { wrapper } = await mountWith(StoryActivity, { record })
    expect(textOf(wrapper)).toContain(stiltWalking.name)
    expect(textOf(wrapper)).toContain(stiltWalking.ask)
    expect(textOf(wrapper)).toContain('market square')
  })

  test('moves the bands it says, as a row of the shop', async () => {
    expect(HOUSE_TABLES.activityShiftMm).toMatchObject({ 'stilt-walking.ball': 0.25 })
    const { wrapper, tab } = await settingsPane(FootwearTablesPane)
    await tab('Activities, spring-back')
    await pick(wrapper, 'Activity of a new shift', stiltWalking.name)
  })
})

describe('a condition that was made up', () => {
  test('can be told, and its caution follows', async () => {
    const record = withKinds((r) => (r.story.conditions = ['glassFeet']))
    const { wrapper } = await mountWith(StoryHealth, { record })
    expect(textOf(wrapper)).toContain(`✓ ${glassFeet.name}`)
    expect(cautionsOf(record)).toContainEqual(
      expect.objectContaining({ words: glassFeet.caution!.words }),
    )
  })
})

describe('a sign that was made up', () => {
  test('is asked, and yes refers', async () => {
    const record = withKinds((r) => (r.story.signs = { ...r.story.signs, glowing: 'yes' }))
    const { wrapper } = await mountWith(SignsPane, { record })
    expect(textOf(wrapper)).toContain(glowing.ask)
    expect(JSON.stringify(riskOf(record).refers)).toContain(glowing.refer)
  })
})

describe('a process that was made up', () => {
  test('is one of the shop’s ways', async () => {
    expect(HOUSE_TABLES.processes.at(-1)).toEqual(felting.row)
    const { wrapper } = await settingsPane(BenchTablesPane)
    await pick(wrapper, 'Process', felting.row.name)
    expect(field(wrapper, 'Minutes of Felt it').element.value).toBe('40')
  })
})

describe('a kind of post that was made up', () => {
  const record = () =>
    withKinds((r) => {
      const posts = [{ at: 'rearfoot', style: 'poured', angleDeg: 3 }]
      for (const side of ['left', 'right'] as const)
        r.feet[side].device = { ...plainDevice(), posts }
    })

  test('is kept in a record and stands on the sheet and the client’s card', () => {
    expect(deviceLines(record().feet.left!, deviceRows(HOUSE_NORMS)).join(' ')).toContain(
      'Poured post 3° varus, poured',
    )
    expect(clientCard(record(), '1 December').made.join(' ')).toContain(pouredPost.plain(3))
  })
})

describe('a format of meshes that was made up', () => {
  const cloud = { positions: new Float64Array([0, 0, 0, 1, 2, 3]), triangles: new Uint32Array() }

  test('is written, and known again by what it begins with', () => {
    const bytes = writeMesh('corners' as 'stl', cloud, 'foot')
    expect(readMesh('foot.txt', bytes)).toMatchObject({ format: 'corners', ...cloud })
  })
  test('is named where another cannot take what there is', () => {
    expect(() => writeMesh('stl', cloud, 'foot')).toThrow('Corners')
    expect(() => readMesh('foot.txt', new Uint8Array([1, 2, 3]))).toThrow('Corners')
  })
  test('is taken by the field for scans', async () => {
    const pane = defineComponent(() => {
      const state = useCapture()
      return () => h(ScansPane, { state })
    })
    const { wrapper } = await mountWith(pane, { record: withKinds(() => undefined) })
    expect(wrapper.find('input[type="file"]').attributes('accept')).toContain('.corners')
  })
})
