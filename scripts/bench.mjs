// npm run bench: the core's benchmarks, closing with the medians; then the browser's main thread.
import { mkdirSync, readFileSync } from 'node:fs'
import { at, run } from './lib/project.mjs'

mkdirSync(at('.cache'), { recursive: true })
const file = at('.cache/bench.json')
const code = run(process.execPath, [
  'node_modules/vitest/vitest.mjs',
  'bench',
  '--run',
  '--config',
  'tests/bench/vitest.config.ts',
  '--outputJson',
  file,
])
if (code === 0)
  for (const group of JSON.parse(readFileSync(file, 'utf8')).files.flatMap((f) => f.groups))
    for (const b of group.benchmarks)
      console.log(`median ${b.median.toFixed(1).padStart(7)} ms   ${b.name}`)
process.exit(code || run(process.execPath, ['scripts/bench-screen.mjs']))
