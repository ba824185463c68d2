import { parseWith } from '../../core/record/parse'
import { deviceSchema, RECORD_VERSION, type Device } from '../../core/record/schema'
import type { PresetRow } from '../../shared/contracts'
import type { Client } from './pool'
import { partContent } from './storedParts'

/** The shop's device presets by name. */
export async function readPresets(db: Client, shopId: string): Promise<PresetRow[]> {
  const { rows } = await db.query(
    'select id, name, note, device, record_version, made_by, made_at from device_presets where shop_id = $1 order by name',
    [shopId],
  )
  return rows.map((r) => ({
    id: r.id,
    name: r.name,
    note: r.note,
    device: parseWith(
      deviceSchema,
      partContent('device.left', r.device, r.record_version),
      'preset',
    ),
    madeBy: r.made_by,
    madeAt: r.made_at.toISOString(),
  }))
}

/** Keeps a preset; null when the shop has one of this name. */
export async function addPreset(
  db: Client,
  shopId: string,
  preset: { name: string; note: string; device: Device },
  by: string,
): Promise<{ id: string } | null> {
  const { rows } = await db.query(
    `insert into device_presets (shop_id, name, note, device, made_by, record_version)
     values ($1, $2, $3, $4, $5, $6)
     on conflict (shop_id, name) do nothing
     returning id`,
    [shopId, preset.name, preset.note, JSON.stringify(preset.device), by, RECORD_VERSION],
  )
  return rows[0] ?? null
}

/** Removes a preset; false when this shop has none with this id. */
export async function dropPreset(db: Client, shopId: string, id: string): Promise<boolean> {
  const { rowCount } = await db.query('delete from device_presets where shop_id = $1 and id = $2', [
    shopId,
    id,
  ])
  return rowCount === 1
}
