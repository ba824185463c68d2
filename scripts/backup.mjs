// npm run backup -- FILE: everything the application holds, as one PostgreSQL archive.
// npm run backup -- --night: the same, as every night, into the folder of the nights.
// npm run backup -- --last: when the last good one was made.
import { backup, ownerUrl } from './lib/archive.mjs'
import { backUpNight, lastGood } from './lib/nightly.mjs'
import { at, stop } from './lib/project.mjs'

const what = process.argv[2]
if (!what) stop('Say where to: npm run backup -- backup.arch')
if (what === '--last') {
  const good = await lastGood(ownerUrl())
  console.log(good ? `Last good backup: ${good.toISOString()}` : 'There is no good backup yet.')
} else if (what === '--night') {
  const file = await backUpNight(process.env.ARCH_BACKUPS ?? at('.data/backups'), ownerUrl())
  console.log(`Backup written and read back: ${file}`)
} else {
  backup(what)
  console.log(`Backup written and read back: ${what}`)
}
