import { contours } from 'd3-contour'
import type { Device } from '../record/schema'
import { LAYERS } from '../kinds/layers/all'
import { NO_COVER } from '../tables/materials'
import { materialName, type MaterialRows } from './materialNames'
import { coverLine, soleOutline, trimLines } from './outline'
import type { ShellBody } from './bodySolid'

type Point = [number, number]

/** A flat piece that is cut from sheet by a template: cover, base, extension, plug, plate. */
export interface SheetPart {
  id: string
  words: string
  material: string
  thicknessMm: number
  /** closed lines in the foot's frame, mm; holes beside borders */
  lines: Point[][]
}

/**
 * The plan of what a layer changes, as closed lines: where it raises or lowers by more than a tenth
 * of its amount.
 */
export function planOf({ surface: { field } }: ShellBody, change: Float64Array): Point[][] {
  const most = change.reduce((m, v, i) => (field.mask[i] ? Math.max(m, Math.abs(v)) : m), 0)
  if (most === 0) return []
  const cells = change.map((v, i) => (field.mask[i] ? Math.abs(v) : 0))
  const [shape] = contours()
    .size([field.columns, field.rows])
    .thresholds([most * 0.1])(cells as unknown as number[])
  return shape!.coordinates
    .flat()
    .map((ring) =>
      ring.map(([c, r]): Point => [field.x0 + c! * field.stepMm, field.y0 + r! * field.stepMm]),
    )
}

/** Pieces of a device that are cut from sheet beside the shell, with their templates. */
export function sheetParts(body: ShellBody, device: Device, rows: MaterialRows): SheetPart[] {
  const { shell, outline } = device
  const parts: SheetPart[] = []
  const reach = (to: 'shell' | 'sulcus' | 'full') =>
    to === 'shell' ? trimLines(body) : [coverLine(body, to)]
  if (shell.cover.material !== NO_COVER && shell.cover.thicknessMm > 0)
    parts.push({
      id: 'cover',
      words: 'Cover',
      material: materialName(shell.cover.material, rows),
      thicknessMm: shell.cover.thicknessMm,
      lines: reach(outline.cover),
    })
  if (shell.base && shell.base.thicknessMm > 0)
    parts.push({
      id: 'base',
      words: 'Base',
      material: materialName(shell.base.material, rows),
      thicknessMm: shell.base.thicknessMm,
      lines: reach(shell.base.reach),
    })
  for (const result of body.surface.layers) {
    const layer = device.layers[result.index]!
    const { sheet } = LAYERS.of(layer.kind)
    if (sheet)
      parts.push({
        id: `${layer.kind}-${result.index + 1}`,
        words: sheet.words,
        material: materialName(sheet.material(layer), rows),
        thicknessMm: sheet.thicknessMm(layer),
        lines:
          sheet.cut === 'change'
            ? planOf(body, result.change)
            : [insoleLine(body, sheet.cut.insoleShorterMm(layer))],
      })
  }
  return parts
}

/** The whole insole, cut off short of the heel's end. */
const insoleLine = (body: ShellBody, shorterMm: number): Point[] =>
  soleOutline(body.surface.field.sole).map(([x, y]): Point => [x, Math.max(y, shorterMm)])
