import { createHash, randomUUID } from 'node:crypto'
import { strToU8, zipSync } from 'fflate'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { readMesh } from '../../core/formats/mesh/readMesh'
import { writeMesh } from '../../core/formats/mesh/writeMesh'
import { Caller, startServer } from './client'

let server: Awaited<ReturnType<typeof startServer>>
let rhona: Caller
beforeAll(async () => {
  server = await startServer(21760)
  rhona = await new Caller(server.base).signIn('rhona')
})
afterAll(() => server.stop())

/** A fetch with the caller's cookie and raw bytes. */
async function send(caller: Caller, path: string, body?: Uint8Array) {
  const cookie = (caller as unknown as { cookie: string }).cookie
  return fetch(`${server.base}/api/${path}`, {
    headers: { cookie, 'content-type': 'application/octet-stream' },
    ...(body && { method: 'POST', body: body as BodyInit }),
  })
}
const wedge = {
  positions: Float64Array.from([0, 0, 0, 90, 0, 0, 0, 265, 0, 0, 0, 60]),
  triangles: Uint32Array.from([0, 2, 1, 0, 1, 3, 1, 2, 3, 0, 3, 2]),
}

it("gives a stand-in scan of the client's foot in any format, and says when there is no length", async () => {
  const fitting = await rhona.fittingOf('oskar')
  for (const format of ['stl', '3mf']) {
    const answer = await send(
      rhona,
      `standins/scan?fitting=${fitting}&side=left&seed=2&format=${format}`,
    )
    const file = readMesh(`x.${format}`, new Uint8Array(await answer.arrayBuffer()))
    expect(file.triangles.length / 3).toBeGreaterThan(50_000)
  }
  expect((await send(rhona, `standins/scan?fitting=${fitting}&side=up`)).status).toBe(400)
})

it('counts what is in a file itself, and keeps one that is sent twice under its id once', async () => {
  const fitting = await rhona.fittingOf('oskar')
  const bytes = writeMesh('stl', wedge, 'x')
  const id = randomUUID()
  const path = `fittings/${fitting}/scans?id=${id}&name=w.stl&unit=mm&points=9999&triangles=7777`
  const [first, second] = await Promise.all([send(rhona, path, bytes), send(rhona, path, bytes)])
  expect([first.status, second.status]).toEqual([200, 200])
  const row = await first.json()
  expect(row).toMatchObject({ id, points: 4, triangles: 4, format: 'stl' })
  expect(await second.json()).toEqual(row)
  const { scans } = (await rhona.get(`fittings/${fitting}/scans`)).json
  expect(scans).toEqual([row])
  // Another file under the same id is not taken for it.
  const other = writeMesh('obj', wedge, 'x')
  expect((await send(rhona, path.replace('w.stl', 'w.obj'), other)).status).toBe(409)
  expect((await rhona.call('DELETE', `scans/${id}`, {})).status).toBe(200)
})

it('reads a scan whole before it keeps it: cut off, flooding or nested, it is refused in a sentence', async () => {
  const fitting = await rhona.fittingOf('oskar')
  const model = (text: string) => zipSync({ '3D/3dmodel.model': strToU8(text) })
  const within = (i: number) =>
    `<object id="${i}"><components>${`<component objectid="${i + 1}"/>`.repeat(20)}</components></object>`
  const nested = Array.from({ length: 8 }, (_, i) => within(i)).join('')
  const bad: [string, Uint8Array, RegExp][] = [
    ['cut.stl', writeMesh('stl', wedge, 'x').slice(0, 120), /cut off \(triangle 1\)/],
    [
      'flood.3mf',
      zipSync({ '3D/3dmodel.model': new Uint8Array(60_000_000).fill(32) }),
      /more than 200 times its size/,
    ],
    [
      'nested.3mf',
      model(`<model>${nested}<object id="8"/><build><item objectid="0"/></build></model>`),
      /put together more than 10000 times/,
    ],
    ['zip.3mf', zipSync({ 'inner.3mf': model('<model></model>') }), /no model/],
  ]
  for (const [name, bytes, words] of bad) {
    const answer = await send(
      rhona,
      `fittings/${fitting}/scans?name=${name}&unit=mm&points=3&triangles=1`,
      bytes,
    )
    expect([answer.status, (await answer.json()).detail]).toEqual([
      400,
      expect.stringMatching(words),
    ])
  }
  expect((await rhona.get(`fittings/${fitting}/scans`)).json.scans).toEqual([])
})

it('keeps a scan byte for byte with its hash, once, for staff only, and refuses what is none', async () => {
  const fitting = await rhona.fittingOf('oskar')
  const bytes = writeMesh('ply', wedge, 'x')
  const query = 'name=left%20foot.ply&side=left&unit=mm&points=4&triangles=4'
  const kept = await send(rhona, `fittings/${fitting}/scans?${query}`, bytes)
  const row = await kept.json()
  expect([kept.status, row.format, row.size, row.sha256]).toEqual([
    200,
    'ply',
    bytes.length,
    createHash('sha256').update(bytes).digest('hex'),
  ])
  const again = await send(rhona, `fittings/${fitting}/scans?${query}`, bytes)
  expect([again.status, (await again.json()).code]).toEqual([409, 'same-scan'])
  const original = await send(rhona, `scans/${row.id}`)
  expect(new Uint8Array(await original.arrayBuffer())).toEqual(bytes)
  expect(original.headers.get('content-disposition')).toContain('filename="left foot.ply"')
  expect((await send(new Caller(server.base), `scans/${row.id}`)).status).toBe(401)
  // A whole scan, as large as they come from a scanner: every byte arrives.
  const large = new Uint8Array(84 + 50 * 400_000)
  new DataView(large.buffer).setUint32(80, 400_000, true)
  const big = await send(
    rhona,
    `fittings/${fitting}/scans?name=big.stl&unit=mm&points=3&triangles=400000&side=left`,
    large,
  )
  expect([big.status, (await big.json()).size]).toEqual([200, large.length])
  const scans: { id: string; name: string }[] = (await rhona.get(`fittings/${fitting}/scans`)).json
    .scans
  const bigOne = scans.find((s) => s.name === 'big.stl')!
  expect((await rhona.call('DELETE', `scans/${bigOne.id}`, {})).status).toBe(200)
  const junk = await send(
    rhona,
    `fittings/${fitting}/scans?name=x.txt&unit=mm&points=1&triangles=0`,
    new TextEncoder().encode('hello'),
  )
  expect((await junk.json()).code).toBe('broken-file')
  expect(
    (await send(rhona, `fittings/${fitting}/scans?name=x.stl&unit=ell&points=1&triangles=0`, bytes))
      .status,
  ).toBe(400)
  expect((await rhona.get(`fittings/${fitting}/scans`)).json.scans).toHaveLength(1)
  expect((await rhona.call('DELETE', `scans/${row.id}`, {})).status).toBe(200)
  expect((await rhona.get(`fittings/${fitting}/scans`)).json.scans).toEqual([])
})
