import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { completeTables } from '../../../core/record/migrate/completeTables'
import { migratePart } from '../../../core/record/migrate/migrate'
import { parseRecord, parseWith } from '../../../core/record/parse'
import { PART_SCHEMAS, splitRecord, type PartName, type Parts } from '../../../core/record/parts'
import { RECORD_VERSION, type FittingRecord } from '../../../core/record/schema'
import {
  HOUSE_NORMS,
  HOUSE_TABLES,
  NORM_KEYS,
  normsSchema,
  SHOP_KEYS,
  shopTablesSchema,
  TABLES,
  type TableKey,
} from '../../../core/record/tables'
import { refusalCode } from '../../fixtures/refusalCode'

type Json = Record<string, unknown>

/**
 * What this program wrote in earlier times: a record, and the table of a shop as it then was; the
 * first one had none. A new shape adds a file; none is ever changed.
 */
const PLACE = new URL('../../fixtures/olderShapes/', import.meta.url)
const SHAPES = readdirSync(PLACE).map((file) => {
  const { norms, record } = JSON.parse(readFileSync(new URL(file, PLACE), 'utf8')) as {
    norms: Json | null
    record: Json
  }
  return { name: file.replace('.json', ''), norms, record }
})
const EVERY_TABLE = Object.keys(TABLES) as TableKey[]
const stored = (norms: Json) => NORM_KEYS.filter((key) => norms[key] !== undefined)

/** A record with what has another name today under that name: nothing else may have changed. */
function underPresentNames(record: Json): Json {
  const feet = Object.entries(record.feet as Record<string, { device?: Json }>)
  const devices = feet.map(([side, { device, ...foot }]) => {
    if (!device) return [side, foot]
    const { castAngleDeg, ...rest } = device
    const balance = castAngleDeg === undefined ? {} : { balance: { pourDeg: castAngleDeg } }
    return [side, { ...foot, device: { ...rest, ...balance } }]
  })
  return { ...record, feet: Object.fromEntries(devices) }
}

describe.each(SHAPES)('a record of the time of $name', ({ norms, record }) => {
  it('opens with everything it held', () => {
    const opened = parseRecord(structuredClone(record))
    expect(opened.version).toBe(RECORD_VERSION)
    const { version: _, ...before } = record
    expect(opened).toMatchObject(underPresentNames(before))
  })
  it('opens with the table it was judged by: what that held stays, what it lacked is the house’s', () => {
    const own = norms && { ...norms, version: 7, source: 'our own', growthCapMm: 3.5 }
    const opened = parseRecord({ ...structuredClone(record), ...(own && { norms: own }) })
    if (!own) return expect(opened.norms).toBeUndefined()
    expect(opened.norms).toMatchObject({ version: 7, source: 'our own', growthCapMm: 3.5 })
    for (const key of NORM_KEYS) {
      if (key === 'growthCapMm') continue
      if (stored(norms).includes(key)) expect(opened.norms![key], key).toMatchObject(norms[key]!)
      else expect(opened.norms![key], key).toEqual(HOUSE_NORMS[key])
    }
    // What is the shop's stays with the shop.
    for (const key of SHOP_KEYS) expect(opened.norms).not.toHaveProperty(key)
  })
  it('lies in the database in parts that open one by one', () => {
    const raw = { ...structuredClone(record), ...(norms && { norms }) } as unknown as FittingRecord
    const opened = Object.entries(splitRecord(raw)).map(([part, content]) => [
      part,
      parseWith(PART_SCHEMAS[part as PartName], migratePart(part, content, 1), part),
    ])
    expect(Object.fromEntries(opened) as Parts).toEqual(splitRecord(parseRecord(raw)))
  })
  it.runIf(norms)('had a shop whose tables open, prices and processes too', () => {
    const own = { ...norms, painChange: 1.5 }
    const opened = parseWith(shopTablesSchema, completeTables(own, EVERY_TABLE), 'norms')
    expect(opened.painChange).toBe(1.5)
    for (const key of SHOP_KEYS)
      if (norms![key] === undefined) expect(opened[key], key).toEqual(HOUSE_TABLES[key])
      else expect(opened[key], key).toMatchObject(norms![key]!)
  })
})

describe('completing a table', () => {
  it('fills in a reading that was not measured then, beside those that were', () => {
    const { waistGirthMm: _, ...bounds } = HOUSE_NORMS.hardBoundsMm
    const old = { hardBoundsMm: { ...bounds, footLengthMm: [120, 390] } }
    const opened = normsSchema.parse(completeTables(old, NORM_KEYS))
    expect(opened.hardBoundsMm.footLengthMm).toEqual([120, 390])
    expect(opened.hardBoundsMm.waistGirthMm).toEqual(HOUSE_NORMS.hardBoundsMm.waistGirthMm)
  })
  it('leaves lists as the shop has them: a material it took out stays out', () => {
    const one = HOUSE_NORMS.shellMaterials.slice(0, 1)
    const opened = normsSchema.parse(completeTables({ shellMaterials: one }, NORM_KEYS))
    expect(opened.shellMaterials).toEqual(one)
  })
  it('completes a row of a list by the house’s row of the same name, and only that', () => {
    const [house] = HOUSE_NORMS.shellMaterials.filter((m) => m.id === 'pa12')
    const { making: _, leastMm: __, ...before } = { ...house!, youngMPa: 1500 }
    const own = { ...before, id: 'own', name: 'Own' }
    const { shellMaterials } = normsSchema.parse(
      completeTables({ shellMaterials: [before, own] }, NORM_KEYS),
    )
    expect(shellMaterials[0]).toEqual({ ...house, youngMPa: 1500 })
    expect(shellMaterials[1]).toMatchObject({ id: 'own', making: 'pressed' })
  })
  it('does not hide what nobody knows: an unknown key is still refused', () => {
    expect(() => normsSchema.parse(completeTables({ growthCap: 4 }, NORM_KEYS))).toThrow(
      /growthCap/,
    )
  })
})

describe('a record of another program', () => {
  it('of a later version is refused with what to do', () => {
    const later = { format: 'gentle-arch/fitting', version: RECORD_VERSION + 1, feet: {} }
    expect(refusalCode(() => parseRecord(later))).toBe('newer-version')
    expect(() => parseRecord(later)).toThrow(/Update the program/)
  })
  it.each([0, -1, 1.5, '2', null])('of version %s is no record', (version) => {
    expect(() => parseRecord({ format: 'gentle-arch/fitting', version, feet: {} })).toThrow()
  })
})
