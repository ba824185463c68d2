import type { PartState, Problem } from '../../shared/contracts'

/** An answer that is not a success: becomes one problem document (RFC 9457). */
export class HttpProblem extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    detail: string,
    readonly extra: { path?: string; current?: PartState } = {},
  ) {
    super(detail)
  }
}

const TITLES: Record<number, string> = {
  400: 'Cannot be used',
  401: 'Sign in first',
  403: 'Not for this role',
  404: 'Not here',
  405: 'Not by this method',
  408: 'Too slow',
  409: 'Changed meanwhile',
  413: 'Too large',
  415: 'JSON only',
  429: 'Wait a moment',
  500: 'Something failed',
  503: 'Not ready',
  507: 'Disk full',
}

/** The document of a problem. */
export function problemDocument({ status, code, message, extra }: HttpProblem): Problem {
  return {
    type: 'about:blank',
    title: TITLES[status] ?? 'Problem',
    status,
    code,
    detail: message,
    ...extra,
  }
}

/** Two places of a shop are called differently. */
export const sameName = () =>
  new HttpProblem(409, 'same-name', 'A place of this name is open already. Choose another name.', {
    path: 'name',
  })

/** Too many tries went before this one. */
export const waitProblem = (seconds: number) =>
  new HttpProblem(429, 'wait', `Too many tries. Wait ${seconds} seconds.`)

/** Somebody else signs in by this name. */
export const loginTaken = () =>
  new HttpProblem(
    409,
    'login-taken',
    'Somebody signs in by this name already. Choose another one.',
    {
      path: 'login',
    },
  )

/** A shop without an owner could never be changed again. */
export const lastOwner = () =>
  new HttpProblem(409, 'last-owner', 'One owner stays. Make somebody else an owner first.')

/** What speaks against a time; whoever knows better books it all the same. */
export const clash = (troubles: readonly string[]) =>
  new HttpProblem(409, 'clash', troubles.join(' '))
