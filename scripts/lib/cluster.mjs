// The private PostgreSQL cluster from Node.
import { execFileSync } from 'node:child_process'
import { at } from './project.mjs'

/** Starts a cluster and returns its two URLs as environment variables. */
export function startCluster(throwaway = false, extra = {}) {
  const out = execFileSync(at('scripts/pg.sh'), ['start', ...(throwaway ? ['throwaway'] : [])], {
    encoding: 'utf8',
    stdio: ['ignore', 'pipe', 'inherit'],
    env: { ...process.env, ...extra },
  })
  return Object.fromEntries(
    out
      .trim()
      .split('\n')
      .map((line) => [line.slice(0, line.indexOf('=')), line.slice(line.indexOf('=') + 1)]),
  )
}

export function stopCluster(throwaway = false, extra = {}) {
  execFileSync(at('scripts/pg.sh'), ['stop', ...(throwaway ? ['throwaway'] : [])], {
    stdio: 'ignore',
    env: { ...process.env, ...extra },
  })
}
