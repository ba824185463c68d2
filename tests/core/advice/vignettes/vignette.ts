import { expect } from 'vitest'
import { advise, ledgerOf } from '../../../../core/advice/advise'
import { finishedDevices } from '../../../../core/advice/finishedDevices'
import { parseRecord } from '../../../../core/record/parse'
import type { FittingRecord } from '../../../../core/record/schema'

/** What a foot is told by: the rest of the record is a grown person with two sound feet. */
export interface Feet {
  left?: object
  right?: object
  story?: object
  client?: object
  record?: object
}

/** A reading of one try, standing unless said otherwise. */
export const read = (what: string, value: number, posture = 'standing') => ({
  what,
  posture,
  trials: [value],
})
export const SOUND = [
  read('footLengthMm', 265),
  read('forefootWidthMm', 100),
  read('heelWidthMm', 65),
  read('archLengthMm', 193),
]
export const hurts = (foot: string, at: string, score = 6, more = {}) => ({
  foot,
  at,
  score,
  ...more,
})
export const both = (findings: object) => ({ left: { findings }, right: { findings } })

/** A record as a screen makes it. */
export function recordOf({
  left = {},
  right = {},
  story,
  client = {},
  record = {},
}: Feet): FittingRecord {
  return parseRecord({
    format: 'gentle-arch/fitting',
    version: 1,
    client: { bornOn: '1985-03-02', massKg: 75, ...client },
    visit: { on: '2026-11-20' },
    story,
    feet: { left: { readings: SOUND, ...left }, right: { readings: SOUND, ...right } },
    ...record,
  })
}

/** What Why says, line by line, as a colleague reads it: foot, kind, words and what accepting it does. */
export const linesOf = (record: FittingRecord, finished = false): string[] =>
  advise(record, finished ? finishedDevices(record) : []).map(
    (e) => `${e.foot} ${e.kind}: ${e.words} → ${JSON.stringify(e.change)}`,
  )
export const openLines = (record: FittingRecord): string[] =>
  ledgerOf(record).open.map((e) => `${e.foot} ${e.kind}: ${e.words} → ${JSON.stringify(e.change)}`)

/** Some line says it. */
export const must = (lines: readonly string[], ...what: RegExp[]) => {
  for (const pattern of what)
    expect(
      lines.some((line) => pattern.test(line)),
      `nobody says ${pattern}:\n${lines.join('\n')}`,
    ).toBe(true)
}
/** No line says it. */
export const mustNot = (lines: readonly string[], ...what: RegExp[]) => {
  for (const pattern of what) expect(lines.filter((line) => pattern.test(line))).toEqual([])
}
