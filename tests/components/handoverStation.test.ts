import { format } from 'date-fns'
import { describe, expect, test } from 'vitest'
import RoundDialog from '../../app/components/RoundDialog.vue'
import HandoverStation from '../../app/stations/handover/HandoverStation.vue'
import { HANDOVER_CHECKS } from '../../core/followup/handoverChecks'
import type { Handover, Round } from '../../core/record/schema'
import { button, pick, textOf, type } from './find'
import { demo, mountWith, settled } from './mountWith'

async function open(
  handover: Handover = {},
  role: 'owner' | 'reader' = 'owner',
  rounds?: Round[],
  isMade = true,
) {
  const record = demo('Tove')
  record.handover = handover
  if (rounds) record.rounds = rounds
  // Nothing is left to make: only what is asked before it leaves.
  if (isMade) {
    delete record.footwear
    for (const side of ['left', 'right'] as const) delete record.feet[side]!.device
  }
  const opened = await mountWith(HandoverStation, { record, role })
  const choice = (group: string, word: string) =>
    opened.wrapper
      .find(`[aria-label="${group}"]`)
      .findAll('button')
      .find((b) => b.text().includes(word))!
  return { ...opened, choice, kept: () => opened.fitting.record.handover ?? {} }
}
const all = (verdict: 'good' | 'watch' | 'stop') =>
  Object.fromEntries(HANDOVER_CHECKS.map(({ id }) => [id, verdict]))

describe('checks on the pair', () => {
  test('each is good, watch or stop, kept beside the others', async () => {
    const { wrapper, choice, kept } = await open({ checks: { flat: 'good' } })
    expect(textOf(wrapper)).toContain('1 of 7 checks good')
    await choice('Toes', 'Watch').trigger('click')
    expect(kept().checks).toEqual({ flat: 'good', toes: 'watch' })
    await choice('Toes', 'Good').trigger('click')
    expect(kept().checks).toEqual({ flat: 'good', toes: 'good' })
    expect(textOf(wrapper)).toContain('2 of 7 checks good')
  })

  test('one stop keeps the pair here, in words, whatever else is said', async () => {
    const { wrapper, choice } = await open({
      checks: { ...all('good'), liner: 'stop' },
      evenFeel: 'even',
      allTheSame: 'in a hurry',
    })
    const go = () => button(wrapper, 'Hand over').element as HTMLButtonElement
    expect(go().disabled).toBe(true)
    expect(textOf(wrapper)).toContain('A check says stop: mend it first')
    await choice('Fits the liner', 'Watch').trigger('click')
    expect(go().disabled).toBe(false)
  })

  test('left out, they ask for a reason, and leave with one', async () => {
    const { wrapper, kept } = await open({ checks: { flat: 'good' } })
    const go = () => button(wrapper, 'Hand over').element as HTMLButtonElement
    expect(go().disabled).toBe(true)
    expect(textOf(wrapper)).toContain('6 checks are not made. Nobody asked how the two feel.')
    await type(wrapper, 'Why it leaves all the same', 'collected by the sister')
    expect(kept().allTheSame).toBe('collected by the sister')
    expect(go().disabled).toBe(false)
  })

  test('a step that is open at the bench keeps it here', async () => {
    const { wrapper } = await open({ checks: all('good'), evenFeel: 'even' }, 'owner', [], false)
    expect((button(wrapper, 'Hand over').element as HTMLButtonElement).disabled).toBe(true)
    expect(textOf(wrapper)).toMatch(/\d+ steps at the bench are open/)
  })
})

describe('handing over', () => {
  const today = format(new Date(), 'yyyy-MM-dd')

  test('dates the day, the guarantee, the first wear and a visit two weeks on', async () => {
    const { wrapper, kept } = await open({ checks: all('good'), evenFeel: 'even' })
    await button(wrapper, 'Hand over').trigger('click')
    const later = new Date(`${today}T12:00`)
    later.setDate(later.getDate() + 14)
    expect(kept()).toMatchObject({
      on: today,
      wearInStart: today,
      nextVisitOn: format(later, 'yyyy-MM-dd'),
    })
    expect(kept().guaranteeUntil! > today).toBe(true)
    expect(textOf(wrapper)).toContain(`handed over ${today}`)
    expect(button(wrapper, 'Back to the bench …').exists()).toBe(true)
  })

  test('a round that comes back is looked at anew; the first day and its checks stay', async () => {
    const first = { on: '2026-11-01', checks: all('good'), evenFeel: 'even' as const }
    const { wrapper, choice, kept, fitting } = await open(first)
    await button(wrapper, 'Back to the bench …').trigger('click')
    await settled()
    const dialog = wrapper.findComponent(RoundDialog) as never as typeof wrapper
    await pick(dialog, 'What is done', 'Work on the shells')
    await type(dialog, 'Why', 'rubs at the ankle')
    await dialog.find('form').trigger('submit')
    await settled()
    expect(fitting.record.rounds).toMatchObject([
      {
        no: 2,
        kind: 'shell work',
        feet: ['left', 'right'],
        reason: 'rubs at the ankle',
        terms: 'paid',
      },
    ])
    expect(textOf(wrapper)).toContain('Round 2: shell work, both feet, paid: rubs at the ankle')
    expect(textOf(wrapper)).toContain('0 of 7 checks good')
    await choice('Toes', 'Good').trigger('click')
    await type(wrapper, 'Why it leaves all the same', 'shell only')
    await button(wrapper, 'Hand over round 2').trigger('click')
    expect(fitting.record.rounds![0]).toMatchObject({
      checks: { toes: 'good' },
      allTheSame: 'shell only',
      handedOverOn: today,
    })
    expect(kept()).toEqual(first)
  })

  test('a visit and a first wear that were agreed stay', async () => {
    const { wrapper, kept } = await open({
      wearInStart: '2026-12-01',
      nextVisitOn: '2026-12-20',
      allTheSame: 'posted',
    })
    await button(wrapper, 'Hand over').trigger('click')
    expect(kept()).toMatchObject({ wearInStart: '2026-12-01', nextVisitOn: '2026-12-20' })
  })
})

describe('what the client feels', () => {
  test('uneven is mended before they leave', async () => {
    const { wrapper, choice, kept } = await open()
    await choice('How the two feel', 'left higher').trigger('click')
    expect(kept().evenFeel).toBe('left higher')
    expect(textOf(wrapper)).toContain('Mend it before they leave')
    await choice('How the two feel', 'even').trigger('click')
    expect(textOf(wrapper)).not.toContain('Mend it before they leave')
  })

  test('nine minutes are too few, ten are enough', async () => {
    const { wrapper, kept } = await open()
    await type(wrapper, 'Minutes in the footwear', '9')
    expect(kept().minutesInFootwear).toBe(9)
    expect(textOf(wrapper)).toContain('Numb toes come after ten minutes')
    await type(wrapper, 'Minutes in the footwear', '10')
    expect(textOf(wrapper)).not.toContain('Numb toes come after ten minutes')
  })

  test('minutes go from 0 to 240', async () => {
    const { wrapper, kept } = await open()
    await type(wrapper, 'Minutes in the footwear', '240')
    for (const typed of ['241', '-1', 'some']) {
      await type(wrapper, 'Minutes in the footwear', typed)
      expect(textOf(wrapper)).toContain(`Minutes go from 0 to 240. “${typed}” was not kept.`)
    }
    expect(kept().minutesInFootwear).toBe(240)
    await type(wrapper, 'Minutes in the footwear', '')
    expect(kept().minutesInFootwear).toBeUndefined()
  })
})

test('the first days of wearing in are told by their dates', async () => {
  const { wrapper } = await open({ wearInStart: '2026-12-01' })
  const days = wrapper.findAll('.plan b').map((b) => b.text())
  expect(days.slice(0, 3)).toEqual(['Tue 1 Dec', 'Wed 2 Dec', 'Thu 3 Dec'])
})

test('a reader hands nothing over', async () => {
  const { wrapper } = await open({}, 'reader')
  expect((button(wrapper, 'Hand over').element as HTMLButtonElement).disabled).toBe(true)
  for (const b of wrapper.findAll<HTMLButtonElement>('[role="radio"]'))
    expect(b.element.disabled).toBe(true)
})
