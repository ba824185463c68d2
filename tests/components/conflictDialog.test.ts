import { expect, test } from 'vitest'
import { nextTick } from 'vue'
import ConflictDialog from '../../app/components/ConflictDialog.vue'
import { useChanges } from '../../app/stores/changes'
import { useQueue } from '../../app/stores/queue'
import { mergeParts } from '../../core/record/merge'
import { demo, mountWith } from './mountWith'

/** Two people changed the story: one goal here, another on the other tablet, and more besides. */
async function met() {
  const opened = await mountWith(ConflictDialog, { record: demo('Tove') })
  const { content, version } = opened.fitting.parts.story!
  const base = content as object
  const mine = { ...base, goal: 'a whole day of touring', hours: 7 }
  const theirs = { ...base, goal: 'no pain', terrain: 'glacier' }
  useChanges().change({ kind: 'part.put', part: 'story', content: mine }, 'goal')
  const queue = useQueue()
  const current = {
    content: theirs,
    version: version + 3,
    changedBy: 'Bram Sollis',
    changedAt: '2026-11-26T09:30:00Z',
  }
  const { clashes } = mergeParts('story', base, mine, theirs)
  queue.met = { part: 'story', current, clashes }
  await nextTick()
  const dialog = () => [...document.querySelectorAll('[role="alertdialog"]')].at(-1)
  const buttonOf = (words: string) =>
    [...dialog()!.querySelectorAll('button')].find((b) => b.textContent!.trim() === words)!
  const press = async (words: string) => {
    buttonOf(words).click()
    await nextTick()
  }
  return { ...opened, queue, dialog, buttonOf, press, version }
}

test('nobody else changed anything: nothing is asked', async () => {
  await mountWith(ConflictDialog, { record: demo('Tove') })
  expect(document.querySelector('[role="alertdialog"]')).toBeNull()
})

test('it says who changed what, and asks only what both changed, with both values', async () => {
  const { dialog } = await met()
  const text = dialog()!.textContent!.replace(/\s+/g, ' ')
  expect(text).toContain('Bram Sollis changed the story')
  expect(text).toContain('Mine: a whole day of touring')
  expect(text).toContain('Bram Sollis: no pain')
  expect(text).not.toContain('glacier')
})

test('nothing is kept before every place is chosen', async () => {
  const { buttonOf, press, queue } = await met()
  expect(buttonOf('Keep what is chosen').disabled).toBe(true)
  await press('Mine: a whole day of touring')
  expect(buttonOf('Keep what is chosen').disabled).toBe(false)
  expect(queue.met).not.toBeNull()
})

test.each([
  ['Mine: a whole day of touring', 'a whole day of touring'],
  ['Bram Sollis: no pain', 'no pain'],
])('%s: both people’s other fields stay, on top of their version', async (words, goal) => {
  const { fitting, queue, press, version } = await met()
  await press(words)
  await press('Keep what is chosen')
  expect(fitting.record.story).toMatchObject({ goal, hours: 7, terrain: 'glacier' })
  expect(queue.met).toBeNull()
  expect(queue.waiting).toHaveLength(1)
  expect(queue.waiting[0]!.version).toBe(version + 3)
})

test('all of one side by one press', async () => {
  const { fitting, press } = await met()
  await press('All theirs')
  await press('Keep what is chosen')
  expect(fitting.record.story).toMatchObject({ goal: 'no pain', hours: 7, terrain: 'glacier' })
})
