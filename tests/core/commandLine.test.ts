import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { DEMO_RECORDS } from '../../demo/records'
import { stripFile } from '../fixtures/shellMeshes'

const folder = mkdtempSync(join(tmpdir(), 'gentle-arch-cli-'))
const arch = (...args: string[]) => {
  const { status, stdout, stderr } = spawnSync('./arch', args, { encoding: 'utf8' })
  return { status, stdout, stderr, json: () => JSON.parse(stdout) }
}
const put = (name: string, content: string) => {
  const path = join(folder, name)
  writeFileSync(path, content)
  return path
}
const TOVE = 'demo/records/tove-marchetti.json'

describe('arch', () => {
  it('answers a file of records line by line; a bad line is named and hides no other', () => {
    const line = JSON.stringify(DEMO_RECORDS['tove-marchetti'])
    const { status, stdout } = arch(
      'measure',
      put('three.jsonl', `${line}\n\n{"format":"other"}\n${line}\n`),
    )
    const answers = stdout
      .trim()
      .split('\n')
      .map((l) => JSON.parse(l))
    expect([status, answers.length]).toEqual([0, 3])
    expect(answers[0]).toEqual(answers[2])
    expect(answers[1].error).toMatchObject({ code: 'not-a-record', path: 'line 3: format' })
    expect(arch('measure', put('bad.jsonl', '{"a":\n')).json().error).toMatchObject({
      code: 'all-refused',
    })
  })
  it('gives examination and risk', () => {
    const { json } = arch('examine', TOVE)
    expect(json().feet.right).toMatchObject({
      rollDeg: 10,
      uncompensatedDeg: 0,
      firstToe: 'usual',
      ankle: 'calfLimited',
      postureSum: 7,
      postureClass: 'pronated',
      forefootDeg: 6.5,
      missing: [],
    })
    expect(json().risk).toMatchObject({ grade: 0, refer: [], blocked: false })
    expect(arch('examine', 'demo/records/anselm-quarrie.json').json().risk).toMatchObject({
      grade: 1,
      blocked: true,
    })
  })
  it('plans a day, and names the place of one that does not hang together', () => {
    const day = {
      resources: [
        { id: 'oven', count: 1, from: '09:00', to: '17:30' },
        { id: 'fitter', count: 1, from: '09:00', to: '17:30' },
      ],
      jobs: [
        {
          id: 'a',
          due: '16:00',
          visit: { from: '09:30', to: '10:30' },
          steps: [
            { id: 'bake', minutes: 6, needs: ['oven'] },
            { id: 'place', minutes: 2, needs: ['fitter'], client: true, after: ['bake'] },
          ],
        },
      ],
    }
    expect(arch('schedule', put('day.json', JSON.stringify(day))).json()).toMatchObject({
      steps: [
        { job: 'a', step: 'bake', start: '09:00', end: '09:06', needs: ['oven'] },
        { job: 'a', step: 'place', start: '09:30', end: '09:32' },
      ],
      makespanMin: 32,
      clientWaitingMin: 0,
      lateMin: 0,
      lowerBoundMin: 32,
      clashes: [],
    })
    const bad = arch(
      'schedule',
      put('bad-day.json', JSON.stringify({ ...day, resources: [day.resources[0]] })),
    )
    expect([bad.status, bad.json().error]).toEqual([
      1,
      expect.objectContaining({ code: 'bad-day', path: 'jobs.0.steps.1.needs' }),
    ])
  })
  it('estimates contact of a foot on floor, plain device and its own, and refuses where the tissue is another', () => {
    const tove = arch('contact', 'demo/records/tove-marchetti.json', '--foot', 'right').json()
    expect(tove).toMatchObject({
      foot: 'right',
      load: 'standing on both feet',
      floor: { forceN: 313.92, rollDeg: 0 },
    })
    expect(tove.change.subtalarMomentNmm).toBeCloseTo(
      tove.device.subtalarMomentNmm - tove.plain.subtalarMomentNmm,
      5,
    )
    expect(arch('contact', 'demo/records/juno-abara.json', '--foot', 'left').status).toBe(1)
    expect(
      arch('contact', 'demo/records/tove-marchetti.json', '--foot', 'right', '--load', 'jumping')
        .status,
    ).toBe(2)
  })
  it('estimates the shell of a device, and solves any shell file', () => {
    expect(arch('shell', TOVE, '--foot', 'left').json()).toMatchObject({
      foot: 'left',
      archStiffnessNPerMm: expect.closeTo(42, -1),
      comfort: { class: 'some give' },
      settled: true,
    })
    const strip = stripFile([{ vertex: 1, fz: -1e-6 }])
    const solved = arch('shell', '--model', put('strip.json', JSON.stringify(strip)))
    expect([solved.status, solved.json().displacementsMm.length]).toEqual([0, 4])
    expect(solved.json().peakDeflectionMm).toBeGreaterThan(1e-9)
    expect([
      arch('shell', '--model', put('loose.json', JSON.stringify({ ...strip, fixed: [] }))).json()
        .error.code,
      arch('shell', '--foot', 'left').status,
      arch('shell', TOVE, '--model', 'x').status,
    ]).toEqual(['shell-loose', 2, 2])
  })
  it('fits a heating log and forecasts its window', () => {
    const rows = [0, 1, 2, 3, 4].map(
      (m) => `${m},${(21 + 107 * (1 - Math.exp(-m / 6.4))).toFixed(4)}`,
    )
    const log = put('log.csv', `minutes,celsius\n${rows.join('\n')}\n`)
    const seen = arch('heat', log, '--window', '110-130').json()
    expect(seen).toMatchObject({ ambientC: 21, overshoot: false })
    expect(
      [seen.gain, seen.tauMin, seen.steadyC, seen.toWindowMin].map(
        (v: number) => Math.round(v * 100) / 100,
      ),
    ).toEqual([107, 6.4, 128, Math.round(100 * (6.4 * Math.log(107 / 18) - 4)) / 100])
    expect(arch('heat', log).json().toWindowMin).toBeNull()
    expect([
      arch('heat', log, '--window', '130-110').status,
      arch('heat', put('words.csv', 'minutes,celsius\n0,warm')).status,
    ]).toEqual([2, 1])
  })
  it('matches a record with spots, targets, a split question and notes beside the ranking', () => {
    const { pair, rejected, split, shape, notes } = arch(
      'match',
      TOVE,
      '--catalogue',
      'demo/catalogue.json',
    ).json()
    expect(pair.map((p: { score: number }) => p.score)).toEqual(
      pair.map((p: { score: number }) => p.score).sort((a: number, b: number) => a - b),
    )
    expect(pair[0].left).toMatchObject({
      sizeMm: expect.any(Number),
      targets: { ball: expect.any(Array) },
      asNew: expect.any(Object),
    })
    expect(pair[0].spots).toHaveProperty('right')
    expect(
      rejected.every((r: { because: string }) => /^(left|right) \d\d\.\d: /.test(r.because)),
    ).toBe(true)
    expect([split.asked, Array.isArray(shape), notes]).toEqual([false, true, []])
  })
  it('gives the ledger in order, with triggers that are paths', () => {
    const { entries } = arch('advise', 'demo/records/anselm-quarrie.json').json()
    expect(entries[0]).toMatchObject({
      code: 'refer-first',
      kind: 'stop',
      school: 'all',
      change: { refer: true },
    })
    const order = entries.map((e: { kind: string }) => ['stop', 'watch', 'suggest'].indexOf(e.kind))
    expect(order).toEqual([...order].sort())
  })
  it('says what has become of decisions, and reads a birth date without a visit as of today', () => {
    const decided = (words: string) => ({
      format: 'gentle-arch/fitting',
      version: 1,
      client: { bornOn: '2019-05-05' },
      story: { signs: { openWound: 'yes', calfSwollen: 'yes' } },
      feet: { left: { readings: [{ what: 'footLengthMm', posture: 'standing', trials: [180] }] } },
      ledger: [{ code: 'refer-first', foot: 'both', decision: 'accepted', words }],
    })
    const path = put('decided.json', JSON.stringify(decided('Refer first: open wound or ulcer.')))
    const told = arch('advise', path).json()
    expect(told.decided).toMatchObject([
      {
        code: 'refer-first',
        standing: 'changed',
        open: true,
        now: expect.stringContaining('calf'),
      },
    ])
    const { left } = arch('measure', path).json().feet
    expect(left.classes).toBeUndefined()
    expect(left.child.footLength.percentile).toBeGreaterThanOrEqual(0)
    expect(arch('advise', TOVE).json()).not.toHaveProperty('decided')
  })
  it('converts between mesh formats and says where the unit comes from', () => {
    const obj = put('tri.obj', 'v 0 0 0\nv 0.1 0 0\nv 0 0.27 0\nf 1 2 3\n')
    const out = join(folder, 'tri.stl')
    expect(arch('convert', obj, out).json()).toMatchObject({
      from: 'obj',
      to: 'stl',
      unit: 'm',
      unitFrom: 'guessed',
      points: 3,
      triangles: 1,
    })
    expect(readFileSync(out).length).toBe(84 + 50)
    expect(arch('convert', out, join(folder, 'tri.3mf')).json()).toMatchObject({
      unit: 'mm',
      triangles: 1,
    })
    expect(arch('convert', join(folder, 'tri.3mf'), join(folder, 'tri.ply')).json()).toMatchObject({
      unit: 'mm',
      unitFrom: 'file',
    })
    expect(arch('convert', obj, join(folder, 'tri.dwg')).status).toBe(2)
    const cut = arch('convert', put('cut.stl', 'solid x\nfacet\n'), out)
    expect([cut.status, cut.json().error.code]).toEqual([1, 'broken-file'])
  })
  it('tells wrong use from refused input', () => {
    expect(arch('measure').status).toBe(2)
    expect(arch('measure', TOVE, '--family', 'hats').status).toBe(2)
    expect(arch('nonsense').stderr).toContain('there is no command "nonsense"')
    const newer = arch(
      'examine',
      put(
        'newer.json',
        JSON.stringify({ format: 'gentle-arch/fitting', version: 99, feet: { left: {} } }),
      ),
    )
    expect([newer.status, newer.json().error.code]).toEqual([1, 'newer-version'])
    const wrong = arch(
      'examine',
      put(
        'wrong.json',
        JSON.stringify({
          format: 'gentle-arch/fitting',
          version: 1,
          feet: { left: { findings: { forefootDeg: [60] } } },
        }),
      ),
    )
    expect(wrong.json().error).toMatchObject({
      code: 'invalid',
      path: 'feet.left.findings.forefootDeg.0',
    })
  })
})

describe('arch quote', () => {
  const CATALOGUE = ['--catalogue', 'demo/catalogue.json']
  it('prices what the record asks for, by the shop’s list, until the day it holds to', () => {
    const { status, json } = arch('quote', TOVE, ...CATALOGUE, '--on', '2026-11-28')
    const { lines, sums, validUntil, currency } = json()
    expect(status).toBe(0)
    expect(validUntil).toBe('2026-12-28')
    expect(currency.length).toBeGreaterThan(0)
    const sum = lines.reduce(
      (s: number, l: { count: number; amount: number }) => s + l.count * l.amount,
      0,
    )
    expect(sums.total).toBeCloseTo(sum, 2)
    expect(sum).toBeGreaterThan(0)
  })
  it('takes the shop’s own prices, and the house’s where the shop has none', () => {
    const own = put('own.json', JSON.stringify({ prices: { validDays: 7 } }))
    const { json } = arch('quote', TOVE, '--tables', own, '--on', '2026-11-28')
    expect(json().validUntil).toBe('2026-12-05')
    expect(json().lines.length).toBeGreaterThan(0)
  })
  it('needs a day of the calendar', () => {
    expect(arch('quote', TOVE, '--on', '2026-02-30').status).toBe(2)
  })
})

describe('arch jobs', () => {
  it('lists the steps of a record by the shop’s processes, and what comes next', () => {
    const { status, json } = arch('jobs', TOVE)
    const { steps, next, isOver, handsOnMinutes } = json()
    expect(status).toBe(0)
    expect(steps).toHaveLength(9)
    expect(next).toBe(steps[0].key)
    expect(isOver).toBe(false)
    expect(handsOnMinutes).toBe(
      steps
        .filter((s: { waiting: boolean }) => !s.waiting)
        .reduce((sum: number, s: { minutes: number }) => sum + s.minutes, 0),
    )
  })
})
