import { settingWords } from '../../core/footwear/shellSettings'
import { soleParameters } from '../../core/device/soleParameters'
import { createSole } from '../../core/device/sole'
import { planPoints, planView } from '../../core/footwear/planView'
import { standingFeet } from '../../core/footwear/matchRecord'
import { sizeWords } from '../../core/footwear/reasons'
import { sideView, type Line } from '../../core/footwear/views'
import { lineOf, type WorkLine } from '../../core/footwear/workPlan'
import type { FootwearModel } from '../../core/footwear/catalogueSchema'
import { normsOf } from '../../core/record/tables'
import type { FittingRecord } from '../../core/record/schema'
import { SIDES, type Side } from '../../core/tables/vocabulary'
import { INK, LINE, MUTED, newPaper, type Paper } from './paper'

/**
 * The work on the shells for the bench: drawings at half size with distances from landmarks,
 * settings, heat and cooling, stops. A code, never a name.
 */
export async function workPlanPdf(
  record: FittingRecord,
  model: FootwearModel,
  shop: string,
  day: string,
  now: Date,
): Promise<Buffer> {
  const code = record.client?.code ?? 'no client code'
  const chosen = record.footwear!.chosen!
  const norms = normsOf(record)
  const lines = chosen.work
    .filter((w) => w.state !== 'dropped' && w.model === model.id)
    .map((w) => lineOf(w, model, norms))
  const paper = await newPaper(`Work plan ${code}`, now)
  const { heading, text, rule } = paper
  heading('Work on the shells', 15, 13, 22)
  heading(code, 120, 13, 22, { width: paper.mm(75), align: 'right' })
  const left = sizeWords(chosen.sizeLeftMm ?? 0)
  const right = sizeWords(chosen.sizeRightMm ?? 0)
  const shells = `${model.maker} ${model.name}, left ${left}, right ${right}`
  text(`${shop} · ${day} · ${shells}`, 15, 23, { colour: MUTED })
  const set = settingWords(chosen)
  if (set.length > 0) text(set.join(' · '), 15, 26.5, { colour: MUTED })
  rule(30)
  const feet = standingFeet(record)
  for (const side of SIDES) {
    const x = side === 'left' ? 15 : 108
    text(side.toUpperCase(), x, 33, { bold: true, size: 12 })
    const size = side === 'left' ? chosen.sizeLeftMm : chosen.sizeRightMm
    const foot = feet[side]
    const found = record.feet[side] && soleParameters(record.feet[side], norms)
    if (!size || !foot || !found) continue
    const numbered = lines.flatMap((l, i) => (l.foot === side ? [{ line: l, n: i + 1 }] : []))
    const plan = planView(createSole(found.parameters), found.parameters, model, size)
    drawPlan(
      paper,
      side,
      plan.foot,
      plan.shell,
      numbered.flatMap(({ line, n }) => planPoints(plan, line.at).map((p) => ({ p, n }))),
      x + 42,
      40,
    )
    const view = sideView(foot, model, size)
    drawSide(
      paper,
      view.foot,
      view.shell,
      numbered.map(({ line, n }) => ({
        p: [line.at.fromHeelMm, line.at.heightMm] as [number, number],
        n,
      })),
      x,
      188,
    )
  }
  text(
    'From above at two fifths of the size, from the side at a quarter; distances in the list are ' +
      'from the inside of the back at sole level and over the boot board.',
    15,
    192,
    { size: 8.5, colour: MUTED },
  )
  let y = 198
  if (lines.length === 0) y = text('No work is planned.', 15, y) + 1
  lines.forEach((line, i) => {
    if (y > 262) {
      paper.doc.addPage()
      y = 15
    }
    y = oneLine(paper, line, i + 1, y)
  })
  text(
    'Solvents and heat with extraction, gloves, mask at the grinder. Soles and bindings only with a ' +
      're-check by a certified technician. Predictions are estimates: look again with the foot in ' +
      'the shell.',
    15,
    284,
    { size: 8, colour: MUTED },
  )
  return paper.bytes()
}

function oneLine(paper: Paper, line: WorkLine, n: number, top: number): number {
  const { text } = paper
  paper.doc
    .rect(paper.mm(15), paper.mm(top + 0.4), paper.mm(3.6), paper.mm(3.6))
    .lineWidth(0.8)
    .strokeColor(INK)
    .stroke()
  let y =
    text(`${n}  ${line.foot.toUpperCase()}  ${line.words}`, 21, top, {
      size: 10,
      bold: true,
      width: 174,
    }) + 0.3
  if (line.process) y = text(line.process, 21, y, { size: 9, width: 174 }) + 0.2
  for (const stop of line.stops)
    y = text(`STOP: ${stop}`, 21, y, { size: 9, bold: true, width: 174 }) + 0.2
  for (const caution of line.cautions)
    y = text(`Watch: ${caution}`, 21, y, { size: 9, width: 174 }) + 0.2
  return (
    text(
      `${line.because ?? ''} · about ${line.minutes} min${line.state === 'done' ? ' · done' : ''}`,
      21,
      y,
      { size: 8.5, colour: MUTED, width: 174 },
    ) + 1.6
  )
}

/** Scale of the plan and of the side view on paper. */
const SCALE = 0.4
const SIDE_SCALE = 0.25

function polyline(
  paper: Paper,
  points: Line,
  at: (p: [number, number]) => [number, number],
  colour: string,
  width: number,
) {
  points.forEach((p, i) => {
    const [x, y] = at(p)
    if (i === 0) paper.doc.moveTo(paper.mm(x), paper.mm(y))
    else paper.doc.lineTo(paper.mm(x), paper.mm(y))
  })
  paper.doc.closePath().lineWidth(width).strokeColor(colour).stroke()
}

function mark(paper: Paper, [x, y]: [number, number], n: number) {
  paper.doc
    .circle(paper.mm(x), paper.mm(y), paper.mm(2.2))
    .lineWidth(0.8)
    .fillAndStroke('#FFFFFF', INK)
  paper.text(String(n), x - 3, y - 1.6, { size: 7.5, bold: true, width: 6, align: 'left' })
}

function drawPlan(
  paper: Paper,
  side: Side,
  foot: Line,
  shell: Line,
  marks: readonly { p: [number, number]; n: number }[],
  middle: number,
  top: number,
) {
  const length = Math.max(...shell.map(([, y]) => y))
  const at = ([x, y]: [number, number]): [number, number] => [
    middle + (side === 'left' ? 1 : -1) * x * SCALE,
    top + (length - y) * SCALE,
  ]
  polyline(paper, foot, at, LINE, 0.5)
  polyline(paper, shell, at, INK, 1)
  for (const { p, n } of marks) mark(paper, at(p), n)
}

function drawSide(
  paper: Paper,
  foot: Line,
  shell: Line,
  marks: readonly { p: [number, number]; n: number }[],
  left: number,
  floor: number,
) {
  // The leg above 120 mm is not needed at the bench and would not fit.
  const low = (line: Line): Line => line.map(([y, z]) => [y, Math.min(120, z)])
  const at = ([y, z]: [number, number]): [number, number] => [
    left + y * SIDE_SCALE,
    floor - z * SIDE_SCALE,
  ]
  polyline(paper, low(foot), at, LINE, 0.5)
  polyline(paper, low(shell), at, INK, 1)
  for (const { p, n } of marks) if (p[1] <= 125) mark(paper, at(p), n)
}
