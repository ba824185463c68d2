import { expect, it } from 'vitest'
import { useShop } from './shop'

const shop = useShop(21795)

interface Share {
  what: string
  age: string
  size: string | null
  clients: number
  median: number
}
const reading = (what: string, value: number) => ({
  what,
  posture: 'standing',
  trials: [value],
  struck: [],
})
const record = (name: string, lengthMm: number, waistMm: number, more: object = {}) => ({
  format: 'gentle-arch/fitting',
  version: 1,
  client: { name, bornOn: '1980-05-05' },
  visit: { on: '2026-11-01' },
  feet: {
    left: { readings: [reading('footLengthMm', lengthMm), reading('waistGirthMm', waistMm)] },
    right: { readings: [] },
  },
  ...more,
})

it('puts the shop’s own clients together, each as last measured, without a name', async () => {
  // Before anybody asks, so that nothing is told from memory.
  for (const [i, waist] of [262.5, 270, 277.5].entries())
    expect((await shop.rhona.post('records', record(`Large ${i}`, 300, waist))).status).toBe(200)
  const { clientId } = (await shop.rhona.post('records', record('Twice Here', 300, 240))).json
  const again = await shop.rhona.post(`clients/${clientId}/fittings`, {})
  expect(again.status).toBe(200)
  const { json, status } = await shop.rhona.get('norms/own')
  expect(status).toBe(200)
  const large = json.shares.filter(
    (s: Share) => s.what === 'waistGirthMm' && s.size === 'large' && s.age === 'adult',
  )
  expect(large).toHaveLength(1)
  // The demo's own large feet are in as well; everybody counts once.
  const { rows } = await shop.owner.query<{ n: number }>(
    `select count(distinct c.id)::int as n
     from clients c join fittings f on f.client_id = c.id join fitting_parts p on p.fitting_id = f.id
     where p.part like 'readings.%' and p.content @> '[{"what": "waistGirthMm"}]'`,
  )
  const all = json.shares.filter((s: Share) => s.what === 'waistGirthMm' && s.size === null)
  const counted = all.reduce((sum: number, s: Share) => sum + s.clients, 0)
  expect(counted).toBe(rows[0]!.n)
  expect(large[0].clients).toBeGreaterThanOrEqual(4)
  expect(JSON.stringify(json)).not.toMatch(/Large|Twice|HR-/)
})

it('is for those who see clients', async () => {
  const { Caller } = await import('./client')
  const bench = await new Caller(shop.base).signIn('bram')
  expect((await bench.get('norms/own')).status).toBe(403)
})
