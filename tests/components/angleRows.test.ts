import type { VueWrapper } from '@vue/test-utils'
import { describe, expect, test } from 'vitest'
import { nextTick } from 'vue'
import AngleRows from '../../app/stations/examine/AngleRows.vue'
import { examineFoot } from '../../core/examine/examineFoot'
import type { AngleKey, Findings } from '../../core/kinds/findings/all'
import { HOUSE_NORMS } from '../../core/record/tables'
import { standing } from '../fixtures/feet'
import { button, field, textOf, type } from './find'
import { demo, mountWith } from './mountWith'

/** Angles of the right foot, whose heel is 60 mm and whose forefoot is 100 mm wide. */
async function open(findings: Findings, keys: AngleKey[], role: 'owner' | 'reader' = 'owner') {
  const record = demo('Tove')
  const foot = record.feet.right!
  foot.findings = findings
  foot.readings = [
    { ...standing('heelWidthMm', 60), struck: [] },
    { ...standing('forefootWidthMm', 100), struck: [] },
  ]
  const opened = await mountWith(AngleRows, {
    record,
    role,
    props: { side: 'right', keys, exam: examineFoot(foot, false, HOUSE_NORMS) },
  })
  const troubles = () => (opened.wrapper.emitted<[string]>('trouble') ?? []).map(([t]) => t)
  return { ...opened, troubles, found: () => opened.fitting.record.feet.right!.findings }
}

describe('what stands beside the tries', () => {
  test('the mean, its direction in words, the spread, and what is believed', async () => {
    const { wrapper } = await open({ tibialVarumDeg: [3, 4] }, ['tibialVarumDeg'])
    expect(textOf(wrapper)).toMatch(/4° ±4° varum, spread 1° standing/)
  })

  test('a heel’s tilt stands in millimetres too: 60 mm · tan 6° is 6 mm', async () => {
    const { wrapper } = await open({ rcspDeg: [-6] }, ['rcspDeg'])
    expect(textOf(wrapper)).toContain('−6°')
    expect(textOf(wrapper)).toContain('6 mm')
    expect(textOf(wrapper)).toContain('everted, tilts in')
  })

  test('a forefoot’s over its own width: 100 mm · tan 5° is 9 mm', async () => {
    const { wrapper } = await open({ forefootDeg: [5] }, ['forefootDeg'])
    expect(textOf(wrapper)).toContain('9 mm')
  })

  test('a shin has none', async () => {
    const { wrapper } = await open({ tibialVarumDeg: [6] }, ['tibialVarumDeg'])
    expect(textOf(wrapper)).not.toContain('mm')
  })

  test('a range has no direction, and is believed as its own table says', async () => {
    const { wrapper } = await open({ ankleKneeBentDeg: [14] }, ['ankleKneeBentDeg'])
    expect(textOf(wrapper)).not.toMatch(/±|inverted|varus/)
  })

  test('nobody looked', async () => {
    const { wrapper } = await open({}, ['rcspDeg'])
    expect(textOf(wrapper)).toContain('not taken')
  })

  test('tries further apart than the limit are asked for again, at the limit not', async () => {
    const near = await open({ rcspDeg: [4, 6] }, ['rcspDeg'])
    expect(textOf(near.wrapper)).not.toContain('Again')
    const far = await open({ rcspDeg: [4, 6.1] }, ['rcspDeg'])
    expect(textOf(far.wrapper)).toContain('Again')
  })
})

describe('typing', () => {
  test('the next try is open, those after it are not', async () => {
    const { wrapper } = await open({ rcspDeg: [4, 5] }, ['rcspDeg'])
    const tries = wrapper.findAll<HTMLInputElement>('input')
    expect(tries.map((t) => t.element.value)).toEqual(['4', '5', ''])
    expect(tries.map((t) => t.element.disabled)).toEqual([false, false, false])
    const none = await open({}, ['rcspDeg'])
    expect(none.wrapper.findAll<HTMLInputElement>('input').map((t) => t.element.disabled)).toEqual([
      false,
      true,
    ])
  })

  test('five tries are the most', async () => {
    const { wrapper } = await open({ rcspDeg: [4, 5, 4, 5, 4] }, ['rcspDeg'])
    expect(wrapper.findAll('input')).toHaveLength(5)
  })

  test('a comma, a sign and a degree sign are understood', async () => {
    const { wrapper, found, troubles } = await open({}, ['rcspDeg'])
    await type(wrapper, 'right Relaxed stance, try 1, degrees', '-4,5°')
    expect(found()).toEqual({ rcspDeg: [-4.5] })
    expect(troubles()).toEqual([''])
  })

  test('one end of the bounds is kept, beyond it is told with both', async () => {
    const { wrapper, found, troubles } = await open({}, ['rcspDeg'])
    await type(wrapper, 'right Relaxed stance, try 1, degrees', '-45')
    expect(found()).toEqual({ rcspDeg: [-45] })
    await type(wrapper, 'right Relaxed stance, try 1, degrees', '46')
    await type(wrapper, 'right Relaxed stance, try 1, degrees', 'much')
    expect(found()).toEqual({ rcspDeg: [-45] })
    expect(troubles().slice(1)).toEqual(
      ['46', 'much'].map(
        (typed) =>
          `right relaxed stance: “${typed}” is not an angle from −45 to 45 degrees. Nothing was changed.`,
      ),
    )
  })

  test('emptied, a try goes and the others close up', async () => {
    const { wrapper, found } = await open({ rcspDeg: [4, 5, 6] }, ['rcspDeg'])
    await type(wrapper, 'right Relaxed stance, try 2, degrees', '')
    expect(found()).toEqual({ rcspDeg: [4, 6] })
  })

  test('what is kept within the subtalar part stays there, beside its neighbours', async () => {
    const { wrapper, found } = await open({ subtalar: { inversionDeg: [20] } }, ['eversionDeg'])
    await type(wrapper, /right Eversion, largest, try 1/, '9')
    expect(found()).toEqual({ subtalar: { inversionDeg: [20], eversionDeg: [9] } })
  })

  test('a reader types nothing', async () => {
    const { wrapper } = await open({ rcspDeg: [4] }, ['rcspDeg'], 'reader')
    expect(field(wrapper, /try 1/).element.disabled).toBe(true)
  })
})

describe('striking', () => {
  const menu = async (wrapper: VueWrapper, wanted: RegExp) => {
    await button(wrapper, /strike a try, other position$/).trigger('click')
    await nextTick()
    const lines = [...document.querySelectorAll<HTMLElement>('.v-list-item')]
    const line = lines.find((l) => wanted.test(l.textContent ?? ''))
    if (!line)
      throw new Error(`none is ${String(wanted)}: ${lines.map((l) => l.textContent).join(' | ')}`)
    line.click()
    await nextTick()
  }

  test('the odd one of three is proposed, struck with one press, and seen beside the mean', async () => {
    const { wrapper, found } = await open({ rcspDeg: [4, 5, 14] }, ['rcspDeg'])
    await button(wrapper, /Strike 14°\?/).trigger('click')
    expect(found()).toEqual({ rcspDeg: [4, 5], taken: { rcspDeg: { struck: [14] } } })
  })

  test('five that never agree are said so; nothing is proposed', async () => {
    const { wrapper } = await open({ rcspDeg: [-10, -5, 0, 5, 10] }, ['rcspDeg'])
    expect(textOf(wrapper)).toContain('Not repeatable')
    expect(textOf(wrapper)).not.toMatch(/Strike|Again/)
  })

  test('any try can be struck and brought back from its menu', async () => {
    const struck = await open({ rcspDeg: [4, 5] }, ['rcspDeg'])
    await menu(struck.wrapper, /Strike try 2, 5°/)
    expect(struck.found()).toEqual({ rcspDeg: [4], taken: { rcspDeg: { struck: [5] } } })
    struck.wrapper.unmount()
    const back = await open({ rcspDeg: [4], taken: { rcspDeg: { struck: [5] } } }, ['rcspDeg'])
    expect(textOf(back.wrapper)).toContain('struck 5°')
    await menu(back.wrapper, /Bring back 5°/)
    expect(back.found()!.rcspDeg).toEqual([4, 5])
    back.wrapper.unmount()
  })

  test('how the client lay is told there', async () => {
    const { wrapper, found } = await open({ forefootDeg: [5] }, ['forefootDeg'])
    expect(textOf(wrapper)).toContain('prone')
    await menu(wrapper, /^supine$/)
    expect(found()).toEqual({ forefootDeg: [5], taken: { forefootDeg: { position: 'supine' } } })
    wrapper.unmount()
  })
})
