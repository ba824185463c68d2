import ICAL from 'ical.js'
import pg from 'pg'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { EMPTY_PLAN } from '../../core/bench/dayPlan'
import type { BenchStep } from '../../core/bench/jobSteps'
import { benchRecords } from '../../demo/benchRecords'
import { DEMO_RECORDS } from '../../demo/records'
import type { FootwearModel } from '../../core/footwear/catalogueSchema'
import type { FittingRecord, ShellWork } from '../../core/record/schema'
import type { BenchJobRow, BenchState, HeatLogRow } from '../../shared/contracts'
import type { Timer } from '../../core/bench/timer'
import { HOUSE_TABLES } from '../../core/record/tables'
import { addDays } from '../../core/record/isoDay'
import { Caller, startServer } from './client'

let server: Awaited<ReturnType<typeof startServer>>
let db: pg.Client
let rhona: Caller
let bram: Caller
let owner: Caller
beforeAll(async () => {
  server = await startServer(21790)
  db = new pg.Client({ connectionString: inject('urls').MIGRATION_URL })
  await db.connect()
  rhona = await new Caller(server.base).signIn('rhona')
  bram = await new Caller(server.base).signIn('bram')
  owner = await new Caller(server.base).signIn('sunniva')
})
afterAll(async () => {
  await db.end()
  await server.stop()
})
const TODAY = new Date().toLocaleDateString('sv')
/** A bench client of this test's own. */
async function own(
  demo: string,
  name: string,
  change: (r: FittingRecord) => void = () => undefined,
): Promise<string> {
  const record = structuredClone(benchRecords(TODAY)[demo]!.record)
  record.client = { ...record.client, code: undefined, name }
  change(record)
  const { fittingId } = (await rhona.post('records', record)).json
  return fittingId
}
const bench = async (who = rhona, day = TODAY): Promise<BenchState> =>
  (await who.get(`bench?day=${day}`)).json
const job = async (id: string, who = rhona): Promise<BenchJobRow> =>
  (await bench(who)).jobs.find((j) => j.id === id)!
const step = async (id: string, what: object) =>
  bram.command(id, (await job(id)).jobsVersion, {
    kind: 'jobs.step',
    following: [],
    ...what,
  } as never)

describe('the bench', () => {
  it('lists what is left to make with its steps; a bench hand sees codes, no names and no reasons', async () => {
    const id = await own('wendeline-achterberg', 'Benna Board')
    const [all, hands] = [await bench(), await bench(bram)]
    expect(all.people).toEqual([
      { name: 'Rhona Ketteridge', role: 'fitter' },
      { name: 'Bram Oyelaran', role: 'bench' },
    ])
    expect(all.jobs.find((j) => j.id === id)).toMatchObject({
      name: 'Benna Board',
      promisedOn: TODAY,
      promisedAt: '12:30',
      blocked: false,
      wearer: { child: false, noHeat: false, marginK: 3 },
    })
    expect(all.jobs.find((j) => j.id === id)!.steps).toHaveLength(13)
    expect(JSON.stringify(hands)).not.toMatch(/Benna|Wendeline|moulding on the tray|heelPlantar/)
    expect(hands.jobs.find((j) => j.id === id)!.steps).toHaveLength(13)
    expect((await rhona.get('bench?day=yesterday')).json.code).toBe('bad-day')
    // Anselm has a wound: his things wait for a clearance.
    const blocked = await own(
      'wendeline-achterberg',
      'Wilf Wound',
      (r) => (r.story!.signs = { openWound: 'yes' }),
    )
    expect((await job(blocked)).blocked).toBe(true)
    expect((await step(blocked, { step: 'heat-moulded:oven', do: 'start' })).json.code).toBe(
      'refer-first',
    )
  })
  it("takes a step through its life, in the log and in the audit, and holds to the order and the skin's limit", async () => {
    const id = await own('wendeline-achterberg', 'Lasse Log')
    const at = async (key: string): Promise<BenchStep> =>
      (await job(id)).steps.find((s) => s.key === `heat-moulded:${key}`)!
    expect(
      (await step(id, { step: 'heat-moulded:place', foot: 'left', do: 'start', celsius: 30 })).json
        .code,
    ).toBe('too-early')
    expect((await step(id, { step: 'heat-moulded:oven', do: 'start' })).status).toBe(200)
    expect(await at('oven')).toMatchObject({
      state: 'running',
      entry: { plannedMin: 6, by: 'Bram Oyelaran' },
    })
    await step(id, { step: 'heat-moulded:oven', do: 'finish' })
    for (const foot of ['left', 'right'])
      await step(id, { step: 'heat-moulded:impression', foot, do: 'finish' })
    expect(
      (await step(id, { step: 'heat-moulded:place', foot: 'left', do: 'start' })).json.code,
    ).toBe('no-temperature')
    // A caller cannot shorten the time on the skin: 50 °C would pass for half a minute, not for
    // six.
    expect(
      (
        await step(id, {
          step: 'heat-moulded:place',
          foot: 'left',
          do: 'start',
          celsius: 50,
          skinMin: 0.5,
          reason: 'quick',
        })
      ).json.code,
    ).toBe('too-hot')
    expect(
      (await step(id, { step: 'heat-moulded:place', foot: 'left', do: 'start', celsius: 47 })).json
        .code,
    ).toBe('no-reason')
    expect(
      (
        await step(id, {
          step: 'heat-moulded:place',
          foot: 'left',
          do: 'start',
          celsius: 47,
          reason: 'two socks',
        })
      ).status,
    ).toBe(200)
    expect((await at('place@left')).entry).toMatchObject({ celsius: 47, reason: 'two socks' })
    expect((await step(id, { step: 'heat-moulded:fly', do: 'start' })).json.code).toBe(
      'no-such-step',
    )
    expect(
      (await step(id, { step: 'heat-moulded:oven', do: 'redo', reason: 'went cold' })).status,
    ).toBe(200)
    expect([
      (await at('oven')).state,
      (await at('place@left')).state,
      (await at('impression@left')).state,
    ]).toEqual(['open', 'open', 'done'])
    const { rows } = await db.query(
      'select step, foot, did, planned_min::float8 as planned, reason from bench_log where fitting_id = $1 order by id',
      [id],
    )
    expect(rows.map((r) => r.did)).toEqual(['start', 'finish', 'finish', 'finish', 'start', 'redo'])
    expect(rows.at(-1)).toMatchObject({ step: 'heat-moulded:oven', reason: 'went cold' })
    expect(
      (
        await db.query(
          "select count(*)::int as n from audit where fitting_id = $1 and action = 'jobs.step:jobs'",
          [id],
        )
      ).rows[0].n,
    ).toBe(6)
    // Nor is the lock passed by writing the whole list.
    const list = (celsius?: number) =>
      bram.command(id, 6, {
        kind: 'part.put',
        part: 'jobs',
        content: [
          {
            step: 'heat-moulded:place',
            foot: 'left',
            done: true,
            state: 'done',
            ...(celsius !== undefined && { celsius }),
          },
        ],
      })
    expect((await list()).json.code).toBe('no-temperature')
    expect((await list(60)).json.code).toBe('no-temperature')
    expect((await list(40)).status).toBe(200)
    // Numb feet: no heat on the foot, whatever is typed.
    const numb = await own(
      'wendeline-achterberg',
      'Nora Numb',
      (r) => (r.story!.conditions = ['neuropathy']),
    )
    expect(
      (
        await step(numb, {
          step: 'heat-moulded:place',
          foot: 'left',
          do: 'start',
          celsius: 25,
          reason: 'only warm',
        })
      ).json.code,
    ).toBe('too-hot')
  })
  it('learns its own minutes from the log and plans with them', async () => {
    const id = await own('cormac-eddowes', 'Mina Minutes')
    const shop = (await db.query('select shop_id from fittings where id = $1', [id])).rows[0]
      .shop_id
    for (let i = 0; i < 20; i++)
      await db.query(
        "insert into bench_log (shop_id, fitting_id, step, did, actual_min) values ($1, $2, 'trim-to-fit:trim', 'finish', 8)",
        [shop, id],
      )
    expect((await job(id)).steps.find((s) => s.key === 'trim-to-fit:trim@left')).toMatchObject({
      houseMin: 4,
      minutes: 7,
      learnedFrom: 20,
    })
    await db.query('delete from bench_log where fitting_id = $1', [id])
  })
  it('keeps a plan of a day over the version it was made from; the second of two is told', async () => {
    const day = '2031-03-04'
    const plan = {
      ...EMPTY_PLAN,
      onDuty: ['Bram Oyelaran'],
      own: [{ id: 'l', name: 'Lunch', minutes: 30, needs: ['people'], at: '12:30' }],
    }
    const put = (version: number, p: unknown = plan) =>
      bram.call('PUT', 'bench/plan', { day, version, plan: p })
    expect((await put(1)).json.code).toBe('stale')
    expect((await put(0)).json).toMatchObject({ version: 1, by: 'Bram Oyelaran' })
    expect((await put(0)).json.code).toBe('stale')
    const both = await Promise.all([put(1), put(1, { ...plan, own: [] })])
    expect(both.map((a) => a.status).sort()).toEqual([200, 409])
    expect((await bench(rhona, day)).plan).toMatchObject({ version: 2 })
    expect(
      (await put(2, { ...plan, pinned: [{ job: 'x', step: 'y', at: 'noon' }] })).json.path,
    ).toContain('pinned')
  })
  it('puts two plans of a day beside each other where they do not meet', async () => {
    const day = '2027-03-02'
    const { plan: was } = (await bench(rhona, day)).plan
    const put = (who: Caller, version: number, change: object) =>
      who.call('PUT', 'bench/plan', { day, version, was, plan: { ...was, ...change } })
    const piece = (id: string, name: string) => ({ id, name, minutes: 10, needs: [] })
    expect((await put(rhona, 0, { own: [piece('a', 'Sharpen')] })).status).toBe(200)
    expect((await put(bram, 0, { own: [piece('b', 'Sweep')] })).status).toBe(200)
    expect((await bench(rhona, day)).plan.plan.own.map((o) => o.name).sort()).toEqual([
      'Sharpen',
      'Sweep',
    ])
    // The same piece of work in two ways: the second is asked, and neither is lost.
    expect((await put(bram, 0, { own: [piece('a', 'Grind')] })).status).toBe(409)
  })
  it('a waiting step brings its alarm, once, from when it was begun; its end takes it away', async () => {
    const id = await own('wendeline-achterberg', 'Alva Alarm')
    const { jobsVersion } = await job(id)
    const command = { kind: 'jobs.step', following: [], step: 'heat-moulded:oven', do: 'start' }
    const body = { id: crypto.randomUUID(), version: jobsVersion, command, waitedMs: 120_000 }
    const before = Date.now()
    for (let i = 0; i < 2; i++)
      expect((await bram.post(`fittings/${id}/commands`, body)).status).toBe(200)
    const mine = async () =>
      (await bram.get('timers')).json.timers.filter((t: Timer) => t.fittingId === id) as Timer[]
    const [timer, ...more] = await mine()
    expect(more).toEqual([])
    expect(timer).toMatchObject({ plannedMin: 6, step: 'heat-moulded:oven' })
    // Begun two minutes ago, while the line was down: four are left.
    expect((timer!.endsAt! - before) / 60_000).toBeCloseTo(4, 0)
    const entry = (await job(id)).steps.find((s) => s.key === 'heat-moulded:oven')!.entry!
    expect((before - Date.parse(entry.startedAt!)) / 60_000).toBeCloseTo(2, 0)
    await step(id, { step: 'heat-moulded:oven', do: 'longer', minutes: 3 })
    expect(((await mine())[0]!.endsAt! - before) / 60_000).toBeCloseTo(7, 0)
    await step(id, { step: 'heat-moulded:oven', do: 'finish' })
    expect(await mine()).toEqual([])
    // Stopped on two devices: the second is no failure.
    expect((await bram.call('PATCH', `timers/${timer!.id}`, { do: 'stop' })).status).toBe(200)
  })
  it('tells every change of what a job rests on, also of the catalogue and the shop’s minutes', async () => {
    const id = await own('wendeline-achterberg', 'Cato Cached')
    const seen = async () => JSON.stringify(await job(id))
    const first = await seen()
    expect(await seen()).toBe(first)
    const { parts } = (await rhona.get(`fittings/${id}`)).json
    const making = { ...parts.making.content, promisedOn: '2026-12-24' }
    const put = { kind: 'part.put', part: 'making', content: making } as never
    expect((await rhona.command(id, parts.making.version, put)).status).toBe(200)
    expect(await job(id)).toMatchObject({ promisedOn: '2026-12-24' })
    const current = (await owner.get('norms')).json.versions[0]?.norms ?? HOUSE_TABLES
    const processes = current.processes.map((p: { id: string; steps: { id: string }[] }) =>
      p.id === 'heat-moulded'
        ? { ...p, steps: p.steps.map((s) => (s.id === 'heel' ? { ...s, minutes: 19 } : s)) }
        : p,
    )
    const norms = { ...current, processes, source: 'a slower grinder' }
    const made = await owner.post('norms', { basedOn: current.version, norms })
    expect(made.status, JSON.stringify(made.json)).toBe(200)
    expect((await job(id)).steps.find((s) => s.step === 'heat-moulded:heel')?.minutes).toBe(19)
    // As it was: what others of these tests read is the house's own.
    const back = { ...current, source: 'the grinder is mended' }
    await owner.post('norms', { basedOn: made.json.norms.version, norms: back })
  })
  it('goes with the client when the client is erased', async () => {
    const id = await own('wendeline-achterberg', 'Elke Erased')
    await step(id, { step: 'heat-moulded:oven', do: 'start' })
    await bram.post('heat', {
      id: crypto.randomUUID(),
      name: 'blank',
      apparatus: 'tray',
      fittingId: id,
    })
    const client = (await db.query('select client_id from fittings where id = $1', [id])).rows[0]
      .client_id
    const { code } = (await rhona.get(`fittings/${id}`)).json.client
    expect((await owner.call('DELETE', `clients/${client}`, { code })).status).toBe(200)
    for (const table of ['bench_log', 'heat_logs'])
      expect(
        (await db.query(`select count(*)::int as n from ${table} where fitting_id = $1`, [id]))
          .rows[0].n,
      ).toBe(0)
  })
})

describe('work on a shell', () => {
  const piece = (id: string, model: string, more = {}) => ({
    id,
    foot: 'left',
    model,
    sizeMm: 265,
    station: 'ball',
    does: 'stretch',
    at: { fromHeelMm: 190, heightMm: 20, side: 'both' },
    amountMm: 2,
    because: 'said in confidence',
    state: 'planned',
    ...more,
  })
  const partsOf = async (id: string, who = rhona) => (await who.get(`fittings/${id}`)).json.parts
  const put = async (id: string, content: object) =>
    rhona.command(id, (await partsOf(id)).footwear?.version ?? 0, {
      kind: 'part.put',
      part: 'footwear',
      content,
    } as never)
  const workOf = async (id: string) => (await partsOf(id)).footwear.content.chosen.work
  const tell = async (id: string, found: object, who = bram) =>
    who.command(id, (await partsOf(id)).footwear.version, { kind: 'work.found', ...found } as never)
  const finish = async (id: string, work: string) => {
    for (const s of (await job(id)).steps.filter((x) => x.step.startsWith(`work:${work}:`)))
      expect((await step(id, { step: s.step, do: 'finish' })).status).toBe(200)
  }
  it('is one thing for bench and fitter: done here is done there, opened there is opened here', async () => {
    const { models } = (await rhona.get('models')).json
    const model = models.find(
      (m: FootwearModel) => m.plastic.stretchMm >= 4 && m.plastic.limitC > 0,
    )
    const id = await own('wendeline-achterberg', 'Sina Shell', (r) => {
      r.feet = { left: { readings: [] } } as never
      r.jobs = []
      delete r.making
    })
    const work = [
      piece('left-ball-stretch', model.id),
      piece('left-heel-pad', model.id, { does: 'pad' }),
    ]
    expect((await put(id, { chosen: { model: model.id, sizeLeftMm: 265, work } })).status).toBe(200)
    await finish(id, 'left-ball-stretch')
    const [stretched, pad] = await workOf(id)
    expect(stretched).toMatchObject({ state: 'done', by: 'Bram Oyelaran', pressedMm: 2.4 })
    expect(Date.parse(stretched.doneAt)).toBeGreaterThan(Date.now() - 60_000)
    expect(pad.state).toBe('planned')
    // The bench hand says what was found, sees nothing of the rest, and changes nothing of it.
    const told = await tell(id, { work: 'left-ball-stretch', gainedMm: 1.7 })
    expect(told.status).toBe(200)
    expect(JSON.stringify(told.json)).not.toContain('confidence')
    expect((await tell(id, { work: 'left-heel-pad', gainedMm: 1 })).json.code).toBe('not-done')
    const stale = await bram.command(id, 0, { kind: 'work.found', work: 'x' } as never)
    expect(stale.status).toBe(409)
    expect(JSON.stringify(stale.json)).not.toContain('confidence')
    const forbidden = { kind: 'part.put', part: 'footwear', content: {} } as never
    expect((await bram.command(id, 3, forbidden)).status).toBe(403)
    expect((await workOf(id))[0]).toMatchObject({ gainedMm: 1.7, because: 'said in confidence' })
    // Taken back by the fitter in Match: the bench begins anew.
    const { content } = (await partsOf(id)).footwear
    const back = content.chosen.work.map((w: ShellWork) => {
      const { gainedMm: _, pressedMm: __, doneAt: ___, ...rest } = w
      return { ...rest, state: 'planned' }
    })
    expect((await put(id, { ...content, chosen: { ...content.chosen, work: back } })).status).toBe(
      200,
    )
    const again = (await job(id)).steps.filter((s) => s.step.startsWith('work:left-ball-stretch:'))
    expect(again.map((s) => s.state)).toEqual(Array(5).fill('open'))
    // And opened again at the bench, it is planned in Match.
    await finish(id, 'left-ball-stretch')
    expect((await workOf(id))[0].state).toBe('done')
    await step(id, { step: 'work:left-ball-stretch:recheck', do: 'redo', reason: 'still tight' })
    expect((await workOf(id))[0]).toMatchObject({ state: 'planned' })
    const trail = await db.query(
      `select action from audit where fitting_id = $1 and action like 'work.%' order by id`,
      [id],
    )
    expect(trail.rows.map((r) => r.action)).toEqual([
      'work.follows:footwear',
      'work.found:footwear',
      'work.follows:jobs',
      'work.follows:footwear',
      'work.follows:footwear',
    ])
  })
  it('teaches how far a plastic springs back, from five pieces on', async () => {
    const read = async () => (await rhona.get('models')).json
    const { models } = await read()
    const model = models.find((m: FootwearModel) => m.plastic.name)
    const plastic = model.plastic.name.toLowerCase()
    const before = (await read()).springBack[plastic]?.count ?? 0
    const done = (n: number) =>
      piece(`left-ball-stretch~${n}`, model.id, { state: 'done', pressedMm: 3, gainedMm: 2 })
    await own('wendeline-achterberg', 'Petra Press', (r) => {
      r.footwear = {
        candidates: [],
        chosen: { model: model.id, work: [1, 2, 3, 4, 5].map(done) },
      } as never
    })
    const now = (await read()).springBack[plastic]
    expect(now).toMatchObject({ count: before + 5, used: true })
    expect(now.share).toBeGreaterThan(HOUSE_TABLES.springBackShare)
    expect(JSON.stringify(now)).not.toContain('Petra')
  })
})

describe('heat', () => {
  const log = async (id: string): Promise<HeatLogRow> =>
    (await bram.get('heat')).json.logs.find((l: HeatLogRow) => l.id === id)
  it('keeps readings of a probe or typed ones once each, strikes, ends, and takes none after that', async () => {
    const id = crypto.randomUUID()
    const change = (body: unknown) => bram.call('PATCH', `heat/${id}`, body)
    await bram.post('heat', {
      id,
      name: 'HR-0444 right sheet',
      apparatus: 'oven',
      window: 'polypropylene',
    })
    await bram.post('heat', { id, name: 'sent twice', apparatus: 'oven' })
    const readings = [
      { minutes: 0, celsius: 21 },
      { minutes: 1, celsius: 42.5 },
      { minutes: 0.5, celsius: 32 },
    ]
    await change({ do: 'add', readings })
    await change({ do: 'add', readings: [readings[1], { minutes: 2, celsius: 999, drive: 1 }] })
    expect(await log(id)).toMatchObject({
      name: 'HR-0444 right sheet',
      window: 'polypropylene',
      stoppedAt: null,
      by: 'Bram Oyelaran',
    })
    expect((await log(id)).readings.map((r) => r.minutes)).toEqual([0, 0.5, 1, 2])
    await change({ do: 'strike', minutes: 2 })
    expect(
      (await change({ do: 'add', readings: [{ minutes: 1, celsius: 'hot' }] })).json.path,
    ).toMatch(/celsius/)
    expect((await change({ do: 'stop' })).json.log.readings).toHaveLength(3)
    expect((await change({ do: 'add', readings: [{ minutes: 9, celsius: 9 }] })).status).toBe(404)
  })
  it('comes from the stand-in probe as a stream of readings that goes on where a log stands', async () => {
    const text = await bram.hear(
      'standins/probe?apparatus=oven&pace=60&from=2&start=60&seed=4',
      /(data: \{[\s\S]*){3}/,
    )
    const seen = [...text.matchAll(/data: (\{.*\})/g)].map((m) => JSON.parse(m[1]!))
    expect(seen.length).toBeGreaterThanOrEqual(3)
    expect(seen[0]).toMatchObject({
      minutes: expect.closeTo(2, 1),
      celsius: expect.closeTo(60, -1),
      drive: 1,
    })
    expect(seen[2].minutes - seen[0].minutes).toBeCloseTo(2, 0)
    expect(seen[2].celsius).toBeGreaterThan(seen[0].celsius + 15)
  })
})

describe('papers and reminders', () => {
  it('a quote is kept with its answer and goes out as PDF with its sums; the form holds the pair', async () => {
    const id = await own('soraya-benedek', 'Quinta Quote')
    expect((await rhona.get(`fittings/${id}/quote`)).status).toBe(404)
    const quote = {
      id: 'q1',
      on: TODAY,
      validUntil: '2027-01-01',
      currency: '€',
      withTax: true,
      guaranteeMonths: 12,
      lines: [
        { words: 'Full custom footbeds, a pair', count: 1, amount: 290, taxPercent: 20 },
        { words: 'Visits under guarantee', count: 3, amount: 0, taxPercent: 20 },
      ],
    }
    expect(
      (await bram.command(id, 0, { kind: 'part.put', part: 'quotes', content: [quote] })).status,
    ).toBe(403)
    await rhona.command(id, 0, { kind: 'part.put', part: 'quotes', content: [quote] })
    const open = await rhona.pdf(`fittings/${id}/quote?id=q1`)
    const lines = [
      /Quote .*For Quinta Quote.*Full custom footbeds, a pair.*290\.00 €.*no charge/,
      /.*Without tax.*241\.67 €.*Tax 20 %.*48\.33 €.*In all.*290\.00 €/,
    ]
    expect(open).toMatch(new RegExp(lines.map((line) => line.source).join('')))
    await rhona.command(id, 1, {
      kind: 'part.put',
      part: 'quotes',
      content: [{ ...quote, answer: 'accepted', answeredOn: TODAY, words: 'in blue, please' }],
    })
    expect(await rhona.pdf(`fittings/${id}/quote`)).toMatch(/Accepted on .*: in blue, please/)
    const form = await rhona.pdf(`fittings/${id}/form`)
    expect(form).toMatch(
      /Fitting form .*Quinta Quote.*Readings.*left right.*Devices.*Full custom.*Handover.*Not handed over yet/,
    )
  })
  it('what is due comes by itself, lengths of all fittings count, and the calendar holds codes only', async () => {
    const start = new Date(Date.now() - 20 * 864e5).toLocaleDateString('sv')
    const id = await own('soraya-benedek', 'Dora Due', (r) => (r.handover = { on: start }))
    const { due } = (await rhona.get('due')).json
    expect(due.find((d: { fittingId: string }) => d.fittingId === id)).toMatchObject({
      name: 'Dora Due',
      kind: 'outcome',
      words: 'ask how it goes: two weeks',
      lateDays: 6,
    })
    const text = (await rhona.get('due/calendar')).json as string
    expect(text).not.toContain('Dora')
    const events = new ICAL.Component(ICAL.parse(text))
      .getAllSubcomponents('vevent')
      .map((e) => new ICAL.Event(e))
    // Late ones stand on today.
    expect(
      events
        .filter((e) => e.summary.includes('two weeks'))
        .every((e) => e.startDate.toString() >= TODAY),
    ).toBe(true)
    expect(events).toHaveLength(due.length)
    const { clientId, ...first } = (
      await rhona.post('records', {
        ...DEMO_RECORDS['juno-abara']!,
        client: { ...DEMO_RECORDS['juno-abara']!.client, code: undefined, name: 'Gro Grows' },
      })
    ).json
    expect(first.fittingId).toBeTruthy()
    await rhona.post(`clients/${clientId}/fittings`, { copyFrom: first.fittingId })
    expect((await rhona.get(`clients/${clientId}/lengths`)).json.left).toEqual([
      { on: '2026-11-25', lengthMm: 199 },
      ...(TODAY === '2026-11-25' ? [] : [{ on: TODAY, lengthMm: 199 }]),
    ])
  })
  it('what worked follows every change of what it rests on, and forgets who is erased', async () => {
    const worked = async () => (await rhona.get('worked')).json
    const before = await worked()
    const { client: _, ...plain } = structuredClone(DEMO_RECORDS['tove-marchetti']!)
    const record = {
      ...plain,
      client: { name: 'Wendel Worked' },
      visit: { on: addDays(TODAY, -40) },
      handover: { on: addDays(TODAY, -35) },
      followups: [],
    }
    const { fittingId, clientId } = (await rhona.post('records', record)).json
    const handed = await worked()
    expect(handed.fittings).toBe(before.fittings + 1)
    expect(handed.figures.neverBack).toEqual({
      count: before.figures.neverBack.count + 1,
      of: before.figures.neverBack.of + 1,
    })
    const back = { on: TODAY, pain: [], comfort: 80 }
    const { parts } = (await rhona.get(`fittings/${fittingId}`)).json
    const put = { kind: 'part.put', part: 'followups', content: [back] } as never
    expect((await rhona.command(fittingId, parts.followups?.version ?? 0, put)).status).toBe(200)
    const asked = await worked()
    expect(asked.figures.neverBack.count).toBe(before.figures.neverBack.count)
    expect(asked.figures.firstTimeFit.of).toBe(before.figures.firstTimeFit.of + 1)
    await owner.call('DELETE', `clients/${clientId}`, {})
    expect(await worked()).toEqual(before)
  })
  it("what worked is told from the shop's own records, not to a bench hand", async () => {
    const { rows, figures } = (await rhona.get('worked')).json
    const pads = rows.find(
      (r: { modification: string; region: string }) =>
        r.modification === 'Met pad' && r.region === 'ball',
    )
    expect(pads.pain.high).toBeLessThan(0)
    expect(pads.clients).toBe(pads.cameBack + pads.neverBack)
    expect(JSON.stringify(rows)).not.toMatch(/Esme|Vandersloot/)
    expect(figures.neverBack.of).toBeGreaterThanOrEqual(18)
    expect((await bram.get('worked')).status).toBe(403)
  })
})
