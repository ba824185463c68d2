import { HOUSE_NORMS } from '../../../core/record/tables'
import { strFromU8, unzipSync } from 'fflate'
import { describe, expect, it } from 'vitest'
import { buildDevice } from '../../../core/device/buildDevice'
import { deviceFiles, pairFiles, templateOf, zipFiles } from '../../../core/formats/deviceFiles'
import { dxfTemplate } from '../../../core/formats/dxfTemplate'
import { readMesh } from '../../../core/formats/mesh/readMesh'
import { svgTemplate } from '../../../core/formats/svgTemplate'
import { meshVolume } from '../../../core/geometry/mesh'
import { DEMO_RECORDS } from '../../../demo/records'
import { referenceRecord } from '../../fixtures/feet'

const device = {
  layers: [
    { kind: 'medialSkive' },
    { kind: 'heelAperture', through: true, radiusMm: 10 },
    { kind: 'firstRayExtension' },
    { kind: 'toeCarbonPlate' },
  ],
  outline: { cover: 'sulcus' },
}
const record = referenceRecord(device)
const built = buildDevice(record.feet.left!, 'left', HOUSE_NORMS)
const files = deviceFiles(built, 'left', 'HR-0412', HOUSE_NORMS)
const bytesOf = (name: string) => files.find((f) => f.name === name)!.bytes

describe('mesh files', () => {
  it.each(['left.stl', 'left.obj', 'left.3mf'])('%s holds the solid in millimetres', (name) => {
    const file = readMesh(name, bytesOf(name))
    expect(file.triangles.length / 3).toBe(built.solid.report.triangles)
    expect(Math.abs(meshVolume(file) / built.solid.report.volumeMm3 - 1)).toBeLessThan(1e-5)
  })
  it('names what it holds, and stands a pair side by side in one file', () => {
    expect(strFromU8(bytesOf('left.obj')).slice(0, 60)).toContain('o left_device')
    const pair = pairFiles(record, '2026-11-25').find((f) => f.name === 'pair.3mf')!
    const model = strFromU8(unzipSync(pair.bytes)['3D/3dmodel.model']!)
    expect(model).toContain('unit="millimeter"')
    expect(
      [...model.matchAll(/object id="\d" type="model" name="(\w+) device"/g)].map((m) => m[1]),
    ).toEqual(['left', 'right'])
  })
  it('gives the sole surface for milling: open, over the whole foot, as high as the top', () => {
    const { positions } = readMesh('left-sole.stl', bytesOf('left-sole.stl'))
    const ys = positions.filter((_, i) => i % 3 === 1)
    expect(Math.max(...ys)).toBeGreaterThan(262)
    expect(Math.min(...positions.filter((_, i) => i % 3 === 2))).toBeGreaterThan(1)
  })
})

describe('the trim template', () => {
  const template = templateOf(built, 'left', 'HR-0412 <b>', HOUSE_NORMS)
  const svg = svgTemplate(template)
  const dxf = dxfTemplate(template)
  /** Closed and open lines of an SVG, by id. */
  const svgLines = new Map(
    [...svg.matchAll(/<path id="([^"]+)" d="M([^"Z]+)Z?"/g)].map((m) => [
      m[1]!,
      m[2]!.split('L').map((p) => p.split(' ').map(Number) as [number, number]),
    ]),
  )
  /** Polylines of a DXF by their group codes, in the order of the file. */
  const dxfLines: [number, number][][] = []
  const rows = dxf.split('\n')
  let entity = ''
  for (let i = 0; i + 1 < rows.length; i += 2) {
    const [code, value] = [Number(rows[i]), rows[i + 1]!.trim()]
    if (code === 0 && (entity = value) === 'LWPOLYLINE') dxfLines.push([])
    if (entity === 'LWPOLYLINE' && code === 10) dxfLines.at(-1)!.push([Number(value), NaN])
    if (entity === 'LWPOLYLINE' && code === 20) dxfLines.at(-1)!.at(-1)![1] = Number(value)
  }
  it('is 1:1 in millimetres with a control line of 100 mm', () => {
    const [, width, box] = /width="([\d.]+)mm".*viewBox="0 0 ([\d.]+)/.exec(svg)!
    expect(width).toBe(box)
    const [from, to] = svgLines.get('control')!
    expect(to![0] - from![0]).toBe(100)
    expect(
      dxfLines.some(
        (l) =>
          l.length === 2 &&
          Math.abs(Math.hypot(l[1]![0] - l[0]![0], l[1]![1] - l[0]![1]) - 100) < 1e-9,
      ),
    ).toBe(true)
  })
  it('is as long as the shell: heel to 5 mm behind the heads', () => {
    const ys = svgLines.get('trim')!.map((p) => p[1])
    expect(Math.max(...ys) - Math.min(...ys)).toBeCloseTo(0.735 * 265 - 5 + 3.2 - 0.5, -0.5)
  })
  it('says the same in SVG and DXF within 0.05 mm, line by line', () => {
    // A DXF keeps its lines layer by layer: what is cut first, then the covers, then the foot.
    const both = ['solid', 'dashed', 'light']
      .flatMap((style) => template.lines.filter((l) => l.style === style))
      .map((l) => svgLines.get(l.id)!)
    expect(dxfLines.length).toBe(both.length)
    both.forEach((line, k) => {
      expect(dxfLines[k]!.length).toBe(line.length)
      line.forEach(([x, y], i) =>
        expect(
          Math.hypot(dxfLines[k]![i]![0] - x, template.heightMm - dxfLines[k]![i]![1] - y),
        ).toBeLessThan(0.05),
      )
    })
    expect(dxf).toMatch(/\$INSUNITS\s+70\s+4\s/)
  })
  it('draws holes and the parts that are cut from sheet', () => {
    expect(svgLines.has('hole-1')).toBe(true)
    const plate = svgLines.get('toeCarbonPlate-4')!
    const foot = svgLines.get('foot')!
    expect(Math.max(...foot.map((p) => p[1])) - Math.max(...plate.map((p) => p[1]))).toBeCloseTo(
      6,
      1,
    )
    expect(svgLines.has('firstRayExtension-3')).toBe(true)
  })
  it('mirrors the other side, names it, and escapes the label', () => {
    const right = svgTemplate(templateOf(built, 'right', 'HR-0412', HOUSE_NORMS))
    expect(right).toContain('RIGHT')
    expect(right).not.toBe(svg)
    expect(svg).not.toContain('<b>')
  })
})

describe('files of one record', () => {
  it('are byte for byte the same every time, zip and all', () => {
    const zip = () => zipFiles(pairFiles(DEMO_RECORDS['tove-marchetti']!, '2026-11-25'))
    const [first, again] = [zip(), zip()]
    expect(Buffer.compare(first, again)).toBe(0)
    expect(Object.keys(unzipSync(first)).sort()).toEqual([
      'left-positive.stl',
      'left-sole.stl',
      'left-template.dxf',
      'left-template.svg',
      'left.3mf',
      'left.obj',
      'left.stl',
      'pair.3mf',
      'prescription.json',
      'right-positive.stl',
      'right-sole.stl',
      'right-template.dxf',
      'right-template.svg',
      'right.3mf',
      'right.obj',
      'right.stl',
    ])
  })
})
