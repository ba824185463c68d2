import type { Ticket } from '../../core/formats/papers/ticket'
import { INK, LINE, MUTED, newPaper } from './paper'

export interface TicketDrawing {
  side: 'left' | 'right'
  trim: [number, number][]
  foot: [number, number][]
}

/** The work ticket: one A4 page with client code, devices, steps, template, shell, cautions. */
export async function ticketPdf(
  ticket: Ticket,
  shop: string,
  day: string,
  drawings: readonly TicketDrawing[],
  now: Date,
): Promise<Buffer> {
  const paper = await newPaper(`Work ticket ${ticket.code}`, now)
  const { heading, text, rule } = paper
  heading('Work ticket', 15, 13, 22)
  heading(ticket.code, 120, 13, 22, { width: paper.mm(75), align: 'right' })
  text(`${shop} · ${day}${ticket.promised ? ` · promised ${ticket.promised}` : ''}`, 15, 23, {
    colour: MUTED,
    size: 10,
  })
  // A further round says so before anything else.
  const top = ticket.round
    ? text(ticket.round, 15, 29, { bold: true, size: 10, width: 180 }) + 1
    : 30
  rule(top)
  let low = top + 3
  for (const device of ticket.devices) {
    const x = device.side === 'left' ? 15 : 108
    text(device.side === 'left' ? 'LEFT' : 'RIGHT', x, top + 3, { bold: true, size: 12 })
    text(device.kind, x + 18, top + 3.4, { size: 11, width: 60 })
    let y = top + 10
    for (const line of device.lines) y = text(line, x, y, { size: 9.5, width: 58 }) + 0.6
    low = Math.max(low, y)
  }
  for (const drawing of drawings)
    draw(paper, drawing, { left: drawing.side === 'left' ? 77 : 170, bottom: top + 58 })
  low = Math.max(low, top + 62)
  rule(low + 2)
  let y = low + 5
  text('Steps', 15, y, { bold: true, size: 12 })
  y += 7
  for (const step of ticket.steps) {
    paper.doc
      .rect(paper.mm(15), paper.mm(y + 0.3), paper.mm(3.6), paper.mm(3.6))
      .lineWidth(0.8)
      .strokeColor(INK)
      .stroke()
    const feet = step.feet.length
      ? step.feet.map((f) => (f === 'left' ? 'L' : 'R')).join(' ')
      : 'pair'
    text(`${step.words}`, 22, y, { size: 10, width: 92 })
    text(
      `${step.minutes} min ${step.waiting ? 'waiting' : 'hands-on'}${step.client ? ', client there' : ''} · ${feet}`,
      116,
      y,
      { size: 9, colour: MUTED, width: 79, align: 'right' },
    )
    if (step.caution) {
      text(step.caution, 22, y + 4.6, { size: 8.5, colour: MUTED, width: 150 })
      y += 4.2
    }
    y += 6.2
  }
  rule(y + 1)
  if (ticket.materials.length)
    y = text(`Lay ready: ${ticket.materials.join('; ')}`, 15, y + 4, { size: 9.5 }) - 2.5
  for (const line of ticket.check)
    y = text(`Check with a caliper, ${line}`, 15, y + 4, { size: 9.5 }) - 2.5
  y = text(`Trim template: ${ticket.template}`, 15, y + 4, { size: 10 }) + 1.5
  y = text(`Shell: ${ticket.shell}`, 15, y, { size: 10, bold: true }) + 1.5
  for (const work of ticket.work) y = text(`Work on the shell, ${work}`, 15, y, { size: 10 }) + 0.5
  rule(y + 2)
  text('Cautions', 15, y + 4.5, { bold: true, size: 12 })
  y += 11
  for (const caution of ticket.cautions) {
    // A caution is never left out: a very long job goes on to a second sheet.
    if (y > 274) {
      paper.doc.addPage()
      y = 15
    }
    y = text(`•  ${caution}`, 15, y, { size: 9.5 }) + 0.8
  }
  text('Estimates are labelled as estimates. Measured twice, cut once.', 15, 287, {
    size: 8,
    colour: MUTED,
  })
  return paper.bytes()
}

/** Small outline of shell on foot, not to scale; the template is the one to cut by. */
function draw(
  { doc, mm, text }: Awaited<ReturnType<typeof newPaper>>,
  { side, trim, foot }: TicketDrawing,
  { left, bottom }: { left: number; bottom: number },
) {
  const sign = side === 'left' ? 1 : -1
  const scale = 0.19
  const place = ([x, y]: [number, number]) =>
    [mm(left + 11 + sign * x * scale), mm(bottom - y * scale)] as const
  const path = (points: readonly [number, number][]) => {
    points.forEach((p, i) => (i === 0 ? doc.moveTo(...place(p)) : doc.lineTo(...place(p))))
    doc.closePath()
  }
  path(foot)
  doc.lineWidth(0.5).strokeColor(LINE).stroke()
  path(trim)
  doc.lineWidth(1).strokeColor(INK).stroke()
  text('not to scale', left, 89, { size: 7.5, colour: MUTED, width: 26 })
}
