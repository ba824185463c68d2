import { X509Certificate } from 'node:crypto'
import { mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { request } from 'node:https'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pg from 'pg'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { hashSecret } from '../../server/security/secrets'
// @ts-expect-error plain script without types
import { end, serve } from '../../scripts/lib/serve.mjs'
// @ts-expect-error plain script without types
import { certificateFor, isLoopback, ownCertificate, ownHost } from '../../scripts/lib/tls.mjs'

const folder = mkdtempSync(join(tmpdir(), 'arch-tls-'))
afterAll(() => rmSync(folder, { recursive: true }))
const DAY_MS = 86_400_000

describe('a certificate of our own', () => {
  it('holds for the names of the machine, is kept, and its keys are for its owner alone', () => {
    const names = ['workshop.local', '192.168.7.20', '127.0.0.1']
    const first = ownCertificate(folder, names)
    const leaf = new X509Certificate(first.cert)
    expect(leaf.checkHost('workshop.local')).toBe('workshop.local')
    expect(leaf.checkIP('192.168.7.20')).toBe('192.168.7.20')
    expect(leaf.checkHost('elsewhere.local')).toBeUndefined()
    const days = (Date.parse(leaf.validTo) - Date.parse(leaf.validFrom)) / DAY_MS
    expect(days).toBeLessThanOrEqual(825)
    const authority = new X509Certificate(readFileSync(first.authority))
    expect([leaf.verify(authority.publicKey), leaf.ca, authority.ca]).toEqual([true, false, true])
    for (const key of ['authority.key', 'server.key'])
      expect(statSync(join(folder, key)).mode & 0o077).toBe(0)
    expect(ownCertificate(folder, names).cert).toBe(first.cert)
  })
  it('is made anew for another name and before it ends, under the authority that tablets trust', () => {
    const first = ownCertificate(folder, ['workshop.local'])
    const moved = ownCertificate(folder, ['workshop.local', '192.168.7.99'])
    expect(moved.cert).not.toBe(first.cert)
    expect(moved.fingerprint).toBe(first.fingerprint)
    const later = ownCertificate(folder, ['workshop.local'], Date.now() + 800 * DAY_MS)
    expect([later.cert === moved.cert, later.fingerprint]).toEqual([false, first.fingerprint])
  })
})

describe('how it is served', () => {
  it('is plain on loopback and behind a proxy, else with the certificate that is given or made', () => {
    expect(certificateFor('127.0.0.1', folder, {})).toBeNull()
    expect(certificateFor('0.0.0.0', folder, { TLS: 'off' })).toBeNull()
    expect(certificateFor('0.0.0.0', folder, {}).authority).toBe(join(folder, 'authority.crt'))
    writeFileSync(join(folder, 'a.crt'), 'one')
    writeFileSync(join(folder, 'a.key'), 'two')
    const given = { TLS_CERT: join(folder, 'a.crt'), TLS_KEY: join(folder, 'a.key') }
    expect(certificateFor('0.0.0.0', folder, given)).toEqual({ cert: 'one', key: 'two' })
    expect(() => certificateFor('0.0.0.0', folder, { TLS_CERT: 'x' })).toThrow(/go together/)
    expect(['127.0.0.1', 'localhost', '::1', '0.0.0.0', '192.168.1.4'].map(isLoopback)).toEqual([
      true,
      true,
      true,
      false,
      false,
    ])
    expect([ownHost('0.0.0.0'), ownHost('192.168.1.4')]).toEqual(['127.0.0.1', '192.168.1.4'])
  })
})

describe('over TLS', () => {
  const PORT = 21741
  let child: Parameters<typeof end>[0]
  let ca = ''
  beforeAll(async () => {
    const tls = ownCertificate(folder, ['localhost', '127.0.0.1'])
    ca = readFileSync(tls.authority, 'utf8')
    child = await serve({
      port: PORT,
      quiet: true,
      tls,
      env: {
        ...inject('urls'),
        ARCH_SESSION_SECRET: inject('secret'),
        ARCH_DEMO_PEOPLE: 'no',
      },
    })
  })
  afterAll(() => end(child))
  const ask = (path: string, options: object, body?: object) =>
    new Promise<{ status: number; cookie: string; json: Record<string, unknown> }>((done, fail) => {
      const asked = request(
        {
          host: '127.0.0.1',
          port: PORT,
          path: `/api/${path}`,
          ...(body && { method: 'POST', headers: { 'content-type': 'application/json' } }),
          ...options,
        },
        async (answer) => {
          let text = ''
          for await (const piece of answer) text += piece
          const cookie = answer.headers['set-cookie']?.[0] ?? ''
          done({ status: answer.statusCode!, cookie, json: JSON.parse(text) })
        },
      )
      asked.on('error', fail)
      asked.end(body && JSON.stringify(body))
    })

  it('whoever trusts the authority is answered; nobody else takes it for the shop', async () => {
    expect((await ask('health', { ca })).json).toMatchObject({ live: true, ready: true })
    await expect(ask('health', {})).rejects.toThrow(/certificate|self.signed|unable to verify/i)
  })
  it('cookies go over TLS only, and demo people do not come in from a network', async () => {
    const page = await ask('sign-in', { ca })
    expect(page.json.demo).toEqual([])
    const refused = await ask('sign-in', { ca }, { login: 'rhona', password: '', understood: true })
    expect(refused.status).toBe(401)
    const db = new pg.Client({ connectionString: inject('urls').MIGRATION_URL })
    await db.connect()
    const { rows } = await db.query("insert into shops (name) values ('Over TLS') returning id")
    await db.query(
      "insert into people (shop_id, name, login, role, password_hash) values ($1, 'Tessa', 'tessa', 'owner', $2)",
      [rows[0].id, await hashSecret('quiet larch hill')],
    )
    await db.end()
    const tessa = { login: 'tessa', password: 'quiet larch hill', understood: true }
    const { status, cookie } = await ask('sign-in', { ca }, tessa)
    expect([status, cookie]).toEqual([200, expect.stringMatching(/; Secure/)])
    expect(cookie).toMatch(/; HttpOnly/)
  })
})
