import { HOUSE_NORMS, HOUSE_TABLES } from '../../core/record/tables'
import { correctionSchema } from '../../core/record/captureSchema'
import { describe, expect, it } from 'vitest'
import { changeWords, isMet } from '../../core/advice/applyChange'
import { bySchool } from '../../core/advice/bySchool'
import { cautionsOf } from '../../core/advice/cautions'
import type { Change } from '../../core/advice/entry'
import { ticketOf } from '../../core/formats/papers/ticket'
import { WAYS } from '../../core/capture/ways'
import { prescription } from '../../core/formats/papers/prescription'
import { READING_VIEWS, ROUND, roundIndex, stepFrom, viewOf } from '../../core/measure/round'
import { parseRecord } from '../../core/record/parse'
import { CAPTURE_WAYS } from '../../core/tables/vocabulary'
import { READING_KINDS } from '../../core/kinds/readings/all'
import { DEMO_RECORDS } from '../../demo/records'
import { referenceReadings } from '../fixtures/feet'

const record = (story: object, findings: object, extra: object = {}) =>
  parseRecord({
    format: 'gentle-arch/fitting',
    version: 1,
    story,
    feet: { right: { readings: referenceReadings, findings, ...extra } },
  })

describe('five schools side by side', () => {
  it('show where two and more propose the same', () => {
    const { agree } = bySchool(
      record({ activity: 'hockey' }, { forefootDeg: [9, 9], mobility: { midtarsal: 'stiff' } }),
    )
    expect(agree).toContainEqual({
      foot: 'right',
      what: 'intrinsic forefoot post',
      schools: ['neutral', 'platform'],
    })
  })
  it('show where they pull against each other', () => {
    const { against } = bySchool(
      record(
        { complaints: [{ foot: 'right', at: 'lateralAnkle', score: 5 }] },
        { rcspDeg: [-7, -7] },
      ),
    )
    expect(against).toEqual([
      {
        foot: 'right',
        what: 'rearfoot post varus against valgus',
        schools: ['neutral', 'tissue-stress'],
      },
    ])
  })
  it('leave sound feet alone', () =>
    expect(bySchool(record({}, {})).views.every((v) => v.entries.length === 0)).toBe(true))
})

describe('changes', () => {
  const CHANGES: [Change, string][] = [
    [{ layer: 'medialSkive', amounts: { depthMm: 2 } }, 'medial heel skive 2 mm'],
    [{ layer: 'intrinsicForefootPost', amounts: {} }, 'intrinsic forefoot post'],
    [{ post: { at: 'rearfoot', angleDeg: -2 } }, 'rearfoot post 2° valgus'],
    [{ heelLiftMm: 3 }, 'heel lift 3 mm'],
    [{ device: 'trim-to-fit' }, 'trim-to-fit insert'],
    [
      { shell: { heelCupMm: 16, coverMaterial: 'microfibre' } },
      'heel cup 16 mm, cover of microfibre on foam',
    ],
    [{ footwear: 'rocker' }, 'rocker sole'],
    [{ exercise: 'calf stretch' }, 'calf stretch'],
    [{ capture: 'redo' }, 'capture again'],
    [{ refer: true }, 'referred'],
  ]
  it.each(CHANGES)('%j read as %s', (change, words) =>
    expect(changeWords(change, HOUSE_NORMS)).toBe(words),
  )
  it('are met by a fuller device, by a post the same way, by a layer that is on', () => {
    const held = record(
      {},
      {},
      {
        device: {
          kind: 'full-custom',
          layers: [{ kind: 'metPad' }, { kind: 'medialSkive', on: false }],
          posts: [{ at: 'rearfoot', angleDeg: 3 }],
          heelLiftMm: 2,
        },
      },
    )
    const met = (change: Change) => isMet(held, 'right', change)
    expect([
      met({ device: 'trim-to-fit' }),
      met({ post: { at: 'rearfoot', angleDeg: 2 } }),
      met({ layer: 'metPad', amounts: {} }),
      met({ heelLiftMm: 3 }),
    ]).toEqual([true, true, true, true])
    expect([
      met({ post: { at: 'rearfoot', angleDeg: -2 } }),
      met({ layer: 'medialSkive', amounts: {} }),
      met({ footwear: 'wider' }),
      met({ refer: true }),
    ]).toEqual([false, false, false, false])
    expect(isMet(held, 'both', { heelLiftMm: 3 })).toBe(false)
  })
})

describe('cautions', () => {
  const anselm = DEMO_RECORDS['anselm-quarrie']!
  it('follow the client whatever was decided in the ledger', () => {
    const aside = {
      ...anselm,
      ledger: [
        {
          code: 'risk-foot',
          foot: 'both' as const,
          decision: 'set-aside' as const,
          reason: 'seen',
        },
      ],
    }
    expect(cautionsOf(aside).map((c) => c.code)).toEqual(cautionsOf(anselm).map((c) => c.code))
    expect(cautionsOf(anselm).map((c) => c.code)).toEqual(
      expect.arrayContaining(['refer-first', 'risk-foot']),
    )
  })
  it('stand on ticket and prescription, without a name', () => {
    const ticket = ticketOf(anselm, [], HOUSE_TABLES.processes)
    expect(ticket.cautions.join(' ')).toMatch(/foot at risk.*no heat on the foot/i)
    expect(prescription(anselm, '2026-11-25').cautions.join(' ')).toMatch(/Refer first/)
    expect(JSON.stringify([ticket, prescription(anselm, '2026-11-25')])).not.toContain('Anselm')
  })
})

describe('the guided round', () => {
  it('takes 22 readings, every kind once standing, and seated ones first', () => {
    expect(ROUND).toHaveLength(22)
    expect(
      [...new Set(ROUND.filter((s) => s.posture === 'standing').map((s) => s.what))].sort(),
    ).toEqual([...READING_KINDS].sort())
    expect(ROUND.findLastIndex((s) => s.posture === 'sitting')).toBeLessThan(
      ROUND.findIndex((s) => s.posture === 'standing'),
    )
  })
  it('goes on and back, around the ends, and begins from a reading outside it', () => {
    expect(stepFrom(ROUND[21]!, 1)).toEqual(ROUND[0])
    expect(stepFrom(ROUND[0]!, -1)).toEqual(ROUND[21])
    expect(ROUND.every((s, i) => roundIndex(s) === i)).toBe(true)
    expect(stepFrom({ what: 'calfGirthMm', posture: 'prone' }, 1)).toEqual(ROUND[1])
  })
  it('draws every reading in one view', () => {
    expect(Object.values(READING_VIEWS).flat().sort()).toEqual([...READING_KINDS].sort())
    for (const [view, kinds] of Object.entries(READING_VIEWS))
      for (const what of kinds) expect(viewOf(what)).toBe(view)
  })
})

describe('ways of capture', () => {
  it('lead by steps, wait where something sets, and name corrections that can be made', () => {
    for (const id of CAPTURE_WAYS.filter((w) => w !== 'parametric')) {
      const way = WAYS[id]
      expect(way.steps.length, id).toBeGreaterThanOrEqual(4)
      expect(
        way.steps.some((s) => s.look),
        id,
      ).toBe(true)
      for (const c of way.corrections)
        expect(correctionSchema.parse({ kind: c.kind, amountMm: c.amountMm })).toMatchObject({
          kind: c.kind,
          on: true,
        })
    }
    expect(WAYS['standing-vacuum'].steps.find((s) => s.seconds)!.seconds).toBe(360)
    expect(WAYS['standing-vacuum'].load).toBe('full')
  })
})
