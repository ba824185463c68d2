import { beforeAll, describe, expect, it } from 'vitest'
import { DEMO_RECORDS } from '../../demo/records'
import type { BenchJobRow } from '../../shared/contracts'
import { Caller } from './client'
import { useShop } from './shop'

const shop = useShop(21750)
let bram: Caller
const CHECKS = ['flat', 'edge', 'liner', 'arches', 'stand', 'toes', 'marks']
const good = Object.fromEntries(CHECKS.map((id) => [id, 'good']))
/** A fitting of its own with devices on both feet, and nothing done yet. */
async function fitting(name: string): Promise<string> {
  const record = structuredClone(DEMO_RECORDS['tove-marchetti']!)
  record.client = { name }
  delete record.footwear
  delete record.handover
  record.jobs = []
  return (await shop.rhona.post('records', record)).json.fittingId
}
const put = async (id: string, part: string, content: unknown, who = shop.rhona) => {
  const { parts } = (await who.get(`fittings/${id}`)).json
  return who.command(id, parts[part]?.version ?? 0, { kind: 'part.put', part, content } as never)
}
const jobOf = async (id: string): Promise<BenchJobRow | undefined> =>
  (await shop.rhona.get('bench')).json.jobs.find((job: BenchJobRow) => job.id === id)
/** Leaves out whatever is open. */
async function leaveOut(id: string) {
  const { steps } = (await jobOf(id))!
  const content = steps.map(({ step, foot, state, entry }) =>
    state === 'open' ? { step, ...(foot && { foot }), state: 'skipped' } : entry,
  )
  expect((await put(id, 'jobs', content)).status).toBe(200)
}
const ROUND = {
  no: 2,
  kind: 'adjustment',
  feet: ['right'],
  reason: 'the right arch presses',
  terms: 'guarantee',
  openedOn: '2026-12-10',
}

beforeAll(async () => {
  bram = await new Caller(shop.base).signIn('bram')
})

describe('handing over', () => {
  it('waits for open steps, then for checks or a reason; what left once stays so', async () => {
    const id = await fitting('Gate Keeper')
    const leave = (more: object) => put(id, 'handover', { on: '2026-12-01', ...more })
    const open = await leave({ checks: good, evenFeel: 'even' })
    expect([open.status, open.json.code]).toEqual([409, 'not-ready'])
    expect(open.json.detail).toMatch(/steps at the bench are open/)
    await leaveOut(id)
    const bare = await leave({})
    expect(bare.json.detail).toMatch(/7 checks are not made.*why it leaves all the same/)
    expect((await leave({ checks: { ...good, toes: 'stop' }, allTheSame: 'x' })).status).toBe(409)
    expect((await leave({ checks: good, evenFeel: 'even' })).status).toBe(200)
    // It is out of the door: a check struck later changes nothing of that.
    expect((await leave({ note: 'rang, all good' })).status).toBe(200)
  })
})

describe('a round', () => {
  it('does not begin before the first is handed over', async () => {
    const id = await fitting('Too Early')
    expect((await put(id, 'rounds', [ROUND])).json.code).toBe('not-handed-over')
    expect((await put(id, 'rounds', [])).status).toBe(200)
  })
  it('is at the bench and among what is unfinished until it is handed over, by its own gate', async () => {
    const id = await fitting('Comes Back')
    await leaveOut(id)
    await put(id, 'handover', { on: '2026-12-01', checks: good, evenFeel: 'even' })
    expect(await jobOf(id)).toBeUndefined()
    const unfinished = async () => {
      const ids: string[] = []
      for (let all = 1; ids.length < all;) {
        const { json } = await shop.rhona.get(`unfinished?from=${ids.length}`)
        all = json.all
        ids.push(...json.unfinished.map((u: { fittingId: string }) => u.fittingId))
      }
      expect(new Set(ids).size).toBe(ids.length)
      return ids.includes(id)
    }
    expect(await unfinished()).toBe(false)
    const today = (await shop.rhona.get('today')).json.today
    expect((await put(id, 'rounds', [{ ...ROUND, openedOn: today }])).status).toBe(200)
    expect(await unfinished()).toBe(true)
    const steps = (await jobOf(id))!.steps
    expect(steps.filter((s) => s.state === 'open').map((s) => s.words)).toEqual([
      'Mark what is changed',
      'Grind, heat or pad as prescribed',
      'Try in the footwear',
    ])
    // A bench hand does its steps, sees why, opens none, and hands nothing over.
    const seen = (await bram.get(`fittings/${id}`)).json
    expect(seen.parts.rounds.content[0].reason).toBe('the right arch presses')
    expect(seen.parts.handover).toBeUndefined()
    expect((await put(id, 'rounds', [], bram)).status).toBe(403)
    const mark = { kind: 'jobs.step', step: 'r2:adjust:mark', do: 'finish' }
    expect((await bram.command(id, seen.parts.jobs.version, mark as never)).status).toBe(200)
    const { rounds } = (await shop.rhona.get(`fittings/${id}`)).json.parts
    expect(rounds.content[0].by).toBe('Rhona Ketteridge')
    const over = (more: object) =>
      put(id, 'rounds', [{ ...rounds.content[0], handedOverOn: today, ...more }])
    expect((await over({ checks: good, evenFeel: 'even' })).json.detail).toMatch(
      /2 steps at the bench/,
    )
    await leaveOut(id)
    // The first round's checks are not this one's.
    expect((await over({})).json.detail).toMatch(/7 checks are not made/)
    expect((await over({ checks: good, evenFeel: 'even' })).status).toBe(200)
    expect(await jobOf(id)).toBeUndefined()
    expect(await unfinished()).toBe(false)
    const { handover } = (await shop.rhona.get(`fittings/${id}`)).json.parts
    expect(handover.content.on).toBe('2026-12-01')
  })
  it('counts its minutes as those of its way of working, and not against a pair that was right', async () => {
    const id = await fitting('Counts Once')
    await leaveOut(id)
    await put(id, 'handover', { on: '2026-12-01', checks: good, evenFeel: 'even' })
    await put(id, 'rounds', [{ ...ROUND, openedOn: '2026-12-02' }])
    const { parts } = (await shop.rhona.get(`fittings/${id}`)).json
    const step = { kind: 'jobs.step', step: 'r2:adjust:mark', do: 'finish', minutes: 4 }
    await shop.rhona.command(id, parts.jobs.version, step as never)
    const { rows } = await shop.owner.query(
      'select step from bench_log where fitting_id = $1 order by id desc limit 1',
      [id],
    )
    expect(rows[0].step).toBe('adjust:mark')
    await shop.owner.query("delete from bench_log where step like 'adjust:%'")
  })
})
