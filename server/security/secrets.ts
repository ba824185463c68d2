import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto'
import { promisify } from 'node:util'

const derive = promisify(scrypt) as (
  secret: string,
  salt: Buffer,
  length: number,
  options: { N: number; r: number; p: number },
) => Promise<Buffer>
const COST = { N: 16384, r: 8, p: 1 }
const LENGTH = 64

/** Hash of a password or code by scrypt with its own salt: `scrypt$salt$hash`. */
export async function hashSecret(secret: string): Promise<string> {
  const salt = randomBytes(16)
  return `scrypt$${salt.toString('base64')}$${(await derive(secret, salt, LENGTH, COST)).toString('base64')}`
}

/** Does the secret belong to the hash? Works as long for no hash at all, so that names cannot be told by time. */
export async function verifySecret(hash: string | null, secret: string): Promise<boolean> {
  const [, salt, expected] = (
    hash ??
    `scrypt$${Buffer.alloc(16).toString('base64')}$${Buffer.alloc(LENGTH).toString('base64')}`
  ).split('$')
  const got = await derive(secret, Buffer.from(salt!, 'base64'), LENGTH, COST)
  return timingSafeEqual(got, Buffer.from(expected!, 'base64')) && hash !== null
}
