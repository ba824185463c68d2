import { FetchError, ofetch } from 'ofetch'
import type { Problem } from '../../shared/contracts'

/**
 * An answer of the server that is not a success, with its problem document; `offline` when there
 * was no answer at all.
 */
export class ApiError extends Error {
  constructor(
    readonly problem: Problem | null,
    message: string,
  ) {
    super(message)
  }

  /** No answer, or none that was about this: the same call may go well later. */
  get passing(): boolean {
    return this.status === 0 || this.status >= 500 || this.status === 429
  }

  get status(): number {
    return this.problem?.status ?? 0
  }

  /** What is asked of somebody whose session does not let them, by its code. */
  get asks(): SignedOutCode {
    return this.problem?.code === 'locked' ? 'locked' : 'signed-out'
  }
}

type Method = 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE'

const isProblem = (data: unknown): data is Problem =>
  typeof data === 'object' && data !== null && 'detail' in data && 'code' in data

const silence = (error: FetchError): string =>
  (error.cause as Error | undefined)?.name === 'TimeoutError'
    ? 'The server takes too long to answer. What you typed is kept on this device.'
    : 'The server does not answer. What you typed is kept on this device.'

/** Told when the server no longer knows who this is, or hides things until they show it. */
export type SignedOutCode = 'locked' | 'signed-out'
let tellSignedOut: (code: SignedOutCode) => void = () => undefined
export const onSignedOut = (tell: typeof tellSignedOut): void => void (tellSignedOut = tell)

/** What went wrong, with a sentence for people; anything but an answer of the server stays. */
function apiErrorOf(error: unknown): unknown {
  if (!(error instanceof FetchError)) return error
  if (!error.response) return new ApiError(null, silence(error))
  const { status, statusText: title } = error.response
  const problem = isProblem(error.data)
    ? error.data
    : {
        type: 'about:blank',
        title,
        status,
        code: 'failed',
        detail: 'The server answered with something unreadable. Try again.',
      }
  if (problem.code === 'locked' || problem.code === 'signed-out') tellSignedOut(problem.code)
  return new ApiError(problem, problem.detail)
}

// A change waits in its own queue until the line is back: nothing is sent twice by itself.
const call = ofetch.create({ baseURL: '/api/', credentials: 'same-origin', retry: 0 })

/** So long an answer may take before it counts as none, ms; a picture on a slow line longer. */
const PATIENCE_MS = 30_000
const SLOWEST_BYTES_A_MS = 20

/**
 * Calls the server for JSON; throws an ApiError with a sentence for people.
 *
 * @param writeId a change's own id, by which the server counts it once however often it comes
 */
export const api = <T>(
  path: string,
  method: Method = 'GET',
  body?: unknown,
  writeId?: string,
): Promise<T> => {
  const text = body === undefined ? undefined : JSON.stringify(body)
  return call<T>(path, {
    method,
    body: text,
    responseType: 'json',
    timeout: PATIENCE_MS + (text?.length ?? 0) / SLOWEST_BYTES_A_MS,
    headers: {
      ...(text !== undefined && { 'content-type': 'application/json' }),
      ...(writeId && { 'x-write-id': writeId }),
    },
  }).catch((error) => {
    throw apiErrorOf(error)
  })
}

/** Calls the server for a text; throws an ApiError with a sentence for people. */
export const apiText = (path: string): Promise<string> =>
  call(path, { responseType: 'text', timeout: PATIENCE_MS }).catch((error) => {
    throw apiErrorOf(error)
  })
