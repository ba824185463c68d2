import { expect, test } from 'vitest'
import PeoplePane from '../../app/settings/PeoplePane.vue'
import ShopPane from '../../app/settings/ShopPane.vue'
import { typedClock } from '../../app/browser/typedClock'
import type { PersonRow } from '../../shared/contracts'
import type { Role } from '../../shared/permissions'
import { button, field, pick, textOf, type } from './find'
import { mountWith, settled } from './mountWith'

const person = (id: string, name: string, more: Partial<PersonRow> = {}): PersonRow => ({
  id,
  name,
  role: 'fitter',
  login: name.toLowerCase(),
  placeId: null,
  skills: [],
  hours: {},
  daysOff: [],
  state: 'here',
  codeUntil: null,
  leftAt: null,
  ...more,
})
const PEOPLE = [
  person('o', 'Sunniva', { role: 'owner' }),
  person('f', 'Rhona', { hours: { '1': { from: '09:00', to: '17:00' } } }),
  person('i', 'Aino', { state: 'invited', login: '', codeUntil: '2020-01-01T00:00:00Z' }),
  person('l', 'Otto', { state: 'left', leftAt: '2026-10-01T00:00:00Z' }),
]
async function people(role: Role = 'owner') {
  const opened = await mountWith(PeoplePane, {
    role,
    answers: {
      'GET people': { people: PEOPLE },
      'POST people': { id: 'n', code: '1A2B-3C4D-5E6F' },
      'POST people/i/code': { code: '9999-8888-7777' },
    },
  })
  await settled()
  const sent = (method: string, path: string) =>
    opened.calls.filter((c) => c.method === method && c.path === path).map((c) => c.body)
  const open = async (name: string | RegExp) => {
    await button(opened.wrapper, name).trigger('click')
    await settled()
  }
  return { ...opened, sent, open }
}

test('everybody stands there with how they stand: here, invited in vain, gone', async () => {
  const { wrapper } = await people()
  const rows = wrapper.findAll('.row').map((row) => row.text().replace(/\s+/g, ' '))
  expect(rows).toHaveLength(4)
  expect(rows[1]).toContain('signs in as rhona')
  expect(rows[2]).toContain('the code ran out')
  expect(rows[3]).toContain('left on 1 Oct 2026')
})

test('an invitation shows its code once, to be passed on', async () => {
  const { wrapper, sent, open } = await people()
  await type(wrapper, 'Somebody new', '  Mirko Tal ')
  await pick(wrapper, 'Role', 'Bench hand')
  await wrapper.find('form.line').trigger('submit')
  await settled()
  expect(sent('POST', 'people')).toEqual([{ name: 'Mirko Tal', role: 'bench' }])
  expect(textOf(wrapper)).toContain('1A2B-3C4D-5E6F')
  await open('I passed it on')
  expect(textOf(wrapper)).not.toContain('1A2B-3C4D-5E6F')
})

test('whoever’s code ran out gets a new one; whoever left is invited back', async () => {
  const { wrapper, open } = await people()
  await open(/^Aino/)
  await open('New code')
  expect(textOf(wrapper)).toContain('9999-8888-7777')
  await open(/^Otto/)
  expect(button(wrapper, 'Invite back').exists()).toBe(true)
  expect(() => button(wrapper, 'Keep')).toThrow()
})

test('role, skills and hours are kept together, and only once they are right', async () => {
  const { wrapper, sent, open } = await people()
  await open(/^Rhona/)
  expect(button(wrapper, 'Keep').element.disabled).toBe(true)
  await field(wrapper, 'grinds and stretches').setValue(true)
  await field(wrapper, 'Rhona on Tuesday').setValue(true)
  await type(wrapper, 'Tuesday to', '8')
  await settled()
  expect(textOf(wrapper)).toContain('it has to end after it begins')
  expect(button(wrapper, 'Keep').element.disabled).toBe(true)
  await type(wrapper, 'Tuesday to', '1230')
  await settled()
  await wrapper.find('form.form').trigger('submit')
  await settled()
  expect(sent('PATCH', 'people/f')).toEqual([
    {
      name: 'Rhona',
      role: 'fitter',
      skills: ['grinds'],
      hours: { '1': { from: '09:00', to: '17:00' }, '2': { from: '09:00', to: '12:30' } },
      daysOff: [],
    },
  ])
})

test('leaving is asked twice', async () => {
  const { wrapper, sent, open } = await people()
  await open(/^Rhona/)
  await open('Leaves …')
  expect(sent('POST', 'people/f/leave')).toEqual([])
  await open('They stay')
  await open('Leaves …')
  await open('Yes, they leave')
  expect(sent('POST', 'people/f/leave')).toHaveLength(1)
  expect(textOf(wrapper)).toContain('Rhona left. Their name stays on what they did.')
})

test('an owner says whether they are at the bench; others always are', async () => {
  const { wrapper, open } = await people()
  await open(/^Sunniva/)
  expect(field(wrapper, 'works at the bench').exists()).toBe(true)
  await open(/^Rhona/)
  expect(() => field(wrapper, 'works at the bench')).toThrow()
})

test('a fitter reads, and changes nothing', async () => {
  const { wrapper, open } = await people('fitter')
  await open(/^Sunniva/)
  expect(() => button(wrapper, 'Invite')).toThrow()
  expect(() => button(wrapper, 'Keep')).toThrow()
  expect(field(wrapper, 'Name').element.disabled).toBe(true)
})

const SHOP = {
  name: 'North Shed',
  details: { phone: '0555 0100', initials: 'NS', hours: { '6': { from: '10:00', to: '14:00' } } },
}
test('the shop is shown as it is told, and kept with what was changed', async () => {
  const { wrapper, calls } = await mountWith(ShopPane, { answers: { 'GET shop': SHOP } })
  await settled()
  expect(field(wrapper, 'Telephone').element.value).toBe('0555 0100')
  expect(field(wrapper, 'Saturday from').element.value).toBe('10:00')
  await type(wrapper, 'Mail', 'nowhere')
  await settled()
  expect(textOf(wrapper)).toContain('write it as name@place')
  expect(button(wrapper, 'Keep').element.disabled).toBe(true)
  await type(wrapper, 'Mail', 'bench@shed.example')
  await type(wrapper, 'Telephone', '')
  await wrapper.find('form').trigger('submit')
  await settled()
  const [put] = calls.filter((c) => c.method === 'PUT' && c.path === 'shop')
  expect(put!.body).toEqual({
    name: 'North Shed',
    details: {
      mail: 'bench@shed.example',
      initials: 'NS',
      hours: SHOP.details.hours,
    },
  })
})

test.each([
  ['9', '09:00'],
  ['930', '09:30'],
  ['17.45', '17:45'],
  ['7:05', '07:05'],
  ['1730', '17:30'],
  ['25', '25'],
  ['17:5', '17:5'],
  ['noon', 'noon'],
])('a time typed as %s is %s', (typed, clock) => expect(typedClock(typed)).toBe(clock))
