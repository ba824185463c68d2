import { randomUUID } from 'node:crypto'
import {
  defineEventHandler,
  getHeader,
  getRequestURL,
  isMethod,
  setResponseHeader,
  setResponseStatus,
  type H3Event,
} from 'h3'
import type { z } from 'zod'
import { parseWith } from '../../core/record/parse'
import { storableDeep } from '../../core/record/storable'
import { Refusal } from '../../core/record/refusal'
import { may, type Permission } from '../../shared/permissions'
import type { AtWork } from '../database/people'
import type { OpenSession } from '../database/sessions'
import { once } from '../database/writes'
import { ownBytes, smallBody } from './limitedBody'
import { HttpProblem, problemDocument } from './problem'
import { sessionOf } from './session'

interface Context<B> {
  event: H3Event
  /** who asks; a route open to nobody-in-particular must not use it */
  person: AtWork
  session: OpenSession
  body: B
}

interface Options<B> {
  /** what the caller must be allowed to do; 'public' routes are listed in a test */
  permission: Permission | 'public'
  body?: z.ZodType<B>
  /** instead of `body`: reads a large one elsewhere; nothing of the database waits for it */
  readBody?: (bytes: Uint8Array<ArrayBuffer>) => Promise<B>
  /** largest JSON body, bytes; 2 MB when not said */
  mostBytes?: number
}

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i

/** Largest JSON body, bytes. */
const MOST_BYTES = 2_000_000

/**
 * Wraps every route: who asks and whether they may, JSON only, same origin for changes, body by
 * contract, one problem document for anything that goes wrong, and a log line without names or
 * readings.
 */
export function route<R, B = unknown>(
  options: Options<B>,
  handle: (context: Context<B>) => Promise<R> | R,
) {
  return defineEventHandler(async (event) => {
    const requestId = randomUUID()
    setResponseHeader(event, 'x-request-id', requestId)
    setResponseHeader(event, 'cache-control', 'no-store')
    try {
      if (!isMethod(event, ['GET', 'HEAD'])) checkOrigin(event)
      const session = await sessionOf(event)
      const person = session && !session.isLocked ? session.person : null
      if (options.permission !== 'public') {
        if (!person)
          throw new HttpProblem(
            401,
            session ? 'locked' : 'signed-out',
            'Sign in to go on. What you typed is kept.',
          )
        if (!may(person.role, options.permission))
          throw new HttpProblem(403, 'not-allowed', 'Your role does not do this. Ask the owner.')
      }
      const body = await bodyOf(event, options)
      const work = () => handle({ event, person: person!, session: session!, body: body as B })
      const id = person && writeId(event)
      return id ? await once({ id, person, route: routeName(event) }, work) : await work()
    } catch (error) {
      const problem = toProblem(error)
      if (problem.status >= 500)
        console.error(
          JSON.stringify({
            level: 'error',
            requestId,
            route: event.context.matchedRoute?.path ?? 'api',
            code: (error as { code?: string }).code ?? (error as Error).name,
          }),
        )
      setResponseStatus(event, problem.status)
      setResponseHeader(event, 'content-type', 'application/problem+json')
      return problemDocument(problem)
    }
  })
}

/** What the browser calls this change by; null for what only reads, or is not told. */
function writeId(event: H3Event): string | null {
  const id = getHeader(event, 'x-write-id')
  if (!id || isMethod(event, ['GET', 'HEAD'])) return null
  if (UUID.test(id)) return id
  throw new HttpProblem(400, 'bad-write-id', 'The id of a change is a UUID.')
}
const routeName = (event: H3Event) =>
  `${event.method} ${event.path.replace(/\?.*/, '')}`.slice(0, 200)

function toProblem(error: unknown): HttpProblem {
  if (error instanceof HttpProblem) return error
  if (error instanceof Refusal)
    return new HttpProblem(400, error.code, error.message, { path: error.path })
  const code = (error as { code?: string }).code ?? ''
  if (
    // 25006: a standby that has not taken over yet only reads.
    /^(ECONN|57P|08|53300|25006)/.test(code) ||
    /timeout exceeded|Connection terminated/.test((error as Error).message ?? '')
  )
    return new HttpProblem(
      503,
      'database-away',
      'The database does not answer. What you typed is kept and sent again.',
    )
  if (code === '53100' || code === 'ENOSPC')
    return new HttpProblem(
      507,
      'disk-full',
      'The disk of the server is full: nothing more can be kept there, and what you typed waits here. Reading goes on. Make room, then it is sent by itself.',
    )
  // Two changes waited for each other, and the database let one of them go.
  if (['40P01', '40001', '55P03'].includes(code))
    return new HttpProblem(
      503,
      'busy',
      'Somebody changed the same thing at the same moment. Nothing was half saved; it is sent again.',
    )
  // A number too large for its column, a character that the database cannot hold.
  if (['22003', '22021', '22P05'].includes(code))
    return new HttpProblem(400, 'invalid', 'Something in this request is out of range.')
  if (code === '22P02')
    return new HttpProblem(404, 'not-found', 'There is nothing with this address.')
  return new HttpProblem(
    500,
    'failed',
    'Something failed on the server. Nothing was half saved; try again.',
  )
}

/** A changing request must come from our own pages. */
function checkOrigin(event: H3Event) {
  const origin = getHeader(event, 'origin')
  if (origin && new URL(origin).host !== getRequestURL(event, { xForwardedHost: false }).host)
    throw new HttpProblem(403, 'foreign-origin', 'This request comes from another site.')
}

/** Escapes of what the database cannot hold. */
const ODD = /\\u(0000|d[89a-f])/i

async function bodyOf<B>(
  event: H3Event,
  { body, readBody, mostBytes = MOST_BYTES }: Options<B>,
): Promise<B | undefined> {
  if (!body && !readBody) return undefined
  if (!/^application\/json\b/.test(getHeader(event, 'content-type') ?? ''))
    throw new HttpProblem(415, 'json-only', 'Send JSON (content-type application/json).')
  const bytes = await smallBody(event, mostBytes)
  return readBody ? readBody(ownBytes(bytes)) : parseWith(body!, jsonOf(bytes), 'request')
}

function jsonOf(bytes: Buffer): unknown {
  const raw = bytes.toString('utf8')
  try {
    const value: unknown = JSON.parse(raw)
    return ODD.test(raw) ? storableDeep(value) : value
  } catch {
    throw new HttpProblem(400, 'not-json', 'This is not JSON. Check the file from its start.')
  }
}

/** A path parameter that must be a UUID; anything else is 'not here'. */
export function idParam(event: H3Event, name = 'id'): string {
  const value = event.context.params?.[name] ?? ''
  if (!UUID.test(value))
    throw new HttpProblem(404, 'not-found', 'There is nothing with this address.')
  return value
}

/** The value, or 404. */
export function here<T>(value: T | null | undefined): T {
  if (value === null || value === undefined)
    throw new HttpProblem(404, 'not-found', 'This is not here, or it belongs to another shop.')
  return value
}
