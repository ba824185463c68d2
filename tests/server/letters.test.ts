import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterEach, describe, expect, it } from 'vitest'
import { sendLetter } from '../../server/letters/sender'

const LETTER = {
  id: '4be2a4a6-2f5a-4b86-8f9c-0f4c4c1a2b11',
  to: 'tove@post.example',
  subject: 'Grüße\r\nBcc: everybody@post.example',
  text: 'Dear Tove,\n\n…',
}
const saved = { ...process.env }
afterEach(() => void (process.env = { ...saved }))

describe('the stand-in sender', () => {
  it('writes a whole letter that holds no second header, for its owner alone', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'letters-'))
    process.env.ARCH_DATA = folder
    await sendLetter(LETTER)
    const files = readdirSync(join(folder, 'outbox'))
    expect(files).toEqual([`${LETTER.id}.eml`])
    const text = readFileSync(join(folder, 'outbox', files[0]!), 'utf8')
    const [head, body] = text.split('\r\n\r\n') as [string, string]
    expect(head.split('\r\n').filter((line) => /^bcc:/i.test(line))).toEqual([])
    const subject = /^Subject: =\?utf-8\?B\?(.+)\?=$/m.exec(head)![1]!
    expect(Buffer.from(subject, 'base64').toString()).toMatch(/^Grüße Bcc/)
    expect(Buffer.from(body, 'base64').toString()).toBe(LETTER.text)
    rmSync(folder, { recursive: true })
  })
})

describe('a sender of the shop’s own', () => {
  async function listening(status: number, work: (got: string[]) => Promise<void>) {
    const got: string[] = []
    const server = createServer((request, response) => {
      let body = ''
      request.on('data', (piece) => (body += piece))
      request.on('end', () => {
        got.push(body)
        response.writeHead(status).end()
      })
    }).listen(0, '127.0.0.1')
    await new Promise((go) => server.once('listening', go))
    process.env.LETTER_SENDER_URL = `http://127.0.0.1:${(server.address() as AddressInfo).port}/`
    await work(got).finally(() => server.close())
  }
  it('is handed each letter with its id', () =>
    listening(202, async (got) => {
      await sendLetter(LETTER)
      expect(got.map((body) => JSON.parse(body))).toEqual([LETTER])
    }))
  it('that refuses, or is not there, is told in words without the letter', async () => {
    await listening(500, async () => {
      await expect(sendLetter(LETTER)).rejects.toThrow('The sender refused it (500).')
    })
    await expect(sendLetter(LETTER)).rejects.toThrow('The sender does not answer.')
  })
})
