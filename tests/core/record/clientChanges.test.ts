import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { changeFields, fieldChanges } from '../../../core/record/clientChanges'
import type { Client } from '../../../core/record/schema'

describe('fields of a client', () => {
  it('only what differs is a change, with what it was', () =>
    expect(
      fieldChanges(
        { massKg: 70, name: 'A', guardian: 'B' },
        {
          massKg: 70,
          name: 'C',
          guardian: '',
          occupation: 'guide',
        },
      ),
    ).toEqual({
      name: { from: 'A', to: 'C' },
      guardian: { from: 'B', to: '' },
      occupation: { from: null, to: 'guide' },
    }))

  it('tells what somebody else changed to something else', () => {
    const changes = { massKg: { from: 70, to: 75 }, name: { from: 'A', to: 'B' } }
    expect(changeFields({ massKg: 72, name: 'A' }, changes)).toEqual({
      details: { massKg: 72, name: 'B' },
      met: ['massKg'],
    })
  })

  const client = fc.record(
    {
      name: fc.constantFrom('A', 'B', 'C'),
      massKg: fc.integer({ min: 60, max: 63 }),
      guardian: fc.constantFrom('D', 'E'),
    },
    { requiredKeys: [] },
  )
  it('any two people from one screen: each field is whoever changed it, or is asked', () =>
    fc.assert(
      fc.property(client, client, client, (base: Client, one, other) => {
        const whole = (c: Client) => ({ name: '', massKg: undefined, guardian: '', ...c })
        const first = changeFields(base, fieldChanges(base, whole(one) as Client))
        expect(first.met).toEqual([])
        const second = changeFields(first.details, fieldChanges(base, whole(other) as Client))
        for (const field of ['name', 'massKg', 'guardian'] as const) {
          const [b, f, s] = [base, one, other].map((c) => c[field])
          if (second.met.includes(field))
            expect([f !== b, s !== b, f !== s]).toEqual([true, true, true])
          else expect(second.details[field]).toBe(s === b ? f : s)
        }
      }),
    ))
})
