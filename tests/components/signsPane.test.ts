import { describe, expect, test } from 'vitest'
import { nextTick } from 'vue'
import SignsPane from '../../app/stations/story/SignsPane.vue'
import { SIGNS } from '../../core/kinds/signs/all'
import type { FittingRecord } from '../../core/record/schema'
import { button, textOf, type } from './find'
import { demo, mountWith } from './mountWith'

const WOUND = SIGNS.of('openWound')
const CHILD_ONLY = SIGNS.all.filter((s) => s.childOnly)

function record(
  signs: Record<string, 'yes' | 'no'> = {},
  more: Partial<FittingRecord['client']> = {},
) {
  const made = demo('Tove')
  made.story!.signs = signs
  delete made.story!.clearances
  made.client = { ...made.client, ...more }
  return made
}
const open = (made: FittingRecord, role?: 'reader') =>
  mountWith(SignsPane, { record: made, ...(role && { role }) })
type Opened = Awaited<ReturnType<typeof open>>

/** Presses yes or no beside a question. */
async function say({ wrapper }: Opened, question: string, answer: 'yes' | 'no') {
  const group = wrapper
    .findAll('[role="group"]')
    .find((g) => g.attributes('aria-label') === question)!
  await group
    .findAll('button')
    .find((b) => b.text() === answer)!
    .trigger('click')
  await nextTick()
}

describe('what is asked before anything is made', () => {
  test('a grown client is not asked what only a child is', async () => {
    const adult = await open(record())
    const child = await open(record({}, { bornOn: '2017-05-02' }))
    for (const { ask } of CHILD_ONLY) {
      expect(textOf(adult.wrapper)).not.toContain(ask)
      expect(textOf(child.wrapper)).toContain(ask)
    }
    expect(CHILD_ONLY.length).toBeGreaterThan(0)
  })

  test('it counts what was asked', async () => {
    const asked = SIGNS.all.length - CHILD_ONLY.length
    const opened = await open(record())
    expect(textOf(opened.wrapper)).toContain(`0 of ${asked} asked`)
    await say(opened, WOUND.ask, 'no')
    expect(textOf(opened.wrapper)).toContain(`1 of ${asked} asked`)
  })

  test('an answer is kept, changed, and taken back by pressing it again', async () => {
    const opened = await open(record())
    await say(opened, WOUND.ask, 'no')
    expect(opened.fitting.record.story!.signs).toEqual({ openWound: 'no' })
    await say(opened, WOUND.ask, 'yes')
    expect(opened.fitting.record.story!.signs).toEqual({ openWound: 'yes' })
    await say(opened, WOUND.ask, 'yes')
    expect(opened.fitting.record.story!.signs ?? {}).toEqual({})
  })

  test('none of these answers what was left open, and leaves a yes alone', async () => {
    const { wrapper, fitting } = await open(record({ openWound: 'yes' }))
    await button(wrapper, 'None of these').trigger('click')
    const { openWound, ...others } = fitting.record.story!.signs!
    expect(openWound).toBe('yes')
    expect(Object.values(others).every((v) => v === 'no')).toBe(true)
    expect(Object.keys(others)).toHaveLength(SIGNS.all.length - CHILD_ONLY.length - 1)
  })
})

describe('a sign for which somebody has to look first', () => {
  test('stops making and says why, until it is cleared by a name', async () => {
    const { wrapper, fitting } = await open(record({ openWound: 'yes' }))
    expect(textOf(wrapper)).toContain(`Refer first. ${WOUND.refer}`)
    expect(fitting.risk.blocked).toBe(true)
    expect(button(wrapper, 'Record clearance').element.disabled).toBe(true)
    await type(wrapper, 'Cleared by', 'Dr')
    expect(button(wrapper, 'Record clearance').element.disabled).toBe(true)
    await type(wrapper, 'Cleared by', 'Dr Amsel Thorn, wound nurse')
    await type(wrapper, 'What was said', 'healed, dry')
    await button(wrapper, 'Record clearance').trigger('click')
    await nextTick()
    expect(fitting.risk.blocked).toBe(false)
    expect(fitting.record.story!.clearances).toMatchObject([
      { by: 'Dr Amsel Thorn, wound nurse', words: 'healed, dry', recordedBy: 'Rhona Kestle' },
    ])
    expect(textOf(wrapper)).toContain('✓ Cleared by Dr Amsel Thorn, wound nurse')
  })

  test('stops again when the clearance is withdrawn', async () => {
    const { wrapper, fitting } = await open(record({ openWound: 'yes' }))
    await type(wrapper, 'Cleared by', 'Dr Amsel Thorn')
    await button(wrapper, 'Record clearance').trigger('click')
    await nextTick()
    await button(wrapper, 'withdraw').trigger('click')
    await nextTick()
    expect(fitting.risk.blocked).toBe(true)
    expect(fitting.record.story!.clearances ?? []).toEqual([])
  })

  test('is seen by a reader, who clears nothing', async () => {
    const { wrapper } = await open(record({ openWound: 'yes' }), 'reader')
    expect(textOf(wrapper)).toContain('Refer first.')
    expect(() => button(wrapper, 'Record clearance')).toThrow()
    expect(button(wrapper, 'yes').element.disabled).toBe(true)
  })
})

describe('what was asked long ago', () => {
  test('is asked again; a yes stays one', async () => {
    const made = record({
      ...Object.fromEntries(SIGNS.all.map((s) => [s.kind, 'no' as const])),
      calfSwollen: 'yes',
    })
    made.story!.signsOn = '2025-01-07'
    const { wrapper, fitting } = await open(made)
    expect(textOf(wrapper)).toContain('the last on 2025-01-07: ask again')
    expect(fitting.risk.blocked).toBe(true)
    await button(wrapper, 'None of these').trigger('click')
    await nextTick()
    expect(fitting.record.story!.signsOn).toBe(fitting.today)
    expect(fitting.record.story!.signs!.calfSwollen).toBe('yes')
    expect(textOf(wrapper)).not.toContain('ask again')
  })
  test('answering one renews none of the others', async () => {
    const made = record(Object.fromEntries(SIGNS.all.map((s) => [s.kind, 'no' as const])))
    made.story!.signsOn = '2025-01-07'
    const opened = await open(made)
    await say(opened, WOUND.ask, 'no')
    expect(opened.fitting.record.story!.signs).toEqual({ openWound: 'no' })
    expect(opened.fitting.record.story!.signsOn).toBe(opened.fitting.today)
  })
  test('a clearance from then no longer lets anything be made', async () => {
    const made = record({ openWound: 'yes' })
    const clearance = { code: 'sign-openWound', by: 'Dr Amsel Thorn' }
    made.story!.clearances = [{ ...clearance, on: '2025-01-07' }]
    const { wrapper, fitting } = await open(made)
    expect(fitting.risk.blocked).toBe(true)
    await type(wrapper, 'Cleared by', 'Dr Ilka Moor')
    await button(wrapper, 'Record clearance').trigger('click')
    await nextTick()
    expect(fitting.risk.blocked).toBe(false)
    expect(textOf(wrapper)).toContain('✓ Cleared by Dr Ilka Moor')
  })
})
