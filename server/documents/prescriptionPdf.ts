import { cautionsOf } from '../../core/advice/cautions'
import { deviceKindWords, deviceLines } from '../../core/device/deviceWords'
import { deviceReport } from '../../core/advice/deviceReport'
import { madeDevices } from '../../core/formats/deviceFiles'
import { ESTIMATE_NOTES, estimateLines } from '../../core/mechanics/estimateLines'
import { normsOf } from '../../core/record/tables'
import type { FittingRecord } from '../../core/record/schema'
import { MUTED, newPaper } from './paper'

/**
 * The prescription of a pair on paper: what is made, what was reached, what goes against each
 * other, cautions. A code, never a name.
 */
export async function prescriptionPdf(
  record: FittingRecord,
  shop: string,
  day: string,
  now: Date,
): Promise<Buffer> {
  const code = record.client?.code ?? 'no client code'
  const paper = await newPaper(`Prescription ${code}`, now)
  const { heading, text, rule } = paper
  heading('Prescription', 15, 13, 22)
  heading(code, 120, 13, 22, { width: paper.mm(75), align: 'right' })
  text(`${shop} · ${day}`, 15, 23, { colour: MUTED })
  rule(30)
  let low = 36
  const made = madeDevices(record)
  for (const { side, built } of made) {
    const x = side === 'left' ? 15 : 108
    let y = text(side.toUpperCase(), x, 34, { bold: true, size: 13 }) + 1
    y =
      text(
        `${deviceKindWords(built.device.kind)}${built.device.name ? `, ${built.device.name}` : ''}`,
        x,
        y,
        { size: 11, width: 84 },
      ) + 1
    for (const line of deviceLines(record.feet[side]!, normsOf(record)))
      y = text(`•  ${line}`, x, y, { size: 9.5, width: 84 }) + 0.6
    const report = deviceReport(record, side, built)
    y = text('Reached on the solid', x, y + 2, { bold: true, size: 10 }) + 0.5
    y =
      text(
        `${report.heelAngleDeg === null ? 'No heel left to measure' : `Heel ${report.heelAngleDeg.toFixed(1)}° to the floor`} · ${report.stands?.words ?? 'falls over on a flat floor'} · ${(report.solid.volumeMm3 / 1000).toFixed(1)} cm³${report.solid.massG ? ` · ${report.solid.massG.toFixed(0)} g` : ''}`,
        x,
        y,
        { size: 9.5, width: 84 },
      ) + 0.6
    const { heelMm, archMm, ballMm, toesMm } = report.stackMm
    y =
      text(
        `Height under heel ${heelMm.toFixed(1)}, arch ${archMm.toFixed(1)}, ball ${ballMm.toFixed(1)}, toes ${toesMm.toFixed(1)} mm`,
        x,
        y,
        { size: 9.5, width: 84 },
      ) + 0.6
    const estimates = estimateLines(record, side)
    if (estimates.length) y = text('Estimated', x, y + 2, { bold: true, size: 10 }) + 0.5
    for (const line of estimates) y = text(line, x, y, { size: 9.5, width: 84 }) + 0.6
    for (const c of report.contradictions)
      y =
        text(`${c.kind === 'stop' ? 'Stop' : 'Watch'}: ${c.words}`, x, y, {
          size: 9.5,
          width: 84,
          bold: c.kind === 'stop',
        }) + 0.6
    low = Math.max(low, y)
  }
  if (made.length === 0) low = text('No device is prescribed.', 15, 36) + 2
  rule(low + 3)
  let y = text('Cautions', 15, low + 6, { bold: true, size: 12 }) + 1
  for (const caution of cautionsOf(record)) {
    if (y > 270) {
      paper.doc.addPage()
      y = 15
    }
    y = text(`•  ${caution.words}`, 15, y, { size: 9.5 }) + 0.8
  }
  if (made.length) {
    y = y > 255 ? (paper.doc.addPage(), 15) : y + 2
    y = text('Estimates', 15, y, { bold: true, size: 10 }) + 0.5
    for (const note of ESTIMATE_NOTES) y = text(note, 15, y, { size: 8.5, colour: MUTED }) + 0.6
  }
  text(
    'Prescribing may be reserved to licensed professions. Local law, licence and standards come first.',
    15,
    287,
    { size: 8, colour: MUTED },
  )
  return paper.bytes()
}
