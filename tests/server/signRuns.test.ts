import fc from 'fast-check'
import { expect, test } from 'vitest'
import { signRuns } from '../../server/documents/signRuns'

const latin = (code: number) => code < 0x250
const east = (code: number) => code >= 0x3000
const split = (text: string) => signRuns(text, latin, east)

test.each([
  ['Ada Marchbank', [['own', 'Ada Marchbank']], false],
  [
    'For 田中 (HR-0412)',
    [
      ['own', 'For '],
      ['others', '田中 '],
      ['own', '(HR-0412)'],
    ],
    false,
  ],
  ['Αθηνά', [['own', '[?][?][?][?][?]']], true],
  // A letter and its mark are one sign where there is one.
  ['Zoe\u0308', [['own', 'Zoë']], false],
  // What nobody sees is not told to be missing.
  ['a\u200db', [['own', 'ab']], false],
  ['', [], false],
])('%s', (text, runs, missing) => {
  const told = split(text)
  expect([told.runs.map((r) => [r.letters, r.text]), told.missing]).toEqual([runs, missing])
})

test('every run is written by letters that have its signs, and nothing is lost without a word', () =>
  fc.assert(
    fc.property(fc.string({ unit: 'grapheme' }), (text) => {
      const { runs, missing } = split(text)
      for (const { letters, text: words } of runs)
        for (const sign of words)
          expect(/\s/.test(sign) || (letters === 'own' ? latin : east)(sign.codePointAt(0)!)).toBe(
            true,
          )
      if (!missing) {
        const seen = (words: string) => words.replace(/\p{Default_Ignorable_Code_Point}/gu, '')
        expect(seen(runs.map((r) => r.text).join(''))).toBe(seen(text.normalize('NFC')))
      }
    }),
  ))
