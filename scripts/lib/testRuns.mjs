// Runs of the tests and what they say: counts and names of what failed, from each runner's own
// report.
import { spawn } from 'node:child_process'
import { mkdirSync, readFileSync, rmSync } from 'node:fs'
import { at, root, say } from './project.mjs'

/**
 * What failed, told again at the end: on a machine that keeps only the last lines, a failure of an
 * early step would go unnamed.
 */
const faults = []
const FIRST_LINES = 12
const LAST_LINES = 24
let passed = 0
let failed = 0
const began = Date.now()

/** Runs node with these arguments; its words are shown as they come, or kept and given back. */
const node = (args, { env = {}, keep = false } = {}) =>
  new Promise((done) => {
    const child = spawn(process.execPath, args, {
      cwd: root,
      stdio: keep ? ['ignore', 'pipe', 'pipe'] : ['ignore', 'inherit', 'inherit'],
      env: { ...process.env, ...env },
    })
    let words = ''
    child.stdout?.on('data', (data) => (words += data))
    child.stderr?.on('data', (data) => (words += data))
    child.on('error', (error) => done({ code: 127, words: String(error) }))
    child.on('close', (code) => done({ code: code ?? 1, words }))
  })

/** A step of the run: its work says how many passed and how many failed. */
export async function step(name, work) {
  say(`${name} …`)
  const start = Date.now()
  const [good, bad] = await work()
  passed += good
  failed += bad
  if (bad > 0 && !faults.some((f) => f.startsWith(`${name}:`))) faults.push(`${name}: see above`)
  say(`${name}: ${good} passed, ${bad} failed (${((Date.now() - start) / 1000).toFixed(0)} s)\n`)
  return bad === 0
}

/** Where a check's words are many: how it began, and how it ended, which is mostly why. */
function firstAndLast(lines) {
  if (lines.length <= FIRST_LINES + LAST_LINES) return lines
  return [...lines.slice(0, FIRST_LINES), '…', ...lines.slice(-LAST_LINES)]
}

/** A check that passes or not, with its first and last words told again at the end. */
export const check = (name, args) =>
  step(name, async () => {
    // Checks run beside each other: each tells its words when it is over.
    const { code, words } = await node(args, { keep: true })
    process.stdout.write(words)
    if (code === 0) return [1, 0]
    const lines = words
      .trimEnd()
      .split('\n')
      .filter((line) => !line.startsWith('npm warn'))
    const told = firstAndLast(lines).map((line) => `    ${line.slice(0, 300)}`)
    faults.push(`${name}:\n${told.join('\n')}`)
    return [0, 1]
  })

/**
 * Counts of a runner's JSON report; a runner that failed without a failing test counts as one
 * failure.
 */
function counted(name, code, file, read) {
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

/** Tests of Vitest projects, in the files that are named or in all. */
export const vitest = (name, projects, { files = [], env = {} } = {}) =>
  step(name, async () => {
    const file = at('test-results', `${name.replaceAll(' ', '-')}.json`)
    mkdirSync(at('test-results'), { recursive: true })
    const { code } = await node(
      [
        'node_modules/vitest/vitest.mjs',
        'run',
        ...projects.flatMap((project) => ['--project', project]),
        '--reporter=default',
        '--reporter=json',
        `--outputFile=${file}`,
        ...files,
      ],
      { env },
    )
    const failing = (r) =>
      r.testResults.flatMap((f) =>
        f.assertionResults
          .filter((t) => t.status === 'failed')
          .map((t) => `${f.name.slice(root.length + 1)} › ${t.fullName}`),
      )
    return counted(name, code, file, (r) => [r.numPassedTests, r.numFailedTests, failing(r)])
  })

/** Titles of the browser tests that did not do what they should, through all nested groups. */
const unexpected = (suites = []) =>
  suites.flatMap((s) => [
    ...unexpected(s.suites),
    ...(s.specs ?? []).filter((t) => !t.ok).map((t) => `${t.file} › ${t.title}`),
  ])

/** The browser tests, as a fitter would drive the application. */
export const browser = (name, args = []) =>
  step(name, async () => {
    const file = at('.cache', 'browser.json')
    mkdirSync(at('.cache'), { recursive: true })
    const { code } = await node(
      ['node_modules/@playwright/test/cli.js', 'test', '--reporter=list,json', ...args],
      { env: { PLAYWRIGHT_JSON_OUTPUT_NAME: file } },
    )
    return counted(name, code, file, (r) => [
      r.stats.expected + r.stats.flaky,
      r.stats.unexpected,
      unexpected(r.suites),
    ])
  })

/** Says what failed and the sums, and ends with the code that a shell understands. */
export function close() {
  say(`took ${((Date.now() - began) / 60000).toFixed(1)} min`)
  if (faults.length > 0) console.log(`\nfailed:\n${faults.map((f) => `  ${f}`).join('\n')}\n`)
  console.log(`${passed} passed, ${failed} failed`)
  process.exit(failed === 0 ? 0 : 1)
}
