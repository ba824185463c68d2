// npm run backup -- FILE: everything the application holds, as one PostgreSQL archive.
import { backup } from './lib/archive.mjs'
import { stop } from './lib/project.mjs'

const file = process.argv[2]
if (!file) stop('Say where to: npm run backup -- backup.arch')
backup(file)
console.log(`Backup written: ${file}`)
