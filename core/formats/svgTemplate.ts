import type { LineStyle, Template } from './template'

const STROKE: Record<LineStyle, string> = {
  solid: 'stroke="#22302E" stroke-width="0.4"',
  dashed: 'stroke="#22302E" stroke-width="0.25" stroke-dasharray="4 2"',
  light: 'stroke="#938C7B" stroke-width="0.2" stroke-dasharray="2 2"',
}
const escapeXml = (text: string) => text.replace(/[<>&"']/g, (c) => `&#${c.charCodeAt(0)};`)

/**
 * A template as SVG at exactly 1:1: width and height in mm, one user unit = 1 mm.
 *
 * @returns the file's text; the same template gives the same bytes
 */
export function svgTemplate({ side, widthMm, heightMm, lines, texts }: Template): string {
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${widthMm}mm" height="${heightMm}mm" viewBox="0 0 ${widthMm} ${heightMm}">`,
    `<title>Trim template, ${side} foot, 1:1</title>`,
    ...lines.map(
      (l) =>
        `<path id="${escapeXml(l.id)}" d="M${l.points.map(([x, y]) => `${x} ${y}`).join('L')}${l.closed ? 'Z' : ''}" fill="none" ${STROKE[l.style]}/>`,
    ),
    ...texts.map(
      (t) =>
        `<text x="${t.xMm}" y="${t.yMm}" font-size="${t.sizeMm}" font-family="sans-serif">${escapeXml(t.text)}</text>`,
    ),
    '</svg>',
    '',
  ].join('\n')
}
