/**
 * Gives points at exactly the same place the same number: an open hash over the three coordinates.
 */
export class Welder {
  private xyz: Float64Array
  private table: Int32Array
  private mask: number
  private count = 0

  constructor(expected: number) {
    let size = 1024
    while (size < 2 * expected) size *= 2
    this.table = new Int32Array(size).fill(-1)
    this.mask = size - 1
    this.xyz = new Float64Array(3 * (size >> 1))
  }

  /** Number of the point at (x, y, z); a new one when nothing is there yet. */
  add(x: number, y: number, z: number): number {
    if (2 * (this.count + 1) > this.table.length) this.grow()
    let slot = hash(x, y, z) & this.mask
    for (;;) {
      const i = this.table[slot]!
      if (i < 0) break
      if (this.xyz[3 * i] === x && this.xyz[3 * i + 1] === y && this.xyz[3 * i + 2] === z) return i
      slot = (slot + 1) & this.mask
    }
    this.table[slot] = this.count
    this.xyz.set([x, y, z], 3 * this.count)
    return this.count++
  }

  positions(): Float64Array {
    return this.xyz.slice(0, 3 * this.count)
  }

  private grow() {
    const table = new Int32Array(2 * this.table.length).fill(-1)
    this.mask = table.length - 1
    const xyz = new Float64Array(3 * table.length)
    xyz.set(this.xyz.subarray(0, 3 * this.count))
    for (let i = 0; i < this.count; i++) {
      let slot = hash(xyz[3 * i]!, xyz[3 * i + 1]!, xyz[3 * i + 2]!) & this.mask
      while (table[slot]! >= 0) slot = (slot + 1) & this.mask
      table[slot] = i
    }
    this.table = table
    this.xyz = xyz
  }
}

const cell = new Float64Array(1)
const bits = new Int32Array(cell.buffer)

/** Mixes the bits of three doubles; −0 counts as 0. */
function hash(x: number, y: number, z: number): number {
  let h = 0
  for (const v of [x, y, z]) {
    cell[0] = v + 0
    h = Math.imul(h ^ bits[0]!, 0x85ebca6b)
    h = Math.imul(h ^ (h >>> 13) ^ bits[1]!, 0xc2b2ae35)
    h ^= h >>> 16
  }
  return h
}
