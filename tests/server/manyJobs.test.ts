import { randomUUID } from 'node:crypto'
import pg from 'pg'
import { afterAll, beforeAll, expect, inject, it } from 'vitest'
import { addDays } from '../../core/record/isoDay'
import { benchRecords } from '../../demo/benchRecords'
import type { BenchState } from '../../shared/contracts'
import { Caller, startServer } from './client'

/** More jobs than come with their steps. */
const MANY = 240
const TODAY = new Date().toLocaleDateString('sv')

let server: Awaited<ReturnType<typeof startServer>>
let db: pg.Client
let rhona: Caller
let first = ''
beforeAll(async () => {
  server = await startServer(21727)
  db = new pg.Client({ connectionString: inject('urls').MIGRATION_URL })
  await db.connect()
  rhona = await new Caller(server.base).signIn('rhona')
  const record = structuredClone(benchRecords(TODAY)['wendeline-achterberg']!.record)
  record.client = { name: 'Many Jobs' }
  record.making = {}
  const made = (await rhona.post('records', record)).json
  first = made.fittingId
  // The same job over and over, none of it promised.
  await db.query(
    `with copies as (
       insert into fittings (id, shop_id, client_id, opened_on)
       select u.id, f.shop_id, f.client_id, f.opened_on
       from fittings f, unnest($2::uuid[]) as u(id) where f.id = $1
       returning id
     )
     insert into fitting_parts (fitting_id, part, content, version, record_version)
     select copies.id, p.part, p.content, 1, p.record_version
     from copies, fitting_parts p where p.fitting_id = $1`,
    [first, Array.from({ length: MANY }, () => randomUUID())],
  )
})
afterAll(async () => {
  await db.query(`delete from clients where name = 'Many Jobs'`)
  await db.end()
  await server.stop()
})
const bench = async (day = TODAY): Promise<BenchState> => (await rhona.get(`bench?day=${day}`)).json
const many = (state: BenchState) => state.jobs.filter((job) => job.name === 'Many Jobs')

it('leaves steps out only of jobs far from the day, and tells how much is left in them', async () => {
  const jobs = many(await bench())
  expect(jobs).toHaveLength(MANY + 1)
  const cut = jobs.filter((job) => job.handsMin !== undefined)
  const whole = jobs.find((job) => job.handsMin === undefined)!
  expect(cut.length).toBeGreaterThan(30)
  const left = whole.steps
    .filter((step) => step.state === 'open' && !step.waiting)
    .reduce((sum, step) => sum + step.minutes, 0)
  for (const job of cut) expect([job.steps, job.handsMin]).toEqual([[], left])

  // Put on a day by hand, promised for it, or in its plan: a job comes with its steps.
  const [byHand, promised] = [cut.at(-1)!.id, cut.at(-2)!.id]
  const day = addDays(TODAY, 9)
  const { plan } = await bench(day)
  const put = await rhona.call('PUT', 'bench/plan', {
    day,
    version: plan.version,
    plan: { ...plan.plan, jobs: { [byHand]: true } },
  })
  expect(put.status).toBe(200)
  const version = cut.find((job) => job.id === promised)!.makingVersion
  const promise = await rhona.command(promised, version, {
    kind: 'part.put',
    part: 'making',
    content: { promisedOn: day },
  } as never)
  expect(promise.status).toBe(200)
  const there = new Map((await bench(day)).jobs.map((job) => [job.id, job]))
  for (const id of [byHand, promised])
    expect(
      [there.get(id)!.handsMin, there.get(id)!.steps.length],
      id === byHand ? 'by hand' : 'promised',
    ).toEqual([undefined, whole.steps.length])
})

it('has a handed-over fitting no more, by whatever way, and has it again when that is taken back', async () => {
  const isOpen = async () => many(await bench()).some((job) => job.id === first)
  const flag = async () =>
    (await db.query('select handed_over from fittings where id = $1', [first])).rows[0].handed_over
  const put = async (version: number, content: object) =>
    expect(
      (
        await rhona.command(first, version, {
          kind: 'part.put',
          part: 'handover',
          content,
        } as never)
      ).status,
    ).toBe(200)
  expect([await isOpen(), await flag()]).toEqual([true, false])
  await put(0, { checks: {} })
  expect([await isOpen(), await flag()]).toEqual([true, false])
  await db.query(
    `update fitting_parts set content = jsonb_build_object('on', $2::text) where fitting_id = $1 and part = 'handover'`,
    [first, TODAY],
  )
  expect([await isOpen(), await flag()]).toEqual([false, true])
  await put(1, { checks: {} })
  expect([await isOpen(), await flag()]).toEqual([true, false])
  // Written by hand in the database, or gone with a part: the fitting follows.
  await db.query(
    `update fitting_parts set content = jsonb_build_object('on', $2::text) where fitting_id = $1 and part = 'handover'`,
    [first, TODAY],
  )
  expect(await flag()).toBe(true)
  await db.query(`delete from fitting_parts where fitting_id = $1 and part = 'handover'`, [first])
  expect([await isOpen(), await flag()]).toEqual([true, false])
})
