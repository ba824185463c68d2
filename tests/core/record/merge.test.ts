import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { DEMO_RECORDS } from '../../../demo/records'
import { entryKeys } from '../../../core/record/entryKey'
import { mergeParts } from '../../../core/record/merge'
import { splitRecord } from '../../../core/record/parts'

const heel = { foot: 'left', at: 'heel', score: 4 }
const arch = { foot: 'right', at: 'arch', score: 2 }
const ball = { foot: 'left', at: 'ball', score: 6 }
const merge = (list: string, base: unknown, mine: unknown, theirs: unknown) =>
  mergeParts(list, base, mine, theirs)

describe('two people on one part', () => {
  it('keeps what each of them changed', () =>
    expect(
      merge(
        'story',
        { goal: 'ski', complaints: [heel] },
        { goal: 'ski', hours: 3, complaints: [heel, ball] },
        { goal: 'hike', complaints: [heel, arch] },
      ),
    ).toEqual({
      content: { goal: 'hike', hours: 3, complaints: [heel, arch, ball] },
      clashes: [],
    }))

  it('lets one take away what the other left alone, and nothing else', () =>
    expect(merge('complaints', [heel, arch], [arch], [heel, arch, ball]).content).toEqual([
      arch,
      ball,
    ]))

  it('mixes fields of one entry, but not the trials of one reading', () => {
    expect(
      merge('complaints', [heel], [{ ...heel, words: 'sharp' }], [{ ...heel, score: 7 }]),
    ).toEqual({ content: [{ ...heel, words: 'sharp', score: 7 }], clashes: [] })
    const length = { what: 'footLengthMm', posture: 'standing', trials: [264], struck: [] }
    const mine = { ...length, trials: [264, 266] }
    const theirs = { ...length, struck: [0] }
    expect(merge('readings', [length], [mine], [theirs])).toEqual({
      content: [theirs],
      clashes: [{ path: ['footLengthMm standing false'], base: length, mine, theirs }],
    })
  })

  it('asks where both changed one thing, with what each wrote', () => {
    const clash = { path: ['heel left', 'score'], base: 4, mine: 7, theirs: 5 }
    const keyed = (score: number) => [{ ...heel, score }]
    expect(merge('complaints', keyed(4), keyed(7), keyed(5))).toEqual({
      content: keyed(5),
      clashes: [{ ...clash, path: ['left heel', 'score'] }],
    })
    expect(mergeParts('complaints', keyed(4), keyed(7), keyed(5), () => 'mine').content).toEqual(
      keyed(7),
    )
  })

  it('asks where one took away what the other changed', () =>
    expect(merge('complaints', [heel], [], [{ ...heel, score: 9 }]).clashes).toEqual([
      { path: ['left heel'], base: heel, mine: undefined, theirs: { ...heel, score: 9 } },
    ]))

  it('takes what both wrote alike without asking', () =>
    expect(merge('story', {}, { hours: 3 }, { hours: 3 })).toEqual({
      content: { hours: 3 },
      clashes: [],
    }))

  it('unites sets of words', () =>
    expect(
      merge('conditions', ['diabetes'], ['diabetes', 'smoking'], ['neuropathy', 'diabetes'])
        .content,
    ).toEqual(['neuropathy', 'diabetes', 'smoking']))

  it('keeps a new order and what the other added', () =>
    expect(
      merge(
        'layers',
        [{ kind: 'a' }, { kind: 'b' }],
        [{ kind: 'b' }, { kind: 'a' }],
        [{ kind: 'a' }, { kind: 'c' }, { kind: 'b' }],
      ).content,
    ).toEqual([{ kind: 'b' }, { kind: 'a' }, { kind: 'c' }]))

  it('begins where nothing was', () =>
    expect(
      merge('ledger', undefined, [{ code: 'x', foot: 'left' }], [{ code: 'y', foot: 'left' }]),
    ).toEqual({
      content: [
        { code: 'y', foot: 'left' },
        { code: 'x', foot: 'left' },
      ],
      clashes: [],
    }))

  it('asks for a whole list of numbers: a point is one value', () =>
    expect(merge('story', { at: [1, 2] }, { at: [1, 3] }, { at: [0, 2] }).clashes).toHaveLength(1))
})

describe('entries of real records', () => {
  const parts = Object.values(DEMO_RECORDS).flatMap((r) => Object.entries(splitRecord(r)))
  /** Lists of things, with the names under which they stand. */
  function* lists(name: string, value: unknown): Generator<[string, object[]]> {
    if (Array.isArray(value)) {
      if (value.some((v) => typeof v === 'object' && !Array.isArray(v))) yield [name, value]
      for (const v of value) yield* lists(name, v)
    } else if (typeof value === 'object' && value)
      for (const [key, inner] of Object.entries(value)) yield* lists(key, inner)
  }
  const all = parts.flatMap(([part, content]) => [...lists(part.split('.')[0]!, content)])

  it('are known by what they are about', () => {
    const known = all.filter(([name]) => entryKeys(name, []) !== null)
    expect(known.length).toBeGreaterThan(20)
    for (const [name, list] of known) {
      const keys = entryKeys(name, list)!
      expect(new Set(keys).size, name).toBe(list.length)
      expect(
        keys.every((key) => key.replace(/false|true/, '').trim() !== ''),
        name,
      ).toBe(true)
    }
    // Anything else is one value and asked for whole.
    const whole = new Set(all.filter(([name]) => entryKeys(name, []) === null).map(([n]) => n))
    expect([...whole].sort()).toEqual(
      ['checks', 'points', 'shellMaterials'].filter((n) => whole.has(n)),
    )
  })
})

describe('any two lists of changes', () => {
  const places = ['heel', 'arch', 'ball', 'toes', 'ankle']
  const entry = fc.record({
    foot: fc.constantFrom('left', 'right'),
    at: fc.constantFrom(...places),
    score: fc.integer({ min: 0, max: 10 }),
  })
  const list = fc.uniqueArray(entry, { selector: (e) => `${e.foot} ${e.at}`, maxLength: 8 })

  it('nobody’s entry is dropped by the other’s change', () =>
    fc.assert(
      fc.property(list, list, list, fc.boolean(), (base, mine, theirs, preferMine) => {
        const { content, clashes } = mergeParts('complaints', base, mine, theirs, () =>
          preferMine ? 'mine' : 'theirs',
        )
        const at = (l: unknown, key: string) =>
          (l as typeof base).find((e) => `${e.foot} ${e.at}` === key)
        const keys = new Set([...base, ...mine, ...theirs].map((e) => `${e.foot} ${e.at}`))
        for (const key of keys) {
          const [b, m, t, out] = [base, mine, theirs, content].map((l) => at(l, key))
          const asked = clashes.some((c) => c.path[0] === key)
          if (b?.score === m?.score) expect(out).toEqual(t)
          else if (b?.score === t?.score) expect(out).toEqual(m)
          else if (m?.score === t?.score) expect(out).toEqual(m)
          else {
            expect(asked).toBe(true)
            expect(out).toEqual(preferMine ? m : t)
            continue
          }
          expect(asked).toBe(false)
        }
        expect((content as unknown[]).length).toBeLessThanOrEqual(keys.size)
      }),
    ))

  it('the other way round is the same but for the order', () =>
    fc.assert(
      fc.property(list, list, list, (base, mine, theirs) => {
        const one = mergeParts('complaints', base, mine, theirs, () => 'mine').content
        const other = mergeParts('complaints', base, theirs, mine, () => 'theirs').content
        const sorted = (l: unknown) => (l as object[]).map((e) => JSON.stringify(e)).sort()
        expect(sorted(one)).toEqual(sorted(other))
      }),
    ))
})
