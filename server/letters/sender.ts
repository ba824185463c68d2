import { mkdir, rename, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Letter } from '../database/letters'

/** So long a sender may take, ms. */
const PATIENCE_MS = 10_000

/** A header may hold no line of its own, and other letters than ASCII go as encoded words. */
const header = (words: string): string => {
  const line = words.replace(/[\r\n]+/g, ' ')
  return /^[\x20-\x7e]*$/.test(line)
    ? line
    : `=?utf-8?B?${Buffer.from(line, 'utf8').toString('base64')}?=`
}

/** The stand-in of a sender: each letter becomes a file that any mail program opens. */
async function toFile({ id, to, subject, text }: Letter): Promise<void> {
  const folder = join(process.env.ARCH_DATA ?? tmpdir(), 'outbox')
  await mkdir(folder, { recursive: true, mode: 0o700 })
  const lines = [
    `Message-ID: <${id}@gentle-arch>`,
    `Date: ${new Date().toUTCString()}`,
    `To: ${header(to)}`,
    `Subject: ${header(subject)}`,
    'MIME-Version: 1.0',
    'Content-Type: text/plain; charset=utf-8',
    'Content-Transfer-Encoding: base64',
    '',
    Buffer.from(text, 'utf8').toString('base64').replace(/.{76}/g, '$&\r\n'),
  ]
  const path = join(folder, `${id}.eml`)
  // Whole or not at all, also where somebody looks into the folder meanwhile.
  await writeFile(`${path}.part`, lines.join('\r\n'), { mode: 0o600 })
  await rename(`${path}.part`, path)
}

/** A sender of the shop's own: each letter is posted to it as JSON, with its id so that it goes once. */
async function toAddress(url: string, { id, to, subject, text }: Letter): Promise<void> {
  const answer = await fetch(url, {
    method: 'POST',
    headers: { 'content-type': 'application/json', 'idempotency-key': id },
    body: JSON.stringify({ id, to, subject, text }),
    signal: AbortSignal.timeout(PATIENCE_MS),
    redirect: 'error',
  }).catch(() => {
    throw new Error('The sender does not answer.')
  })
  if (!answer.ok) throw new Error(`The sender refused it (${answer.status}).`)
}

/** Sends a letter by what the environment names, `LETTER_SENDER_URL`, else into files on this disk. */
export const sendLetter = (letter: Letter): Promise<void> => {
  const { LETTER_SENDER_URL: url } = process.env
  return url ? toAddress(url, letter) : toFile(letter)
}
