// The built server as a child process.
import { spawn } from 'node:child_process'
import { at, wait } from './project.mjs'

/**
 * Starts the built server and waits until it answers.
 * @returns the child process
 */
export async function serve({ port, env, quiet = false }) {
  const child = spawn(process.execPath, [at('.output/server/index.mjs')], {
    cwd: at('.'),
    stdio: ['ignore', quiet ? 'ignore' : 'inherit', 'inherit'],
    env: {
      ...process.env,
      NODE_ENV: 'production',
      NITRO_SHUTDOWN_TIMEOUT: '2000',
      HOST: '127.0.0.1',
      NITRO_HOST: '127.0.0.1',
      PORT: String(port),
      NITRO_PORT: String(port),
      ...env,
    },
  })
  let ended = null
  child.on('exit', (code) => (ended = code ?? 1))
  for (let tries = 0; tries < 300; tries++) {
    if (ended !== null) throw new Error(`The server ended at once with code ${ended}.`)
    try {
      if ((await fetch(`http://127.0.0.1:${port}/api/health`)).ok) return child
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
