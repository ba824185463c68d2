// The built server as a child process.
import { spawn } from 'node:child_process'
import { askHealth } from './health.mjs'
import { at, wait } from './project.mjs'
import { ownHost } from './tls.mjs'

/**
 * Starts the built server and waits until it answers.
 *
 * @param host where it listens; loopback where none is named
 * @param tls certificate and key, PEM; plain HTTP without
 * @returns the child process
 */
export async function serve({ port, env, quiet = false, host = '127.0.0.1', tls = null }) {
  const child = spawn(process.execPath, [at('.output/server/index.mjs')], {
    cwd: at('.'),
    stdio: ['ignore', quiet ? 'ignore' : 'inherit', 'inherit'],
    env: {
      ...process.env,
      NODE_ENV: 'production',
      NITRO_SHUTDOWN_TIMEOUT: '2000',
      HOST: host,
      NITRO_HOST: host,
      PORT: String(port),
      NITRO_PORT: String(port),
      ...(tls && { NITRO_SSL_CERT: tls.cert, NITRO_SSL_KEY: tls.key }),
      ...env,
    },
  })
  let ended = null
  child.on('exit', (code) => (ended = code ?? 1))
  for (let tries = 0; tries < 300; tries++) {
    if (ended !== null) throw new Error(`The server ended at once with code ${ended}.`)
    try {
      if ((await askHealth({ host: ownHost(host), port, isSafe: tls !== null })) === 200)
        return child
    } catch {
      // not yet listening
    }
    await wait(100)
  }
  child.kill('SIGKILL')
  throw new Error('The server did not answer within 30 seconds.')
}

/** Ends a child politely, then for good. */
export async function end(child) {
  if (child.exitCode !== null || child.signalCode !== null) return
  const gone = new Promise((done) => child.once('exit', done))
  child.kill('SIGTERM')
  await Promise.race([gone, wait(5000).then(() => child.kill('SIGKILL'))])
}
