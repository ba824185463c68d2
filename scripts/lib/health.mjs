// The server's word on itself, asked from its own machine, with TLS or without.
import { get } from 'node:http'
import { get as getSafely } from 'node:https'

/**
 * Asks once.
 * @returns the status; throws where there is no answer in time
 */
export const askHealth = ({ host, port, isSafe, timeoutMs = 5_000 }) =>
  new Promise((done, fail) => {
    // It is asked whether it lives, by the machine it lives on: its certificate names others.
    const options = { host, port, path: '/api/health', rejectUnauthorized: false }
    const request = (isSafe ? getSafely : get)(options, (answer) => {
      answer.resume()
      done(answer.statusCode)
    })
    request.setTimeout(timeoutMs, () => request.destroy(new Error('no answer in time')))
    request.on('error', fail)
  })
