import { FIRST_DAY } from '../../core/record/typedDay'
import { localDay } from './day'
import { HttpProblem } from './problem'

/** Refuses a birthday that is nobody's: before 1900, or still to come. */
export function checkBornOn({ bornOn }: { bornOn?: string | undefined }): void {
  if (bornOn && (bornOn < FIRST_DAY || bornOn > localDay()))
    throw new HttpProblem(400, 'invalid', 'bornOn: a day from 1900 to today.', { path: 'bornOn' })
}
