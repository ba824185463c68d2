import type { Side } from '../record/vocabulary'

type Point = readonly [number, number]

export interface TemplateInput {
  side: Side
  /** client code and device, never a name */
  label: string
  trim: readonly Point[]
  cover: readonly Point[]
  foot: readonly Point[]
}

const MARGIN_MM = 12
const CONTROL_LINE_MM = 100
const n = (v: number) => (Math.round(v * 100) / 100).toString()
const escapeXml = (text: string) => text.replace(/[<>&"']/g, (c) => `&#${c.charCodeAt(0)};`)

/**
 * Trim template as SVG at exactly 1:1 (width and height in mm, one user unit = 1 mm), seen from above, heel at the bottom, with a 100 mm
 * control line, side and label. A right foot is drawn mirrored from the foot's frame, its words are not.
 *
 * @returns the file's text; the same input gives the same bytes
 */
export function svgTemplate(input: TemplateInput): string {
  const sign = input.side === 'left' ? 1 : -1
  const all = [...input.trim, ...input.cover, ...input.foot].map(([x, y]) => [x * sign, y] as const)
  const xs = all.map((p) => p[0])
  const ys = all.map((p) => p[1])
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
  const width = Math.max(x1 - x0, CONTROL_LINE_MM) + 2 * MARGIN_MM
  const height = y1 - y0 + 2 * MARGIN_MM + 34
  const path = (points: readonly Point[]) =>
    `M${points.map(([x, y]) => `${n(sign * x - x0 + MARGIN_MM)} ${n(y1 - y + MARGIN_MM)}`).join('L')}Z`
  const base = y1 - y0 + MARGIN_MM
  const side = input.side === 'left' ? 'LEFT' : 'RIGHT'
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${n(width)}mm" height="${n(height)}mm" viewBox="0 0 ${n(width)} ${n(height)}">`,
    `<title>Trim template, ${side.toLowerCase()} foot, 1:1</title>`,
    `<path id="foot" d="${path(input.foot)}" fill="none" stroke="#938C7B" stroke-width="0.2" stroke-dasharray="2 2"/>`,
    `<path id="cover" d="${path(input.cover)}" fill="none" stroke="#22302E" stroke-width="0.25" stroke-dasharray="4 2"/>`,
    `<path id="trim" d="${path(input.trim)}" fill="none" stroke="#22302E" stroke-width="0.4"/>`,
    `<path id="control" d="M${MARGIN_MM} ${n(base + 16)}h${CONTROL_LINE_MM}m0 -3v6m-${CONTROL_LINE_MM} 0v-6" fill="none" stroke="#22302E" stroke-width="0.4"/>`,
    `<text x="${MARGIN_MM}" y="${n(base + 26)}" font-size="5" font-family="sans-serif">${side} · control line 100 mm · print at 100 %</text>`,
    `<text x="${MARGIN_MM}" y="${n(base + 32)}" font-size="4" font-family="sans-serif">${escapeXml(input.label)} · solid: shell, dashed: cover, light: foot</text>`,
    '</svg>',
    '',
  ].join('\n')
}
