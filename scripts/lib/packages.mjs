// Installs what is missing: Debian packages and npm packages.
import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { at, run, say, stop } from './project.mjs'

const DEBIAN = {
  postgresql: () =>
    spawnSync('sh', ['-c', 'ls /usr/lib/postgresql/*/bin/initdb'], { stdio: 'ignore' }).status ===
    0,
  'fonts-wqy-microhei': () => existsSync('/usr/share/fonts/truetype/wqy/wqy-microhei.ttc'),
  chromium: () => existsSync('/usr/bin/chromium'),
  'poppler-utils': () => existsSync('/usr/bin/pdftotext'),
  haproxy: () => existsSync('/usr/sbin/haproxy'),
  admesh: () => existsSync('/usr/bin/admesh'),
}

/**
 * Installs Debian packages that are missing; as a normal user by sudo -n, else prints the one line
 * to run and stops.
 */
export function needDebian(names) {
  const missing = names.filter((name) => !DEBIAN[name]())
  if (missing.length === 0) return
  const asRoot = process.getuid() === 0
  const line = `apt-get update && apt-get install -y --no-install-recommends ${missing.join(' ')}`
  if (!asRoot && spawnSync('sudo', ['-n', 'true'], { stdio: 'ignore' }).status !== 0)
    stop(`Missing: ${missing.join(', ')}. Run this line as root, then start again:\n  ${line}`)
  say(`installing ${missing.join(', ')}`)
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
  const shell = [
    'sh',
    '-c',
    line.replace('apt-get update', 'apt-get update -qq').replace('install -y', 'install -y -qq'),
  ]
  const code = asRoot
    ? run(shell[0], shell.slice(1), { env, stdio: ['ignore', 'ignore', 'inherit'] })
    : run('sudo', ['-n', 'env', 'DEBIAN_FRONTEND=noninteractive', ...shell], {
        stdio: ['ignore', 'ignore', 'inherit'],
      })
  if (code !== 0 || names.some((name) => !DEBIAN[name]()))
    stop(
      `Could not install ${missing.join(', ')}. Run this line as root, then start again:\n  ${line}`,
    )
}

/** Runs npm ci when the lock file is not the one that was installed. */
export function needNpm() {
  const stamp = at('node_modules', '.gentle-arch-lock')
  const lock = createHash('sha256')
    .update(readFileSync(at('package-lock.json')))
    .digest('hex')
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return
  say('installing npm packages')
  if (run('npm', ['ci', '--no-audit', '--no-fund']) !== 0) stop('npm ci failed; see above.')
  writeFileSync(stamp, lock)
}
