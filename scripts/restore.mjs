// npm run restore -- FILE: puts a backup into an empty database (a fresh data folder, or the server
// of MIGRATION_URL).
import { restore } from './lib/archive.mjs'
import { stop } from './lib/project.mjs'

const file = process.argv[2]
if (!file) stop('Say from where: npm run restore -- backup.arch')
await restore(file)
console.log(`Restored from ${file}. Start with npm start.`)
