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

type Told = 'id' | 'side' | 'name' | 'format' | 'unit' | 'points' | 'triangles' | 'sha256'

/**
 * Stores an original under its own id; sent again, it is the one that is there. Null when the
 * fitting holds the very same bytes already, or somebody else's file has this id.
 */
export async function addScan(
  db: Client,
  shopId: string,
  fittingId: string,
  scan: Pick<ScanRow, Told> & {
    bytes: Uint8Array<ArrayBuffer>
    by: string
  },
): Promise<{ scan: ScanRow; isNew: boolean } | null> {
  const { sha256 } = scan
  const { rows } = await db.query(
    `insert into scans (id, shop_id, fitting_id, side, name, format, unit, points, triangles, sha256, bytes, made_by)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12)
     on conflict do nothing
     returning ${COLUMNS}`,
    [
      scan.id,
      shopId,
      fittingId,
      scan.side,
      scan.name,
      scan.format,
      scan.unit,
      scan.points,
      scan.triangles,
      sha256,
      Buffer.from(scan.bytes.buffer),
      scan.by,
    ],
  )
  if (rows[0]) return { scan: toRow(rows[0]), isNew: true }
  const { rows: there } = await db.query(
    `select ${COLUMNS} from scans
     where id = $1 and shop_id = $2 and fitting_id = $3 and sha256 = $4`,
    [scan.id, shopId, fittingId, sha256],
  )
  return there[0] ? { scan: toRow(there[0]), isNew: false } : null
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
