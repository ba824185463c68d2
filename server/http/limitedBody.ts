import { open, unlink } from 'node:fs/promises'
import { randomUUID } from 'node:crypto'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { getHeader, type H3Event } from 'h3'
import { HttpProblem } from './problem'

/** Bodies up to this size are read into memory at once, bytes; larger ones go by the disk. */
const SMALL_BYTES = 4_000_000
/** So long nothing may come of a body that is under way, ms. */
const SILENCE_MS = 20_000
/** So many large bodies are held in memory at once, however many arrive. */
const MOST_HELD = 2
/** So much of a body that was refused is let through, bytes. */
const MOST_LET_THROUGH = 150_000_000

const tooLarge = (most: number) =>
  new HttpProblem(
    413,
    'too-large',
    `This file is larger than ${Math.round(most / 1e6)} MB. Send a smaller one.`,
  )
const tooSlow = () =>
  new HttpProblem(408, 'too-slow', 'Nothing more came of this file. Send it again.')

/**
 * The rest of a body that is not wanted is let through to nowhere, so that whoever sends it hears the
 * answer and not a line that broke; what goes on and on is cut off.
 */
function refuseRest({ node: { req } }: H3Event) {
  let bytes = 0
  const end = setTimeout(() => req.destroy(), SILENCE_MS).unref()
  setImmediate(() => {
    req.on('data', (piece: Buffer) => {
      bytes += piece.length
      if (bytes > MOST_LET_THROUGH) req.destroy()
    })
    req.once('close', () => clearTimeout(end))
    req.once('end', () => clearTimeout(end))
  })
}

/**
 * Pieces of a body as they come, up to a size. What is larger is refused before it is read, or as
 * soon as it is known; a body that falls silent is given up.
 */
async function* piecesOf(event: H3Event, most: number): AsyncGenerator<Buffer> {
  if (Number(getHeader(event, 'content-length') ?? 0) > most) {
    refuseRest(event)
    throw tooLarge(most)
  }
  const { req } = event.node
  let bytes = 0
  let isSilent = false
  req.setTimeout(SILENCE_MS, () => {
    isSilent = true
    req.destroy()
  })
  try {
    // The loop must not close the line that the answer goes out by.
    for await (const piece of req.iterator({ destroyOnReturn: false })) {
      bytes += (piece as Buffer).length
      if (bytes > most) {
        refuseRest(event)
        throw tooLarge(most)
      }
      yield piece as Buffer
    }
  } catch (error) {
    if (isSilent) throw tooSlow()
    if (error instanceof HttpProblem) throw error
    throw new HttpProblem(400, 'cut-short', 'The line went before this was whole. Send it again.')
  } finally {
    req.setTimeout(0)
  }
}

/** A small body, whole. */
export async function smallBody(event: H3Event, most: number): Promise<Buffer> {
  const pieces: Buffer[] = []
  for await (const piece of piecesOf(event, most)) pieces.push(piece)
  return Buffer.concat(pieces)
}

/** Bytes in memory of their own, that can be handed over to a thread. */
export const ownBytes = (bytes: Buffer): Uint8Array<ArrayBuffer> =>
  bytes.byteOffset === 0 && bytes.byteLength === bytes.buffer.byteLength
    ? new Uint8Array(bytes.buffer as ArrayBuffer)
    : new Uint8Array(bytes)

let held = 0
const waiting: (() => void)[] = []
async function hold(): Promise<() => void> {
  if (held >= MOST_HELD) await new Promise<void>((go) => waiting.push(go))
  held++
  return () => {
    held--
    waiting.shift()?.()
  }
}

/**
 * Does something with a large body once it is whole. While it comes it lies in a file without a name,
 * so that many slow ones take no memory; a few at a time are then read and worked on.
 */
export async function withLargeBody<T>(
  event: H3Event,
  most: number,
  work: (bytes: Buffer) => Promise<T>,
): Promise<T> {
  const known = Number(getHeader(event, 'content-length') ?? Infinity)
  if (known <= SMALL_BYTES) return work(await smallBody(event, most))
  // A folder for passing things may lie in memory itself.
  const path = join(process.env.ARCH_DATA ?? tmpdir(), `arch-body-${randomUUID()}`)
  const file = await open(path, 'wx+', 0o600)
  // It stays readable by its handle, and is gone with it, whatever happens to us.
  await unlink(path)
  try {
    for await (const piece of piecesOf(event, most)) await file.write(piece)
    const release = await hold()
    try {
      const { size } = await file.stat()
      const bytes = Buffer.alloc(size)
      for (let at = 0; at < size;) at += (await file.read(bytes, at, size - at, at)).bytesRead
      return await work(bytes)
    } finally {
      release()
    }
  } finally {
    await file.close()
  }
}
