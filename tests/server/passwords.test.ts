import { randomBytes, scryptSync } from 'node:crypto'
import pg from 'pg'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { hashSecret, isOutdated, verifySecret } from '../../server/security/secrets'
import { Caller, startServer } from './client'

/** A hash as they were stored before: scrypt at its one cost, made here by Node alone. */
function oldHash(password: string): string {
  const salt = randomBytes(16)
  const hash = scryptSync(password, salt, 64, { N: 16384, r: 8, p: 1 })
  return `scrypt$${salt.toString('base64')}$${hash.toString('base64')}`
}

describe('a password hash', () => {
  it('opens for its password only, and never twice the same', async () => {
    const [one, two] = [await hashSecret('skive 2 mm'), await hashSecret('skive 2 mm')]
    expect(one).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/)
    expect(one).not.toBe(two)
    expect(await verifySecret(one, 'skive 2 mm')).toBe(true)
    expect(await verifySecret(one, 'skive 3 mm')).toBe(false)
    expect(isOutdated(one)).toBe(false)
  })
  it('of before still opens, and is known as old', async () => {
    const old = oldHash('before')
    expect(await verifySecret(old, 'before')).toBe(true)
    expect(await verifySecret(old, 'after')).toBe(false)
    expect(isOutdated(old)).toBe(true)
  })
  it('at another cost is known as old', async () => {
    expect(isOutdated('$argon2id$v=19$m=4096,t=3,p=1$c2FsdA$aGFzaA')).toBe(true)
  })
  it('nobody has opens for nothing', async () => {
    expect(await verifySecret(null, 'nobody')).toBe(false)
    expect(await verifySecret(null, '')).toBe(false)
  })
})

describe('signing in', () => {
  let server: Awaited<ReturnType<typeof startServer>>
  let db: pg.Client
  beforeAll(async () => {
    server = await startServer(21712)
    db = new pg.Client({ connectionString: inject('urls').MIGRATION_URL })
    await db.connect()
    await db.query(
      "insert into people (shop_id, name, login, role, password_hash) select id, 'Old Hand', 'oldhand', 'fitter', $1 from shops limit 1",
      [oldHash('a long password')],
    )
  })
  afterAll(async () => {
    await db.query("delete from people where login = 'oldhand'")
    await db.end()
    await server.stop()
  })
  const stored = async (): Promise<string> =>
    (await db.query("select password_hash from people where login = 'oldhand'")).rows[0]
      .password_hash
  const signIn = async (password: string) =>
    (
      await new Caller(server.base).post('sign-in', {
        login: 'oldhand',
        password,
        understood: true,
      })
    ).status

  it('replaces an old hash, but not for a wrong password, and opens again after it', async () => {
    expect(await signIn('a wrong password')).toBe(401)
    expect(await stored()).toMatch(/^scrypt\$/)
    expect(await signIn('a long password')).toBe(200)
    const replaced = await stored()
    expect(replaced).toMatch(/^\$argon2id\$/)
    expect(await signIn('a long password')).toBe(200)
    expect(await stored()).toBe(replaced)
    expect(await signIn('a wrong password')).toBe(401)
  })
})
