/** A triangle mesh: xyz triples in mm, corner indices counter-clockwise seen from outside. */
export interface Mesh {
  positions: Float64Array
  triangles: Uint32Array
}

export interface MeshReport {
  triangles: number
  /** every edge has a face on both sides */
  closed: boolean
  /** no edge has more than two faces, none is run twice in one direction */
  manifold: boolean
  /** the enclosed volume is positive */
  outward: boolean
  volumeMm3: number
}

/** Enclosed volume, mm³, by the divergence theorem; positive when faces look outward. */
export function meshVolume({ positions: p, triangles: t }: Mesh): number {
  let sum = 0
  for (let i = 0; i < t.length; i += 3) {
    const a = t[i]! * 3
    const b = t[i + 1]! * 3
    const c = t[i + 2]! * 3
    sum +=
      p[a]! * (p[b + 1]! * p[c + 2]! - p[b + 2]! * p[c + 1]!) +
      p[a + 1]! * (p[b + 2]! * p[c]! - p[b]! * p[c + 2]!) +
      p[a + 2]! * (p[b]! * p[c + 1]! - p[b + 1]! * p[c]!)
  }
  return sum / 6
}

/**
 * Is the mesh closed, manifold and outward? Counts every directed edge; each must run once each
 * way.
 */
export function inspectMesh(mesh: Mesh): MeshReport {
  const { triangles: t } = mesh
  const vertexCount = mesh.positions.length / 3
  // Undirected edges in an open-addressing table: twice as roomy as there are edges, a fraction of
  // the time of a Map.
  let slots = 1024
  while (slots < t.length * 2) slots *= 2
  const keys = new Float64Array(slots).fill(-1)
  const forward = new Uint8Array(slots)
  const backward = new Uint8Array(slots)
  for (let i = 0; i < t.length; i += 3)
    for (let k = 0; k < 3; k++) {
      const from = t[i + k]!
      const to = t[i + ((k + 1) % 3)]!
      const key = from < to ? from * vertexCount + to : to * vertexCount + from
      let slot =
        (Math.imul(from < to ? from : to, 73856093) ^ Math.imul(from < to ? to : from, 19349663)) &
        (slots - 1)
      while (keys[slot] !== -1 && keys[slot] !== key) slot = (slot + 1) & (slots - 1)
      keys[slot] = key
      const count = from < to ? forward : backward
      if (count[slot]! < 255) count[slot]!++
    }
  let closed = true
  let manifold = true
  for (let slot = 0; slot < slots; slot++) {
    if (keys[slot] === -1) continue
    if (forward[slot]! > 1 || backward[slot]! > 1) manifold = false
    if (forward[slot] === 0 || backward[slot] === 0) closed = false
  }
  const volumeMm3 = meshVolume(mesh)
  return {
    triangles: t.length / 3,
    closed,
    manifold: manifold && closed,
    outward: volumeMm3 > 0,
    volumeMm3,
  }
}

/**
 * The mesh mirrored in x with its faces still looking outward: how a right foot's frame becomes
 * real space.
 */
export function mirrorX(mesh: Mesh): Mesh {
  const positions = Float64Array.from(mesh.positions)
  for (let i = 0; i < positions.length; i += 3) positions[i] = -positions[i]!
  const triangles = Uint32Array.from(mesh.triangles)
  for (let i = 0; i < triangles.length; i += 3)
    [triangles[i + 1], triangles[i + 2]] = [triangles[i + 2]!, triangles[i + 1]!]
  return { positions, triangles }
}
