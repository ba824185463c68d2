import { randomUUID } from 'node:crypto'
import { spawnSync } from 'node:child_process'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pg from 'pg'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import type { Command } from '../../core/record/commands'
import { DEMO_RECORDS } from '../../demo/records'
// @ts-expect-error plain script without types
import { backup, restore } from '../../scripts/lib/archive.mjs'
// @ts-expect-error plain script without types
import { migrate } from '../../scripts/migrate.mjs'
import { Caller, startServer } from './client'

let server: Awaited<ReturnType<typeof startServer>>
let rhona: Caller
let owner: pg.Client
let app: pg.Client
beforeAll(async () => {
  server = await startServer(21720)
  rhona = await new Caller(server.base).signIn('rhona')
  owner = new pg.Client({ connectionString: inject('urls').MIGRATION_URL })
  app = new pg.Client({ connectionString: inject('urls').DATABASE_URL })
  await Promise.all([owner.connect(), app.connect()])
})
afterAll(async () => {
  await Promise.all([owner.end(), app.end()])
  await server.stop()
})
const fresh = async (name = 'Test Client') =>
  (await rhona.post('clients', { details: { name } })).json as {
    clientId: string
    fittingId: string
    code: string
  }
const length = (side: 'left' | 'right', ...values: number[]): Command => ({
  kind: 'readings.add',
  side,
  what: 'footLengthMm',
  posture: 'standing',
  values,
})

describe('a change', () => {
  it('goes in with its version, and a stale one gets 409 with the current row', async () => {
    const { fittingId } = await fresh()
    const first = await rhona.command(fittingId, 0, length('left', 264))
    expect(first.json.state).toMatchObject({ version: 1, content: [{ trials: [264] }] })
    const stale = await rhona.command(fittingId, 0, length('left', 265))
    expect(stale.status).toBe(409)
    expect(stale.json.current).toMatchObject({
      version: 1,
      content: [{ trials: [264] }],
      changedBy: 'Rhona Ketteridge',
    })
    expect(
      (await rhona.command(fittingId, 1, length('left', 265))).json.state.content[0].trials,
    ).toEqual([264, 265])
  })
  it('is stamped by the server with who and when, whatever the body says', async () => {
    const { fittingId } = await fresh()
    const forged = { code: 'heel-wide', foot: 'left', decision: 'set-aside', by: 'Sunniva Hale' }
    const content = [{ ...forged, at: '1999-01-01T00:00:00.000Z' }]
    const begun = Date.now()
    const put = { kind: 'part.put', part: 'ledger', content } as const
    const { json } = await rhona.command(fittingId, 0, put)
    expect(json.state.content[0]).toMatchObject({ by: 'Rhona Ketteridge' })
    expect(Date.parse(json.state.content[0].at)).toBeGreaterThanOrEqual(begun - 1000)
    // What stands as it did stays the other's.
    const sunniva = await new Caller(server.base).signIn('sunniva')
    const more = [...content, { code: 'toe-box', foot: 'right', decision: 'accepted' }]
    const second = await sunniva.command(fittingId, 1, { ...put, content: more })
    expect(second.json.state.content.map((d: { by: string }) => d.by)).toEqual([
      'Rhona Ketteridge',
      'Sunniva Hale',
    ])
    const order = await rhona.command(fittingId, 0, {
      kind: 'part.put',
      part: 'orders',
      content: [],
    })
    expect(order.status).toBe(400)
  })
  it('is applied once when it arrives twice', async () => {
    const { fittingId } = await fresh()
    const id = randomUUID()
    await rhona.command(fittingId, 0, length('left', 264), id)
    const again = await rhona.command(fittingId, 0, length('left', 264), id)
    expect([again.status, again.json.state.content[0].trials]).toEqual([200, [264]])
  })
  it('lets one of two racing writers win and tells the other', async () => {
    const { fittingId } = await fresh()
    const answers = await Promise.all(
      Array.from({ length: 8 }, (_, i) => rhona.command(fittingId, 0, length('right', 260 + i))),
    )
    expect(answers.filter((a) => a.status === 200)).toHaveLength(1)
    expect(answers.filter((a) => a.status === 409)).toHaveLength(7)
  })
  it.each([
    [
      {
        kind: 'readings.add',
        side: 'left',
        what: 'footLengthMm',
        posture: 'standing',
        values: [26.5],
      },
      'out-of-bounds',
    ],
    [
      {
        kind: 'readings.add',
        side: 'left',
        what: 'footLengthMm',
        posture: 'standing',
        values: [-264],
      },
      'out-of-bounds',
    ],
    [
      {
        kind: 'readings.add',
        side: 'left',
        what: 'footLengthMm',
        posture: 'standing',
        values: [1e9],
      },
      'out-of-bounds',
    ],
    [
      {
        kind: 'readings.add',
        side: 'left',
        what: 'footLengthMm',
        posture: 'standing',
        values: ['264'],
      },
      'invalid',
    ],
    [
      {
        kind: 'part.put',
        part: 'device.left',
        content: { layers: [{ kind: 'medialSkive', depthMm: 41 }] },
      },
      'invalid',
    ],
    [{ kind: 'part.put', part: 'story', content: { shoeSize: 42 } }, 'unknown-key'],
  ])('is refused whole when it cannot be right: %j', async (command, code) => {
    const { fittingId } = await fresh()
    const answer = await rhona.command(fittingId, 0, command as Command)
    expect([answer.status, answer.json.code]).toEqual([400, code])
    // What a new fitting is judged by is all that there is.
    const { parts } = (await rhona.get(`fittings/${fittingId}`)).json
    expect(Object.keys(parts)).toEqual(['norms'])
  })
  it('leaves a sealed audit line that the application can add but never change, and that erasing closes', async () => {
    const { fittingId, clientId } = await fresh('Audited Person')
    await rhona.command(fittingId, 0, length('left', 264))
    const { rows } = await owner.query(
      'select action, detail from audit where fitting_id = $1 order by id',
      [fittingId],
    )
    expect(rows.map((r) => r.action)).toEqual(['client.add', 'readings.add:readings.left'])
    expect(Buffer.concat(rows.map((r) => r.detail)).toString('latin1')).not.toContain('Audited')
    await expect(app.query('update audit set action = $1', ['x'])).rejects.toThrow(
      'permission denied',
    )
    await expect(app.query('delete from audit')).rejects.toThrow('permission denied')
    await expect(app.query('create table t (a int)')).rejects.toThrow('permission denied')
    const sunniva = await new Caller(server.base).signIn('sunniva')
    const read = () => sunniva.get(`audit?client=${clientId}`)
    expect(
      (await read()).json.lines.find((l: { action: string }) => l.action === 'client.add').detail
        .after.name,
    ).toBe('Audited Person')
    expect((await sunniva.call('DELETE', `clients/${clientId}`, {})).status).toBe(200)
    expect((await read()).json.lines.every((l: { detail: unknown }) => l.detail === null)).toBe(
      true,
    )
    expect((await rhona.get(`fittings/${fittingId}`)).status).toBe(404)
  })
})

describe('a killed server', () => {
  it('loses nothing and writes nothing by half: what waits is sent again, each once and in order', async () => {
    const { fittingId } = await fresh('Killed In Mid Save')
    const doomed = await startServer(21721)
    const caller = await new Caller(doomed.base).signIn('rhona')
    // Twenty changes to twenty readings-lists worth of tries: five tries each of four readings, one
    // after the other.
    const kinds = ['footLengthMm', 'archLengthMm', 'waistGirthMm', 'instepGirthMm'] as const
    const work = kinds.flatMap((what) =>
      [1, 2, 3, 4, 5].map((n): { id: string; command: Command } => ({
        id: randomUUID(),
        command: {
          kind: 'readings.add',
          side: 'left',
          what,
          posture: 'standing',
          values: [200 + n],
        },
      })),
    )
    setTimeout(() => doomed.child.kill('SIGKILL'), 60)
    let confirmed = 0
    for (const item of work) {
      const answer = await caller
        .command(fittingId, confirmed, item.command, item.id)
        .catch(() => null)
      if (!answer || answer.status !== 200) break
      confirmed++
    }
    expect(confirmed).toBeLessThan(work.length)
    const back = await startServer(21721)
    const again = await new Caller(back.base).signIn('rhona')
    for (let i = confirmed; i < work.length; i++)
      expect((await again.command(fittingId, i, work[i]!.command, work[i]!.id)).status).toBe(200)
    const { json } = await again.get(`fittings/${fittingId}`)
    expect(json.parts['readings.left'].version).toBe(20)
    expect(json.parts['readings.left'].content.map((r: { trials: number[] }) => r.trials)).toEqual(
      kinds.map(() => [201, 202, 203, 204, 205]),
    )
    const lines = await owner.query(
      "select count(*)::int as n from audit where fitting_id = $1 and action like 'readings.add%'",
      [fittingId],
    )
    expect(lines.rows[0].n).toBe(20)
    await back.stop()
  })
})

describe('records', () => {
  it('come back as they went in', async () => {
    for (const record of Object.values(DEMO_RECORDS)) {
      const { json } = await rhona.post('records', record)
      const out = (await rhona.get(`fittings/${json.fittingId}/record`)).json
      expect({
        ...out,
        client: { ...out.client, code: record.client!.code },
        shop: record.shop,
      }).toEqual(record)
    }
  })
  it('refuse foreign JSON with its place and store nothing', async () => {
    const before = (await owner.query('select count(*)::int as n from clients')).rows[0].n
    for (const [value, code] of [
      [{ shoes: 1 }, 'not-a-record'],
      [{ format: 'gentle-arch/fitting', version: 1, feet: { left: {} }, x: 1 }, 'unknown-key'],
      [[], 'not-a-record'],
      [null, 'not-a-record'],
    ] as const)
      expect((await rhona.post('records', value)).json).toMatchObject({ status: 400, code })
    expect((await owner.query('select count(*)::int as n from clients')).rows[0].n).toBe(before)
  })
})

describe('backup and migrations', () => {
  it('restores into an empty database what was backed up, and refuses one that holds data', async () => {
    const file = join(mkdtempSync(join(tmpdir(), 'arch-backup-')), 'all.arch')
    const url = inject('urls').MIGRATION_URL
    backup(file, url)
    await owner.query('drop database if exists arch_restored')
    await owner.query('create database arch_restored')
    const target = url.replace(/\/arch$/, '/arch_restored')
    await restore(file, target)
    const copy = new pg.Client({ connectionString: target })
    await copy.connect()
    const tables = (
      await owner.query("select tablename from pg_tables where schemaname = 'public' order by 1")
    ).rows.map((r) => r.tablename as string)
    expect(tables).toEqual(
      expect.arrayContaining([
        'shops',
        'fitting_parts',
        'photos',
        'scans',
        'norms',
        'double_readings',
        'audit',
        'schema_migrations',
      ]),
    )
    // The application's role may do on the copy what it may do on the original, table by table.
    const rights =
      "select table_name, string_agg(privilege_type, ' ' order by privilege_type) as rights " +
      "from information_schema.role_table_grants where grantee = 'arch_app' group by 1 order by 1"
    expect((await copy.query(rights)).rows).toEqual((await owner.query(rights)).rows)
    // Whoever restores a backup signs in anew.
    const leftOut = ['sessions', 'sign_in_tries', 'sign_in_known']
    for (const table of tables.filter((name) => !leftOut.includes(name))) {
      const sum = `select count(*)::int as n, md5(string_agg(t::text, '|' order by t::text)) as sum from ${table} t`
      expect((await copy.query(sum)).rows[0], table).toEqual((await owner.query(sum)).rows[0])
    }
    await copy.end()
    await expect(restore(file, target)).rejects.toThrow('holds data already')
  })
  it('rolls back a migration that fails half way, and refuses a changed one', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'arch-migrations-'))
    writeFileSync(join(folder, '0001_first.sql'), 'create table half (a int);')
    await owner.query('drop database if exists arch_half')
    await owner.query('create database arch_half')
    const url = inject('urls').MIGRATION_URL.replace(/\/arch$/, '/arch_half')
    expect(await migrate(url, url, folder)).toEqual(['0001_first.sql'])
    writeFileSync(join(folder, '0002_bad.sql'), 'create table other (a int); select 1/0;')
    await expect(migrate(url, url, folder)).rejects.toThrow('rolled back')
    const half = new pg.Client({ connectionString: url })
    await half.connect()
    expect((await half.query("select to_regclass('other') as t")).rows[0].t).toBeNull()
    await half.end()
    writeFileSync(join(folder, '0002_bad.sql'), 'create table other (a int);')
    expect(await migrate(url, url, folder)).toEqual(['0002_bad.sql'])
    writeFileSync(join(folder, '0001_first.sql'), 'create table half (a bigint);')
    await expect(migrate(url, url, folder)).rejects.toThrow('was changed')
  })
  it('gives a first owner a one-time code that works once', async () => {
    await owner.query('drop database if exists arch_empty')
    await owner.query('create database arch_empty')
    const urls = Object.fromEntries(
      Object.entries(inject('urls')).map(([k, v]) => [k, v.replace(/\/arch$/, '/arch_empty')]),
    ) as { MIGRATION_URL: string; DATABASE_URL: string }
    await migrate(urls.MIGRATION_URL, urls.DATABASE_URL)
    const start = () =>
      spawnSync(process.execPath, ['--import', 'tsx', 'scripts/load-demo.ts'], {
        env: { ...process.env, ...urls },
        encoding: 'utf8',
      }).stdout
    const printed = () => /anew: (\S+)|owner: (\S+)/.exec(start())!.slice(1).find(Boolean)!
    const lost = printed()
    // The slip is lost before it was used: the next start prints another, and the lost one opens nothing.
    const code = printed()
    expect(code).not.toBe(lost)
    const own = await startServer(21722, urls)
    const caller = new Caller(own.base)
    expect((await caller.get('sign-in')).json).toMatchObject({ demo: [], firstOwner: true })
    const claim = (c: string) =>
      caller.post('first-owner', { code: c, name: 'Ola', login: 'ola', password: 'ten letters' })
    expect((await claim('0000-0000-0000')).status).toBe(401)
    expect((await claim(lost)).status).toBe(401)
    expect((await claim(code)).json).toMatchObject({ name: 'Ola', role: 'owner' })
    expect((await claim(code)).status).toBe(401)
    expect((await caller.get('sign-in')).json.firstOwner).toBe(false)
    // A start afterwards prints none: the shop is somebody's.
    expect(start()).not.toContain('code')
    // Nothing of the demo is in it: neither its name nor the initials of its codes.
    expect(JSON.stringify((await caller.get('shop')).json)).not.toMatch(/Hollin|HR/)
    const { code: first } = (await caller.post('clients', { details: { name: 'First' } })).json
    expect(first).toMatch(/^C-0001$/)
    expect(
      (
        await new Caller(own.base).post('sign-in', {
          login: 'ola',
          password: 'ten letters',
          understood: true,
        })
      ).status,
    ).toBe(200)
    await own.stop()
  })
})

describe('papers', () => {
  it('come as PDF, ticket without a name, card with plain words', async () => {
    const tove = await rhona.fittingOf('tove')
    const file = async (name: string) => {
      const { json, headers } = await rhona.get(`fittings/${tove}/${name}`)
      expect(headers.get('content-type')).toBe('application/pdf')
      expect(String(json).startsWith('%PDF')).toBe(true)
    }
    await file('ticket')
    await file('card')
  })
})
