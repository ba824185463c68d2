import { describe, expect, test } from 'vitest'
import StepActions from '../../app/components/StepActions.vue'
import type { BenchStep } from '../../core/bench/jobSteps'
import { UNKNOWN_WEARER, type Wearer } from '../../core/record/stepState'
import { button, field, textOf, type } from './find'
import { mountWith } from './mountWith'

const STEP: BenchStep = {
  key: 'vacuum-shell:form:left',
  step: 'form',
  foot: 'left',
  process: 'vacuum-shell',
  processName: 'Vacuum-formed shell',
  words: 'Stand on it',
  minutes: 8,
  houseMin: 8,
  needs: [],
  after: [],
  learnedFrom: 0,
  state: 'open',
  redone: 0,
}
const ADULT: Wearer = { child: false, noHeat: false, marginK: 3 }
/** Ten minutes on warm skin: the standard's threshold is 48 °C. */
const ON_SKIN = { ...STEP, skinMin: 10 }

const open = (props: object = {}) =>
  mountWith(StepActions, { props: { step: STEP, wearer: ADULT, ...props } })
type Opened = Awaited<ReturnType<typeof open>>['wrapper']
const acts = (wrapper: Opened) => (wrapper.emitted('act') ?? []).map(([change]) => change)
const isLocked = (wrapper: Opened, name: string) => button(wrapper, name).element.disabled

describe('a step that is open', () => {
  test('is begun, finished, or left out with a reason', async () => {
    const { wrapper } = await open()
    await button(wrapper, 'Start').trigger('click')
    await button(wrapper, 'Done').trigger('click')
    await button(wrapper, 'Leave out').trigger('click')
    await type(wrapper, 'Why it is left out', 'no post wanted')
    await wrapper.find('form').trigger('submit')
    expect(acts(wrapper)).toEqual([
      { do: 'start' },
      { do: 'finish' },
      { do: 'skip', reason: 'no post wanted' },
    ])
  })

  test('is not left out without a reason of three letters', async () => {
    const { wrapper } = await open()
    await button(wrapper, 'Leave out').trigger('click')
    const submit = () => wrapper.find<HTMLButtonElement>('form [type="submit"]').element
    expect(submit().disabled).toBe(true)
    await type(wrapper, 'Why it is left out', 'no')
    expect(submit().disabled).toBe(true)
    await type(wrapper, 'Why it is left out', 'not')
    expect(submit().disabled).toBe(false)
  })

  test('that waits by itself says for how long its timer runs', async () => {
    const { wrapper } = await open({ step: { ...STEP, waiting: true } })
    expect(textOf(wrapper)).toContain('Start, timer 8 min')
  })

  test('out of order asks why, and may still be ticked off', async () => {
    const { wrapper } = await open({ early: ['Cool on the tray'] })
    expect(textOf(wrapper)).toContain('Comes after: Cool on the tray.')
    expect(isLocked(wrapper, 'Start')).toBe(true)
    expect(isLocked(wrapper, 'Done')).toBe(false)
    await type(wrapper, 'Reason to go on', 'cooled outside')
    await button(wrapper, 'Start').trigger('click')
    expect(acts(wrapper)).toEqual([{ do: 'start', reason: 'cooled outside' }])
  })

  test('cannot be touched by who may not', async () => {
    const { wrapper } = await open({ disabled: true })
    for (const name of ['Start', 'Done', 'Leave out']) expect(isLocked(wrapper, name)).toBe(true)
  })
})

describe('a step on warm skin', () => {
  const SOCK_SIDE = /Temperature of the sock side/

  test('is locked until it is measured', async () => {
    const { wrapper } = await open({ step: ON_SKIN })
    expect(textOf(wrapper)).toContain('Locked until it is measured')
    expect(isLocked(wrapper, 'Start')).toBe(true)
    expect(isLocked(wrapper, 'Done')).toBe(true)
    await type(wrapper, SOCK_SIDE, 'warm')
    expect(isLocked(wrapper, 'Start')).toBe(true)
  })

  test('goes on below the margin, with its temperature', async () => {
    const { wrapper } = await open({ step: ON_SKIN })
    await type(wrapper, SOCK_SIDE, '44,9')
    await button(wrapper, 'Start').trigger('click')
    expect(acts(wrapper)).toEqual([{ do: 'start', celsius: 44.9 }])
  })

  test('goes on within the margin only with a reason', async () => {
    const { wrapper } = await open({ step: ON_SKIN })
    await type(wrapper, SOCK_SIDE, '47')
    expect(textOf(wrapper)).toContain('that is within 3 K')
    expect(isLocked(wrapper, 'Start')).toBe(true)
    expect(isLocked(wrapper, 'Done')).toBe(true)
    await type(wrapper, 'Reason to go on', 'thick sock')
    await button(wrapper, 'Done').trigger('click')
    expect(acts(wrapper)).toEqual([{ do: 'finish', celsius: 47, reason: 'thick sock' }])
  })

  test('stops at the threshold, and no reason opens it', async () => {
    const { wrapper } = await open({ step: ON_SKIN })
    await type(wrapper, SOCK_SIDE, '48')
    expect(textOf(wrapper)).toContain('Let it cool.')
    expect(isLocked(wrapper, 'Start')).toBe(true)
    expect(isLocked(wrapper, 'Done')).toBe(true)
    expect(() => field(wrapper, 'Reason to go on')).toThrow()
  })

  test.each([
    ['a foot that does not feel', { ...ADULT, noHeat: true }],
    ['somebody nobody has told of', UNKNOWN_WEARER],
  ])('never goes on with %s', async (_, wearer) => {
    const { wrapper } = await open({ step: ON_SKIN, wearer })
    expect(textOf(wrapper)).toContain('No heat moulding on this foot')
    expect(field(wrapper, SOCK_SIDE).element.disabled).toBe(true)
    expect(isLocked(wrapper, 'Start')).toBe(true)
    expect(isLocked(wrapper, 'Done')).toBe(true)
  })

  test('forgets what was typed when another step comes', async () => {
    const { wrapper } = await open({ step: ON_SKIN })
    await type(wrapper, SOCK_SIDE, '40')
    await wrapper.setProps({ step: { ...ON_SKIN, key: 'vacuum-shell:form:right', foot: 'right' } })
    expect(field(wrapper, SOCK_SIDE).element.value).toBe('')
    expect(isLocked(wrapper, 'Start')).toBe(true)
  })
})

describe('a step that runs', () => {
  const RUNNING = { ...STEP, state: 'running' as const }

  test('is finished, lengthened, or was never begun', async () => {
    const { wrapper } = await open({ step: RUNNING })
    await button(wrapper, 'Done').trigger('click')
    await button(wrapper, '+ 5 min').trigger('click')
    await button(wrapper, 'Not begun').trigger('click')
    expect(acts(wrapper)).toEqual([{ do: 'finish' }, { do: 'longer', minutes: 5 }, { do: 'undo' }])
  })

  test('that waits is lengthened by single minutes and cannot be broken off', async () => {
    const { wrapper } = await open({ step: { ...RUNNING, waiting: true } })
    await button(wrapper, '+ 1 min').trigger('click')
    expect(acts(wrapper)).toEqual([{ do: 'longer', minutes: 1 }])
    expect(() => button(wrapper, 'Break off')).toThrow()
  })

  test.each([
    ['3', { do: 'split', minutes: 3 }],
    ['', { do: 'split' }],
    ['a few', { do: 'split' }],
    ['-2', { do: 'split' }],
  ])('broken off with “%s” minutes left', async (typed, change) => {
    const { wrapper } = await open({ step: RUNNING })
    await button(wrapper, 'Break off').trigger('click')
    await type(wrapper, 'Minutes that are left', typed)
    await wrapper.find('form').trigger('submit')
    expect(acts(wrapper)).toEqual([change])
  })
})

describe('a step that is over', () => {
  const DONE = { ...STEP, state: 'done' as const }

  test('is done again with a reason, or was not done', async () => {
    const { wrapper } = await open({ step: DONE })
    await button(wrapper, 'Do again').trigger('click')
    await type(wrapper, 'Why again', 'a crease at the heel')
    await wrapper.find('form').trigger('submit')
    await button(wrapper, 'Not done').trigger('click')
    expect(acts(wrapper)).toEqual([{ do: 'redo', reason: 'a crease at the heel' }, { do: 'undo' }])
  })

  test('stays as it is when nobody goes through with it', async () => {
    const { wrapper } = await open({ step: DONE })
    await button(wrapper, 'Do again').trigger('click')
    await button(wrapper, 'No').trigger('click')
    expect(acts(wrapper)).toEqual([])
    expect(wrapper.find('form').exists()).toBe(false)
  })
})
