// npm test: lint, types, core and server tests, build, browser tests; closes with one line "N passed, N failed".
import { spawnSync } from 'node:child_process'
import { mkdirSync, readFileSync, rmSync } from 'node:fs'
import { at, build, root, run, say } from './lib/project.mjs'
import { needDebian, needNpm } from './lib/packages.mjs'

needDebian(['postgresql', 'chromium', 'poppler-utils', 'admesh'])
needNpm()

let passed = 0
let failed = 0
/** What failed, told again at the end: on a machine that keeps only the last lines, a failure of an early step would go unnamed. */
const faults = []
const FIRST_LINES = 12
const began = Date.now()
const step = async (name, work) => {
  say(`${name} …`)
  const start = Date.now()
  const [good, bad] = await work()
  passed += good
  failed += bad
  if (bad > 0 && !faults.some((f) => f.startsWith(`${name}:`))) faults.push(`${name}: see above`)
  say(`${name}: ${good} passed, ${bad} failed (${((Date.now() - start) / 1000).toFixed(0)} s)\n`)
  return bad === 0
}
const one = (code) => (code === 0 ? [1, 0] : [0, 1])
/** A check with its words kept, so that they can be told again. */
const checked = (name, args) => {
  const { status, stdout, stderr } = spawnSync(process.execPath, args, {
    cwd: root,
    encoding: 'utf8',
    maxBuffer: 2 ** 28,
  })
  const words = `${stdout}${stderr}`
  process.stdout.write(words)
  if (status !== 0)
    faults.push(
      `${name}:\n${words
        .trimEnd()
        .split('\n')
        .filter((line) => !line.startsWith('npm warn'))
        .slice(0, FIRST_LINES)
        .map((line) => `    ${line.slice(0, 300)}`)
        .join('\n')}`,
    )
  return one(status ?? 1)
}
const reports = at('test-results')
mkdirSync(reports, { recursive: true })

/** Counts of a runner's JSON report; a runner that failed without a failing test counts as one failure. */
const counted = (name, code, file, read) => {
  try {
    const [good, bad, failing] = read(JSON.parse(readFileSync(file, 'utf8')))
    faults.push(...failing.map((test) => `${name}: ${test}`))
    return [good, bad === 0 && code !== 0 ? 1 : bad]
  } catch {
    return [0, 1]
  } finally {
    rmSync(file, { force: true })
  }
}
const vitest = (project) => {
  const file = `${reports}/${project}.json`
  const code = run(process.execPath, [
    'node_modules/vitest/vitest.mjs',
    'run',
    '--project',
    project,
    '--reporter=default',
    '--reporter=json',
    `--outputFile=${file}`,
  ])
  const failing = (r) =>
    r.testResults.flatMap((f) =>
      f.assertionResults
        .filter((t) => t.status === 'failed')
        .map((t) => `${f.name.slice(root.length + 1)} › ${t.fullName}`),
    )
  return counted(project, code, file, (r) => [r.numPassedTests, r.numFailedTests, failing(r)])
}

await step('lint', () =>
  checked('lint', ['node_modules/eslint/bin/eslint.js', '.', '--max-warnings', '0']),
)
await step('types', () => checked('types', ['node_modules/nuxt/bin/nuxt.mjs', 'typecheck']))
await step('types of core, tests and tools', () =>
  checked('types of core, tests and tools', [
    'node_modules/typescript/bin/tsc',
    '-p',
    'tsconfig.tools.json',
  ]),
)
await step('core', () => vitest('core'))
const built = await step('build', async () => one(await build()))
/** Titles of the browser tests that did not do what they should, through all nested groups. */
const unexpected = (suites = []) =>
  suites.flatMap((s) => [
    ...unexpected(s.suites),
    ...(s.specs ?? []).filter((t) => !t.ok).map((t) => `${t.file} › ${t.title}`),
  ])
if (built) {
  await step('server', () => vitest('server'))
  await step('browser', () => {
    const file = `${reports}/../.cache/browser.json`
    mkdirSync(at('.cache'), { recursive: true })
    const code = run(process.execPath, ['node_modules/@playwright/test/cli.js', 'test'], {
      env: { ...process.env, PLAYWRIGHT_JSON_OUTPUT_NAME: file },
    })
    return counted('browser', code, file, (r) => [
      r.stats.expected + r.stats.flaky,
      r.stats.unexpected,
      unexpected(r.suites),
    ])
  })
}
say(`took ${((Date.now() - began) / 60000).toFixed(1)} min`)
if (faults.length > 0) console.log(`\nfailed:\n${faults.map((f) => `  ${f}`).join('\n')}\n`)
console.log(`${passed} passed, ${failed} failed`)
process.exit(failed === 0 ? 0 : 1)
