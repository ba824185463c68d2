import type { Side } from '../tables/vocabulary'

export type Point = readonly [number, number]

export interface TemplateInput {
  side: Side
  /** client code and device, never a name */
  label: string
  /** what is cut, in the foot's frame, mm: id, word and how it is drawn */
  lines: readonly { id: string; words: string; style: LineStyle; points: readonly Point[] }[]
}

export type LineStyle = 'solid' | 'dashed' | 'light'

/**
 * A template laid out on its sheet: mm from the top left, y down. Every format is written from this
 * one layout.
 */
export interface Template {
  side: Side
  widthMm: number
  heightMm: number
  lines: { id: string; style: LineStyle; closed: boolean; points: Point[] }[]
  texts: { xMm: number; yMm: number; sizeMm: number; text: string }[]
}

const MARGIN_MM = 12
const CONTROL_LINE_MM = 100

/** Hundredths of a millimetre, the finest that templates are written in. */
export const hundredths = (v: number): number => Math.round(v * 100) / 100

/**
 * Lays a trim template out at 1:1, seen from above, heel at the bottom, with a 100 mm control line,
 * side and label. A right foot is drawn mirrored from the foot's frame, its words are not.
 */
export function layTemplate(input: TemplateInput): Template {
  const sign = input.side === 'left' ? 1 : -1
  const all = input.lines.flatMap((l) => l.points).map(([x, y]) => [x * sign, y] as const)
  const xs = all.map((p) => p[0])
  const ys = all.map((p) => p[1])
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
  const base = y1 - y0 + MARGIN_MM
  const place = ([x, y]: Point): Point => [
    hundredths(sign * x - x0 + MARGIN_MM),
    hundredths(y1 - y + MARGIN_MM),
  ]
  const y = hundredths(base + 16)
  const end = MARGIN_MM + CONTROL_LINE_MM
  const control = (id: string, ...points: Point[]) => ({
    id,
    style: 'solid' as const,
    closed: false,
    points,
  })
  return {
    side: input.side,
    widthMm: hundredths(Math.max(x1 - x0, CONTROL_LINE_MM) + 2 * MARGIN_MM),
    heightMm: hundredths(base + MARGIN_MM + 34),
    lines: [
      ...input.lines.map((line) => ({
        id: line.id,
        style: line.style,
        closed: true,
        points: line.points.map(place),
      })),
      control('control', [MARGIN_MM, y], [end, y]),
      control('control-from', [MARGIN_MM, y - 3], [MARGIN_MM, y + 3]),
      control('control-to', [end, y - 3], [end, y + 3]),
    ],
    texts: [
      {
        xMm: MARGIN_MM,
        yMm: base + 26,
        sizeMm: 5,
        text: `${input.side === 'left' ? 'LEFT' : 'RIGHT'} · control line ${CONTROL_LINE_MM} mm · print at 100 %`,
      },
      {
        xMm: MARGIN_MM,
        yMm: base + 32,
        sizeMm: 4,
        text: `${input.label} · ${[...new Set(input.lines.map((l) => `${WORDS[l.style]}: ${l.words}`))].join(', ')}`,
      },
    ].map((t) => ({ ...t, yMm: hundredths(t.yMm) })),
  }
}

const WORDS: Record<LineStyle, string> = { solid: 'solid', dashed: 'dashed', light: 'light' }
