import { expect, test, vi } from 'vitest'
import { flushPromises } from '@vue/test-utils'
import NewClient from '../../app/components/NewClient.vue'
import { textOf, type } from './find'
import { mountWith } from './mountWith'

const ANSWERS = { clients: { fittingId: 'new-fitting' } }
const open = () => mountWith(NewClient, { answers: ANSWERS })
const begin = async (wrapper: Awaited<ReturnType<typeof open>>['wrapper']) => {
  await wrapper.find('form').trigger('submit')
  await flushPromises()
}
const made = (calls: Awaited<ReturnType<typeof open>>['calls']) =>
  calls.filter((call) => call.path === 'clients' && call.method === 'POST')

test('what was typed becomes the client, and the fitting is opened', async () => {
  const { wrapper, calls } = await open()
  await type(wrapper, 'Name', ' Gro Grows ')
  await type(wrapper, 'Born on', '12.4.1988')
  await type(wrapper, 'Body weight, kg', '71,5')
  await begin(wrapper)
  expect(made(calls)[0]!.body).toEqual({
    details: { name: 'Gro Grows', bornOn: '1988-04-12', massKg: 71.5 },
  })
  expect(vi.mocked(navigateTo)).toHaveBeenCalledWith('/fittings/new-fitting/story')
})

test.each([
  ['no name', [], 'A name is needed.'],
  [
    'a birthday that is none',
    [
      ['Name', 'Gro'],
      ['Born on', '31.2.2015'],
    ],
    'is not a day',
  ],
  [
    'a birthday to come',
    [
      ['Name', 'Gro'],
      ['Born on', '1.1.2999'],
    ],
    'Not after',
  ],
  [
    'a weight in words',
    [
      ['Name', 'Gro'],
      ['Body weight, kg', 'light'],
    ],
    'is not a number',
  ],
  [
    'the weight of a horse',
    [
      ['Name', 'Gro'],
      ['Body weight, kg', '500'],
    ],
    'Not over 350.',
  ],
])('%s: nobody is made, and it says why', async (_, fields, words) => {
  const { wrapper, calls } = await open()
  for (const [name, text] of fields) await type(wrapper, name!, text!)
  await begin(wrapper)
  expect(made(calls)).toEqual([])
  expect(textOf(wrapper)).toContain(words)
})

test('a child is asked for its guardian', async () => {
  const { wrapper } = await open()
  expect(textOf(wrapper)).not.toContain('Guardian')
  await type(wrapper, 'Born on', '2 May 2018')
  await flushPromises()
  expect(textOf(wrapper)).toContain('Under 16: a guardian is named')
})

test('somebody who may be here already is told before they are added twice', async () => {
  const known = { id: 'c7', code: 'HR-0107', name: 'Gro Grows', bornOn: '1988-04-12' }
  const { wrapper, calls } = await mountWith(NewClient, {
    answers: { ...ANSWERS, 'clients?q=grows': { clients: [known] } },
  })
  await type(wrapper, 'Name', 'grows gro')
  // Nothing is asked at each letter.
  expect(calls.filter((c) => c.path === 'clients?q=grows')).toEqual([])
  await vi.waitFor(() => expect(textOf(wrapper)).toContain('Perhaps here already'))
  expect(textOf(wrapper)).toContain('Gro Grows, HR-0107 born 12 Apr 1988')
  expect(wrapper.find('a[href="/clients/c7"]').exists()).toBe(true)
  // It is said, not forbidden.
  await begin(wrapper)
  expect(made(calls)).toHaveLength(1)
})
