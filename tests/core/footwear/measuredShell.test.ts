import { describe, expect, it } from 'vitest'
import catalogue from '../../../demo/catalogue.json'
import { modelSchema } from '../../../core/footwear/catalogueSchema'
import {
  measuredShell,
  SHELL_ROUND,
  shellForm,
  shellTroubles,
} from '../../../core/footwear/measuredShell'
import { Refusal } from '../../../core/record/refusal'

const BY = { by: 'Bram', on: '2026-11-28' }
const models = catalogue.models.map((m) => modelSchema.parse(m))
const empty = () => ({ ...shellForm(null), maker: 'Tarnwright', name: 'Spur', sizesMm: '260 265' })

describe('a shell that is measured', () => {
  it.each(models.map((m) => [m.id, m] as const))('%s comes back from its own form', (_, model) => {
    const { measured, ...again } = measuredShell(shellForm(model), model, BY)
    const { measured: _before, ...before } = model
    expect(measured).toMatchObject(BY)
    expect(again).toEqual(before)
  })

  it('is new where there was none: named after maker and model, half sizes, nothing known inside', () => {
    expect(measuredShell(empty(), null, BY)).toMatchObject({
      id: 'tarnwright-spur',
      referenceMm: 265,
      sizesMm: [260, 265],
      shellStep: 'half',
      at: {},
      insoleMm: 3,
      liner: { packOut: 0.2, thicknessMm: { toe: 0, ball: 0, instep: 0, ankle: 0, heel: 0 } },
      plastic: { stretchMm: 0, limitC: 0 },
    })
  })

  it('keeps what was typed and leaves out what was not', () => {
    const form = empty()
    form.at = { lengthMm: '277,5', ballWidthMm: ' ', heelWidthMm: '0' }
    const shell = measuredShell(form, null, BY)
    expect(shell.at).toEqual({ lengthMm: 277.5, heelWidthMm: 0 })
  })

  it('takes away what the form has emptied', () => {
    const model = models.find((m) => m.flex && m.cuffLeanDeg !== undefined)!
    const form = shellForm(model)
    form.build = { ...form.build, flex: '', lean: ' ' }
    const shell = measuredShell(form, model, BY)
    expect(shell.flex).toBeUndefined()
    expect(shell.cuffLeanDeg).toBeUndefined()
  })

  it('is asked for in one order, each measure once', () => {
    const keys = SHELL_ROUND.map((m) => m.key)
    expect(keys[0]).toBe('lengthMm')
    expect(new Set(keys).size).toBe(keys.length)
    expect(SHELL_ROUND.map((m) => m.turn)).toEqual(
      SHELL_ROUND.map((m) => m.turn).toSorted((a, b) => a - b),
    )
  })
})

describe('what is wrong with a form', () => {
  it.each([
    ['no name', { name: ' ' }, 'name', 'Give the model a name.'],
    ['no sizes', { sizesMm: '' }, 'sizesMm', 'Write its sizes in mm, as 255 260 265.'],
    [
      'a size of another unit',
      { sizesMm: '26.5' },
      'sizesMm',
      'Write its sizes in mm, as 255 260 265.',
    ],
    [
      'a size beyond feet',
      { sizesMm: '265 401' },
      'sizesMm',
      'Write its sizes in mm, as 255 260 265.',
    ],
    [
      'no measured size',
      { referenceMm: 'x' },
      'referenceMm',
      'Write the measured size in mm, as 265.',
    ],
    [
      'a number that is none',
      { build: { wall: 'thick' } },
      'build.wall',
      'Wall, mm: “thick” is not a number.',
    ],
    [
      'less than nothing',
      { build: { ramp: '-1' } },
      'build.ramp',
      'Ramp, °: “-1” is not a number.',
    ],
    [
      'a metre',
      { at: { lengthMm: '1001' } },
      'at.lengthMm',
      'Length: “1001” is not a number of mm from 0 to 1000.',
    ],
  ])('%s', (_, part, path, words) => {
    const form = { ...empty(), ...part }
    expect(shellTroubles(form)).toEqual([{ path, words }])
    expect(() => measuredShell(form, null, BY)).toThrow(Refusal)
    expect(() => measuredShell(form, null, BY)).toThrow(words)
  })

  it('nothing, at the very limits', () => {
    const form = { ...empty(), sizesMm: '100, 400', at: { lengthMm: '1000', heelWidthMm: '0' } }
    expect(shellTroubles(form)).toEqual([])
  })
})
