import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { parseCallOut } from '../../../core/measure/callOut'
import { parseNumber } from '../../../core/measure/parseNumber'
import { HOUSE_NORMS } from '../../../core/record/tables'

const hear = (line: string, what?: Parameters<typeof parseCallOut>[1]['what']) =>
  parseCallOut(line, { posture: 'standing', norms: HOUSE_NORMS, what })

describe('the call-out line', () => {
  it('hears left / right with trials in a row', () =>
    expect(hear('width 97.5 98 / 99')).toEqual({
      kind: 'readings',
      what: 'forefootWidthMm',
      posture: 'standing',
      left: [97.5, 98],
      right: [99],
    }))
  it('hears a side before three tries', () =>
    expect(hear('len L 264 265 264')).toMatchObject({
      what: 'footLengthMm',
      left: [264, 265, 264],
      right: [],
    }))
  it('hears the posture', () =>
    expect(hear('waist sit 248 / 251')).toMatchObject({
      what: 'waistGirthMm',
      posture: 'sitting',
      left: [248],
      right: [251],
    }))
  it('tells heel from heel instep, and takes decimal commas', () => {
    expect(hear('heel instep 332 / 335')).toMatchObject({ what: 'heelInstepGirthMm' })
    expect(hear('heel 63,5 / 64')).toMatchObject({ what: 'heelWidthMm', left: [63.5] })
  })
  it('gives bare numbers to the reading in focus', () =>
    expect(hear('R 193', 'archLengthMm')).toMatchObject({ what: 'archLengthMm', right: [193] }))
  it('completes a name and offers near ones', () => {
    expect(hear('wid')).toMatchObject({ kind: 'partial', complete: 'th' })
    expect(hear('wist 240')).toMatchObject({
      kind: 'refused',
      choices: expect.arrayContaining(['waist']),
    })
  })
  it('asks for the side rather than guessing', () =>
    expect(hear('width 97')).toMatchObject({
      kind: 'partial',
      words: expect.stringContaining('which foot'),
    }))
  it('refuses what is too big or too small, with the likely meaning', () => {
    expect(hear('dorsum L 630')).toMatchObject({ kind: 'refused', choices: ['l 63'] })
    expect(hear('length 26.5 / 268')).toMatchObject({ kind: 'refused', choices: ['265 / 268'] })
    expect(hear('length L 1e9')).toMatchObject({ kind: 'refused', choices: [] })
    expect(hear('length L -265')).toMatchObject({ kind: 'refused' })
    expect(hear('length L abc')).toMatchObject({
      kind: 'refused',
      words: expect.stringContaining('not a number'),
    })
  })
  it('judges by the table it is given', () => {
    const norms = {
      ...HOUSE_NORMS,
      hardBoundsMm: { ...HOUSE_NORMS.hardBoundsMm, footLengthMm: [20, 300] as [number, number] },
    }
    expect(parseCallOut('len L 26.5', { posture: 'standing', norms })).toMatchObject({
      kind: 'readings',
      left: [26.5],
    })
    expect(parseCallOut('len L 320', { posture: 'standing', norms })).toMatchObject({
      kind: 'refused',
      words: expect.stringContaining('20 to 300'),
    })
  })
  it('undoes', () => expect(hear('undo')).toEqual({ kind: 'undo' }))
  it('reads back any number it is given, with point or comma', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 800, max: 4000 }),
        (tenths) => parseNumber((tenths / 10).toFixed(1).replace('.', ',')) === tenths / 10,
      ),
    ))
  it('hears the few commands, and completes them', () => {
    expect(hear('again')).toEqual({ kind: 'again' })
    expect(hear('strike 2')).toEqual({ kind: 'strike', number: 2 })
    expect(hear('strike L 3')).toEqual({ kind: 'strike', number: 3, side: 'left' })
    expect(hear('strike 1 right')).toEqual({ kind: 'strike', number: 1, side: 'right' })
    expect(hear('strike')).toMatchObject({ kind: 'partial' })
    expect(hear('strike 9')).toMatchObject({ kind: 'refused' })
    expect(hear('standing')).toEqual({ kind: 'posture', posture: 'standing' })
    expect(hear('str')).toMatchObject({ kind: 'partial', complete: 'ike' })
    expect(hear('ag')).toMatchObject({ kind: 'partial', complete: 'ain' })
  })
  it('asks what a comma between three digits and three means', () => {
    expect(hear('len L 264,265')).toMatchObject({
      kind: 'refused',
      words: expect.stringContaining('two tries'),
      choices: [expect.stringContaining('264 265'), expect.stringContaining('264.265')],
    })
    // One or two digits behind it are a decimal comma.
    expect(hear('len L 264,5')).toMatchObject({ kind: 'readings', left: [264.5] })
    expect(hear('len L 264,25')).toMatchObject({ kind: 'readings', left: [264.25] })
  })
  it('hears the same whichever way the sides are said', () =>
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 900, max: 1200 }), { minLength: 1, maxLength: 3 }),
        fc.array(fc.integer({ min: 900, max: 1200 }), { minLength: 1, maxLength: 3 }),
        (l, r) => {
          const [left, right] = [l.map((v) => v / 10), r.map((v) => v / 10)]
          const said = [
            `width ${left.join(' ')} / ${right.join(' ')}`,
            `width L ${left.join(' ')} R ${right.join(' ')}`,
            `forefoot width right ${right.join(' ')} left ${left.join(' ')}`,
            `WIDTH ${left.join(' ')}/${right.join(' ')} mm`,
          ]
          for (const line of said)
            expect(hear(line)).toEqual({
              kind: 'readings',
              what: 'forefootWidthMm',
              posture: 'standing',
              left,
              right,
            })
        },
      ),
    ))
  it('never throws', () =>
    fc.assert(fc.property(fc.string(), (line) => typeof hear(line).kind === 'string')))
})
