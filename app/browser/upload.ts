import type { Problem } from '../../shared/contracts'
import { ApiError } from './api'

/** Sends bytes with progress; `cancel` stops it, and the server keeps nothing. */
export function upload(
  path: string,
  bytes: Uint8Array,
  progress: (share: number) => void,
): { done: Promise<void>; cancel: () => void } {
  const request = new XMLHttpRequest()
  const done = new Promise<void>((resolve, reject) => {
    request.open('POST', `/api/${path}`)
    request.setRequestHeader('content-type', 'application/octet-stream')
    request.upload.onprogress = (event) =>
      event.lengthComputable && progress(event.loaded / event.total)
    request.onabort = () => reject(new ApiError(null, 'Stopped. Nothing was kept.'))
    request.onerror = () =>
      reject(new ApiError(null, 'The server does not answer. Nothing was kept; try again.'))
    request.onload = () => {
      if (request.status < 300) return resolve()
      try {
        const problem = JSON.parse(request.responseText) as Problem
        reject(new ApiError(problem, problem.detail))
      } catch {
        reject(new ApiError(null, 'The server answered with something unreadable. Try again.'))
      }
    }
    request.send(bytes as unknown as XMLHttpRequestBodyInit)
  })
  return { done, cancel: () => request.abort() }
}
