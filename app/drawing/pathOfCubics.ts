import type { Cubic, SidePoint } from '../../core/measure/sideOutline'

/** An SVG path through curves, each point put where the drawing has it. */
export function pathOfCubics(
  cubics: readonly Cubic[],
  put: (point: SidePoint) => SidePoint,
): string {
  const words = (point: SidePoint) =>
    put(point)
      .map((v) => v.toFixed(1))
      .join(' ')
  const [first] = cubics
  if (!first) return ''
  const curves = cubics.map(([, a, b, end]) => `C${words(a)} ${words(b)} ${words(end)}`)
  return `M${words(first[0])}${curves.join('')}`
}
