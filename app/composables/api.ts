import type { Problem } from '../../shared/contracts'

/** An answer of the server that is not a success, with its problem document; `offline` when there was no answer at all. */
export class ApiError extends Error {
  constructor(
    readonly problem: Problem | null,
    message: string,
  ) {
    super(message)
  }

  get status(): number {
    return this.problem?.status ?? 0
  }
}

type Method = 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE'

/** Calls the server for a text; throws an ApiError with a sentence for people. */
export async function apiText(
  path: string,
  method: Method = 'GET',
  body?: unknown,
): Promise<string> {
  let response: Response
  try {
    response = await fetch(`/api/${path}`, {
      method,
      credentials: 'same-origin',
      ...(body !== undefined && {
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
      }),
    })
  } catch {
    throw new ApiError(null, 'The server does not answer. What you typed is kept on this device.')
  }
  const text = await response.text()
  if (response.ok) return text
  let problem: Problem
  try {
    problem = JSON.parse(text) as Problem
  } catch {
    problem = {
      type: 'about:blank',
      title: response.statusText,
      status: response.status,
      code: 'failed',
      detail: 'The server answered with something unreadable. Try again.',
    }
  }
  throw new ApiError(problem, problem.detail)
}

/** Calls the server for JSON; throws an ApiError with a sentence for people. */
export const api = async <T>(path: string, method: Method = 'GET', body?: unknown): Promise<T> =>
  JSON.parse(await apiText(path, method, body)) as T
