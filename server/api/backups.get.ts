import { freeBytes, lastGoodBackup, readBackups } from '../database/keeping'
import { database } from '../database/pool'
import { route } from '../http/route'

/** How things are kept: the last good backup, those that were tried, the room that is left. */
export default route({ permission: 'backups.see' }, async () => ({
  lastGood: await lastGoodBackup(database()),
  backups: await readBackups(database()),
  freeBytes: await freeBytes(),
}))
