import { beforeEach, describe, expect, test, vi } from 'vitest'
import { nextTick } from 'vue'
import AppHeader from '../../app/components/AppHeader.vue'
import WaitingTray from '../../app/components/WaitingTray.vue'
import { useOutbox } from '../../app/stores/outbox'
import { useQueue } from '../../app/stores/queue'
import { useSession } from '../../app/stores/session'
import { button, textOf } from './find'
import { mountWith, settled } from './mountWith'

const request = (id: string, more: object = {}) => ({
  id,
  person: 'p',
  order: 1,
  method: 'PATCH' as const,
  path: 'clients/7',
  body: { changes: {} },
  words: 'Nils Ravndal: weight',
  ...more,
})
const change = (id: string, more: object = {}) =>
  ({ id, person: 'p', order: 2, fittingId: 'f9', part: 'story', words: 'goal', ...more }) as never

/** What stands in the open list, wherever it was put on the page. */
const list = () =>
  (
    [...document.querySelectorAll('[aria-label="What waits on this device"]')].at(-1)
      ?.textContent ?? ''
  ).replace(/\s+/g, ' ')
const press = async (words: string) => {
  const all = [...document.querySelectorAll('button')]
  all.findLast((b) => b.textContent!.trim() === words)!.click()
  await settled()
}
async function open(set: () => void) {
  const opened = await mountWith(WaitingTray)
  set()
  await nextTick()
  return opened
}
beforeEach(() => (document.body.innerHTML = ''))

describe('what waits', () => {
  test('nothing waits, nothing is shown', async () => {
    const { wrapper } = await open(() => undefined)
    expect(wrapper.find('button').exists()).toBe(false)
  })

  test('is counted and told, of fittings and of everything else', async () => {
    const { wrapper } = await open(() => {
      useQueue().all = [change('a')]
      useOutbox().all = [request('b')]
    })
    await button(wrapper, /^2 wait/).trigger('click')
    await settled()
    expect(list()).toContain('goal')
    expect(list()).toContain('Nils Ravndal: weight')
  })

  test('what was refused says why, and can be let go', async () => {
    const { wrapper } = await open(() => {
      useOutbox().all = [request('b', { refused: 'Someone changed this: weight is 80 now.' })]
    })
    await button(wrapper, /^1 wait: look/).trigger('click')
    await settled()
    expect(list()).toContain('weight is 80 now')
    await press('Let it go')
    expect(useOutbox().all).toEqual([])
    expect(wrapper.find('button').exists()).toBe(false)
  })

  test('where both changed one thing, it leads to the fitting', async () => {
    const { wrapper } = await open(() => (useQueue().all = [change('a', { met: true })]))
    await button(wrapper, /^1 wait/).trigger('click')
    await settled()
    const link = [...document.querySelectorAll('a')].at(-1)!
    expect(link.getAttribute('href')).toBe('/fittings/f9/measure')
  })

  test('another person’s is told as a number, and nothing of it', async () => {
    const { wrapper } = await open(() => (useOutbox().closed = { others: 1, own: 0 }))
    await button(wrapper, /^1 wait/).trigger('click')
    await settled()
    expect(list()).toContain('One change of somebody else waits here')
  })
})

describe('signing out', () => {
  const signOut = async (set: () => void) => {
    const { wrapper } = await mountWith(AppHeader)
    set()
    await nextTick()
    await button(wrapper, /Menu/).trigger('click')
    await settled()
    const item = [...document.querySelectorAll('.v-list-item')].find((i) =>
      i.textContent!.includes('Sign out'),
    )
    ;(item as HTMLElement).click()
    await vi.waitFor(() => expect(document.querySelector('[role="alertdialog"]')).not.toBeNull())
    return wrapper
  }

  test('says what would wait, and asks', async () => {
    await signOut(() => (useOutbox().all = [request('a'), request('b')]))
    const dialog = [...document.querySelectorAll('[role="alertdialog"]')].at(-1)!
    expect(textOf({ element: { parentElement: dialog } } as never)).toContain(
      '2 changes have not reached the server. They stay here, closed to others',
    )
    expect(useSession().person).not.toBeNull()
    await press('Stay signed in')
    expect(useSession().person).not.toBeNull()
  })
})
