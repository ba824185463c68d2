import { beforeEach, describe, expect, test, vi } from 'vitest'
import SignIn from '../../app/pages/sign-in.vue'
import { button, textOf, type } from './find'
import { mountWith, settled } from './mountWith'

const DEMO = [
  { login: 'rhona', name: 'Rhona Kestle', role: 'owner' },
  { login: 'bram', name: 'Bram Oduya', role: 'bench' },
]
// A device that nobody has worked at yet.
beforeEach(() => localStorage.clear())

async function open(page: object) {
  const opened = await mountWith(SignIn, {
    answers: {
      'GET sign-in': { demo: [], firstOwner: false, person: null, ...page },
      'POST sign-in': { id: 'p', name: 'Rhona Kestle', role: 'owner' },
      'POST first-owner': { id: 'p', name: 'Ada', role: 'owner' },
      'POST claim': { id: 'p', name: 'Aino', role: 'fitter' },
    },
  })
  await settled()
  const tick = () => opened.wrapper.find('input[type="checkbox"]').setValue(true)
  const posts = () => opened.calls.filter((c) => c.method === 'POST')
  // A key is made from the password first, and that takes as long as this machine has to do.
  const enter = async () => {
    await opened.wrapper.find('form').trigger('submit')
    await vi.waitFor(() => expect(posts()).toHaveLength(1), { timeout: 30_000 })
  }
  return { ...opened, tick, enter, posts }
}

describe('the demo workshop', () => {
  test('the first of its people is chosen, another can be', async () => {
    const { wrapper, tick, enter, posts } = await open({ demo: DEMO })
    expect(button(wrapper, 'Sign in as Rhona').exists()).toBe(true)
    const bram = wrapper.findAll('[role="radio"]')[1]!
    await bram.trigger('click')
    expect(bram.attributes('aria-checked')).toBe('true')
    await tick()
    await enter()
    expect(posts()).toEqual([
      {
        path: 'sign-in',
        method: 'POST',
        body: { login: 'bram', password: '', understood: true },
      },
    ])
  })
  test('law and licence come first', async () => {
    const { wrapper, tick } = await open({ demo: DEMO })
    const go = () => button(wrapper, /^Sign in as/).element as HTMLButtonElement
    expect(go().disabled).toBe(true)
    expect(textOf(wrapper)).toContain('Tick the line above first.')
    await tick()
    expect(go().disabled).toBe(false)
    expect(textOf(wrapper)).toContain('Hides itself when nobody touches it for a while.')
  })
})

test('a shop of its own asks for name and password', async () => {
  const { wrapper, tick, enter, posts } = await open({})
  expect(wrapper.findAll('[role="radio"]')).toHaveLength(0)
  await type(wrapper, 'Sign-in name', 'ada')
  await type(wrapper, 'Password', 'a long pass phrase')
  await tick()
  await enter()
  expect(posts()[0]!.body).toEqual({
    login: 'ada',
    password: 'a long pass phrase',
    understood: true,
  })
})

test('the first start makes an owner with the code of the terminal', async () => {
  const { wrapper, tick, enter, posts } = await open({ firstOwner: true })
  expect(textOf(wrapper)).toContain('First start')
  for (const [label, typed] of [
    ['One-time code', 'XY12'],
    ['Your name', 'Ada'],
    ['Sign-in name', 'ada'],
    ['Password', 'a long pass phrase'],
  ] as const)
    await type(wrapper, label, typed)
  await tick()
  expect(button(wrapper, 'Make me the owner').exists()).toBe(true)
  await enter()
  expect(posts()[0]).toMatchObject({
    path: 'first-owner',
    body: { code: 'XY12', name: 'Ada', login: 'ada', password: 'a long pass phrase' },
  })
})

test('whoever was given a code chooses name and password with it, beside the demo’s people too', async () => {
  const { wrapper, tick, enter, posts } = await open({ demo: DEMO })
  await button(wrapper, 'I have a code').trigger('click')
  expect(textOf(wrapper)).toContain('You were given a code')
  expect(wrapper.findAll('[role="radio"]')).toHaveLength(0)
  await type(wrapper, 'One-time code', '1A2B-3C4D-5E6F')
  await type(wrapper, 'Sign-in name', 'aino')
  await type(wrapper, 'Password', 'ten letters')
  await tick()
  await enter()
  expect(posts()[0]).toMatchObject({
    path: 'claim',
    body: { code: '1A2B-3C4D-5E6F', login: 'aino', password: 'ten letters' },
  })
})

test('somebody with a password gets in beside the demo’s people', async () => {
  const { wrapper, tick, enter, posts } = await open({ demo: DEMO })
  await button(wrapper, 'Somebody else').trigger('click')
  await type(wrapper, 'Sign-in name', 'aino')
  await type(wrapper, 'Password', 'ten letters')
  await tick()
  await enter()
  expect(posts()[0]).toMatchObject({ path: 'sign-in', body: { login: 'aino' } })
})

test('a shop that nobody owns yet offers no way in but the code', async () => {
  const { wrapper } = await open({ firstOwner: true })
  expect(() => button(wrapper, 'I have a password')).toThrow()
})
