import { describe, expect, it } from 'vitest'
import { buildDevice } from '../../core/device/buildDevice'
import { coverLine, soleOutline, trimLine } from '../../core/device/outline'
import { writeStl } from '../../core/formats/mesh/writeStl'
import { svgTemplate } from '../../core/formats/svgTemplate'
import { referenceRecord } from '../fixtures/feet'

const { body, solid } = buildDevice(referenceRecord().feet.left!, 'left')

describe('STL', () => {
  it('holds every face, and the same bytes every time', () => {
    const bytes = writeStl(solid.mesh, 'left device')
    expect(bytes.length).toBe(84 + 50 * solid.report.triangles)
    expect(new DataView(bytes.buffer).getUint32(80, true)).toBe(solid.report.triangles)
    expect(Buffer.compare(writeStl(solid.mesh, 'left device'), bytes)).toBe(0)
  })
})

describe('the trim template', () => {
  const input = { label: 'HR-0412 <b>', trim: trimLine(body), cover: coverLine(body, 'sulcus'), foot: soleOutline(body.surface.field.sole) }
  const left = svgTemplate({ ...input, side: 'left' })
  it('is 1:1 in millimetres with a 100 mm control line', () => {
    const [, width, box] = /width="([\d.]+)mm".*viewBox="0 0 ([\d.]+)/.exec(left)!
    expect(width).toBe(box)
    expect(left).toContain('h100m')
  })
  it('is as long as the shell: heel to 5 mm behind the heads', () => {
    const ys = /id="trim" d="M([^Z]+)Z/.exec(left)![1]!.split('L').map((p) => Number(p.split(' ')[1]))
    expect(Math.max(...ys) - Math.min(...ys)).toBeCloseTo(0.735 * 265 - 5 + 3.2 - 0.5, -0.5)
  })
  it('mirrors the other side, names it, and escapes the label', () => {
    const right = svgTemplate({ ...input, side: 'right' })
    expect(right).toContain('RIGHT')
    expect(right).not.toBe(left)
    expect(left).not.toContain('<b>')
  })
})
