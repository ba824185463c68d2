import { statfs } from 'node:fs/promises'
import type { BackupRow } from '../../shared/contracts'
import type { Client } from './pool'

/** Backups that were tried, the newest first. */
export async function readBackups(db: Client, most = 20): Promise<BackupRow[]> {
  const { rows } = await db.query(
    `select at, file, bytes::float8 as bytes, problem from backups order by id desc limit $1`,
    [most],
  )
  return rows
}

/** The newest backup that was read back and is good. */
export async function lastGoodBackup(db: Client): Promise<BackupRow | null> {
  const { rows } = await db.query(
    `select at, file, bytes::float8 as bytes, problem from backups
     where problem is null order by id desc limit 1`,
  )
  return rows[0] ?? null
}

/** Clients whose list of what is due is still to be reckoned. */
export async function waitingToBeReckoned(db: Client): Promise<number> {
  const { rows } = await db.query(
    'select count(*)::int as n from (select 1 from clients where due_reckoned_at is null limit 1000) s',
  )
  return rows[0].n
}

/** Room left where the server keeps things, bytes; null where it cannot be told. */
export async function freeBytes(folder = process.env.ARCH_DATA ?? '.'): Promise<number | null> {
  const room = await statfs(folder).catch(() => null)
  return room && room.bavail * room.bsize
}
