import { execFileSync, type ChildProcess } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { inject } from 'vitest'
import type { Command } from '../../core/record/commands'
// @ts-expect-error plain script without types
import { end, serve } from '../../scripts/lib/serve.mjs'

/** Starts the built server against the test cluster. */
export async function startServer(
  port: number,
  env: Record<string, string> = {},
): Promise<{ base: string; child: ChildProcess; stop: () => Promise<void> }> {
  const child = (await serve({
    port,
    quiet: true,
    env: { ...inject('urls'), ARCH_SESSION_SECRET: inject('secret'), ...env },
  })) as ChildProcess
  return { base: `http://127.0.0.1:${port}`, child, stop: () => end(child) }
}

interface Answer {
  status: number
  // Answers differ from route to route; each test reads what it expects.
  // eslint-disable-next-line @typescript-eslint/no-explicit-any
  json: any
  headers: Headers
}

/**
 * A call that is made again where it met a line that the server had closed meanwhile: a test that
 * reckons for seconds hears of that too late.
 */
async function patiently(url: string, init: RequestInit): Promise<Response> {
  try {
    return await fetch(url, init)
  } catch (error) {
    const { message } = ((error as Error).cause ?? {}) as { message?: string }
    if (message !== 'other side closed') throw error
    return fetch(url, init)
  }
}

/** Somebody's browser: keeps the cookie, speaks JSON. */
export class Caller {
  private cookie = ''
  constructor(readonly base: string) {}

  async call(
    method: string,
    path: string,
    body?: unknown,
    headers: Record<string, string> = {},
  ): Promise<Answer> {
    const response = await patiently(`${this.base}/api/${path}`, {
      method,
      headers: {
        ...(body !== undefined && { 'content-type': 'application/json' }),
        ...(this.cookie && { cookie: this.cookie }),
        ...headers,
      },
      ...(body !== undefined && { body: typeof body === 'string' ? body : JSON.stringify(body) }),
    })
    const set = response.headers.getSetCookie()[0]
    if (set) this.cookie = set.split(';')[0]!
    const text = await response.text()
    let json: unknown = text
    try {
      json = JSON.parse(text)
    } catch {
      // a document, not JSON
    }
    return { status: response.status, json, headers: response.headers }
  }
  get = (path: string) => this.call('GET', path)
  post = (path: string, body: unknown = {}) => this.call('POST', path, body)

  async signIn(login: string): Promise<this> {
    const answer = await this.post('sign-in', { login, password: '', understood: true })
    if (answer.status !== 200) throw new Error(`sign-in as ${login}: ${answer.status}`)
    return this
  }
  /** The newest fitting of a demo client. */
  async fittingOf(name: string): Promise<string> {
    return (await this.get(`clients?q=${name}`)).json.clients[0].fittingId
  }
  /** Text of a PDF, its white space made one. */
  async pdf(path: string): Promise<string> {
    const answer = await fetch(`${this.base}/api/${path}`, { headers: { cookie: this.cookie } })
    if (answer.headers.get('content-type') !== 'application/pdf')
      throw new Error(`${path}: ${answer.status} ${answer.headers.get('content-type')}`)
    const folder = mkdtempSync(join(tmpdir(), 'paper-'))
    try {
      writeFileSync(join(folder, 'paper.pdf'), Buffer.from(await answer.arrayBuffer()))
      return execFileSync('pdftotext', ['-layout', join(folder, 'paper.pdf'), '-'], {
        encoding: 'utf8',
      }).replace(/\s+/g, ' ')
    } finally {
      rmSync(folder, { recursive: true })
    }
  }
  /** First bytes of a stream of events, until some text was heard. */
  async hear(path: string, until: RegExp, mostMs = 8000): Promise<string> {
    const stop = new AbortController()
    const timer = setTimeout(() => stop.abort(), mostMs)
    let text = ''
    try {
      const answer = await fetch(`${this.base}/api/${path}`, {
        headers: { cookie: this.cookie },
        signal: stop.signal,
      })
      const reader = answer.body!.getReader()
      for (
        let chunk = await reader.read();
        !chunk.done && !until.test(text);
        chunk = await reader.read()
      )
        text += Buffer.from(chunk.value).toString()
    } catch {
      // ran out of time: what was heard is what there is
    }
    clearTimeout(timer)
    stop.abort()
    return text
  }
  command = (fitting: string, version: number, command: Command, id: string = randomUUID()) =>
    this.post(`fittings/${fitting}/commands`, { id, version, command })
}
