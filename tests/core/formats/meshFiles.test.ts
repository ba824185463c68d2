import fc from 'fast-check'
import { strToU8, zipSync } from 'fflate'
import { describe, expect, it } from 'vitest'
import { MESH_FORMATS } from '../../../core/formats/mesh/formats/all'
import { guessUnit } from '../../../core/geometry/units'
import { formatOf, readMesh } from '../../../core/formats/mesh/readMesh'
import { write3mf } from '../../../core/formats/mesh/write3mf'
import { writeMesh } from '../../../core/formats/mesh/writeMesh'
import { meshVolume, type Mesh } from '../../../core/geometry/mesh'
import { Refusal } from '../../../core/record/refusal'
import { runs } from '../../effort'

/** A closed bag of a foot's size: an ellipsoid of latitude and longitude. */
function bag(rings = 24, around = 36): Mesh {
  const points: number[] = [0, 0, 40]
  for (let r = 1; r < rings; r++)
    for (let k = 0; k < around; k++) {
      const [lat, lon] = [(Math.PI * r) / rings, (2 * Math.PI * k) / around]
      points.push(
        48.123456 * Math.sin(lat) * Math.cos(lon),
        131.7 * Math.sin(lat) * Math.sin(lon),
        40 * Math.cos(lat),
      )
    }
  points.push(0, 0, -40)
  const at = (r: number, k: number) => 1 + (r - 1) * around + (k % around)
  const faces: number[] = []
  const last = points.length / 3 - 1
  for (let k = 0; k < around; k++) {
    faces.push(0, at(1, k), at(1, k + 1), last, at(rings - 1, k + 1), at(rings - 1, k))
    for (let r = 1; r < rings - 1; r++)
      faces.push(at(r, k), at(r + 1, k), at(r + 1, k + 1), at(r, k), at(r + 1, k + 1), at(r, k + 1))
  }
  return { positions: Float64Array.from(points), triangles: Uint32Array.from(faces) }
}
const BAG = bag()
const text = (s: string) => new TextEncoder().encode(s)

/** Every corner of every triangle, in order: geometry whatever the numbering of points. */
const corners = (m: Mesh) =>
  Array.from(m.triangles, (t) => [
    m.positions[3 * t]!,
    m.positions[3 * t + 1]!,
    m.positions[3 * t + 2]!,
  ]).flat()

describe('mesh files', () => {
  it('keep geometry on the way STL → PLY → OBJ → 3MF → STL', () => {
    let mesh: Mesh = BAG
    for (const format of ['stl', 'ply', 'obj', '3mf', 'stl'] as const)
      mesh = readMesh(`x.${format}`, writeMesh(format, mesh, 'bag'))
    const [before, after] = [corners(BAG), corners(mesh)]
    expect(after.length).toBe(before.length)
    expect(Math.max(...after.map((v, i) => Math.abs(v - before[i]!)))).toBeLessThan(1e-4)
    expect(mesh.positions.length).toBe(BAG.positions.length)
    expect(meshVolume(mesh)).toBeCloseTo(meshVolume(BAG), 0)
  })
  it('give the same bytes for the same mesh', () => {
    for (const format of MESH_FORMATS)
      expect(writeMesh(format, BAG, 'bag')).toEqual(writeMesh(format, BAG, 'bag'))
  })
  it('are known by their content, whatever their name', () => {
    for (const format of MESH_FORMATS.filter((f) => f !== 'obj'))
      expect(formatOf('scan.bin', writeMesh(format, BAG, 'b')) ?? format).toBe(format)
    expect(formatOf('notes.txt', text('hello'))).toBeNull()
    expect(() => readMesh('notes.txt', text('hello'))).toThrow(/none of STL, OBJ, PLY, 3MF/)
  })
  it('read STL as text, and a binary one whose header says "solid"', () => {
    const facet = (z: number) =>
      `facet normal 0 0 1\nouter loop\nvertex 0 0 ${z}\nvertex 1e1 0 ${z}\nvertex 0 +10.5 ${z}\nendloop\nendfacet\n`
    expect(
      readMesh('a.stl', text(`solid two\n${facet(0)}${facet(1)}endsolid two\n`)),
    ).toMatchObject({ format: 'stl', positions: { length: 18 }, triangles: { length: 6 } })
    const odd = writeMesh('stl', BAG, 'x')
    odd.set(text('solid of something'))
    expect(readMesh('b.stl', odd).triangles.length).toBe(BAG.triangles.length)
  })
  it('read PLY in all three ways, with other properties and polygons', () => {
    const head = (format: string) =>
      [
        'ply',
        `format ${format} 1.0`,
        'comment c',
        'element vertex 4',
        'property float x',
        'property float y',
        'property uchar red',
        'property float z',
        'element face 1',
        'property list uchar int vertex_indices',
        'end_header',
        '',
      ].join('\n')
    const square = [
      [0, 0, 255, 0],
      [10, 0, 1, 0],
      [10, 10, 2, 0],
      [0, 10, 3, 5],
    ]
    const ascii = text(`${head('ascii')}${square.map((r) => r.join(' ')).join('\n')}\n4 0 1 2 3\n`)
    const binary = (little: boolean) => {
      const h = text(head(little ? 'binary_little_endian' : 'binary_big_endian'))
      const out = new Uint8Array(h.length + 4 * 13 + 17)
      out.set(h)
      const view = new DataView(out.buffer)
      let at = h.length
      for (const [x, y, red, z] of square) {
        view.setFloat32(at, x!, little)
        view.setFloat32(at + 4, y!, little)
        view.setUint8(at + 8, red!)
        view.setFloat32(at + 9, z!, little)
        at += 13
      }
      view.setUint8(at, 4)
      for (let i = 0; i < 4; i++) view.setInt32(at + 1 + 4 * i, i, little)
      return out
    }
    const meshes = [ascii, binary(true), binary(false)].map((b) => readMesh('s.ply', b))
    for (const mesh of meshes)
      expect([Array.from(mesh.positions), Array.from(mesh.triangles)]).toEqual([
        [0, 0, 0, 10, 0, 0, 10, 10, 0, 0, 10, 5],
        [0, 1, 2, 0, 2, 3],
      ])
  })
  it('read point clouds, OBJ with slashes and negative numbers, and 3MF parts with transforms in inches', () => {
    const cloud = { positions: BAG.positions, triangles: new Uint32Array(0) }
    expect(readMesh('c.ply', writeMesh('ply', cloud, 'c')).notes).toEqual([
      'a point cloud: no faces',
    ])
    expect(() => writeMesh('stl', cloud, 'c')).toThrow(/no faces/)
    expect(
      Array.from(
        readMesh(
          'o.obj',
          text(
            '# c\nvn 0 0 1\nv 0 0 0\nv 1 0 0\nv 0 1 0\nv 1 1 0\nf 1//1 2//1 3//1\nf -3/1 -1/2 -2/3\nusemtl x\n',
          ),
        ).triangles,
      ),
    ).toEqual([0, 1, 2, 1, 3, 2])
    const model = [
      '<model unit="inch"><resources>',
      '<object id="1"><mesh><vertices><vertex x="0" y="0" z="0"/><vertex x="1" y="0" z="0"/><vertex x="0" y="1" z="0"/></vertices>',
      '<triangles><triangle v1="0" v2="1" v3="2"/></triangles></mesh></object>',
      '<object id="2"><components><component objectid="1" transform="1 0 0 0 1 0 0 0 1 5 0 0"/></components></object>',
      '</resources><build><item objectid="2" transform="1 0 0 0 1 0 0 0 1 0 7 0"/></build></model>',
    ].join('')
    const file = readMesh('p.3mf', zipSync({ '3D/3dmodel.model': strToU8(model) }))
    expect([file.unit, Array.from(file.positions.slice(0, 6))]).toEqual(['in', [5, 7, 0, 6, 7, 0]])
  })
  it('leave out triangles without area and say so', () =>
    expect(readMesh('d.obj', text('v 0 0 0\nv 1 0 0\nv 0 1 0\nf 1 2 3\nf 1 1 2\n')).notes).toEqual([
      '1 triangles without area left out',
    ]))
  it('guess the unit from the size of a foot or a leg', () => {
    const scaled = (k: number) => BAG.positions.map((v) => v * k)
    expect([1, 0.1, 0.001, 1 / 25.4].map((k) => guessUnit(scaled(k)))).toEqual([
      'mm',
      'cm',
      'm',
      'in',
    ])
    expect(guessUnit(scaled(100))).toBeNull()
  })
  it.each([
    ['a.stl', new Uint8Array(0), /empty/],
    ['a.stl', writeMesh('stl', BAG, 'x').slice(0, 5000), /cut off \(triangle 99\)/],
    [
      'a.stl',
      text('solid x\nfacet normal 0 0 1\nouter loop\nvertex 0 0\n'),
      /number is missing.*line 4/,
    ],
    [
      'a.stl',
      text('solid x\nfacet normal 0 0 1\nouter loop\nvertex 0 0 zero\n'),
      /"zero" is not a number.*line 4/,
    ],
    ['a.obj', text('v 0 0 0\nv 1 0 0\nf 1 2 9\n'), /asks for point "9", there are 2.*line 3/],
    ['a.obj', text('{"format":"json"}\n'), /does not begin a line of an OBJ.*line 1/],
    ['a.ply', text('ply\nformat ascii 1.0\nelement vertex 3\nproperty float x\n'), /end_header/],
    [
      'a.ply',
      text(
        'ply\nformat ascii 1.0\nelement vertex 3\nproperty float x\nproperty float y\nproperty float z\nend_header\n0 0 0\n1 1\n',
      ),
      /cut off|missing/,
    ],
    [
      'a.ply',
      text(
        'ply\nformat ascii 1.0\nelement vertex 999999999\nproperty float x\nproperty float y\nproperty float z\nend_header\n',
      ),
      /promises 999999999/,
    ],
    ['a.3mf', write3mf([{ name: 'x', mesh: BAG }]).slice(0, 900), /cannot be unpacked/],
    ['a.3mf', zipSync({ 'readme.txt': strToU8('x') }), /no model/],
    [
      'a.3mf',
      zipSync({ '3D/3dmodel.model': strToU8('<model unit="mile"></model>') }),
      /"mile" is no unit/,
    ],
  ])('refuse a broken %s with its place', (name, bytes, words) =>
    expect(() => readMesh(name, bytes)).toThrow(words),
  )
  it('refuse packages that were made to flood: huge models, nested objects, endless entries', () => {
    const packed = (model: string) => zipSync({ '3D/3dmodel.model': strToU8(model) })
    const spaces = zipSync({ '3D/3dmodel.model': new Uint8Array(60_000_000).fill(32) })
    expect(spaces.length).toBeLessThan(100_000)
    expect(() => readMesh('a.3mf', spaces)).toThrow(/more than 200 times its size/)
    const within = Array.from(
      { length: 8 },
      (_, i) =>
        `<object id="${i}"><components>${`<component objectid="${i + 1}"/>`.repeat(20)}</components></object>`,
    ).join('')
    const nested = `<model>${within}<object id="8"/><build><item objectid="0"/></build></model>`
    expect(() => readMesh('a.3mf', packed(nested))).toThrow(/put together more than 10000 times/)
    const itself = '<object id="1"><components><component objectid="1"/></components></object>'
    expect(() =>
      readMesh('a.3mf', packed(`<model>${itself}<build><item objectid="1"/></build></model>`)),
    ).toThrow(/too deeply/)
    const many = Object.fromEntries(
      Array.from({ length: 10_001 }, (_, i) => [`3D/${i}.model`, new Uint8Array(0)]),
    )
    expect(() => readMesh('a.3mf', zipSync(many))).toThrow(/More than 10000 entries/)
    // A package within a package is no model.
    const inner = packed('<model></model>')
    expect(() => readMesh('a.3mf', zipSync({ 'inner.3mf': inner }))).toThrow(/no model/)
  })
  it('never crash or hang on damaged bytes: 300 files, each read or refused in one sentence', () => {
    const sound = MESH_FORMATS.map((f) => [f, writeMesh(f, bag(8, 10), 'x')] as const)
    const damage = fc.record({
      which: fc.nat(3),
      cut: fc.double({ min: 0, max: 1, noNaN: true }),
      edits: fc.array(fc.tuple(fc.double({ min: 0, max: 1, noNaN: true }), fc.nat(255)), {
        maxLength: 12,
      }),
      doCut: fc.boolean(),
    })
    let refused = 0
    fc.assert(
      fc.property(damage, ({ which, cut, edits, doCut }) => {
        const [format, whole] = sound[which]!
        const bytes = whole.slice(0, doCut ? Math.floor(cut * whole.length) : whole.length)
        for (const [at, value] of edits)
          if (bytes.length) bytes[Math.floor(at * (bytes.length - 1))] = value
        try {
          const mesh = readMesh(`x.${format}`, bytes)
          expect(mesh.positions.every(Number.isFinite)).toBe(true)
        } catch (error) {
          refused++
          expect(error).toBeInstanceOf(Refusal)
          expect((error as Refusal).message).toMatch(/^\S.*\(.+\)\.$/s)
        }
      }),
      { numRuns: runs(300), seed: 4 },
    )
    expect(refused).toBeGreaterThan(runs(300) / 3)
  })
})
