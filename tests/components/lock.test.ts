import { describe, expect, test } from 'vitest'
import LockDialog from '../../app/components/LockDialog.vue'
import SignInsPane from '../../app/settings/SignInsPane.vue'
import { useSession } from '../../app/stores/session'
import { useTimers } from '../../app/stores/timers'
import type { Role } from '../../shared/permissions'
import { button, textOf, type } from './find'
import { mountWith, settled } from './mountWith'

const DEMO = [
  { login: 'rhona', name: 'Rhona Kestle', role: 'owner' },
  { login: 'bram', name: 'Bram Oduya', role: 'bench' },
]
type Asks = 'locked' | 'signed-out'
/** The dialog over a page of Rhona's. */
async function locked(
  asks: Asks,
  { hasPin = false, demo = [] as object[], unlocked = { id: 'p' } as object } = {},
) {
  const Host = {
    components: { LockDialog },
    setup: () => {
      const session = useSession()
      session.login = 'rhona'
      session.page = {
        demo,
        firstOwner: false,
        person: null,
        lock: { isLocked: true, hasPin, login: 'rhona', minutes: 10 },
      } as never
      session.lock(asks)
      return {}
    },
    template: '<LockDialog />',
  }
  const opened = await mountWith(Host, {
    answers: {
      'POST unlock': unlocked,
      'POST sign-in': { id: 'p', name: 'Rhona Kestle', role: 'owner' },
    },
  })
  const card = opened.wrapper.findComponent({ name: 'VCard' }) as never as typeof opened.wrapper
  const enter = async () => {
    await card.find('form').trigger('submit')
    await settled()
  }
  return { ...opened, card, enter, session: useSession() }
}

describe('a locked page', () => {
  test('opens by PIN, and says to whom it belongs', async () => {
    const { card, enter, calls, session } = await locked('locked', { hasPin: true })
    expect(card.text()).toContain('Locked for Rhona')
    await type(card, 'PIN', '4711')
    await enter()
    expect(calls.find((c) => c.path === 'unlock')?.body).toEqual({ pin: '4711' })
    expect(session.locked).toBe(false)
  })
  test('opens by password where there is no PIN, or where it is wanted', async () => {
    const { card, enter, calls } = await locked('locked', { hasPin: true })
    await button(card, 'Use the password instead').trigger('click')
    await type(card, 'Password', 'a long pass phrase')
    await enter()
    expect(calls.find((c) => c.path === 'unlock')?.body).toEqual({ password: 'a long pass phrase' })
  })
  test('tells which alarm rings: it names a job by its code', async () => {
    const { card } = await locked('locked', { hasPin: true })
    const now = Date.now()
    useTimers().timers = [
      { id: 't', name: 'HR-0412: Cool, left', state: 'running', endsAt: now - 5000 },
      { id: 'u', name: 'HR-0413: Oven', state: 'running', endsAt: now + 90_000 },
    ] as never
    await settled()
    expect(card.text()).toContain('Rings: HR-0412: Cool, left')
    expect(card.text()).not.toContain('HR-0413')
  })
  test('of the demo shop opens by one touch', async () => {
    const { card, enter, calls } = await locked('locked', { demo: DEMO })
    expect(card.findAll('input')).toHaveLength(0)
    await enter()
    expect(calls.find((c) => c.path === 'unlock')?.body).toEqual({ password: '' })
  })
  test('stays closed where the browser now belongs to somebody else', async () => {
    const { enter, session } = await locked('locked', { unlocked: { id: 'another' } })
    await enter()
    expect([session.locked, session.asks]).toEqual([true, 'signed-out'])
  })
  test('whose session has ended asks for name and password', async () => {
    const { card, enter, calls, session } = await locked('signed-out')
    expect(card.text()).toContain('Signed out')
    await type(card, 'Password', 'a long pass phrase')
    await enter()
    expect(calls.find((c) => c.path === 'sign-in' && c.method === 'POST')?.body).toMatchObject({
      login: 'rhona',
      password: 'a long pass phrase',
    })
    expect(session.locked).toBe(false)
  })
  test('is left to somebody else by signing out', async () => {
    const { card, calls, session } = await locked('locked', { demo: DEMO })
    await button(card, 'Somebody else signs in').trigger('click')
    await settled()
    expect(calls.map((c) => c.path)).toContain('sign-out')
    expect([session.locked, session.person]).toEqual([false, null])
  })
})

describe('the pane of sign-ins', () => {
  const ROWS = [
    { id: 'a', name: 'Rhona Kestle', device: 'Firefox on iPad', isThis: true },
    { id: 'b', name: 'Bram Oduya', device: 'Chromium on Linux', isThis: false, isLocked: true },
  ].map((r) => ({ begunAt: '2026-11-26T08:00:00Z', touchedAt: '2026-11-26T09:00:00Z', ...r }))
  async function pane(role: Role) {
    const opened = await mountWith(SignInsPane, {
      role,
      answers: {
        'sessions?of=shop': { sessions: ROWS },
        sessions: { sessions: ROWS.slice(0, 1) },
        'GET sign-in': {
          demo: [],
          firstOwner: false,
          person: { id: 'p', name: 'Rhona Kestle', role },
          lock: { isLocked: false, hasPin: true, login: 'rhona', minutes: 15 },
        },
      },
    })
    await settled()
    return opened
  }
  test('shows the owner everybody’s and ends one', async () => {
    const { wrapper, calls } = await pane('owner')
    expect(textOf(wrapper)).toContain('Firefox on iPad, this one')
    expect(textOf(wrapper)).toMatch(/26 Nov, \d\d:\d\d, locked/)
    await button(wrapper, 'End Bram Oduya, Chromium on Linux').trigger('click')
    await settled()
    expect(calls.find((c) => c.method === 'POST')).toMatchObject({
      path: 'sessions/end',
      body: { of: 'shop', session: 'b' },
    })
  })
  test('shows anybody else their own, and no minutes', async () => {
    const { wrapper, calls } = await pane('fitter')
    expect(textOf(wrapper)).toContain('Where you are signed in')
    expect(textOf(wrapper)).not.toContain('Hiding')
    await button(wrapper, 'End my other sessions').trigger('click')
    await settled()
    expect(calls.find((c) => c.method === 'POST')?.body).toEqual({ of: 'mine' })
  })
  test('keeps a PIN of digits only, with the password', async () => {
    const { wrapper, calls } = await pane('fitter')
    const keep = () => button(wrapper, 'Keep this PIN').element as HTMLButtonElement
    await type(wrapper, 'New PIN, 4 to 8 digits', '12a4')
    expect(keep().disabled).toBe(true)
    await type(wrapper, 'New PIN, 4 to 8 digits', '4711')
    await type(wrapper, 'Your password', 'a long pass phrase')
    await wrapper.find('form').trigger('submit')
    await settled()
    expect(calls.find((c) => c.method === 'PUT')).toMatchObject({
      path: 'me/pin',
      body: { pin: '4711', password: 'a long pass phrase' },
    })
    expect(textOf(wrapper)).toContain('Your PIN opens your locked pages')
  })
})
