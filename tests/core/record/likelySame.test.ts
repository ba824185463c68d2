import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { consentOf, withConsent } from '../../../core/record/consents'
import { likelyAsked, likelySame } from '../../../core/record/likelySame'
import { clientSchema } from '../../../core/record/schema'

const HERE = [
  { id: 1, name: 'Åsa Brännström', bornOn: '1980-01-02', phone: '+46 70 555 01 47' },
  { id: 2, name: 'Mirko Tal', bornOn: '1991-05-06', phone: null },
  { id: 3, name: 'Mirko Tal', bornOn: '2015-05-06', phone: null },
  { id: 4, name: 'Ola Berg', bornOn: '1980-01-02', phone: '0555 0199' },
]
const ids = (typed: Parameters<typeof likelySame>[0]) => likelySame(typed, HERE).map((c) => c.id)

describe('who may be here already', () => {
  it('is so called, in whatever order, with whatever accents and case', () => {
    expect(ids({ name: 'asa brannstrom' })).toEqual([1])
    expect(ids({ name: '  BRÄNNSTRÖM   Åsa ' })).toEqual([1])
    expect(ids({ name: 'Mirko Tal' })).toEqual([2, 3])
  })
  it('or has one name in common and the same birthday: a married name, a second first name', () => {
    expect(ids({ name: 'Åsa Lindqvist', bornOn: '1980-01-02' })).toEqual([1])
    expect(ids({ name: 'Åsa Lindqvist', bornOn: '1980-01-03' })).toEqual([])
    // Born on one day is nothing alone.
    expect(ids({ name: 'Ivo Kask', bornOn: '1980-01-02' })).toEqual([])
  })
  it('or answers the same telephone, written with its country or without', () => {
    expect(ids({ name: 'Somebody Else', phone: '070-555 01 47' })).toEqual([1])
    expect(ids({ name: '', phone: '0147' })).toEqual([])
  })
  it('is nobody while nothing is typed', () => {
    expect(ids({ name: '', bornOn: undefined, phone: '' })).toEqual([])
    expect(ids({ name: 'M' })).toEqual([])
  })
  it('is told once, however often they were found', () =>
    expect(likelySame({ name: 'Mirko Tal' }, [...HERE, ...HERE])).toHaveLength(2))
  it('finds everybody under their own name and number', () =>
    fc.assert(
      fc.property(
        fc.stringMatching(/^[A-Za-zÀ-ž]{3,12} [A-Za-zÀ-ž]{3,12}$/),
        fc.stringMatching(/^\d{7,12}$/),
        (name, phone) => {
          const one = { id: 9, name, phone, bornOn: '1970-01-01' }
          expect(likelySame({ name }, [one])).toEqual([one])
          expect(likelySame({ phone: `${phone.slice(0, 3)} ${phone.slice(3)}` }, [one])).toEqual([
            one,
          ])
        },
      ),
    ))
  it('is looked for by the longest name and the last digits', () => {
    expect(likelyAsked({ name: 'Åsa Brännström', phone: '+46 70 555 01 47' })).toEqual([
      'Brännström',
      '5550147',
    ])
    expect(likelyAsked({ name: 'Li', phone: '12' })).toEqual([])
  })
})

describe('what a client agreed to', () => {
  it('keeps what was said before, and the last word holds', () => {
    const asked = { consents: withConsent({}, { what: 'remind', given: true, on: '2026-11-01' }) }
    const back = {
      consents: withConsent(asked, { what: 'remind', given: false, on: '2026-12-01' }),
    }
    expect(consentOf(asked, 'remind')).toMatchObject({ given: true })
    expect(consentOf(back, 'remind')).toMatchObject({ given: false, on: '2026-12-01' })
    expect(back.consents).toHaveLength(2)
    expect(consentOf(back, 'photograph')).toBeUndefined()
  })
  it('however often it was asked, it stays within what a record holds', () => {
    let client = {}
    for (let i = 0; i < 60; i++)
      client = { consents: withConsent(client, { what: 'keep', given: i % 2 === 0 }) }
    expect(clientSchema.safeParse(client).success).toBe(true)
    expect(consentOf(client, 'keep')).toMatchObject({ given: false })
  })
})
