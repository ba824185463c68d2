import { writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { z } from 'zod'
import { catalogueSchema } from '../core/footwear/catalogueSchema'
import { recordSchema } from '../core/record/schema'

/** Writes the open formats as JSON Schema: npm run docs:schema. */
const write = (name: string, schema: z.ZodType) =>
  writeFileSync(
    fileURLToPath(new URL(`../docs/formats/${name}.schema.json`, import.meta.url)),
    `${JSON.stringify(z.toJSONSchema(schema, { io: 'input' }), null, 2)}\n`,
  )

write('fitting-1', recordSchema)
write('catalogue-1', catalogueSchema)
