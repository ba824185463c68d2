import { createHash } from 'node:crypto'
import type { ScanRow } from '../../shared/contracts'
import type { Client } from './pool'

const COLUMNS =
  'id, side, name, format, unit, points, triangles, sha256, octet_length(bytes) as size, made_by as "madeBy", made_at as "madeAt"'
const toRow = (r: ScanRow & { madeAt: unknown }): ScanRow => ({
  ...r,
  madeAt: (r.madeAt as unknown as Date).toISOString(),
})

/** Scans of a fitting without their bytes, oldest first. */
export async function scansOf(db: Client, shopId: string, fittingId: string): Promise<ScanRow[]> {
  const { rows } = await db.query(
    `select ${COLUMNS} from scans where shop_id = $1 and fitting_id = $2 order by made_at, id`,
    [shopId, fittingId],
  )
  return rows.map(toRow)
}

/** Stores an original; null when the fitting holds the very same bytes already. */
export async function addScan(
  db: Client,
  shopId: string,
  fittingId: string,
  scan: Pick<ScanRow, 'side' | 'name' | 'format' | 'unit' | 'points' | 'triangles'> & {
    bytes: Buffer
    by: string
  },
): Promise<ScanRow | null> {
  const sha256 = createHash('sha256').update(scan.bytes).digest('hex')
  const { rows } = await db.query(
    `insert into scans (shop_id, fitting_id, side, name, format, unit, points, triangles, sha256, bytes, made_by)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11)
     on conflict (fitting_id, sha256) do nothing
     returning ${COLUMNS}`,
    [
      shopId,
      fittingId,
      scan.side,
      scan.name,
      scan.format,
      scan.unit,
      scan.points,
      scan.triangles,
      sha256,
      scan.bytes,
      scan.by,
    ],
  )
  return rows[0] ? toRow(rows[0]) : null
}

export async function scanBytes(
  db: Client,
  shopId: string,
  id: string,
): Promise<{ bytes: Buffer; name: string; fittingId: string; clientId: string } | null> {
  const { rows } = await db.query(
    `select s.bytes, s.name, s.fitting_id as "fittingId", f.client_id as "clientId"
     from scans s
     join fittings f on f.id = s.fitting_id
     where s.shop_id = $1 and s.id = $2`,
    [shopId, id],
  )
  return rows[0] ?? null
}

export async function dropScan(db: Client, shopId: string, id: string): Promise<boolean> {
  return (
    (await db.query('delete from scans where shop_id = $1 and id = $2', [shopId, id])).rowCount ===
    1
  )
}
