import type { Problem } from '../../shared/contracts'
import { ApiError } from './api'

/** Sends bytes with progress; `cancel` stops it, and the server keeps nothing. */
export function upload(
  path: string,
  bytes: Uint8Array,
  progress: (share: number) => void,
): { done: Promise<unknown>; cancel: () => void } {
  const request = new XMLHttpRequest()
  const done = new Promise<unknown>((resolve, reject) => {
    const fail = (words: string) => reject(new ApiError(null, words))
    request.open('POST', `/api/${path}`)
    request.setRequestHeader('content-type', 'application/octet-stream')
    request.upload.onprogress = (event) =>
      event.lengthComputable && progress(event.loaded / event.total)
    request.onabort = () => fail('Stopped. The server kept nothing.')
    request.onerror = () => fail('The server does not answer.')
    request.onload = () => {
      try {
        const answer: unknown = JSON.parse(request.responseText)
        if (request.status < 300) return resolve(answer)
        const problem = answer as Problem
        reject(new ApiError(problem, problem.detail))
      } catch {
        fail('The server answered with something unreadable.')
      }
    }
    request.send(bytes as unknown as XMLHttpRequestBodyInit)
  })
  return { done, cancel: () => request.abort() }
}
