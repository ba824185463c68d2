import { expect, test } from 'vitest'
import { nextTick } from 'vue'
import ConflictDialog from '../../app/components/ConflictDialog.vue'
import { useChanges } from '../../app/stores/changes'
import { useQueue } from '../../app/stores/queue'
import { demo, mountWith } from './mountWith'

/** Two people changed the left readings: one length here, another one on the other tablet. */
async function met() {
  const opened = await mountWith(ConflictDialog, { record: demo('Tove') })
  const before = opened.fitting.parts['readings.left']!
  const theirs = {
    content: [{ what: 'footLengthMm', posture: 'standing', trials: [251], struck: [] }],
    version: before.version + 3,
    changedBy: 'Bram Sollis',
    changedAt: '2026-11-26T09:30:00Z',
  }
  useChanges().change(
    {
      kind: 'readings.add',
      side: 'left',
      what: 'heelWidthMm',
      posture: 'sitting',
      values: [61],
    },
    'heel width left 61',
  )
  const queue = useQueue()
  queue.met = { item: queue.waiting[0]!, current: theirs as never }
  await nextTick()
  const dialog = () => [...document.querySelectorAll('[role="alertdialog"]')].at(-1)
  const press = async (words: string) => {
    const buttons = [...dialog()!.querySelectorAll('button')]
    buttons.find((b) => b.textContent!.trim() === words)!.click()
    await nextTick()
  }
  const trialsOf = (what: string) =>
    opened.fitting.record.feet.left!.readings.filter((r) => r.what === what)
  return { ...opened, queue, dialog, press, trialsOf }
}

test('nobody else changed anything: nothing is asked', async () => {
  await mountWith(ConflictDialog, { record: demo('Tove') })
  expect(document.querySelector('[role="alertdialog"]')).toBeNull()
})

test('it says who changed what, and what is not kept yet', async () => {
  const { dialog } = await met()
  const text = dialog()!.textContent!.replace(/\s+/g, ' ')
  expect(text).toContain('Bram Sollis changed the left readings')
  expect(text).toContain('heel width left 61')
})

test('mine are added to theirs, and wait for the server on top of their version', async () => {
  const { queue, press, trialsOf } = await met()
  await press('Add mine to theirs')
  expect(trialsOf('footLengthMm')).toMatchObject([{ trials: [251] }])
  expect(trialsOf('heelWidthMm')).toMatchObject([{ posture: 'sitting', trials: [61] }])
  expect(queue.met).toBeNull()
  expect(queue.waiting).toHaveLength(1)
  expect(queue.waiting[0]!.version).toBeGreaterThanOrEqual(4)
})

test('theirs are kept, and mine no longer wait', async () => {
  const { queue, press, trialsOf } = await met()
  await press('Keep theirs, drop mine')
  expect(trialsOf('footLengthMm')).toMatchObject([{ trials: [251] }])
  expect(trialsOf('heelWidthMm')).toEqual([])
  expect(queue.waiting).toEqual([])
})
