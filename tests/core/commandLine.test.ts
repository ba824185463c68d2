import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { DEMO_RECORDS } from '../../demo/records'

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
    const { status, stdout } = arch('measure', put('three.jsonl', `${line}\n\n{"format":"other"}\n${line}\n`))
    const answers = stdout.trim().split('\n').map((l) => JSON.parse(l))
    expect([status, answers.length]).toEqual([0, 3])
    expect(answers[0]).toEqual(answers[2])
    expect(answers[1].error).toMatchObject({ code: 'not-a-record', path: 'line 3: format' })
    expect(arch('measure', put('bad.jsonl', '{"a":\n')).json().error).toMatchObject({ code: 'all-refused' })
  })
  it('gives examination and risk', () => {
    const { json } = arch('examine', TOVE)
    expect(json().feet.right).toMatchObject({ rollDeg: 10, uncompensatedDeg: 0, firstToe: 'usual', ankle: 'calfLimited', postureSum: 7, postureClass: 'pronated', forefootDeg: 6.5, missing: [] })
    expect(json().risk).toMatchObject({ grade: 0, refer: [], blocked: false })
    expect(arch('examine', 'demo/records/anselm-quarrie.json').json().risk).toMatchObject({ grade: 1, blocked: true })
  })
  it('gives the ledger in order, with triggers that are paths', () => {
    const { entries } = arch('advise', 'demo/records/anselm-quarrie.json').json()
    expect(entries[0]).toMatchObject({ code: 'refer-first', kind: 'stop', school: 'all', change: { refer: true } })
    const order = entries.map((e: { kind: string }) => ['stop', 'watch', 'suggest'].indexOf(e.kind))
    expect(order).toEqual([...order].sort())
  })
  it('converts between mesh formats and says where the unit comes from', () => {
    const obj = put('tri.obj', 'v 0 0 0\nv 0.1 0 0\nv 0 0.27 0\nf 1 2 3\n')
    const out = join(folder, 'tri.stl')
    expect(arch('convert', obj, out).json()).toMatchObject({ from: 'obj', to: 'stl', unit: 'm', unitFrom: 'guessed', points: 3, triangles: 1 })
    expect(readFileSync(out).length).toBe(84 + 50)
    expect(arch('convert', out, join(folder, 'tri.3mf')).json()).toMatchObject({ unit: 'mm', triangles: 1 })
    expect(arch('convert', join(folder, 'tri.3mf'), join(folder, 'tri.ply')).json()).toMatchObject({ unit: 'mm', unitFrom: 'file' })
    expect(arch('convert', obj, join(folder, 'tri.dwg')).status).toBe(2)
    const cut = arch('convert', put('cut.stl', 'solid x\nfacet\n'), out)
    expect([cut.status, cut.json().error.code]).toEqual([1, 'broken-file'])
  })
  it('tells wrong use from refused input', () => {
    expect(arch('measure').status).toBe(2)
    expect(arch('measure', TOVE, '--family', 'hats').status).toBe(2)
    expect(arch('nonsense').stderr).toContain('there is no command "nonsense"')
    const newer = arch('examine', put('newer.json', JSON.stringify({ format: 'gentle-arch/fitting', version: 2, feet: { left: {} } })))
    expect([newer.status, newer.json().error.code]).toEqual([1, 'newer-version'])
    const wrong = arch('examine', put('wrong.json', JSON.stringify({ format: 'gentle-arch/fitting', version: 1, feet: { left: { findings: { forefootDeg: [60] } } } })))
    expect(wrong.json().error).toMatchObject({ code: 'invalid', path: 'feet.left.findings.forefootDeg.0' })
  })
})
