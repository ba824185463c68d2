import { writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { format } from 'prettier'
import { z } from 'zod'
import { catalogueSchema } from '../core/footwear/catalogueSchema'
import { RECORD_VERSION, recordSchema } from '../core/record/schema'

/** Writes the open formats as JSON Schema: npm run docs:schema. */
const write = async (name: string, schema: z.ZodType) =>
  writeFileSync(
    fileURLToPath(new URL(`../docs/formats/${name}.schema.json`, import.meta.url)),
    await format(JSON.stringify(z.toJSONSchema(schema, { io: 'input' }), null, 2), {
      parser: 'json',
      printWidth: 100,
    }),
  )

await write(`fitting-${RECORD_VERSION}`, recordSchema)
await write('catalogue-1', catalogueSchema)
