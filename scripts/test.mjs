// npm test: lint, types, core and server tests, build, browser tests; closes with one line "N passed, N failed".
import { mkdirSync, readFileSync, rmSync } from 'node:fs'
import { at, build, run, say } from './lib/project.mjs'
import { needDebian, needNpm } from './lib/packages.mjs'

needDebian(['postgresql', 'chromium', 'poppler-utils', 'admesh'])
needNpm()

let passed = 0
let failed = 0
const began = Date.now()
const step = async (name, work) => {
  say(`${name} …`)
  const start = Date.now()
  const [good, bad] = await work()
  passed += good
  failed += bad
  say(`${name}: ${good} passed, ${bad} failed (${((Date.now() - start) / 1000).toFixed(0)} s)\n`)
  return bad === 0
}
const one = (code) => (code === 0 ? [1, 0] : [0, 1])
const reports = at('test-results')
mkdirSync(reports, { recursive: true })

/** Counts of a runner's JSON report; a runner that failed without a failing test counts as one failure. */
const counted = (code, file, read) => {
  try {
    const [good, bad] = read(JSON.parse(readFileSync(file, 'utf8')))
    return [good, bad === 0 && code !== 0 ? 1 : bad]
  } catch {
    return [0, 1]
  } finally {
    rmSync(file, { force: true })
  }
}
const vitest = (project) => {
  const file = `${reports}/${project}.json`
  const code = run(process.execPath, ['node_modules/vitest/vitest.mjs', 'run', '--project', project, '--reporter=default', '--reporter=json', `--outputFile=${file}`])
  return counted(code, file, (r) => [r.numPassedTests, r.numFailedTests])
}

await step('lint', () => one(run(process.execPath, ['node_modules/eslint/bin/eslint.js', '.', '--max-warnings', '0'])))
await step('types', () => one(run(process.execPath, ['node_modules/nuxt/bin/nuxt.mjs', 'typecheck'])))
await step('types of core, tests and tools', () => one(run(process.execPath, ['node_modules/typescript/bin/tsc', '-p', 'tsconfig.tools.json'])))
await step('core', () => vitest('core'))
const built = await step('build', async () => one(await build()))
if (built) {
  await step('server', () => vitest('server'))
  await step('browser', () => {
    const file = `${reports}/../.cache/browser.json`
    mkdirSync(at('.cache'), { recursive: true })
    const code = run(process.execPath, ['node_modules/@playwright/test/cli.js', 'test'], { env: { ...process.env, PLAYWRIGHT_JSON_OUTPUT_NAME: file } })
    return counted(code, file, (r) => [r.stats.expected + r.stats.flaky, r.stats.unexpected])
  })
}
say(`took ${((Date.now() - began) / 60000).toFixed(1)} min`)
console.log(`${passed} passed, ${failed} failed`)
process.exit(failed === 0 ? 0 : 1)
