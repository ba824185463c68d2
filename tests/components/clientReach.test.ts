import { expect, test, vi } from 'vitest'
import ClientReach from '../../app/components/ClientReach.vue'
import type { Client } from '../../core/record/schema'
import { field, pick, textOf, type } from './find'
import { mountWith } from './mountWith'

const KNOWN: Client = {
  phone: '0555 0199',
  consents: [{ what: 'remind', given: true, on: '2026-11-02', by: 'Rhona' }],
}
async function open(disabled = false) {
  const { wrapper } = await mountWith(ClientReach, { props: { details: KNOWN, disabled } })
  return {
    wrapper,
    changes: () => (wrapper.emitted<[Partial<Client>]>('change') ?? []).map(([patch]) => patch),
  }
}

test('how somebody is reached is kept field by field; an emptied one is none', async () => {
  const { wrapper, changes } = await open()
  await type(wrapper, 'Mail', ' aino@shed.example ')
  await type(wrapper, 'Telephone', '')
  await pick(wrapper, 'Is reached by', 'message')
  expect(changes()).toEqual([
    { mail: 'aino@shed.example' },
    { phone: undefined },
    { reachBy: 'message' },
  ])
})

test('what was agreed says when; taking it back is another word, not a hole', async () => {
  vi.useFakeTimers({ toFake: ['Date'], now: new Date('2026-12-01T10:00:00') })
  const { wrapper, changes } = await open()
  expect(textOf(wrapper)).toContain('agreed, 2 Nov 2026')
  expect(textOf(wrapper)).toContain('not asked yet')
  await field(wrapper, /remind them/).setValue(false)
  await field(wrapper, /photograph/).setValue(true)
  const by = 'Rhona Kestle'
  expect(changes()).toEqual([
    { consents: [...KNOWN.consents!, { what: 'remind', given: false, on: '2026-12-01', by }] },
    { consents: [...KNOWN.consents!, { what: 'photograph', given: true, on: '2026-12-01', by }] },
  ])
  vi.useRealTimers()
})

test('whoever only reads changes nothing', async () => {
  const { wrapper } = await open(true)
  for (const input of wrapper.findAll('input'))
    expect(input.element.disabled || input.element.closest('.v-input--disabled')).toBeTruthy()
})
