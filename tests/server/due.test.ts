import { describe, expect, it } from 'vitest'
import { dueOf } from '../../core/followup/due'
import { addDays } from '../../core/record/isoDay'
import { DEMO_RECORDS } from '../../demo/records'
import { startServer } from './client'
import { useShop } from './shop'

const shop = useShop(21727)

interface Line {
  fittingId: string
  kind: string
  on: string
  words: string
  lateDays: number
}
const today = async (): Promise<string> => (await shop.rhona.get('due')).json.today
const dueAt = async (fittingId: string): Promise<Line[]> =>
  (await shop.rhona.get('due')).json.due.filter((d: Line) => d.fittingId === fittingId)
/** A pair that was handed over some days ago. */
async function handedOver(daysAgo: number, more: object = {}) {
  const { client: _, ...plain } = structuredClone(DEMO_RECORDS['tove-marchetti']!)
  const on = addDays(await today(), -daysAgo)
  const { json } = await shop.rhona.post('records', {
    ...plain,
    client: { name: `Handed Over ${daysAgo}` },
    handover: { on },
    followups: [],
    ...more,
  })
  return { ...(json as { clientId: string; fittingId: string }), on }
}

describe('what is due', () => {
  it('is there as soon as a record is, as the core says', async () => {
    const { fittingId, on } = await handedOver(14)
    const day = await today()
    const { record } = { record: (await shop.rhona.get(`fittings/${fittingId}/record`)).json }
    expect(await dueAt(fittingId)).toMatchObject(dueOf(record, day))
    expect(await dueAt(fittingId)).toMatchObject([
      { kind: 'outcome', on: addDays(on, 14), words: 'ask how it goes: two weeks', lateDays: 0 },
    ])
  })

  it('goes when it was answered, and comes with the next day that is set', async () => {
    const { fittingId } = await handedOver(15)
    const day = await today()
    const put = async (part: string, content: unknown) => {
      const parts = (await shop.rhona.get(`fittings/${fittingId}`)).json.parts
      const { status } = await shop.rhona.command(fittingId, parts[part]?.version ?? 0, {
        kind: 'part.put',
        part,
        content,
      } as never)
      expect(status).toBe(200)
    }
    await put('followups', [{ on: day, pain: [] }])
    expect(await dueAt(fittingId)).toEqual([])
    await put('handover', { on: addDays(day, -15), nextVisitOn: addDays(day, 3) })
    expect(await dueAt(fittingId)).toMatchObject([{ kind: 'visit', on: addDays(day, 3) }])
  })

  it('is counted, by kind, and asked for in pieces', async () => {
    await handedOver(16)
    const { counts, due } = (await shop.rhona.get('due')).json
    expect(counts.all).toBe(due.length)
    expect(counts.late).toBe(due.filter((d: Line) => d.lateDays > 0).length)
    const only = (await shop.rhona.get('due?kind=outcome')).json.due as Line[]
    expect(only).toEqual(due.filter((d: Line) => d.kind === 'outcome'))
    expect(only.length).toBe(counts.byKind.outcome)
    expect((await shop.rhona.get('due?from=2')).json.due).toEqual(due.slice(2))
    expect((await shop.rhona.get('due?kind=soon')).status).toBe(400)
  })

  it('is reckoned for whoever has no list yet, and anew when a shell changes', async () => {
    const { clientId, fittingId } = await handedOver(14)
    await shop.owner.query('delete from due_items where client_id = $1', [clientId])
    await shop.owner.query('update clients set due_reckoned_at = null where id = $1', [clientId])
    expect(await dueAt(fittingId)).toEqual([])
    // Another server finds what the first has not done yet.
    const second = await startServer(21728)
    await expect.poll(() => dueAt(fittingId), { timeout: 8000 }).toHaveLength(1)
    await second.stop()
    // Only a child outgrows: nobody else's list rests on the catalogue.
    const stale = 'select count(*)::int as n from clients where due_reckoned_at is null'
    const model = (await shop.rhona.get('models')).json.models[0]
    await shop.sunniva.call('PUT', 'models', {
      format: 'gentle-arch/catalogue',
      version: 1,
      models: [model],
    })
    const { rows } = await shop.owner.query(stale)
    const children = await shop.owner.query(
      `select count(distinct c.id)::int as n from clients c
       join fittings f on f.client_id = c.id join fitting_parts p on p.fitting_id = f.id
       where p.part = 'footwear' and p.content->'chosen'->>'model' = $1 and c.details ? 'bornOn'`,
      [model.id],
    )
    expect(rows[0].n).toBeLessThanOrEqual(children.rows[0].n)
  })

  it('stands there once, however many of a client’s fittings change at once', async () => {
    const { clientId, fittingId } = await handedOver(14)
    const more = await shop.rhona.post(`clients/${clientId}/fittings`, { copyFrom: fittingId })
    const others = [fittingId, more.json.fittingId as string]
    for (let round = 0; round < 6; round++)
      await Promise.all(
        others.map(async (id) => {
          const version = (await shop.rhona.get(`fittings/${id}`)).json.parts.visit?.version ?? 0
          const command = { kind: 'part.put', part: 'visit', content: { reason: `${round}` } }
          expect((await shop.rhona.command(id, version, command as never)).status).toBe(200)
        }),
      )
    expect(await dueAt(fittingId)).toHaveLength(1)
  })

  it('goes with a client who is erased', async () => {
    const { clientId, fittingId } = await handedOver(14)
    await shop.sunniva.call('DELETE', `clients/${clientId}`, {})
    expect(await dueAt(fittingId)).toEqual([])
    const { rows } = await shop.owner.query(
      'select count(*)::int as n from due_items where client_id = $1',
      [clientId],
    )
    expect(rows[0].n).toBe(0)
  })
})

describe('worked off', () => {
  const mark = (fittingId: string, key: string, state: string, more: object = {}) =>
    shop.rhona.post('due/marks', { fittingId, key, state, ...more })
  const settled = async (fittingId: string) =>
    (await shop.rhona.get('due?settled=1')).json.due.filter((d: Line) => d.fittingId === fittingId)

  it('a line is rung for, told, put off, done and open again; it stays with who said so', async () => {
    const { fittingId } = await handedOver(14)
    const KEY = 'outcome twoWeeks'
    expect((await mark(fittingId, KEY, 'called')).status).toBe(200)
    expect(await dueAt(fittingId)).toMatchObject([
      { key: KEY, mark: { state: 'called', by: 'Rhona Ketteridge' } },
    ])
    const day = await today()
    expect((await mark(fittingId, KEY, 'later')).status).toBe(400)
    await mark(fittingId, KEY, 'later', { until: addDays(day, 7) })
    expect(await dueAt(fittingId)).toEqual([])
    expect(await settled(fittingId)).toMatchObject([{ mark: { state: 'later' } }])
    // Its day has come: it is there again.
    await mark(fittingId, KEY, 'later', { until: day })
    expect(await dueAt(fittingId)).toHaveLength(1)
    await mark(fittingId, KEY, 'done')
    expect([await dueAt(fittingId), (await settled(fittingId)).length]).toEqual([[], 1])
    await mark(fittingId, KEY, 'open')
    expect(await dueAt(fittingId)).toHaveLength(1)
    expect((await mark(fittingId, 'outcome other', 'done')).status).toBe(404)
    // Reckoned anew, because something else changed: what was done about it stays.
    await mark(fittingId, KEY, 'told', { note: 'will come on Friday' })
    const { parts } = (await shop.rhona.get(`fittings/${fittingId}`)).json
    await shop.rhona.command(fittingId, parts.handover.version, {
      kind: 'part.put',
      part: 'handover',
      content: { ...parts.handover.content, note: 'x' },
    } as never)
    expect(await dueAt(fittingId)).toMatchObject([{ mark: { note: 'will come on Friday' } }])
  })
  it('is counted as it is shown', async () => {
    const counts = async () => (await shop.rhona.get('due')).json.counts
    const before = await counts()
    const { fittingId } = await handedOver(15)
    expect((await counts()).all).toBe(before.all + 1)
    await mark(fittingId, 'outcome twoWeeks', 'done')
    expect(await counts()).toMatchObject({ all: before.all, settled: before.settled + 1 })
  })
})

describe('letters', () => {
  const remind = (fittingId: string) =>
    shop.rhona.post('due/remind', { fittingId, key: 'outcome twoWeeks' })
  const client = { name: 'Öyvind Letter', mail: 'oyvind@post.example' }
  const consents = [{ what: 'remind', given: true, on: '2026-01-01' }]

  it('go only to whoever agreed, say nothing of a foot, and lie in the outbox until they are sent', async () => {
    const none = await handedOver(14, { client })
    expect(await remind(none.fittingId)).toMatchObject({ status: 409 })
    const { fittingId, clientId } = await handedOver(14, { client: { ...client, consents } })
    expect((await remind(fittingId)).status).toBe(200)
    expect(await dueAt(fittingId)).toMatchObject([{ mark: { state: 'told' } }])
    const letters = async () =>
      (await shop.rhona.get('due/letters')).json.letters as { to: string; state: string }[]
    await expect
      .poll(async () => (await letters()).filter((l) => l.to === client.mail), { timeout: 15_000 })
      .toMatchObject([{ state: 'sent' }])
    const { rows } = await shop.owner.query('select id, body from letters where client_id = $1', [
      clientId,
    ])
    expect(rows).toHaveLength(1)
    expect(rows[0].body).toMatch(/Dear Öyvind Letter/)
    expect(rows[0].body).not.toMatch(/foot|heel|pain|arch/i)
    // The trail says that one was written, not to whom or what.
    const trail = JSON.stringify((await shop.sunniva.get('audit')).json)
    expect(trail).toContain('due.remind')
    // Erased by law: gone with the client.
    await shop.sunniva.call('DELETE', `clients/${clientId}`, { reason: 'asked for it' })
    expect((await letters()).filter((l) => l.to === client.mail)).toEqual([])
  })
  it('a bench hand and a reader write none', async () => {
    const { Caller } = await import('./client')
    const bram = await new Caller(shop.base).signIn('bram')
    const { fittingId } = await handedOver(14, { client: { ...client, consents } })
    expect((await bram.post('due/remind', { fittingId, key: 'outcome twoWeeks' })).status).toBe(403)
    expect((await bram.get('due/letters')).status).toBe(403)
  })
})
