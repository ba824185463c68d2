import { mkdirSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { format } from 'prettier'
import { demoModels } from './catalogue'
import { benchRecords } from './benchRecords'
import { pastRecords } from './pastRecords'
import { DEMO_RECORDS } from './records'

/**
 * Days in the files are counted from this one; the loaded demo counts from the day it is loaded.
 */
const DAY = '2026-11-25'

/** Writes the demo data as files: npm run demo:build. */
const write = async (path: string, value: unknown) =>
  writeFileSync(
    fileURLToPath(new URL(path, import.meta.url)),
    await format(JSON.stringify(value, null, 2), { parser: 'json', printWidth: 100 }),
  )

mkdirSync(fileURLToPath(new URL('./records', import.meta.url)), { recursive: true })
for (const [name, record] of Object.entries(DEMO_RECORDS))
  await write(`./records/${name}.json`, record)
for (const [name, { record }] of Object.entries(benchRecords(DAY)))
  await write(`./records/${name}.json`, record)
for (const [name, record] of Object.entries(pastRecords(DAY)))
  await write(`./records/${name}.json`, record)
await write('./catalogue.json', {
  format: 'gentle-arch/catalogue',
  version: 1,
  models: demoModels(),
})
