import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { mergeParts } from '../../../core/record/merge'
import { stampContent, STAMPS } from '../../../core/record/stamps'

const ADA = { by: 'Ada', at: '2026-11-29T09:00:00Z' }
const BEN = { by: 'Ben', at: '2026-11-29T10:00:00Z' }
const decision = (code: string, more: object = {}) => ({
  code,
  foot: 'left',
  decision: 'accepted',
  ...more,
})

describe('who wrote what, and when', () => {
  it('is filled in by the keeper, whatever the caller says', () => {
    const forged = [decision('a', { by: 'Somebody', at: '1999-01-01T00:00:00Z' }), decision('b')]
    expect(stampContent('ledger', undefined, forged, ADA)).toEqual([
      decision('a', ADA),
      decision('b', ADA),
    ])
  })
  it('stays with what stands as it did, and moves with what changed', () => {
    const kept = [decision('a', ADA), decision('b', ADA)]
    const sent = [
      decision('a', { by: 'Ben', at: 'now' }),
      decision('b', { by: 'Ada', at: ADA.at, reason: 'the shoe is cut so' }),
      decision('c', { by: 'Ada' }),
    ]
    expect(stampContent('ledger', kept, sent, BEN)).toEqual([
      decision('a', ADA),
      decision('b', { ...BEN, reason: 'the shoe is cut so' }),
      decision('c', BEN),
    ])
  })
  it('is found again when entries changed places or one went', () => {
    const kept = [decision('a', ADA), decision('b', BEN), decision('c', ADA)]
    const sent = [decision('c'), decision('b')]
    expect(stampContent('ledger', kept, sent, BEN)).toEqual([
      decision('c', ADA),
      decision('b', BEN),
    ])
  })
  it('of a clearance is who recorded it; who gave it is what was told', () => {
    const told = { code: 'wound', by: 'Dr Imaginary', on: '2026-11-02', recordedBy: 'Somebody' }
    const story = { goal: 'ski', clearances: [told] }
    expect(stampContent('story', { goal: 'ski' }, story, ADA)).toEqual({
      goal: 'ski',
      clearances: [{ ...told, recordedBy: 'Ada' }],
    })
  })
  it('of a job keeps times that stood, and takes no other from a caller', () => {
    const [start, end] = ['2026-11-29T08:00:00Z', '2026-11-29T08:20:00Z']
    const running = { step: 'Grind', done: false, state: 'running', startedAt: start, ...ADA }
    const sent = { ...running, done: true, state: 'done', doneAt: end, by: 'Somebody' }
    expect(stampContent('jobs', [running], [sent], BEN)).toEqual([
      { ...sent, startedAt: start, doneAt: BEN.at, ...BEN },
    ])
    const moved = { ...running, startedAt: '2026-11-01T00:00:00Z' }
    expect(stampContent('jobs', [running], [moved], BEN)).toEqual([running])
  })
  it('stands inside of things too, and nowhere it does not belong', () => {
    const footwear = {
      shellChecks: [{ model: 'm', at: '2026-11-29T07:00:00Z', by: 'Somebody' }],
      tryOns: [{ id: 't', by: 'Somebody', readings: [{ minute: 0, foot: 'left' }] }],
    }
    expect(stampContent('footwear', null, footwear, ADA)).toEqual({
      shellChecks: [{ model: 'm', at: '2026-11-29T07:00:00Z', by: 'Ada' }],
      tryOns: [{ id: 't', by: 'Ada', readings: [{ minute: 0, foot: 'left' }] }],
    })
    const posts = { posts: [{ at: 'heel', style: 'medial' }], complaints: [{ at: 'heel' }] }
    expect(stampContent('device', null, posts, ADA)).toEqual(posts)
  })
  it('is the same however often the same is kept', () => {
    const entry = fc.record({
      code: fc.constantFrom('a', 'b', 'c'),
      foot: fc.constantFrom('left', 'right'),
      decision: fc.constantFrom('accepted', 'set-aside'),
      by: fc.string(),
    })
    fc.assert(
      fc.property(fc.array(entry, { maxLength: 6 }), (sent) => {
        const once = stampContent('ledger', [], sent, ADA)
        expect(stampContent('ledger', once, once, BEN)).toEqual(once)
        expect(stampContent('ledger', once, sent, BEN)).toEqual(once)
      }),
    )
  })
})

describe('merging what was stamped', () => {
  it('asks nobody about a stamp', () => {
    for (const name of Object.keys(STAMPS).filter((n) => !['overruled', 'binding'].includes(n))) {
      const fields = [...STAMPS[name]!.who, ...(STAMPS[name]!.when ?? [])]
      const entry = { id: 'x', what: 'x', code: 'x', step: 'x', way: 'x', model: 'x' }
      const stamp = (word: string) => Object.fromEntries(fields.map((f) => [f, word]))
      const mine = [{ ...entry, ...stamp('mine') }]
      const theirs = [{ ...entry, ...stamp('theirs') }]
      expect(mergeParts(name, [], mine, theirs), name).toEqual({ content: theirs, clashes: [] })
    }
  })
  it('asks nobody who of two wrote down the same test of a binding', () => {
    const footwear = (more: object) => ({ candidates: [], chosen: { model: 'm', ...more } })
    const tested = (who: string) =>
      footwear({ binding: { by: 'Ansgar Holt', basis: {}, recordedBy: who, testedAt: who } })
    expect(mergeParts('footwear', footwear({}), tested('Ada'), tested('Ben'))).toEqual({
      content: tested('Ben'),
      clashes: [],
    })
  })
  it('puts two changes of one decision together, with one stamp', () => {
    const base = [decision('a', ADA)]
    const mine = [decision('a', { ...ADA, at: 'mine', reason: 'cut so' })]
    const theirs = [decision('a', { ...BEN, decision: 'set-aside' })]
    expect(mergeParts('ledger', base, mine, theirs)).toEqual({
      content: [decision('a', { ...BEN, decision: 'set-aside', reason: 'cut so' })],
      clashes: [],
    })
  })
})
