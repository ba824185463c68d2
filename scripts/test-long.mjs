// npm run test:long: everything that is drawn by chance, whole: hundreds of scans, a thousand
// devices, thousands of records, kills. ARCH_SEED gives a seed again; without it each day has its
// own. ARCH_MINUTES ends it early: no further files are begun once they have passed, and what was
// left out is told; the seed turns the order, so that every file has its day.
import { readdirSync, readFileSync } from 'node:fs'
import { needDebian, needNpm } from './lib/packages.mjs'
import { at, say } from './lib/project.mjs'
import { check, close, vitest } from './lib/testRuns.mjs'

needDebian(['postgresql', 'fonts-wqy-microhei', 'chromium', 'admesh'])
needNpm()

const DAY_MS = 86_400_000
const MINUTE_MS = 60_000
/** Files that run at once, one on each core. */
const BESIDE = 2
/** Files that take a minute or so together. */
const AT_ONCE = 12
const began = Date.now()
const seed = process.env.ARCH_SEED ?? String(Math.floor(began / DAY_MS))
const minutes = Number(process.env.ARCH_MINUTES ?? Infinity)
say(`ARCH_SEED=${seed}${Number.isFinite(minutes) ? `, for ${minutes} minutes` : ''}`)
const env = { ARCH_EFFORT: 'long', ARCH_SEED: seed }

/** Files in which something is drawn by chance: the others say the same in either run. */
const drawn = readdirSync(at('tests'), { recursive: true })
  .map((name) => `tests/${name}`)
  .filter((name) => name.endsWith('.test.ts'))
  .filter(
    (name) => name.endsWith('.long.test.ts') || readFileSync(at(name), 'utf8').includes("/effort'"),
  )
  .sort()
/** The project of Vitest that a file is run in, by its folder. */
const PROJECTS = { server: 'server', app: 'stores', core: 'core' }
const projectOf = (name) => PROJECTS[name.split('/')[1]]
const projectsOf = (names) => [...new Set(names.map(projectOf))]
const isLong = (name) => name.endsWith('.long.test.ts')

function inGroups(names, size) {
  const groups = []
  for (let i = 0; i < names.length; i += size) groups.push(names.slice(i, i + size))
  return groups
}
const turned = (list, by) => list.map((_, i) => list[(i + by) % list.length])

const groups = [
  ...inGroups(
    drawn.filter((name) => projectOf(name) !== 'server' && !isLong(name)),
    AT_ONCE,
  ),
  drawn.filter((name) => projectOf(name) === 'server'),
  ...inGroups(turned(drawn.filter(isLong), Number(seed) % drawn.filter(isLong).length), BESIDE),
]
/** So often something goes wrong in the small campaign of each run. */
const TROUBLES = '12'
await check('campaign', ['scripts/campaign.mjs', TROUBLES])

const isOver = () => Date.now() - began > minutes * MINUTE_MS
const leftOut = []
for (const [i, files] of turned(groups, Number(seed) % groups.length).entries())
  if (isOver()) leftOut.push(...files)
  else await vitest(`whole, part ${i + 1} of ${groups.length}`, projectsOf(files), { env, files })
if (leftOut.length > 0) say(`out of time, another day: ${leftOut.join(', ')}`)
close()
