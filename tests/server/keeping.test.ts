import { execFileSync, spawn, type ChildProcess } from 'node:child_process'
import {
  copyFileSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  statSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pg from 'pg'
import { describe, expect, inject, it } from 'vitest'
// @ts-expect-error plain script without types
import { backup, restore } from '../../scripts/lib/archive.mjs'
// @ts-expect-error plain script without types
import { backUpNight, isWanted, KEPT, lastGood } from '../../scripts/lib/nightly.mjs'
// @ts-expect-error plain script without types
import { beganAt, runningNote, writeNote } from '../../scripts/lib/runNote.mjs'
// @ts-expect-error plain script without types
import { watch } from '../../scripts/lib/watch.mjs'
// @ts-expect-error plain script without types
import { migrate } from '../../scripts/migrate.mjs'
import { Caller, startServer } from './client'
import { useShop } from './shop'

const shop = useShop(21736)
const folder = () => mkdtempSync(join(tmpdir(), 'arch-keeping-'))
const url = () => inject('urls').MIGRATION_URL
const elsewhere = (name: string) => url().replace(/\/arch$/, `/${name}`)
async function emptyDatabase(name: string) {
  await shop.owner.query(`drop database if exists ${name} with (force)`)
  await shop.owner.query(`create database ${name}`)
  return elsewhere(name)
}
async function ask<T>(of: string, sql: string, values: unknown[] = []): Promise<T[]> {
  const db = new pg.Client({ connectionString: of })
  await db.connect()
  const { rows } = await db.query(sql, values)
  await db.end()
  return rows as T[]
}

/** As the program of then wrote them: everything, without the tables that it did not know. */
const oldDump = (file: string, of: string) =>
  execFileSync('pg_dump', [
    '--format=custom',
    '--no-owner',
    '--no-privileges',
    `--file=${file}`,
    of,
  ])

describe('a backup', () => {
  it('is its owner’s only, has its name once it is whole, and leaves no half one', () => {
    const file = join(folder(), 'all.arch')
    const bytes = backup(file, url())
    expect(statSync(file).size).toBe(bytes)
    expect(statSync(file).mode & 0o777).toBe(0o600)
    expect(readdirSync(join(file, '..'))).toEqual(['all.arch'])
    expect(() => backup(file, elsewhere('nowhere'))).toThrow('pg_dump failed')
    expect(readdirSync(join(file, '..'))).toEqual(['all.arch'])
    expect(statSync(file).size).toBe(bytes)
  })
  it('that is cut short is refused whole: the database stays empty', async () => {
    const file = join(folder(), 'all.arch')
    backup(file, url())
    const whole = readFileSync(file)
    writeFileSync(file, whole.subarray(0, Math.floor(whole.length * 0.7)))
    const target = await emptyDatabase('arch_cut')
    await expect(restore(file, target)).rejects.toThrow('pg_restore failed')
    expect(await ask(target, "select 1 from pg_tables where schemaname = 'public'")).toEqual([])
  })
  it('brings nobody back who was erased after it', async () => {
    const list = join(folder(), 'erased.txt')
    const server = await startServer(21737, { ARCH_ERASED_LIST: list })
    const sunniva = await new Caller(server.base).signIn('sunniva')
    const { clientId } = (await sunniva.post('clients', { details: { name: 'Gone Forever' } })).json
    const stays = (await sunniva.post('clients', { details: { name: 'Still Here' } })).json.clientId
    await sunniva.get(`clients/${clientId}`)
    const file = join(list, '..', 'before.arch')
    backup(file, url())
    await sunniva.call('DELETE', `clients/${clientId}`, {})
    await sunniva.call('DELETE', `clients/${clientId}`, {})
    await server.stop()
    const noted = readFileSync(list, 'utf8').split('\n')
    expect(noted.filter((id) => id === clientId)).toHaveLength(1)
    expect(statSync(list).mode & 0o777).toBe(0o600)
    const target = await emptyDatabase('arch_erased')
    await restore(file, target)
    const there = 'select id from clients where id = any($1)'
    expect(await ask(target, there, [[clientId, stays]])).toEqual([{ id: stays }])
    expect(await ask(target, 'select 1 from client_keys where client_id = $1', [clientId])).toEqual(
      [],
    )
  })
})

describe('whoever was erased', () => {
  it('and was brought back by hand is erased again when the server starts', async () => {
    const list = join(folder(), 'erased.txt')
    const { clientId } = (await shop.rhona.post('clients', { details: { name: 'Back Again' } }))
      .json
    writeFileSync(list, `${clientId}\nnot an id\n`)
    const server = await startServer(21737, { ARCH_ERASED_LIST: list })
    const there = () => ask(url(), 'select 1 from clients where id = $1', [clientId])
    await expect.poll(there).toEqual([])
    await server.stop()
  })
})

describe('a backup from before', () => {
  it('is brought up to date as it comes back, whoever was erased since', async () => {
    // A database as it was five migrations ago, with two clients.
    const then = mkdtempSync(join(tmpdir(), 'arch-then-'))
    const now = 'server/database/migrations'
    for (const name of readdirSync(now).filter((n) => n < '0009'))
      copyFileSync(join(now, name), join(then, name))
    const old = await emptyDatabase('arch_old')
    await migrate(old, url(), then)
    const [made] = await ask<{ id: string }>(
      old,
      "insert into shops (name) values ('Old') returning id",
    )
    const add = (code: string) =>
      ask<{ id: string }>(
        old,
        "insert into clients (shop_id, code, name, details) values ($1, $2, $2, '{}') returning id",
        [made!.id, code],
      )
    const [gone] = await add('HR-0001')
    const [stays] = await add('HR-0002')
    const file = join(folder(), 'old.arch')
    oldDump(file, old)
    writeFileSync(join(file, '..', 'erased.txt'), `${gone!.id}\n`)
    const target = await emptyDatabase('arch_back')
    await restore(file, target)
    expect(await ask(target, 'select id from clients')).toEqual([{ id: stays!.id }])
    expect(await ask(target, 'select client_id from erased')).toEqual([{ client_id: gone!.id }])
    const applied = await ask<{ name: string }>(target, 'select name from schema_migrations')
    expect(applied.map((m) => m.name).sort()).toEqual(readdirSync(now).sort())
  })
})

describe('every night', () => {
  it('another database in the same folder takes no backup’s place and forgets nobody erased', async () => {
    const nights = folder()
    const at = (second: number) => new Date(2026, 9, 7, 2, 10, second)
    await backUpNight(nights, url(), at(0))
    const first = readdirSync(nights).find((name) => name.endsWith('.arch'))!
    const bytes = statSync(join(nights, first)).size
    const gone = '11111111-2222-4333-8444-555555555555'
    writeFileSync(join(nights, 'erased.txt'), `${gone}\n`)
    const other = await emptyDatabase('arch_anew')
    await migrate(other, url())
    await backUpNight(nights, other, at(9))
    expect(statSync(join(nights, first)).size).toBe(bytes)
    expect(readdirSync(nights).filter((name) => name.endsWith('.arch'))).toHaveLength(2)
    expect(readFileSync(join(nights, 'erased.txt'), 'utf8')).toContain(gone)
  })
  it('one is made and told of; so many are kept, and a bad night takes no good one’s place', async () => {
    const nights = folder()
    const night = (day: number) => new Date(2026, 9, day, 2, 10)
    for (let day = 1; day <= 3; day++) await backUpNight(nights, url(), night(day))
    for (let day = 1; day <= KEPT; day++)
      writeFileSync(join(nights, `night-2026-08-${String(day).padStart(2, '0')}.arch`), 'old')
    writeFileSync(join(nights, 'by-hand.arch'), 'mine')
    await backUpNight(nights, url(), night(4))
    const kept = readdirSync(nights).filter((name) => name.startsWith('night-'))
    expect(kept).toHaveLength(KEPT)
    expect(kept.slice(-4)).toEqual([1, 2, 3, 4].map((d) => `night-2026-10-0${d}-021000.arch`))
    expect(readdirSync(nights)).toContain('by-hand.arch')
    const good = await lastGood(url())
    expect(Date.now() - good.getTime()).toBeLessThan(60_000)
    const file = join(nights, 'a file, not a folder')
    writeFileSync(file, '')
    await expect(backUpNight(join(file, 'in it'), url(), night(5))).rejects.toThrow()
    await expect(backUpNight(nights, elsewhere('nowhere'), night(6))).rejects.toThrow()
    expect(await lastGood(url())).toEqual(good)
    const { json } = await shop.sunniva.get('backups')
    expect(json.lastGood).toMatchObject({ file: 'night-2026-10-04-021000.arch', problem: null })
    expect(json.freeBytes).toBeGreaterThan(0)
    expect((await shop.rhona.get('backups')).status).toBe(403)
  })
  it('it is wanted at its hour once, and made up for when the machine was off', () => {
    const at = (day: number, hour: number) => new Date(2026, 10, day, hour, 5)
    expect(isWanted(at(2, 15), null)).toBe(true)
    expect(isWanted(at(2, 2), at(1, 2))).toBe(true)
    expect(isWanted(at(2, 2), at(2, 1))).toBe(false)
    expect(isWanted(at(2, 15), at(2, 2))).toBe(false)
    expect(isWanted(at(3, 9), at(2, 2))).toBe(true)
  })
})

describe('what runs', () => {
  it('is known by its note, not by a number that another process has since', async () => {
    const file = join(folder(), 'running.json')
    expect(runningNote(file)).toBeNull()
    writeNote(file, { address: 'http://127.0.0.1:1' })
    expect(runningNote(file)).toMatchObject({ pid: process.pid, address: 'http://127.0.0.1:1' })
    writeFileSync(file, JSON.stringify({ pid: process.ppid, began: '1' }))
    expect(runningNote(file)).toBeNull()
    writeFileSync(file, JSON.stringify({ pid: process.ppid, began: beganAt(process.ppid) }))
    expect(runningNote(file)).not.toBeNull()
    writeFileSync(file, '{"pid":')
    expect(runningNote(file)).toBeNull()
  })
  it('is begun again when it ends by itself, or answers no more, until it is stopped', async () => {
    const said: string[] = []
    const children: ChildProcess[] = []
    let answers = true
    const watched = watch({
      begin: async () => {
        const child = spawn(process.execPath, ['-e', 'setInterval(() => undefined, 1000)'])
        children.push(child)
        return child
      },
      look: async () => {
        if (!answers) throw new Error('silent')
      },
      say: (words: string) => said.push(words),
      lookMs: 20,
      firstDelayMs: 10,
    })
    const begun = (count: number) => expect.poll(() => children.length).toBe(count)
    await begun(1)
    children[0]!.kill('SIGKILL')
    await begun(2)
    answers = false
    await expect.poll(() => said.some((words) => words.includes('answers no more'))).toBe(true)
    answers = true
    await begun(3)
    const stopped = watched.stop()
    watched.child.kill('SIGKILL')
    await stopped
    expect(children).toHaveLength(3)
    expect(said.filter((words) => words.includes('started again in'))).toHaveLength(2)
  })
  it('says whether it is ready: database, disk, what waits', async () => {
    expect((await shop.rhona.get('health')).json).toEqual({
      live: true,
      ready: true,
      database: 'there',
      disk: 'there',
      longestHoldUpMs: expect.any(Number),
      queue: expect.any(Number),
    })
    const target = await emptyDatabase('arch_gone')
    await migrate(target, target)
    const server = await startServer(21738, { DATABASE_URL: target })
    await shop.owner.query('drop database arch_gone with (force)')
    const { status, json } = await new Caller(server.base).get('health')
    expect([status, json]).toEqual([
      503,
      expect.objectContaining({ live: true, ready: false, database: 'away', queue: null }),
    ])
    await server.stop()
  })
  it('says that the disk is full, keeps reading, and goes on once there is room', async () => {
    await shop.owner.query(`
      create function no_room() returns trigger language plpgsql as
      $$ begin raise exception 'could not extend file' using errcode = '53100'; end $$;
      create trigger no_room before insert on clients for each row execute function no_room()`)
    const add = () => shop.rhona.post('clients', { details: { name: 'No Room' } })
    try {
      expect((await add()).json).toMatchObject({ status: 507, code: 'disk-full' })
      expect((await shop.rhona.get('clients?q=tove')).status).toBe(200)
    } finally {
      await shop.owner.query('drop trigger no_room on clients; drop function no_room()')
    }
    expect((await add()).status).toBe(200)
  })
})
