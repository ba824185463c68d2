// npm run test:mutants [room …]: changes the code of a room of core one place at a time and looks
// whether the room's own tests notice. A room after the other, what did not change since is not run
// again; at least 80 of 100 must be noticed. An hour or more in all: not part of npm test.
import { spawnSync } from 'node:child_process'
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs'

const ROOMS = ['measure', 'examine', 'advice', 'footwear', 'followup', 'bench']
const asked = process.argv.slice(2)
const unknown = asked.filter((room) => !ROOMS.includes(room))
if (unknown.length) {
  console.error(`no room ${unknown.join(', ')}: ${ROOMS.join(', ')}`)
  process.exit(2)
}
const house = JSON.parse(readFileSync('stryker.config.json', 'utf8'))
mkdirSync('.cache', { recursive: true })
const weak = []
for (const room of asked.length ? asked : ROOMS) {
  const settings = `.cache/mutants-${room}.config.json`
  writeFileSync(
    settings,
    JSON.stringify({
      ...house,
      mutate: [`core/${room}/**/*.ts`],
      incrementalFile: `.cache/mutants-${room}.json`,
      jsonReporter: { fileName: `.cache/mutants-${room}-report.json` },
    }),
  )
  const { status } = spawnSync('node_modules/.bin/stryker', ['run', settings], {
    stdio: 'inherit',
    env: { ...process.env, ARCH_ROOM: room },
  })
  if (status !== 0) weak.push(room)
}
if (weak.length) console.error(`• under 80 of 100, or not run: ${weak.join(', ')}`)
process.exit(weak.length ? 1 : 0)
