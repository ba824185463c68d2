import { HOUSE_NORMS } from '../../core/record/tables'
import { bench, describe } from 'vitest'
import { judge } from '../../core/advice/advise'
import { bySchool } from '../../core/advice/bySchool'
import { examineFoot } from '../../core/examine/examineFoot'
import { parseCallOut } from '../../core/measure/callOut'
import { measureRecord } from '../../core/measure/measureRecord'
import { DEMO_RECORDS } from '../../demo/records'

const tove = DEMO_RECORDS['tove-marchetti']!
const LINE = 'heel instep sit 331 332 / 335 336'

describe('the first three stations', () => {
  bench('call-out line: a whole line, letter by letter', () => {
    for (let i = 1; i <= LINE.length; i++)
      parseCallOut(LINE.slice(0, i), { posture: 'standing', norms: HOUSE_NORMS })
  })
  bench(
    'examination of one foot with its sentence',
    () => void examineFoot(tove.feet.right!, false, HOUSE_NORMS),
  )
  bench('measures of a record', () => void measureRecord(tove, 10))
  bench('ledger of a record', () => void judge(tove))
  bench('five schools side by side', () => void bySchool(tove))
})
