import { meshVolume, type Mesh } from '../../geometry/mesh'

/** Triangles without those that use the same three corners a second time. */
export function dropDoubles({ triangles: t }: Mesh): { triangles: Uint32Array; dropped: number } {
  const count = t.length / 3
  let size = 1024
  while (size < 2 * count) size *= 2
  const table = new Int32Array(size).fill(-1)
  const kept = new Uint32Array(t.length)
  let n = 0
  for (let i = 0; i < t.length; i += 3) {
    const [a, b, c] = sorted(t[i]!, t[i + 1]!, t[i + 2]!)
    let slot =
      (Math.imul(a, 0x9e3779b1) ^ Math.imul(b, 0x85ebca6b) ^ Math.imul(c, 0xc2b2ae35)) & (size - 1)
    let known = false
    for (let j = table[slot]!; j >= 0; j = table[slot]!) {
      const [x, y, z] = sorted(kept[j]!, kept[j + 1]!, kept[j + 2]!)
      if (x === a && y === b && z === c) {
        known = true
        break
      }
      slot = (slot + 1) & (size - 1)
    }
    if (known) continue
    table[slot] = n
    kept[n++] = t[i]!
    kept[n++] = t[i + 1]!
    kept[n++] = t[i + 2]!
  }
  return { triangles: n === t.length ? t : kept.slice(0, n), dropped: (t.length - n) / 3 }
}

function sorted(a: number, b: number, c: number): [number, number, number] {
  const low = Math.min(a, b, c)
  const high = Math.max(a, b, c)
  return [low, a + b + c - low - high, high]
}

/**
 * For every side of every triangle the triangle beyond it: 3·i + k, −1 where the surface ends, −2
 * where more than two meet.
 */
function neighboursOf(t: Uint32Array): Int32Array {
  const sides = t.length
  let size = 1024
  while (size < 2 * sides) size *= 2
  const table = new Int32Array(size).fill(-1)
  const beyond = new Int32Array(sides).fill(-1)
  for (let s = 0; s < sides; s++) {
    const a = t[s]!
    const b = t[s % 3 === 2 ? s - 2 : s + 1]!
    const low = Math.min(a, b)
    const high = Math.max(a, b)
    let slot = (Math.imul(low, 0x9e3779b1) ^ Math.imul(high, 0x85ebca6b)) & (size - 1)
    for (;;) {
      const o = table[slot]!
      if (o < 0) {
        table[slot] = s
        break
      }
      const [c, d] = [t[o]!, t[o % 3 === 2 ? o - 2 : o + 1]!]
      if (Math.min(c, d) === low && Math.max(c, d) === high) {
        if (beyond[o] === -1) {
          beyond[o] = s
          beyond[s] = o
        } else beyond[s] = -2
        break
      }
      slot = (slot + 1) & (size - 1)
    }
  }
  return beyond
}

/**
 * Turns faces that lie inside out, so that neighbours agree and the whole looks outward, and counts
 * the holes: closed lines where the surface ends, without the rim of an open shell.
 */
export function turnFlipped(mesh: Mesh): {
  triangles: Uint32Array
  flipped: number
  holes: number
} {
  const { triangles: t, positions } = mesh
  if (t.length === 0) return { triangles: t, flipped: 0, holes: 0 }
  const beyond = neighboursOf(t)
  const turned = new Int8Array(t.length / 3).fill(-1)
  const queue = new Int32Array(t.length / 3)
  let flipped = 0
  for (let seed = 0; seed < turned.length; seed++) {
    if (turned[seed] !== -1) continue
    turned[seed] = 0
    let head = 0
    let tail = 0
    queue[tail++] = seed
    let inside = 0
    while (head < tail) {
      const f = queue[head++]!
      for (let k = 0; k < 3; k++) {
        const s = 3 * f + k
        const o = beyond[s]!
        if (o < 0) continue
        const g = Math.floor(o / 3)
        if (turned[g] !== -1) continue
        turned[g] = t[s] === t[o] ? 1 - turned[f]! : turned[f]!
        inside += turned[g]!
        queue[tail++] = g
      }
    }
    // The smaller party is the wrong one.
    if (inside * 2 > tail) {
      for (let i = 0; i < tail; i++) turned[queue[i]!] = 1 - turned[queue[i]!]!
      inside = tail - inside
    }
    flipped += inside
  }
  let triangles = t
  if (flipped > 0) triangles = swapped(t, (f) => turned[f] === 1)
  if (outwardness(positions, triangles) < 0) {
    triangles = swapped(triangles, () => true)
    flipped = flipped === 0 ? t.length / 3 : flipped
  }
  return { triangles, flipped, holes: holesOf(t, positions, beyond) }
}

const swapped = (t: Uint32Array, which: (face: number) => boolean): Uint32Array => {
  const out = Uint32Array.from(t)
  for (let f = 0; f < t.length / 3; f++)
    if (which(f)) [out[3 * f + 1], out[3 * f + 2]] = [t[3 * f + 2]!, t[3 * f + 1]!]
  return out
}

/**
 * Volume seen from the middle of the points: positive when the faces look away from it, also for
 * open shells.
 */
function outwardness(p: Float64Array, triangles: Uint32Array): number {
  const c = [0, 0, 0]
  for (let i = 0; i < p.length; i++) c[i % 3]! += p[i]! / (p.length / 3)
  return meshVolume({ positions: p.map((v, i) => v - c[i % 3]!), triangles })
}

/**
 * An edge longer than this is where the scan ends (a leg's stump, the rim of a sole), not a hole,
 * mm.
 */
const RIM_MM = 150

function holesOf(t: Uint32Array, p: Float64Array, beyond: Int32Array): number {
  const next = new Map<number, number[]>()
  const push = (from: number, to: number) => {
    const known = next.get(from)
    if (known) known.push(to)
    else next.set(from, [to])
  }
  for (let s = 0; s < t.length; s++)
    if (beyond[s] === -1) {
      const [a, b] = [t[s]!, t[s % 3 === 2 ? s - 2 : s + 1]!]
      push(a, b)
      push(b, a)
    }
  const seen = new Set<number>()
  let holes = 0
  for (const start of next.keys()) {
    if (seen.has(start)) continue
    const stack = [start]
    let mm = 0
    seen.add(start)
    while (stack.length > 0) {
      const a = stack.pop()!
      for (const b of next.get(a)!) {
        mm +=
          Math.hypot(
            p[3 * a]! - p[3 * b]!,
            p[3 * a + 1]! - p[3 * b + 1]!,
            p[3 * a + 2]! - p[3 * b + 2]!,
          ) / 2
        if (!seen.has(b)) {
          seen.add(b)
          stack.push(b)
        }
      }
    }
    if (mm < RIM_MM) holes++
  }
  return holes
}
