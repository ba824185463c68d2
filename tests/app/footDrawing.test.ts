import { HOUSE_NORMS } from '../../core/record/tables'
import fc from 'fast-check'
import { expect, test } from 'vitest'
import {
  drawSole,
  isInside,
  mirror,
  pathOf,
  thin,
  tint,
  toDrawing,
} from '../../app/drawing/footDrawing'
import { soleParameters } from '../../core/device/soleParameters'
import { soleOutline } from '../../core/device/outline'
import { referenceRecord } from '../fixtures/feet'

const parameters = soleParameters(referenceRecord().feet.left!, HOUSE_NORMS)!.parameters
const points = (d: string) =>
  d
    .split(/[MLZ]/)
    .filter(Boolean)
    .map((p) => p.split(' ').map(Number) as [number, number])
const place = fc.tuple(fc.integer({ min: -60, max: 60 }), fc.integer({ min: 0, max: 300 }))

test('the two feet face each other: one is the mirror of the other, heel down', () => {
  fc.assert(
    fc.property(place, ([x, y]) => {
      const [l, r] = [toDrawing('left', 265, [x, y]), toDrawing('right', 265, [x, y])]
      expect([l[0] + r[0], l[1] - r[1], l[1]]).toEqual([0, 0, 265 - y])
    }),
  )
  expect([mirror('left'), mirror('right')]).toEqual([1, -1])
  const [left, right] = [drawSole('left', parameters), drawSole('right', parameters)]
  expect(points(right.outline).map(([x, y]) => [x === 0 ? 0 : -x, y])).toEqual(
    points(left.outline).map(([x, y]) => [x, y]),
  )
})

/** Rings run over the edge by two cells and a half, where the drawing cuts them off. */
const OVER_MM = 5

test('the terrain stays on the sheet of its foot: every ring lies in the outline’s box, heights stand inside the outline, darker is higher', () => {
  const { rings, outline, sole, lengthMm } = drawSole('left', parameters)
  const box = points(outline)
  const [xs, ys] = [box.map((p) => p[0]), box.map((p) => p[1])]
  for (const ring of rings)
    for (const [x, y] of points(ring.d)) {
      expect(x).toBeGreaterThanOrEqual(Math.min(...xs) - OVER_MM)
      expect(x).toBeLessThanOrEqual(Math.max(...xs) + OVER_MM)
      expect(y).toBeGreaterThanOrEqual(Math.min(...ys) - OVER_MM)
      expect(y).toBeLessThanOrEqual(Math.max(...ys) + OVER_MM)
    }
  const line = soleOutline(sole)
  const labels = rings.flatMap((r) => (r.label ? [r.label] : []))
  expect(labels.length).toBeGreaterThan(0)
  for (const [x, y] of labels) expect(isInside(line, x, lengthMm - y)).toBe(true)
  const light = (hex: string) => hex.match(/\d+/g)!.reduce((sum, v) => sum + Number(v), 0)
  expect(rings.map((r) => light(r.fill))).toEqual(
    [...rings.map((r) => light(r.fill))].sort((a, b) => b - a),
  )
})

test('thinning drops what lies close, keeps the first point, and never makes a step longer than it has to', () => {
  fc.assert(
    fc.property(
      fc.array(place, { maxLength: 60 }),
      fc.integer({ min: 1, max: 20 }),
      (line, every) => {
        const out = thin(line, every)
        expect(out[0]).toEqual(line[0])
        for (let i = 1; i < out.length; i++)
          expect(
            Math.hypot(out[i]![0] - out[i - 1]![0], out[i]![1] - out[i - 1]![1]),
          ).toBeGreaterThanOrEqual(every)
        for (const p of line)
          expect(out.some((q) => Math.hypot(p[0] - q[0], p[1] - q[1]) < every)).toBe(true)
      },
    ),
  )
})

test('inside and outside of a square, a path of nothing, and tints at both ends', () => {
  const square = [
    [0, 0],
    [10, 0],
    [10, 10],
    [0, 10],
  ] as const
  const offTheLines = fc.integer({ min: -20, max: 30 }).map((v) => v + 0.3)
  fc.assert(
    fc.property(offTheLines, offTheLines, (x, y) => {
      expect(isInside(square, x, y)).toBe(x > 0 && x < 10 && y > 0 && y < 10)
    }),
  )
  expect(pathOf('left', 265, [])).toBe('')
  expect(
    pathOf('right', 265, [
      [10, 0],
      [0, 265],
    ]),
  ).toBe('M-10 265L0 0Z')
  expect([tint('#000000', 0, 5, 0, 1), tint('#000000', 5, 5, 0, 1)]).toEqual([
    'rgb(255, 253, 248)',
    'rgb(0, 0, 0)',
  ])
})
