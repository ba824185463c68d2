import Papa from 'papaparse'
import { parseNumber } from '../../measure/parseNumber'
import { Refusal } from '../../record/refusal'

/**
 * One reading of a probe: minutes since the log began, °C, and the drive then (oven step, V², 1
 * where nobody wrote it).
 */
export interface HeatReading {
  minutes: number
  celsius: number
  drive: number
}

/**
 * Reads a log as CSV `minutes,celsius[,drive]`, with or without a line of names. Refuses with the
 * row that is wrong.
 */
export function readHeatCsv(text: string): HeatReading[] {
  const rows = Papa.parse<string[]>(text.replace(/^\uFEFF/, '').trim(), {
    skipEmptyLines: true,
  }).data
  const head = (rows[0] ?? []).map((c) => c.trim().toLowerCase())
  const named = head.includes('minutes') || head.includes('celsius')
  if (named && !(head.includes('minutes') && head.includes('celsius')))
    throw new Refusal(
      'no-columns',
      'The first line must name the columns minutes and celsius.',
      'row 1',
    )
  const at = named
    ? {
        minutes: head.indexOf('minutes'),
        celsius: head.indexOf('celsius'),
        drive: head.indexOf('drive'),
      }
    : { minutes: 0, celsius: 1, drive: 2 }
  const out: HeatReading[] = []
  rows.slice(named ? 1 : 0).forEach((row, i) => {
    const line = i + (named ? 2 : 1)
    const cell = (k: number) => (k < 0 ? '' : (row[k] ?? '').trim())
    const minutes = parseNumber(cell(at.minutes))
    const celsius = parseNumber(cell(at.celsius))
    const drive = cell(at.drive) === '' ? 1 : parseNumber(cell(at.drive))
    if (minutes === null || celsius === null || drive === null)
      throw new Refusal(
        'bad-reading',
        `row ${line}: "${row.join(',')}" is not minutes,celsius[,drive] in numbers.`,
        `row ${line}`,
      )
    if (celsius < -50 || celsius > 1000)
      throw new Refusal(
        'bad-reading',
        `row ${line}: ${celsius} °C is outside −50 to 1000.`,
        `row ${line}`,
      )
    if (out.length > 0 && minutes <= out.at(-1)!.minutes)
      throw new Refusal(
        'bad-order',
        `row ${line}: minutes must rise; ${minutes} follows ${out.at(-1)!.minutes}.`,
        `row ${line}`,
      )
    out.push({ minutes, celsius, drive })
  })
  return out
}
