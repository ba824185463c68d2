import { nextTick } from 'vue'
import { describe, expect, test } from 'vitest'
import type { VueWrapper } from '@vue/test-utils'
import ExamineStation from '../../app/stations/examine/ExamineStation.vue'
import MeasureStation from '../../app/stations/measure/MeasureStation.vue'
import { FINDINGS } from '../../core/kinds/findings/all'
import { READING_KINDS } from '../../core/kinds/readings/all'
import { button, field, type } from './find'
import { demo, mountWith, settled } from './mountWith'

/**
 * Every row of the trade's two lists, measures and examination, is entered on its screen as somebody
 * would who has the list beside them: by what the row is called there, never by a key of the record.
 */
const bare = () => {
  const record = demo('Tove')
  for (const side of ['left', 'right'] as const) record.feet[side] = { readings: [] } as never
  delete record.legLengthDifferenceMm
  return record
}
const tab = async (wrapper: VueWrapper, name: string) => {
  await button(wrapper, name).trigger('click')
  await settled()
  await nextTick()
}

describe('measures', () => {
  const ROWS: [row: string, view: string, said: string, mm: string][] = [
    ['foot length', 'Plan', 'Foot length', '264'],
    ['arch length', 'Plan', 'Arch length', '193'],
    ['forefoot width', 'Plan', 'Forefoot width', '98'],
    ['heel width', 'Plan', 'Heel width', '64'],
    ['toe width', 'Plan', 'Toe width', '90'],
    ['second-toe lead', 'Plan', 'Second-toe lead', '-2'],
    ['second met head beyond the first', 'Plan', 'Second-met lead', '3'],
    ['ball girth', 'Girths', 'Ball girth', '244'],
    ['waist girth', 'Girths', 'Waist girth', '243'],
    ['instep girth', 'Girths', 'Instep girth', '246'],
    ['heel–instep girth', 'Girths', 'Heel–instep girth', '332'],
    ['ankle girth', 'Girths', 'Ankle girth', '224'],
    ['calf girth', 'Girths', 'Calf girth', '353'],
    ['dorsum height', 'Heights', 'Dorsum height', '64'],
    ['navicular height', 'Heights', 'Navicular height', '42'],
    ['navicular, both standing', 'Heights', 'Navicular, neutral stance', '48'],
    ['malleolus height, medial', 'Heights', 'Medial malleolus height', '78'],
    ['malleolus height, lateral', 'Heights', 'Lateral malleolus height', '68'],
    ['malleolus width', 'Heights', 'Malleolus width', '69'],
    ['toe box height', 'Heights', 'Toe height', '24'],
    ['ball height', 'Heights', 'Ball height', '38'],
  ]

  /** What is read in both postures: rows that the trade compares. */
  const SITTING = ['foot length', 'dorsum height', 'navicular height']

  test('every row on either foot, standing, and sitting where both are compared', async () => {
    const { wrapper, fitting } = await mountWith(MeasureStation, { record: bare() })
    for (const posture of ['Sitting', 'Standing'])
      for (const [row, view, said, mm] of ROWS) {
        if (posture === 'Sitting' && !SITTING.includes(row)) continue
        await tab(wrapper, view)
        await button(wrapper, posture).trigger('click')
        for (const side of ['left', 'right']) {
          await button(wrapper, new RegExp(`^${side} ${said}: `, 'i')).trigger('click')
          await nextTick()
          await type(wrapper, new RegExp(`^${side} ${said}, try 1, mm$`, 'i'), mm)
        }
        await settled()
        const taken = ['left', 'right'].map(
          (side) =>
            fitting.record.feet[side as 'left']!.readings.find(
              (r) => r.posture === posture.toLowerCase() && r.trials[0] === Number(mm),
            )?.trials,
        )
        expect([row, posture, ...taken]).toEqual([row, posture, [Number(mm)], [Number(mm)]])
      }
    // Nothing that the record knows was left out of the walk.
    const held = new Set(fitting.record.feet.left!.readings.map((r) => r.what))
    expect([...held].sort()).toEqual([...READING_KINDS].sort())
    wrapper.unmount()
  })
})

describe('examination', () => {
  type Does = { press: [group: string, word: string] } | { into: string; text: string }
  const angle = (name: string, text = '6'): Does => ({ into: `${name}, try 1, degrees`, text })
  const press = (group: string, word: string): Does => ({ press: [group, word] })
  const ROWS: [row: string, tab: string, does: Does[]][] = [
    ['subtalar range', 'Alignment', [angle('Inversion, largest'), angle('Eversion, largest')]],
    ['neutral by palpation', 'Alignment', [angle('Neutral by palpation')]],
    ['neutral and relaxed stance', 'Alignment', [angle('Neutral stance'), angle('Relaxed stance')]],
    ['tibial varum', 'Alignment', [angle('Tibial varum')]],
    ['forefoot to rearfoot', 'Alignment', [angle('Forefoot to rearfoot')]],
    [
      'first ray, rest and travel; fifth ray',
      'Range',
      [
        press('First ray at rest', 'elevated'),
        press('First ray moves', 'stiff'),
        { into: 'First ray gives up, mm', text: '5 6' },
        { into: 'First ray gives down, mm', text: '4' },
        press('Fifth ray', 'sunk'),
      ],
    ],
    [
      'ankle, knee straight and bent',
      'Range',
      [angle('Ankle, knee straight'), angle('Ankle, knee bent', '14')],
    ],
    [
      'first toe, unloaded and loaded',
      'Range',
      [
        angle('Big toe, unloaded', '70'),
        angle('Big toe, loaded', '30'),
        press('Big toe stiff', 'yes'),
        press('Hurts in mid-range', 'no'),
      ],
    ],
    ['joint mobility', 'Range', [press('Rearfoot moves', 'loose')]],
    [
      'posture, six items',
      'Stance',
      [
        'Talar head',
        'Curves below the malleoli',
        'Heel from behind',
        'Talonavicular bulge',
        'Inner arch',
        'Forefoot in or out',
      ].map((item) => press(item, '+1')),
    ],
    [
      'subtalar axis, and its angle',
      'Stance',
      [press('Subtalar axis', 'medial'), { into: 'Axis, turned in, °', text: '16' }],
    ],
    ['single-leg flex', 'Stance', [press('Knee over', 'second')]],
    ['heel raise', 'Stance', [{ into: 'heel raises', text: '18' }]],
    ['great toe raised', 'Stance', [press('Great toe raised', 'late')]],
    [
      'numbness: which, when, back when',
      'Feeling and skin',
      [
        press('numb toes', '3'),
        press('When numb', 'after hours'),
        { into: 'minutes until feeling returns', text: '20' },
      ],
    ],
    [
      'sensation, pulses, skin, swelling, fever of a joint',
      'Feeling and skin',
      [
        press('points felt', '9'),
        press('Pulses', 'one'),
        press('Warmth', 'cold'),
        press('Swelling', 'present'),
        press('A hot joint', 'none'),
        press('Deformity', 'none'),
        press('Heel pad', 'thin'),
      ],
    ],
    ['calf', 'Feeling and skin', [{ into: 'calf height, mm', text: '320' }]],
  ]
  /** Bony points and lumps are tapped on the map, which has a test of its own. */
  const ON_THE_MAP = ['marks']

  test.each(['left', 'right'] as const)('every row of the %s foot', async (side) => {
    const { wrapper, fitting } = await mountWith(ExamineStation, { record: bare() })
    const findings = () => JSON.stringify(fitting.record.feet[side]!.findings ?? {})
    for (const [row, at, does] of ROWS) {
      await tab(wrapper, at)
      for (const one of does) {
        const before = findings()
        if ('into' in one) await type(wrapper, `${side} ${one.into}`, one.text)
        else {
          const [group, word] = one.press
          await wrapper
            .find(`[aria-label="${side} ${group}"]`)
            .findAll('button')
            .find((b) => b.text() === word)!
            .trigger('click')
        }
        await nextTick()
        expect([row, one, findings() !== before]).toEqual([row, one, true])
      }
    }
    const { subtalar, taken: _, ...rest } = fitting.record.feet[side]!.findings!
    const held = [...Object.keys(subtalar!), ...Object.keys(rest)]
    expect(held.sort()).toEqual(FINDINGS.kinds.filter((k) => !ON_THE_MAP.includes(k)).sort())
    // And nothing of it on the other foot.
    const other = fitting.record.feet[side === 'left' ? 'right' : 'left']!
    expect(other.findings ?? {}).toEqual({})
    wrapper.unmount()
  })

  test('the legs: by how much, which, how, how often', async () => {
    const { wrapper, fitting } = await mountWith(ExamineStation, { record: bare() })
    await tab(wrapper, 'Stance')
    await type(wrapper, 'Leg length difference, mm', '7')
    for (const word of ['right shorter', 'blocks', 'shown twice', 'long-standing'])
      await button(wrapper, word).trigger('click')
    expect(fitting.record.legLengthDifferenceMm).toEqual({
      value: 7,
      shorter: 'right',
      method: 'blocks',
      shownTwice: true,
      known: 'long-standing',
    })
    expect(field(wrapper, 'Leg length difference, mm').element.value).toBe('7')
    wrapper.unmount()
  })
})
