/**
 * A closed list of kinds and how one is found in it. Each kind is one file that holds all that is
 * known about it; the list beside them is its one entry.
 */
export interface Registry<D extends { kind: string }> {
  /** in the order in which menus offer them */
  all: readonly D[]
  kinds: readonly D['kind'][]
  /**
   * @throws RangeError for a kind that is not in the list: records are checked by schemas made from
   *   it
   */
  of: (kind: string) => D
  /** undefined for a kind that is not in the list */
  find: (kind: string) => D | undefined
}

/**
 * Look-ups of a list of kinds.
 *
 * @example registry([{ kind: 'skate', name: 'Skate' }]).of('skate').name // 'Skate'
 */
export function registry<D extends { kind: string }>(all: readonly D[]): Registry<D> {
  const byKind = new Map(all.map((d) => [d.kind, d]))
  if (byKind.size < all.length) throw new RangeError('two kinds have one name')
  return {
    all,
    kinds: all.map((d) => d.kind),
    of: (kind) => {
      const found = byKind.get(kind)
      if (!found) throw new RangeError(`there is no kind "${kind}"`)
      return found
    },
    find: (kind) => byKind.get(kind),
  }
}

/** A value for every kind of a list, taken from its definition. */
export const rowsOf = <D extends { kind: string }, V>(
  all: readonly D[],
  of: (definition: D) => V,
): Record<D['kind'], V> =>
  Object.fromEntries(all.map((d) => [d.kind, of(d)])) as Record<D['kind'], V>
