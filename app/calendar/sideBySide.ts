/** Something that takes a span of a day, minutes since midnight. */
export interface Span {
  from: number
  to: number
}
/** Which of how many that stand side by side. */
export interface Lane {
  lane: number
  of: number
}

/**
 * Gives spans of one column their lanes: those that meet stand side by side, each in the first lane that is free, and
 * whatever hangs together is divided alike.
 *
 * @example sideBySide([{ from: 0, to: 60 }, { from: 30, to: 90 }, { from: 90, to: 120 }])[2] // { lane: 0, of: 1 }
 */
export function sideBySide(spans: readonly Span[]): Lane[] {
  const order = spans
    .map((span, i) => ({ ...span, i }))
    .sort((a, b) => a.from - b.from || b.to - a.to)
  const lanes: Lane[] = spans.map(() => ({ lane: 0, of: 1 }))
  let together: number[] = []
  let free: number[] = []
  const close = () => together.forEach((i) => (lanes[i]!.of = free.length))
  for (const { from, to, i } of order) {
    if (free.every((until) => until <= from)) {
      close()
      together = []
      free = []
    }
    const found = free.findIndex((until) => until <= from)
    const lane = found === -1 ? free.length : found
    free[lane] = to
    lanes[i]!.lane = lane
    together.push(i)
  }
  close()
  return lanes
}
