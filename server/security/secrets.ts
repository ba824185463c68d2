import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto'
import { promisify } from 'node:util'
import type { Algorithm } from '@node-rs/argon2'
import { hash, verify } from '@node-rs/argon2'

/**
 * What a new hash costs: 19 MiB of memory, two passes, one lane (OWASP Password Storage Cheat
 * Sheet, Argon2id). The hash carries it, so that it can rise later.
 */
const COST = {
  algorithm: 2 satisfies Algorithm.Argon2id,
  memoryCost: 19_456,
  timeCost: 2,
  parallelism: 1,
}
const PREFIX = `$argon2id$v=19$m=${COST.memoryCost},t=${COST.timeCost},p=${COST.parallelism}$`

/** Hash of a password or code with its own salt, in the usual string that carries its cost. */
export const hashSecret = (secret: string): Promise<string> => hash(secret, COST)

/** Was the hash made at another cost, or in another way, than a new one would be? */
export const isOutdated = (stored: string): boolean => !stored.startsWith(PREFIX)

/** Nobody's hash: for names that are not there, so that they cannot be told by time. */
const nobody = hashSecret('nobody')

/**
 * Does the secret belong to the hash? Works as long for no hash at all, so that names cannot be
 * told by time.
 */
export async function verifySecret(stored: string | null, secret: string): Promise<boolean> {
  if (stored?.startsWith('scrypt$')) return verifyScrypt(stored, secret)
  const good = await verify(stored ?? (await nobody), secret)
  return good && stored !== null
}

const derive = promisify(scrypt) as (
  secret: string,
  salt: Buffer,
  length: number,
  options: { N: number; r: number; p: number },
) => Promise<Buffer>
const SCRYPT_COST = { N: 16384, r: 8, p: 1 }

/** Hashes of before: `scrypt$salt$hash` at one fixed cost. They go at the next sign-in. */
async function verifyScrypt(stored: string, secret: string): Promise<boolean> {
  const [, salt, expected] = stored.split('$').map((part) => Buffer.from(part, 'base64'))
  const got = await derive(secret, salt!, expected!.length, SCRYPT_COST)
  return timingSafeEqual(got, expected!)
}

/** A code that somebody reads from a screen or a slip and types once: 48 bits, as 1A2B-3C4D-5E6F. */
export const oneTimeCode = (): string =>
  randomBytes(6)
    .toString('hex')
    .toUpperCase()
    .replace(/(.{4})(?=.)/g, '$1-')
