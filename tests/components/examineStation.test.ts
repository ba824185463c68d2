import { describe, expect, test } from 'vitest'
import BackView from '../../app/stations/examine/BackView.vue'
import ExamineStation from '../../app/stations/examine/ExamineStation.vue'
import { examineFoot } from '../../core/examine/examineFoot'
import type { Findings } from '../../core/kinds/findings/all'
import { HOUSE_NORMS } from '../../core/record/tables'
import { button, textOf } from './find'
import { demo, mountWith } from './mountWith'

async function open(left: Findings, right: Findings = {}) {
  const record = demo('Tove')
  record.feet.left!.findings = left
  record.feet.right!.findings = right
  const opened = await mountWith(ExamineStation, { record })
  return {
    ...opened,
    group: (name: string) => button(opened.wrapper, name).trigger('click'),
    press: (group: string, word: string) =>
      opened.wrapper
        .find(`[aria-label="${group}"]`)
        .findAll('button')
        .find((b) => b.text() === word)!
        .trigger('click'),
    found: () => opened.fitting.record.feet.left!.findings,
  }
}

describe('what follows from the angles', () => {
  const STANCE: Findings = {
    subtalar: { inversionDeg: [20], eversionDeg: [10] },
    tibialVarumDeg: [4],
    ncspDeg: [9],
    rcspDeg: [-3],
  }
  test('neutral, roll, what is left, and a stance that disagrees', async () => {
    const { wrapper } = await open(STANCE)
    const left = textOf(wrapper)
    // Neutral: 10 of 30 from the everted end is 0; the stance should then be the shin’s 4.
    expect(left).toContain('level computed')
    expect(left).toContain('12° in')
    expect(left).toContain('should read 4°, measure again')
    // Eversion left: 10 − 3 − 4.
    expect(left).toMatch(/Eversion left 3°/)
  })
  test('a stance near what the shin and neutral say is not measured again', async () => {
    const { wrapper } = await open({ ...STANCE, ncspDeg: [5] })
    expect(textOf(wrapper)).toContain('should read 4°')
    expect(textOf(wrapper)).not.toContain('measure again')
  })
  test('palpated alone stands for neutral, and says so', async () => {
    const { wrapper } = await open({ neutralPalpatedDeg: [3] })
    expect(textOf(wrapper)).toContain('3° varus palpated')
  })
  test('nothing taken: dashes, not noughts', async () => {
    const { wrapper } = await open({})
    const values = wrapper.findAll('dd').map((d) => d.text())
    expect(new Set(values)).toEqual(new Set(['–']))
    expect(textOf(wrapper)).toContain('0 findings in')
  })
})

describe('words', () => {
  test('a joint’s motion is kept beside the others, and taken back by the same press', async () => {
    const { group, press, found } = await open({ mobility: { ankle: 'stiff' } as never })
    await group('Range')
    await press('left Midfoot moves', 'loose')
    expect(found()).toMatchObject({ mobility: { ankle: 'stiff', midtarsal: 'loose' } })
    await press('left Midfoot moves', 'loose')
    expect(found()).toMatchObject({ mobility: { ankle: 'stiff' } })
  })
  test('the first ray’s stiffness and rest are one finding', async () => {
    const { group, press, found } = await open({})
    await group('Range')
    await press('left First ray moves', 'stiff')
    await press('left First ray at rest', 'plantarflexed')
    expect(found()).toEqual({ firstRay: { stiffness: 'stiff', rest: 'plantarflexed' } })
  })
  test('yes, no and nothing are three', async () => {
    const { group, press, found } = await open({})
    await group('Range')
    await press('left Big toe stiff', 'no')
    expect(found()).toEqual({ firstToeStiff: false })
    await press('left Big toe stiff', 'yes')
    expect(found()).toEqual({ firstToeStiff: true })
    await press('left Big toe stiff', 'yes')
    expect(found()).toEqual({})
  })
  test('the fifth ray stands with the ranges', async () => {
    const { group, press, found } = await open({})
    await group('Range')
    await press('left Fifth ray', 'sunk')
    expect(found()).toEqual({ fifthRay: 'sunk' })
  })
  test('ankle and great toe are told above their ranges', async () => {
    const { wrapper, group } = await open({
      ankleKneeStraightDeg: [4],
      ankleKneeBentDeg: [16],
      firstToeUnloadedDeg: [70],
      firstToeLoadedDeg: [10],
    })
    await group('Range')
    expect(textOf(wrapper)).toContain('ankle calf limits · big toe functional limit')
    expect(textOf(wrapper)).toContain('ankle not taken · big toe not taken')
  })
})

describe('a heel from behind', () => {
  const sentence = async (side: 'left' | 'right', findings: Findings) => {
    const exam = examineFoot({ readings: [], findings } as never, false, HOUSE_NORMS)
    const { wrapper } = await mountWith(BackView, { props: { side, exam } })
    return wrapper.find('svg')
  }
  test('is said in words', async () => {
    const drawing = await sentence('left', { rcspDeg: [-4], forefootDeg: [6] })
    expect(drawing.attributes('aria-label')).toBe(
      'left heel from behind: relaxed stance 4 degrees valgus or everted; neutral stance not taken; shin not taken; forefoot to rearfoot 6 degrees varus or inverted',
    )
  })
  test('leans by its true angle, each foot to its own outer side', async () => {
    const turns = async (side: 'left' | 'right') =>
      Number(
        (await sentence(side, { rcspDeg: [7] }))
          .findAll('g')
          .map((g) => g.attributes('transform') ?? '')
          .filter((t) => t.endsWith('0 190)') && !t.includes('-0'))
          .at(-1)!
          .match(/rotate\((-?[\d.]+)/)![1],
      )
    expect(Math.abs(await turns('left'))).toBe(7)
    expect(await turns('left')).toBe(-(await turns('right')))
  })
})
