import { mkdirSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { demoModels } from './catalogue'
import { DEMO_RECORDS } from './records'

/** Writes the demo data as files: npm run demo:build. */
const write = (path: string, value: unknown) => writeFileSync(fileURLToPath(new URL(path, import.meta.url)), `${JSON.stringify(value, null, 2)}\n`)

mkdirSync(fileURLToPath(new URL('./records', import.meta.url)), { recursive: true })
for (const [name, record] of Object.entries(DEMO_RECORDS)) write(`./records/${name}.json`, record)
write('./catalogue.json', { format: 'gentle-arch/catalogue', version: 1, models: demoModels() })
