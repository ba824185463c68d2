import { HOUSE_NORMS } from '../../../core/record/tables'
import fc from 'fast-check'
import { expect, it } from 'vitest'
import { deviceDiff } from '../../../core/device/deviceDiff'
import { deviceSchema, type Device } from '../../../core/record/schema'
import { randomPrescription } from '../../fixtures/randomDevice'
import { runs } from '../../effort'

const device = fc
  .integer({ min: 1, max: 2000 })
  .map((seed) =>
    deviceSchema.parse(JSON.parse(JSON.stringify(randomPrescription(seed).feet.left!.device))),
  )
type Leaf = { path: (string | number)[]; value: unknown }

/**
 * Every number, word and switch of a device, with where it stands. What only explains a layer
 * changes nothing that is made.
 */
function leaves(value: unknown, path: (string | number)[] = []): Leaf[] {
  if (Array.isArray(value)) return value.flatMap((v, i) => leaves(v, [...path, i]))
  if (value !== null && typeof value === 'object')
    return Object.entries(value).flatMap(([k, v]) =>
      k === 'because' || k === 'name' ? [] : leaves(v, [...path, k]),
    )
  return [{ path, value }]
}
function withLeaf(d: Device, { path }: Leaf, next: unknown): Device | null {
  const copy = JSON.parse(JSON.stringify(d)) as Record<string | number, unknown>
  let at = copy
  for (const key of path.slice(0, -1)) at = at[key] as Record<string | number, unknown>
  at[path.at(-1)!] = next
  const parsed = deviceSchema.safeParse(copy)
  return parsed.success && JSON.stringify(parsed.data) !== JSON.stringify(d) ? parsed.data : null
}
const other = (value: unknown) =>
  typeof value === 'number'
    ? [value + 1, value - 1, value + 0.5]
    : typeof value === 'boolean'
      ? [!value]
      : []

it('a device does not differ from itself, and everything differs from none', () => {
  fc.assert(
    fc.property(device, (d) => {
      expect(deviceDiff(d, d, HOUSE_NORMS)).toEqual([])
      const gone = deviceDiff(d, null, HOUSE_NORMS)
      expect(gone.every((c) => c.after === '–' && c.before !== '–')).toBe(true)
      expect(deviceDiff(null, d, HOUSE_NORMS)).toEqual(
        gone.map(({ what, before, after }) => ({ what, before: after, after: before })),
      )
    }),
  )
})

it('any number or switch of a device that changes is told: nothing that is made differently looks the same', () => {
  // A post that is cast in has no block, and one of 0° there is none: nothing of it is made.
  const OF_BLOCKS = ['half', 'material', 'shoreA', 'glued']
  const made = (d: Device, [part, i, key]: (string | number)[]) => {
    if (part !== 'posts') return true
    const post = d.posts[i as number]!
    return post.angleDeg !== 0 && (post.style === 'extrinsic' || !OF_BLOCKS.includes(String(key)))
  }
  const missed = new Set<string>()
  fc.assert(
    fc.property(device, fc.nat(), (d, pick) => {
      const all = leaves(d).filter((l) => other(l.value).length > 0 && made(d, l.path))
      const leaf = all[pick % all.length]!
      for (const next of other(leaf.value)) {
        const changed = withLeaf(d, leaf, next)
        if (changed && deviceDiff(d, changed, HOUSE_NORMS).length === 0)
          missed.add(
            `${leaf.path.join('.').replace(/\.\d+\./, '.n.')} of ${leaf.path[0] === 'layers' ? d.layers[leaf.path[1] as number]!.kind : 'device'}: ${leaf.value} → ${next}`,
          )
      }
    }),
    { numRuns: runs(1500) },
  )
  expect([...missed]).toEqual([])
})

it('what is told one way is told the other way round', () => {
  fc.assert(
    fc.property(device, device, (a, b) => {
      const turned = deviceDiff(b, a, HOUSE_NORMS).map(({ what, before, after }) => ({
        what,
        before: after,
        after: before,
      }))
      const key = (c: { what: string }) => c.what
      const sorted = (list: { what: string }[]) =>
        [...list].sort((x, y) => (key(x) < key(y) ? -1 : 1))
      expect(sorted(turned)).toEqual(sorted(deviceDiff(a, b, HOUSE_NORMS)))
    }),
  )
})
