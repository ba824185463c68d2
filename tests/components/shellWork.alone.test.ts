import { describe, expect, test, vi } from 'vitest'
import MatchStation from '../../app/stations/match/MatchStation.vue'
import { matchRecord } from '../../core/footwear/matchRecord'
import { parseRecord } from '../../core/record/parse'
import type { Job, ShellWork } from '../../core/record/schema'
import { demoModels } from '../../demo/catalogue'
import { button, pick, textOf, type } from './find'
import { demo, mountWith } from './mountWith'

vi.mock('comlink', async () => (await import('./workerHere')).comlinkHere())
vi.mock('~/workers/matchWorker', async () => {
  const { workerHere } = await import('./workerHere')
  const worker = await workerHere(() => import('../../app/workers/match.worker'))
  return { matchWorker: () => worker }
})

const MODELS = demoModels().filter((m) => m.family === 'rigid-shell')
const NOW = new Date('2026-11-29T10:00:00Z')

/** Match at one of its parts, with the best of the ranking chosen that needs some work. */
async function open(
  part: 'Work plan' | 'Try-on',
  {
    work = [] as object[],
    tryOns = [] as object[],
    chosen = true,
    springBack = {},
    jobs = [] as Job[],
  } = {},
) {
  const record = demo('Tove')
  delete record.footwear
  record.jobs = jobs
  const best = matchRecord(record, MODELS).pair.find((p) => p.work.length > 1)!
  if (chosen)
    record.footwear = parseRecord({
      ...record,
      footwear: {
        tryOns,
        chosen: {
          model: best.model,
          sizeLeftMm: best.left!.sizeMm,
          sizeRightMm: best.right!.sizeMm,
          work,
        },
      },
    }).footwear!
  const opened = await mountWith(MatchStation, {
    record,
    answers: { models: { models: MODELS, learned: {}, springBack } },
  })
  const calm = async () => {
    for (let i = 0; i < 15; i++) await new Promise((go) => setTimeout(go, 10))
  }
  await calm()
  await button(opened.wrapper, part).trigger('click')
  await calm()
  return {
    ...opened,
    best,
    calm,
    work: () => opened.fitting.record.footwear?.chosen?.work ?? [],
    tries: () => opened.fitting.record.footwear?.tryOns ?? [],
    press: async (name: string | RegExp) => {
      await button(opened.wrapper, name).trigger('click')
      await calm()
    },
  }
}
const piece = (more: Partial<ShellWork> = {}) => ({
  id: '00000000-0000-4000-8000-000000000001',
  foot: 'right',
  model: MODELS[0]!.id,
  sizeMm: 265,
  station: 'ball',
  does: 'stretch',
  at: { fromHeelMm: 180, heightMm: 14, side: 'lateral' },
  amountMm: 2,
  because: 'tight',
  state: 'planned',
  ...more,
})

describe('the work plan', () => {
  test('without a chosen model there is none', async () => {
    const { wrapper } = await open('Work plan', { chosen: false })
    expect(textOf(wrapper)).toContain('Choose a model first')
  })

  test('from the fit: one piece for each that the match asked for, on its own foot', async () => {
    const { press, work, best, wrapper } = await open('Work plan')
    expect(textOf(wrapper)).toContain('Nothing planned.')
    await press(/^Follow the fit/)
    const asked = best.work.map((w) => `${w.foot} ${w.station}`).sort()
    expect(
      work()
        .map((w) => `${w.foot} ${w.station}`)
        .sort(),
    ).toEqual(asked)
    for (const w of work()) expect(w).toMatchObject({ model: best.model, state: 'planned' })
    // Once followed, nothing is asked any more.
    expect(textOf(wrapper)).toContain('Follows the fit')
    expect(work()).toHaveLength(asked.length)
  })

  test('says what goes when nothing asks for it any more, and takes one at a time', async () => {
    const first = await open('Work plan')
    const { model } = first.best
    const stale = piece({ id: 'right-cuff-stretch', model, station: 'cuff', because: 'Cuff tight' })
    const { press, work, wrapper } = await open('Work plan', { work: [stale] })
    expect(textOf(wrapper)).toContain('nothing asks for it any more (was: Cuff tight)')
    await press(/^Goes: right cuff/)
    expect(work().map((w) => w.id)).not.toContain('right-cuff-stretch')
  })

  test('a piece by hand is two millimetres at its station; under the foot it lies on the board', async () => {
    const { wrapper, press, work } = await open('Work plan')
    await press(/^Add/)
    expect(work()).toHaveLength(1)
    expect(work()[0]).toMatchObject({
      foot: 'right',
      station: 'ball',
      does: 'stretch',
      amountMm: 2,
    })
    expect(work()[0]!.at.heightMm).toBeGreaterThan(0)
    expect(textOf(wrapper)).toContain('added by hand')
  })

  test('done says by whom, is measured again, opened again, and dropped', async () => {
    const first = await open('Work plan')
    const { model } = first.best
    const { press, work, wrapper } = await open('Work plan', { work: [piece({ model })] })
    await press('Done')
    expect(work()[0]).toMatchObject({ state: 'done', by: 'Rhona Kestle' })
    expect(Date.parse(work()[0]!.doneAt!)).toBeGreaterThan(NOW.getTime() - 864e5 * 365)
    await type(wrapper, /^1: found after cooling/, '1.5')
    expect(work()[0]!.gainedMm).toBe(1.5)
    expect(work()[0]!.pressedMm).toBe(2.4)
    await press('Open again')
    expect(work()[0]!.state).toBe('planned')
    expect(work()[0]).not.toHaveProperty('gainedMm')
    await press(/^Drop /)
    expect(work()[0]!.state).toBe('dropped')
    expect(textOf(wrapper)).toContain('Nothing planned.')
    await press(/^Back into the plan/)
    expect(work()[0]!.state).toBe('planned')
  })

  test('a plastic that springs back further here is pressed further; the bench is told of', async () => {
    const { model } = (await open('Work plan')).best
    const { plastic } = MODELS.find((m) => m.id === model)!
    const own = { share: 0.35, seenShare: 0.4, count: 15, used: true }
    const { wrapper, press, work } = await open('Work plan', {
      work: [piece({ model })],
      springBack: { [plastic.name!]: own },
      jobs: [{ step: `work:${piece().id}:mark`, done: true, state: 'done' }],
    })
    expect(textOf(wrapper)).toContain('at the bench 1 of 5 steps')
    expect(textOf(wrapper)).toContain('35 % springs back of polyether shell, learned from 15')
    await press('Add')
    expect(work().at(-1)).toMatchObject({ does: 'stretch', springBackShare: 0.35 })
    expect(textOf(wrapper)).toContain('press to 2.7 mm')
  })

  test('a sole waits for the technician who checks it again', async () => {
    const { best } = await open('Work plan')
    const { wrapper, press, work } = await open('Work plan', {
      work: [piece({ model: best.model, does: 'sole', station: 'ball' })],
    })
    expect((button(wrapper, 'Done').element as HTMLButtonElement).disabled).toBe(true)
    await type(wrapper, /^Certified technician/, 'Ada Ferrow')
    expect(work()[0]!.recheckedBy).toBe('Ada Ferrow')
    await press('Done')
    expect(work()[0]!.state).toBe('done')
  })

  test('its place is in millimetres from the back, over the board, on a side', async () => {
    const { best } = await open('Work plan')
    const { wrapper, work } = await open('Work plan', { work: [piece({ model: best.model })] })
    await type(wrapper, /^1: from the inside/, '185')
    await type(wrapper, /^1: over the boot board/, '20')
    await pick(wrapper, '1: side of the shell', 'medial')
    expect(work()[0]!.at).toEqual({ fromHeelMm: 185, heightMm: 20, side: 'medial' })
  })

  test('cuff and cant are of one foot, and a cant asks for a check of the bindings', async () => {
    const { wrapper, fitting } = await open('Work plan')
    await type(wrapper, /^left cuff alignment/, '1.5')
    expect(fitting.record.footwear!.chosen!.cuffAlignDeg).toEqual({ left: 1.5, right: 0 })
    expect(textOf(wrapper)).not.toContain('certified re-check of soles and bindings')
    await type(wrapper, /^right sole cant/, '1')
    expect(fitting.record.footwear!.chosen!.soleCantDeg).toEqual({ left: 0, right: 1 })
    expect(textOf(wrapper)).toContain('certified re-check of soles and bindings')
  })
})

describe('a try-on', () => {
  test('a clock begins with what is worn on each foot, in its own size', async () => {
    const { press, tries, best, wrapper } = await open('Try-on')
    expect(textOf(wrapper)).toContain('read both feet at 0, 5, 10 and 15')
    await press('Start the clock')
    expect(tries()).toHaveLength(1)
    const [first] = tries()
    expect(first).toMatchObject({ onDevice: true, readings: [], by: 'Rhona Kestle' })
    expect(Object.keys(first!.worn).sort()).toEqual(['left', 'right'])
    expect(MODELS.map((m) => m.id)).toContain(first!.worn.left!.model)
    expect(best.model).toBeTruthy()
  })

  test('what is felt is kept by minute and foot; another minute begins anew', async () => {
    const { press, tries, wrapper, calm } = await open('Try-on')
    await press('Start the clock')
    const feel = async (group: string, word: string) => {
      await wrapper
        .find(`[aria-label="${group}"]`)
        .findAll('button')
        .find((b) => b.text() === word)!
        .trigger('click')
      await calm()
    }
    await feel('left toes upright', 'touch')
    await feel('left toes flexed', 'come off')
    await feel('right toes upright', 'press')
    expect(tries()[0]!.readings).toMatchObject([
      { minute: 0, foot: 'left', toesUpright: 'touch', toesFlexed: 'clear' },
      { minute: 0, foot: 'right', toesUpright: 'press' },
    ])
    await wrapper.find('[aria-label="Reading at"]').findAll('button')[1]!.trigger('click')
    await calm()
    await feel('left toes upright', 'clear')
    expect(tries()[0]!.readings.map((r) => [r.minute, r.foot, r.toesUpright])).toEqual([
      [0, 'left', 'touch'],
      [0, 'right', 'press'],
      [5, 'left', 'clear'],
    ])
    expect(wrapper.find('[aria-label="Reading at"]').text()).toContain('2 of 2')
  })
})
