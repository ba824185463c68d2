/**
 * Order in which nodes are eliminated so that little fills in: always one with the fewest
 * neighbours left (minimum degree on the quotient graph: an eliminated node stays as an element
 * that stands for the clique of its neighbours).
 *
 * @param neighbours of every node, without itself
 * @returns nodes in the order of elimination
 * @source Tinney and Walker 1967
 */
export function minimumDegree(neighbours: readonly (readonly number[])[]): Int32Array {
  const n = neighbours.length
  const near = neighbours.map((list) => new Set(list))
  /** elements each node lies in, and the nodes of every element */
  const inElements: Set<number>[] = Array.from({ length: n }, () => new Set())
  const element: (number[] | null)[] = Array.from({ length: n }, () => null)
  const done = new Uint8Array(n)
  const mark = new Int32Array(n).fill(-1)
  let stamp = 0
  const reach = (i: number): number[] => {
    stamp++
    mark[i] = stamp
    const out: number[] = []
    const take = (j: number) => {
      if (done[j] || mark[j] === stamp) return
      mark[j] = stamp
      out.push(j)
    }
    near[i]!.forEach(take)
    inElements[i]!.forEach((e) => element[e]!.forEach(take))
    return out
  }
  const degree = Int32Array.from(neighbours, (list) => list.length)
  // Nodes by degree, doubly linked, so that the next one costs nothing to find.
  const head = new Int32Array(n + 1).fill(-1)
  const next = new Int32Array(n).fill(-1)
  const last = new Int32Array(n).fill(-1)
  const put = (i: number) => {
    const d = degree[i]!
    next[i] = head[d]!
    last[i] = -1
    if (head[d]! >= 0) last[head[d]!] = i
    head[d] = i
  }
  const take = (i: number) => {
    if (last[i]! >= 0) next[last[i]!] = next[i]!
    else head[degree[i]!] = next[i]!
    if (next[i]! >= 0) last[next[i]!] = last[i]!
  }
  for (let i = n - 1; i >= 0; i--) put(i)
  const order = new Int32Array(n)
  for (let k = 0, d = 0; k < n; k++) {
    while (head[d]! < 0) d++
    const pivot = head[d]!
    take(pivot)
    const clique = reach(pivot)
    done[pivot] = 1
    order[k] = pivot
    element[pivot] = clique
    const swallowed = [...inElements[pivot]!]
    const inside = new Set(clique)
    for (const i of clique) {
      for (const e of swallowed) inElements[i]!.delete(e)
      inElements[i]!.add(pivot)
      // What the element says already need not be said again.
      near[i]!.delete(pivot)
      for (const j of near[i]!) if (inside.has(j)) near[i]!.delete(j)
    }
    for (const e of swallowed) element[e] = null
    for (const i of clique) {
      take(i)
      degree[i] = reach(i).length
      put(i)
      if (degree[i]! < d) d = degree[i]!
    }
  }
  return order
}
