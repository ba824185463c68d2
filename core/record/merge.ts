import { sameJson } from './sameJson'
import { entryKeys, WHOLE } from './entryKey'
import { stampFields, withoutStamp } from './stamps'

/** A place that two people changed, each in their own way; undefined where somebody took it away. */
export interface Clash {
  /** names of fields and keys of entries, from the part inwards */
  path: readonly string[]
  base: unknown
  mine: unknown
  theirs: unknown
}

export interface Merged {
  content: unknown
  clashes: Clash[]
}

type Choose = (clash: Clash) => 'mine' | 'theirs'
type Fields = Record<string, unknown>

const isFields = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
/** Did one side leave it as it was, or both change it alike? */
const oneChanged = (b: unknown, m: unknown, t: unknown): boolean =>
  sameJson(b, m) || sameJson(b, t) || sameJson(m, t)
/** What is not there at all counts as empty, if the others are of that sort. */
const allOf = <T>(
  is: (value: unknown) => value is T,
  empty: T,
  base: unknown,
  mine: unknown,
  theirs: unknown,
): [T, T, T] | null => {
  const start = base ?? empty
  return is(start) && is(mine) && is(theirs) ? [start, mine, theirs] : null
}

/**
 * Three-way merge of a part: what one side changed is taken, what both changed alike too. Entries of
 * lists (a reading, a complaint, a layer) are found by what they are about, so that both people's
 * stay. Only what both changed differently is a clash, and it is decided by `choose`.
 *
 * @param list name of the part or list, by which entries are known
 * @param base content that mine was made from
 * @example mergeParts('story', { goal: 'ski' }, { goal: 'ski', hours: 3 }, { goal: 'hike' }).content
 *   // { goal: 'hike', hours: 3 }
 */
export function mergeParts(
  list: string,
  base: unknown,
  mine: unknown,
  theirs: unknown,
  choose: Choose = () => 'theirs',
): Merged {
  const clashes: Clash[] = []

  function merge(name: string, path: string[], b: unknown, m: unknown, t: unknown): unknown {
    if (oneChanged(b, m, t)) return sameJson(b, m) ? t : m
    // Who keeps it stamps it: by whom and when is no change of its own.
    if (sameJson(withoutStamp(name, m), withoutStamp(name, t))) return t
    const fields = allOf(isFields, {}, b, m, t)
    if (fields) return mergeFields(name, path, ...fields)
    const lists = allOf<unknown[]>(Array.isArray, [], b, m, t)
    const keys = lists?.map((l) => entryKeys(name, l))
    if (lists && keys?.every((k) => k !== null))
      return mergeEntries(name, path, lists, keys as [string[], string[], string[]])
    return decide(path, b, m, t)
  }
  function decide(path: string[], b: unknown, m: unknown, t: unknown): unknown {
    const clash = { path, base: b, mine: m, theirs: t }
    clashes.push(clash)
    return choose(clash) === 'mine' ? m : t
  }
  function mergeFields(name: string, path: string[], b: Fields, m: Fields, t: Fields): Fields {
    const names = [...new Set([...Object.keys(t), ...Object.keys(m)])]
    const stamped = stampFields(name, m)
    const mergeField = (key: string) =>
      stamped.includes(key)
        ? (t[key] ?? m[key])
        : merge(key, [...path, key], b[key], m[key], t[key])
    const pairs = names.map((key) => [key, mergeField(key)])
    return Object.fromEntries(pairs.filter(([, value]) => value !== undefined))
  }
  function mergeEntries(
    name: string,
    path: string[],
    lists: unknown[][],
    keys: [string[], string[], string[]],
  ): unknown[] {
    const [b, m, t] = lists.map((l, i) => new Map(l.map((entry, k) => [keys[i]![k]!, entry])))
    const mergeOne = WHOLE.has(name) ? decideWhole : merge
    return orderOf(keys).flatMap((key) => {
      const value = mergeOne(name, [...path, key], b!.get(key), m!.get(key), t!.get(key))
      return value === undefined ? [] : [value]
    })
  }
  function decideWhole(name: string, path: string[], b: unknown, m: unknown, t: unknown) {
    const [bare, bareMine, bareTheirs] = [b, m, t].map((entry) => withoutStamp(name, entry))
    if (sameJson(bareMine, bareTheirs)) return t
    if (oneChanged(bare, bareMine, bareTheirs)) return sameJson(bare, bareMine) ? t : m
    return decide(path, b, m, t)
  }
  return { content: merge(list, [], base, mine, theirs), clashes }
}

/**
 * Every key of two lists: in the order of the side that changed it, the other side's own entries
 * after what they stood behind there.
 */
function orderOf([base, mine, theirs]: [string[], string[], string[]]): string[] {
  const common = (list: string[], other: string[]) => list.filter((key) => other.includes(key))
  const theirsMoved = !sameJson(common(theirs, base), common(base, theirs))
  const [first, second] = theirsMoved ? [theirs, mine] : [mine, theirs]
  const order = [...first]
  for (const [i, key] of second.entries()) {
    if (order.includes(key)) continue
    const before = second.slice(0, i).findLast((k) => order.includes(k))
    // Of two that were both put to the end, theirs, which is stored, comes first.
    order.splice(before === undefined ? 0 : order.indexOf(before) + 1, 0, key)
  }
  return order
}
