import { randomUUID } from 'node:crypto'
import { describe, expect, it } from 'vitest'
import type { Caller } from './client'
import { useShop } from './shop'

const shop = useShop(21726)
const once = (id: string) => ({ 'x-write-id': id })
const count = async (sql: string, values: unknown[]) =>
  Number((await shop.owner.query(`select count(*) as n from ${sql}`, values)).rows[0].n)

describe('a change with an id of its own', () => {
  it('counts once and is answered alike, however often it comes', async () => {
    const id = randomUUID()
    const name = `Once ${id}`
    const answers = []
    for (let i = 0; i < 3; i++)
      answers.push(await shop.rhona.call('POST', 'clients', { details: { name } }, once(id)))
    expect(answers.map((a) => a.status)).toEqual([200, 200, 200])
    for (const { json } of answers) expect(json).toEqual(answers[0]!.json)
    expect(await count('clients where name = $1', [name])).toBe(1)
  })

  it('counts once when all come at the same moment', async () => {
    const id = randomUUID()
    const name = `Race ${id}`
    const answers = await Promise.all(
      Array.from({ length: 8 }, () =>
        shop.rhona.call('POST', 'clients', { details: { name } }, once(id)),
      ),
    )
    expect(new Set(answers.map((a) => a.json.fittingId)).size).toBe(1)
    expect(await count('clients where name = $1', [name])).toBe(1)
    expect(
      await count("audit where action = 'client.add' and fitting_id = $1", [
        answers[0]!.json.fittingId,
      ]),
    ).toBe(1)
  })

  it('leaves nothing behind when it is refused, and may be sent right under the same id', async () => {
    const id = randomUUID()
    const refused = await shop.rhona.call(
      'POST',
      'clients',
      { details: { name: 'Heavy', massKg: 900 } },
      once(id),
    )
    expect(refused.status).toBe(400)
    expect(await count('writes where id = $1', [id])).toBe(0)
    const right = await shop.rhona.call(
      'POST',
      'clients',
      { details: { name: 'Heavy', massKg: 90 } },
      once(id),
    )
    expect(right.status).toBe(200)
  })

  it('belongs to one person and one kind of change', async () => {
    const id = randomUUID()
    await shop.rhona.call('POST', 'clients', { details: { name: 'Mine' } }, once(id))
    const other = await shop.sunniva.call(
      'POST',
      'clients',
      { details: { name: 'Theirs' } },
      once(id),
    )
    expect([other.status, other.json.code]).toEqual([409, 'other-write'])
    const { json } = await shop.rhona.get('presets')
    expect(json.presets).toBeDefined()
    const elsewhere = await shop.rhona.call(
      'POST',
      'double-readings',
      {
        what: 'footLengthMm',
        subject: 'HR-0412 L',
        first: 264,
        second: 265,
        takenOn: '2026-11-20',
      },
      once(id),
    )
    expect(elsewhere.status).toBe(409)
  })

  it('has an id that is one', async () => {
    const answer = await shop.rhona.call(
      'POST',
      'clients',
      { details: { name: 'X' } },
      { 'x-write-id': 'mine' },
    )
    expect([answer.status, answer.json.code]).toEqual([400, 'bad-write-id'])
  })
})

describe('fields of a client', () => {
  const fresh = async (details: object) =>
    (await shop.rhona.post('clients', { details })).json.clientId as string
  const details = async (id: string) => (await shop.rhona.get(`clients/${id}`)).json.details
  const change = (who: Caller, id: string, changes: object) =>
    who.call('PATCH', `clients/${id}`, { changes })

  it('two people change two fields from the same screen: both are kept', async () => {
    const id = await fresh({ name: 'Nils Ravndal', massKg: 70 })
    const answers = await Promise.all([
      change(shop.rhona, id, { massKg: { from: 70, to: 72 } }),
      change(shop.sunniva, id, { guardian: { from: null, to: 'Ola Ravndal' } }),
    ])
    expect(answers.map((a) => a.status)).toEqual([200, 200])
    expect(await details(id)).toMatchObject({ massKg: 72, guardian: 'Ola Ravndal' })
  })

  it('one field changed by both: the second is told what it is now, and nothing is half kept', async () => {
    const id = await fresh({ name: 'Nils Ravndal', massKg: 70 })
    await change(shop.rhona, id, { massKg: { from: 70, to: 72 } })
    const late = await change(shop.sunniva, id, {
      massKg: { from: 70, to: 75 },
      occupation: { to: 'guide' },
    })
    expect(late.status).toBe(409)
    expect(late.json.detail).toContain('weight is 72 now')
    expect(await details(id)).toMatchObject({ massKg: 72 })
    expect(await details(id)).not.toHaveProperty('occupation')
  })

  it('a field is emptied, and the same twice is no clash', async () => {
    const id = await fresh({ name: 'Nils', guardian: 'Ola' })
    for (let i = 0; i < 2; i++)
      expect((await change(shop.rhona, id, { guardian: { from: 'Ola', to: null } })).status).toBe(
        200,
      )
    expect(await details(id)).not.toHaveProperty('guardian')
  })

  it.each([
    ['0001-03-04', 400],
    ['1899-12-31', 400],
    ['1900-01-01', 200],
    ['2015-02-29', 400],
    ['2999-01-01', 400],
    ['2016-02-29', 200],
  ])('born on %s: %i', async (to, status) => {
    const id = await fresh({ name: 'Nils' })
    expect((await change(shop.rhona, id, { bornOn: { to } })).status).toBe(status)
    const born = await shop.rhona.post('clients', { details: { name: 'Nils', bornOn: to } })
    expect(born.status).toBe(status)
  })

  it('a field that there is none of, or a code, is refused', async () => {
    const id = await fresh({ name: 'Nils' })
    for (const changes of [
      { shoe: { to: 1 } },
      { code: { to: 'HR-0001' } },
      { massKg: { to: 'x' } },
    ])
      expect((await change(shop.rhona, id, changes)).status).toBe(400)
  })
})
