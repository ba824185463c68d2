import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { keyWords, numbersOf, withNumber } from '../../../core/record/tableNumbers'
import { HOUSE_TABLES, TABLES, type TableKey } from '../../../core/record/tables'

describe('numbers of any table', () => {
  it('has a key as people read it, with its unit', () =>
    expect(
      ['leastRoomMm', 'girlsUntilYears', 'from3Mm', 'trim-to-fit', 'fullDayMin', 'mean'].map(
        keyWords,
      ),
    ).toEqual([
      'least room, mm',
      'girls until years',
      'from 3, mm',
      'trim to fit',
      'full day, min',
      'mean',
    ]))

  it('finds them in a number, a list, a record, a record of lists', () => {
    const told = (key: TableKey) =>
      numbersOf(key, HOUSE_TABLES).map(({ label, value }) => [label, value])
    expect(told('sideGapMm')).toEqual([['', 12]])
    expect(told('forefootDeltaMm')).toEqual([
      ['1', -4],
      ['2', 4],
      ['3', 8],
    ])
    expect(told('archSizeMm')).toEqual([
      ['watch', 3],
      ['by', 6],
    ])
    expect(told('growthRoomMm')).toEqual([
      ['hard 1', 8],
      ['hard 2', 10],
      ['soft 1', 8],
      ['soft 2', 12],
      ['most', 15],
    ])
  })

  it('calls checks and thresholds by their own words', () => {
    expect(numbersOf('captureLimit', HOUSE_TABLES)[0]!.label).not.toContain('heelUpright')
    expect(
      numbersOf('ruleThresholds', HOUSE_TABLES).find((n) => n.path[0] === 'soft-cover.hours'),
    ).toEqual({
      path: ['soft-cover.hours'],
      label: 'on the feet for at least, h',
      value: 8,
      house: 8,
    })
  })

  it('changes one number and nothing else, and leaves the table it was given alone', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...(Object.keys(TABLES) as TableKey[])),
        fc.nat(),
        fc.double({ min: -0.2, max: 0.2, noNaN: true }),
        (key, at, by) => {
          const before = numbersOf(key, HOUSE_TABLES)
          const hit = before[at % Math.max(1, before.length)]
          if (!hit) return
          const told = JSON.stringify(HOUSE_TABLES)
          let next
          try {
            next = withNumber(key, HOUSE_TABLES, hit.path, hit.value + by)
          } catch (error) {
            expect(error).toBeInstanceOf(RangeError)
            expect(JSON.stringify(HOUSE_TABLES)).toBe(told)
            return
          }
          const after = numbersOf(key, { ...HOUSE_TABLES, [key]: next })
          expect(after.map((n) => n.path)).toEqual(before.map((n) => n.path))
          for (const [i, number] of after.entries())
            expect(number.value).toBe(
              number.path === hit.path || i === before.indexOf(hit)
                ? hit.value + by
                : before[i]!.value,
            )
          expect(JSON.stringify(HOUSE_TABLES)).toBe(told)
        },
      ),
    ))

  it('says which table refuses a number', () => {
    expect(() => withNumber('growthFit', HOUSE_TABLES, ['months'], -1)).toThrow(
      /^Growth: how sure.*: -1 is not taken: /,
    )
    expect(() => withNumber('sideGapMm', HOUSE_TABLES, [], Number.NaN)).toThrow(RangeError)
  })
})
