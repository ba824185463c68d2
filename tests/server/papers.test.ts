import { afterAll, beforeAll, expect, it } from 'vitest'
import { DEMO_RECORDS } from '../../demo/records'
import { Caller, startServer } from './client'

let server: Awaited<ReturnType<typeof startServer>>
let sunniva: Caller
beforeAll(async () => {
  server = await startServer(21733)
  sunniva = await new Caller(server.base).signIn('sunniva')
})
afterAll(() => server.stop())

/** A fitting of somebody who writes their name so. */
async function fittingOf(name: string): Promise<string> {
  const record = structuredClone(DEMO_RECORDS['tove-marchetti']!)
  record.client = { ...record.client, name }
  const { json } = await sunniva.post('records', record)
  return json.fittingId
}

it.each([
  ['Żaneta Šimůnková-Ðokić', 'Latin'],
  ['Αθηνά Παπαδοπούλου', 'Greek'],
  ['Світлана Юрченко', 'Cyrillic'],
  ['田中 さくら', 'Han and kana'],
  ['한지민', 'hangul'],
  ['Nguyễn Thị Ánh (田)', 'Vietnamese beside Han'],
])('prints %s as it is written (%s)', async (name) => {
  const text = await sunniva.pdf(`fittings/${await fittingOf(name)}/form`)
  // A paper may set letters of two kinds a little apart.
  const plain = (words: string) => words.replace(/\s/g, '').normalize('NFC')
  expect(plain(text)).toContain(plain(name))
  expect(text).not.toContain('[?]')
})

it('says where a sign is missing, and never leaves it out', async () => {
  const text = await sunniva.pdf(`fittings/${await fittingOf('Ada \u{13000}\u{13001} March')}/form`)
  expect(text).toContain('Ada [?][?] March')
  expect(text).toContain('[?] stands for a sign that these letters do not have.')
})

it('answers others while it makes papers', { timeout: 240_000 }, async () => {
  const id = await sunniva.fittingOf('tove')
  const papers = Promise.all(
    Array.from({ length: 4 }, () => sunniva.get(`fittings/${id}/devices?as=zip`)),
  )
  let answered = 0
  let isDone = false
  void papers.then(() => (isDone = true))
  while (!isDone) {
    const { status } = await sunniva.get('today')
    expect(status).toBe(200)
    if (!isDone) answered++
  }
  for (const { status } of await papers) expect(status).toBe(200)
  // One at a time they would have waited behind each other.
  expect(answered).toBeGreaterThan(4)
})
