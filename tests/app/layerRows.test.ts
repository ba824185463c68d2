import fc from 'fast-check'
import { expect, test } from 'vitest'
import {
  doubleLayer,
  dropLayer,
  layerAt,
  layerRows,
  orderLayers,
  rowName,
  setLayer,
  type LayerRow,
} from '../../app/stations/prescribe/layerRows'
import type { Device } from '../../core/record/schema'
import { randomPrescription } from '../fixtures/randomDevice'

const device = fc
  .integer({ min: 1, max: 600 })
  .map((seed) => randomPrescription(seed).feet.left!.device!)
const devices = fc.tuple(device, device)
const kinds = (d: Device) => d.layers.map((l) => l.kind)
/** A row of one of the two devices, if they have any. */
const rowOf = (rows: LayerRow[], pick: number): LayerRow | undefined =>
  rows[pick % Math.max(1, rows.length)]

test('every layer of either foot stands in one row, and its row points at it', () => {
  fc.assert(
    fc.property(devices, ([left, right]) => {
      const rows = layerRows(left, right)
      for (const [side, d] of [
        ['left', left],
        ['right', right],
      ] as const) {
        expect(
          rows
            .map((r) => r.index[side])
            .filter((i) => i >= 0)
            .sort((a, b) => a - b),
        ).toEqual(d.layers.map((_, i) => i))
        for (const row of rows)
          expect(layerAt(d, row)).toBe(row.index[side] < 0 ? undefined : d.layers[row.index[side]])
      }
      expect(new Set(rows.map((r) => r.key)).size).toBe(rows.length)
    }),
  )
})

test('the left foot keeps its order, and what only the right has stands behind what it follows there', () => {
  fc.assert(
    fc.property(devices, ([left, right]) => {
      const rows = layerRows(left, right)
      const ofLeft = rows.filter((r) => r.index.left >= 0).map((r) => r.index.left)
      expect(ofLeft).toEqual([...ofLeft].sort((a, b) => a - b))
      rows.forEach((row, place) => {
        if (row.index.left >= 0 || row.index.right <= 0) return
        const before = rows.findIndex((r) => r.index.right === row.index.right - 1)
        expect(before).toBeLessThan(place)
      })
    }),
  )
})

test('order, double and drop move layers and lose none of their numbers', () => {
  fc.assert(
    fc.property(devices, fc.nat(), fc.nat(), ([d, other], pick, seed) => {
      const rows = layerRows(d, d)
      const row = rowOf(rows, pick)
      if (!row) return
      const doubled = doubleLayer(row)(d)
      expect(kinds(doubled)).toHaveLength(d.layers.length + 1)
      expect(doubled.layers[row.index.left + 1]).toEqual(d.layers[row.index.left])
      expect(dropLayer({ ...row, nth: row.nth + 1 })(doubled)).toEqual(d)
      expect(dropLayer(row)(d).layers).toEqual(d.layers.filter((_, i) => i !== row.index.left))
      const shuffled = rows
        .map((r, i) => [r.key, (i * 7919 + seed) % 101] as const)
        .sort((a, b) => a[1] - b[1])
        .map(([key]) => key)
      const ordered = orderLayers(shuffled)(d)
      expect(
        layerRows(ordered, other)
          .filter((r) => r.index.left >= 0)
          .map((r) => r.kind),
      ).toEqual(shuffled.map((key) => key.split('#')[0]))
      // A layer's numbers go with it.
      expect([...ordered.layers.map((l) => JSON.stringify(l))].sort()).toEqual(
        d.layers.map((l) => JSON.stringify(l)).sort(),
      )
    }),
  )
})

test('a layer that one foot lacks is added with its defaults when its number is set there', () => {
  fc.assert(
    fc.property(devices, fc.nat(), ([left, right], pick) => {
      const row = rowOf(
        layerRows(left, right).filter((r) => r.index.right < 0 && r.nth === 0),
        pick,
      )
      if (!row) return
      const next = setLayer(row, { name: 'as on the left' })(right)
      expect(kinds(next)).toEqual([...kinds(right), row.kind])
      expect(layerAt(next, row)).toMatchObject({ kind: row.kind, on: true, name: 'as on the left' })
      expect(setLayer(row, { name: 'again' })(next).layers).toHaveLength(next.layers.length)
      expect(rowName(row, layerAt(left, row), layerAt(next, row))).toBe(
        layerAt(left, row)!.name ?? 'as on the left',
      )
    }),
  )
})
