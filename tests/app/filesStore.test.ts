import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import type { WaitingScan } from '../../app/browser/keptChanges'
import { useFiles } from '../../app/stores/files'
import { useSession } from '../../app/stores/session'
import { useWaiting } from '../../app/stores/waiting'
import type { ScanRow } from '../../shared/contracts'

/** What the browser keeps; it outlives the page. */
const disk = vi.hoisted(() => ({
  rows: new Map<string, WaitingScan>(),
  bytes: new Map<string, Uint8Array>(),
  isFull: false,
}))
vi.mock('~/browser/sealing', () => ({
  openFor: () => 'p',
  canSeal: () => true,
}))
vi.mock('~/browser/keptChanges', () => ({
  pendingOf: async () => [],
  requestsOf: async () => [],
  sealLegible: async () => undefined,
  closedCount: async () => ({ others: 0, own: 0 }),
  filesOf: async (person: string) => [...disk.rows.values()].filter((i) => i.person === person),
  keepFile: async (item: WaitingScan, bytes: Uint8Array) => {
    if (disk.isFull) throw new Error('QuotaExceededError')
    disk.bytes.set(item.id, bytes)
    disk.rows.set(item.id, structuredClone(item))
  },
  keepFileRow: async (item: WaitingScan) => void disk.rows.set(item.id, structuredClone(item)),
  bytesOfFile: async ({ id }: WaitingScan) => disk.bytes.get(id) ?? null,
  dropFile: async (id: string) => {
    disk.rows.delete(id)
    disk.bytes.delete(id)
  },
}))

/** A server that keeps a file once under its id, and a line to it that may fail either way. */
let line: 'good' | 'lost on the way' | 'lost on the way back' | number | 'hangs' = 'good'
let kept = new Map<string, string>()
let asked = 0
class FakeRequest {
  upload: { onprogress?: (event: unknown) => void } = {}
  onload?: () => void
  onerror?: () => void
  onabort?: () => void
  status = 0
  responseText = ''
  private query = new URLSearchParams()
  open(_method: string, path: string) {
    this.query = new URL(path, 'http://here').searchParams
  }
  setRequestHeader() {}
  abort() {
    this.onabort?.()
  }
  send(bytes: Uint8Array) {
    asked++
    if (line === 'hangs')
      return this.upload.onprogress?.({ lengthComputable: true, loaded: 1, total: 4 })
    setTimeout(() => {
      if (line === 'lost on the way') return this.onerror?.()
      if (typeof line === 'number') {
        this.status = line
        this.responseText = JSON.stringify({ status: line, code: 'c', detail: `said ${line}` })
        return this.onload?.()
      }
      kept.set(this.query.get('id')!, new TextDecoder().decode(bytes))
      if (line === 'lost on the way back') return this.onerror?.()
      this.status = 200
      this.responseText = JSON.stringify({ id: this.query.get('id'), name: this.query.get('name') })
      this.onload?.()
    })
  }
}

const row = (id: string) =>
  ({ id, side: 'left', name: `${id}.stl`, unit: 'mm', points: 3, triangles: 1 }) as ScanRow
const ink = (words: string) => new TextEncoder().encode(words)
function openPage(person = 'p') {
  setActivePinia(createPinia())
  useSession().person = { id: person, name: 'Rhona', role: 'owner' } as never
  return { files: useFiles(), waiting: useWaiting() }
}
const settled = () => vi.advanceTimersByTimeAsync(5)

beforeEach(() => {
  vi.useFakeTimers()
  vi.stubGlobal('XMLHttpRequest', FakeRequest)
  disk.rows.clear()
  disk.bytes.clear()
  disk.isFull = false
  kept = new Map()
  line = 'good'
  asked = 0
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

test('a scan is kept here first, then sent, and told when the server has it', async () => {
  const { files, waiting } = openPage()
  await files.send('f', row('a'), ink('solid a'))
  expect([disk.rows.size, waiting.saved]).toEqual([1, 'saving'])
  await settled()
  expect([...kept]).toEqual([['a', 'solid a']])
  expect(files.kept).toMatchObject({ fittingId: 'f', row: { id: 'a', name: 'a.stl' } })
  expect([disk.rows.size, disk.bytes.size, waiting.saved]).toEqual([0, 0, 'saved'])
})

test.each(['lost on the way', 'lost on the way back', 503, 500] as const)(
  'where the line is %s it waits, outlives the page, and is kept once',
  async (trouble) => {
    line = trouble
    const first = openPage()
    await first.files.send('f', row('a'), ink('solid a'))
    await settled()
    expect([first.waiting.saved, first.files.rowsOf('f').length]).toEqual(['kept', 1])
    line = 'good'
    const second = openPage()
    void second.files.flush()
    await settled()
    expect([...kept]).toEqual([['a', 'solid a']])
    expect([disk.rows.size, second.waiting.saved]).toEqual([0, 'saved'])
  },
)

test('it tries again by itself, in order', async () => {
  line = 'lost on the way'
  const { files } = openPage()
  await files.send('f', row('a'), ink('solid a'))
  await files.send('f', row('b'), ink('solid b'))
  await settled()
  expect(kept.size).toBe(0)
  line = 'good'
  await vi.advanceTimersByTimeAsync(3100)
  expect([...kept.keys()]).toEqual(['a', 'b'])
})

test('what the server refuses stays until somebody decides, and nothing waits behind it', async () => {
  line = 400
  const { files, waiting } = openPage()
  await files.send('f', row('a'), ink('junk'))
  await settled()
  expect(waiting.refused).toMatchObject([{ words: 'scan a.stl', refused: 'said 400' }])
  line = 'good'
  await files.send('f', row('b'), ink('solid b'))
  await settled()
  expect([...kept.keys()]).toEqual(['b'])
  await files.decide('a', 'let go')
  expect([disk.rows.size, disk.bytes.size, waiting.lines.length]).toEqual([0, 0, 0])
})

test('a session that ended asks for its person, and what they left is not another’s to send', async () => {
  line = 401
  const { files } = openPage()
  await files.send('f', row('a'), ink('solid a'))
  await settled()
  expect(useSession().locked).toBe(true)
  line = 'good'
  const other = openPage('other')
  await other.files.flush()
  await settled()
  expect([kept.size, other.files.all.length]).toEqual([0, 0])
})

test('let go while it is under way, it is stopped and kept nowhere', async () => {
  line = 'hangs'
  const { files } = openPage()
  await files.send('f', row('a'), ink('solid a'))
  await settled()
  expect(files.going).toEqual({ id: 'a', share: 0.25 })
  line = 'good'
  await files.decide('a', 'let go')
  await settled()
  expect([kept.size, files.all.length, files.going, disk.rows.size]).toEqual([0, 0, null, 0])
  await files.send('f', row('b'), ink('solid b'))
  await settled()
  expect([...kept.keys()]).toEqual(['b'])
})

test('a browser that is full keeps it on the page, says so, and sends it all the same', async () => {
  disk.isFull = true
  line = 'lost on the way'
  const { files, waiting } = openPage()
  await files.send('f', row('a'), ink('solid a'))
  await settled()
  expect(waiting.saved).toBe('on this page')
  expect(await files.bytes('a')).toEqual(ink('solid a'))
  line = 'good'
  await vi.advanceTimersByTimeAsync(3100)
  expect([...kept.values()]).toEqual(['solid a'])
})

test('a small change that still finds room does not make a scan kept that did not', async () => {
  disk.isFull = true
  line = 'lost on the way'
  const { files, waiting } = openPage()
  await files.send('f', row('a'), ink('solid a'))
  disk.isFull = false
  await files.send('f', row('b'), ink('solid b'))
  await settled()
  expect([waiting.saved, [...disk.rows.keys()]]).toEqual(['on this page', ['b']])
  expect(await files.bytes('a')).toEqual(ink('solid a'))
  // Refused and tried again it still has its bytes.
  line = 400
  await vi.advanceTimersByTimeAsync(3100)
  line = 'good'
  void files.decide('a', 'again')
  await settled()
  expect(kept.get('a')).toBe('solid a')
  await files.decide('b', 'let go')
  expect(waiting.saved).toBe('saved')
})

test('bytes that are gone from the device are not waited for', async () => {
  line = 'lost on the way'
  await openPage().files.send('f', row('a'), ink('solid a'))
  await settled()
  disk.bytes.clear()
  line = 'good'
  const { files, waiting } = openPage()
  await files.flush()
  expect(waiting.refused[0]!.refused).toMatch(/no longer on this device/)
  expect(asked).toBe(1)
})
