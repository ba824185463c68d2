import { expect, test } from 'vitest'
import { useChanges } from '../../app/stores/changes'
import CsvReport from '../../app/stations/measure/CsvReport.vue'
import { readReadingsCsv } from '../../core/formats/readingsCsv'
import { HOUSE_NORMS } from '../../core/record/tables'
import { demo, mountWith } from './mountWith'

async function open(...rows: string[]) {
  const record = demo('Tove')
  for (const side of ['left', 'right'] as const)
    record.feet[side]!.readings = [
      { what: 'footLengthMm', posture: 'standing', trials: [264], struck: [] },
      { what: 'heelWidthMm', posture: 'standing', trials: [64], struck: [] },
    ]
  const file = readReadingsCsv(['side,what,posture,trial,valueMm', ...rows].join('\n'), HOUSE_NORMS)
  const { fitting, wrapper } = await mountWith(CsvReport, {
    record,
    props: { modelValue: { name: 'board.csv', file, refused: '' } },
  })
  const dialog = () =>
    (document.querySelector('.dialog-pane')?.textContent ?? '').replace(/\s+/g, ' ')
  const press = (words: RegExp) =>
    [...document.querySelectorAll<HTMLElement>('.dialog-pane button')]
      .find((b) => words.test(b.textContent ?? ''))!
      .click()
  return { fitting, wrapper, dialog, press }
}

test('what it would change stands there before anything is kept, and is said once it is', async () => {
  const { fitting, dialog, press, wrapper } = await open(
    'left,footLengthMm,standing,1,266',
    'left,heelWidthMm,standing,1,64',
    'right,waistGirthMm,standing,1,244',
  )
  expect(dialog()).toContain('1 new, 1 replaced, 1 as they were')
  expect(dialog()).toMatch(/Foot length standing\s*264\s*266\s*≠ replaced/)
  expect(fitting.record.feet.left!.readings[0]!.trials).toEqual([264])
  press(/^\s*Take 3 tries/)
  expect(fitting.record.feet.left!.readings.map((r) => r.trials)).toEqual([[266], [64]])
  expect(fitting.record.feet.right!.readings.map((r) => r.what)).toEqual([
    'footLengthMm',
    'heelWidthMm',
    'waistGirthMm',
  ])
  expect(useChanges().said).toBe('board.csv: 1 new, 1 replaced, 1 as they were.')
  wrapper.unmount()
})

test('left alone, nothing changes; what cannot be taken is named', async () => {
  const { fitting, dialog, press, wrapper } = await open(
    'left,footLengthMm,standing,1,266',
    'left,footLengthMm,standing,2,long',
  )
  expect(dialog()).toContain('"long" is not a number.')
  press(/Leave it/)
  expect(fitting.record.feet.left!.readings[0]!.trials).toEqual([264])
  wrapper.unmount()
})
