import { minuteOf } from './schedule/day'
import type { PlacedStep } from './schedule/schedule'

/** A step on a lane of the day. */
export interface LaneBar extends PlacedStep {
  /** which of the resource's several, from 0 */
  row: number
}

/**
 * Who and which: gives each step that holds a resource one of its rows, so that no row is used
 * twice at once as long as the plan does not book the resource beyond its count. Steps that
 * somebody is known to do stay with that row.
 *
 * @param known row of steps that are fixed to one, by `job\nstep`
 * @param first rows that a step would rather have: clients by those who fit
 * For instance `lanesOf(plan, 'people', 2)[0].row` is 0
 */
export function lanesOf(
  plan: readonly PlacedStep[],
  resource: string,
  count: number,
  {
    known = new Map(),
    first = () => [],
  }: { known?: ReadonlyMap<string, number>; first?: (step: PlacedStep) => readonly number[] } = {},
): LaneBar[] {
  const users = plan
    .filter((p) => p.needs.includes(resource))
    .sort((a, b) => minuteOf(a.start) - minuteOf(b.start) || minuteOf(a.end) - minuteOf(b.end))
  const free = Array.from({ length: Math.max(1, count) }, () => 0)
  const last: (string | undefined)[] = []
  return users.map((p) => {
    const from = minuteOf(p.start)
    const wanted = known.get(`${p.job}\n${p.step}`)
    const open = free.map((until, row) => ({ row, until })).filter((f) => f.until <= from)
    // The same hands go on with the same job where they can.
    const liked = first(p)
    const row =
      wanted ??
      open.find((f) => last[f.row] === p.job && (liked.length === 0 || liked.includes(f.row)))
        ?.row ??
      open.find((f) => liked.includes(f.row))?.row ??
      open[0]?.row ??
      free.indexOf(Math.min(...free))
    free[row] = Math.max(free[row]!, minuteOf(p.end))
    last[row] = p.job
    return { ...p, row }
  })
}
