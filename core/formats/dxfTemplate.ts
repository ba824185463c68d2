import Drawing from 'dxf-writer'
// @ts-expect-error the library ships no types for this file
import Handle from 'dxf-writer/src/Handle.js'
import type { LineStyle, Template } from './template'

const LAYERS: Record<LineStyle, { name: string; colour: number }> = {
  solid: { name: 'CUT', colour: 7 },
  dashed: { name: 'COVER', colour: 5 },
  light: { name: 'FOOT', colour: 8 },
}

/**
 * A template as DXF in millimetres at 1:1, one closed polyline a line, y up from the bottom left of
 * the sheet; what is cut, the cover and the foot lie on layers of their own.
 *
 * @returns the file's text; the same template gives the same bytes
 */
export function dxfTemplate({ heightMm, lines, texts }: Template): string {
  ;(Handle as { seed: number }).seed = 0 // the library counts handles over all its drawings: one drawing must not depend on those before it
  const drawing = new Drawing()
  drawing.setUnits('Millimeters')
  for (const { name, colour } of Object.values(LAYERS)) drawing.addLayer(name, colour, 'CONTINUOUS')
  const up = (y: number) => Math.round((heightMm - y) * 100) / 100
  for (const line of lines) {
    drawing.setActiveLayer(LAYERS[line.style].name)
    drawing.drawPolyline(
      line.points.map(([x, y]): [number, number] => [x, up(y)]),
      line.closed,
    )
  }
  drawing.setActiveLayer(LAYERS.light.name)
  for (const t of texts)
    drawing.drawText(t.xMm, up(t.yMm), t.sizeMm, 0, t.text.replace(/[^\x20-\x7e]/g, '-'))
  return drawing.toDxfString()
}
