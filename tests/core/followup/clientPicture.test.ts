import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { clientPicture } from '../../../core/followup/clientPicture'
import { clientCard } from '../../../core/formats/papers/card'
import { parseRecord } from '../../../core/record/parse'
import { COMPLAINT_PLACES } from '../../../core/tables/vocabulary'
import { layerSchema } from '../../../core/kinds/layers/all'
import { DEMO_RECORDS } from '../../../demo/records'
import { referenceReadings } from '../../fixtures/feet'
import { runs } from '../../effort'

const JARGON =
  /varus|valgus|evert|invert|supinat|pronat|skive|metatars|\bpost\b|\bcast\b|calcane|plantarflex|dorsi|navicular|hallux|TEM|AHI|grade|risk|ulcer|diabet|undefined|null|NaN/i
const all = (record: Parameters<typeof clientPicture>[0]) => {
  const p = clientPicture(record)
  return [
    p.between,
    ...p.found,
    ...p.means,
    ...p.proposed,
    ...p.takes,
    ...p.instead,
    ...p.hurts.map((h) => h.words),
    ...p.feet.left.words,
    ...p.feet.right.words,
  ].filter((w) => w !== null)
}

describe('the picture for the client', () => {
  it.each(Object.keys(DEMO_RECORDS))('speaks plainly to %s', (name) => {
    for (const words of all(DEMO_RECORDS[name]!)) expect(words).not.toMatch(JARGON)
  })
  it('speaks plainly whatever hurts, was found or is prescribed', () => {
    const kinds = layerSchema.options.map((o) => o.shape.kind.value)
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom(...COMPLAINT_PLACES), { maxLength: 4 }),
        fc.array(fc.constantFrom(...kinds), { maxLength: 4 }),
        fc.integer({ min: -12, max: 12 }),
        fc.constantFrom('medial', 'central', 'lateral'),
        fc.constantFrom('rises', 'late', 'none'),
        fc.integer({ min: 5, max: 75 }),
        (places, layers, rcsp, axis, windlass, toe) => {
          const findings = {
            rcspDeg: [rcsp, rcsp],
            forefootDeg: [rcsp, rcsp],
            axis,
            windlass,
            firstToeUnloadedDeg: [toe],
            firstToeLoadedDeg: [10],
            firstToeStiff: true,
            ankleKneeStraightDeg: [5],
            ankleKneeBentDeg: [12],
          }
          const record = parseRecord({
            format: 'gentle-arch/fitting',
            version: 1,
            story: {
              activity: 'walking',
              complaints: places.map((at) => ({ foot: 'right', at, score: 5 })),
            },
            feet: {
              right: {
                readings: referenceReadings,
                findings,
                ...(layers.length && { device: { layers: layers.map((kind) => ({ kind })) } }),
              },
            },
          })
          for (const words of all(record)) expect(words).not.toMatch(JARGON)
          expect(clientPicture(record).instead.length).toBeGreaterThan(0)
        },
      ),
      { numRuns: runs(150) },
    )
  })
  it('says once what is true of both feet', () => {
    const findings = { rcspDeg: [-5, -5] }
    const both = parseRecord({
      format: 'gentle-arch/fitting',
      version: 1,
      feet: { left: { findings }, right: { findings } },
    })
    expect(clientPicture(both).found).toEqual(['Both heels lean inward when you stand.'])
    const one = parseRecord({
      format: 'gentle-arch/fitting',
      version: 1,
      feet: { left: { findings: { rcspDeg: [5, 5] } }, right: { findings } },
    })
    expect(clientPicture(one).found).toEqual([
      'Your left heel leans outward when you stand.',
      'Your right heel leans inward when you stand.',
    ])
  })
  it("never calls a child's foot low or leaning", () => {
    const juno = DEMO_RECORDS['juno-abara']!
    const leaning = {
      ...juno,
      feet: { ...juno.feet, left: { ...juno.feet.left!, findings: { rcspDeg: [-9, -9] } } },
    }
    expect(all(leaning).join(' ')).not.toMatch(/lean|low arch/)
  })
  const made = { device: {} }
  const of = (feet: object, more: object = {}) =>
    clientPicture(parseRecord({ format: 'gentle-arch/fitting', version: 1, feet, ...more }))
  it('of one foot where one foot gets a device, and of nothing where nothing is needed', () => {
    expect(of({ left: made, right: {} }).proposed[0]).toBe('a footbed for your left foot')
    expect(of({ left: made, right: made }).proposed[0]).toBe('footbeds for both feet')
    expect(of({ left: {}, right: {} }).proposed).toEqual(['nothing is needed'])
  })
  it('tells only who looks first while somebody has to', () => {
    const picture = of({ left: made }, { story: { signs: { openWound: 'yes' } } })
    expect([picture.proposed, picture.instead, picture.takes]).toEqual([
      ['first somebody entitled to it has a look; until then nothing is made'],
      [],
      [],
    ])
  })
  it('leaves out what was set aside', () => {
    const left = {
      readings: referenceReadings,
      findings: { firstToeUnloadedDeg: [72], firstToeLoadedDeg: [8] },
    }
    const ledger = [
      { code: 'first-ray-freedom', foot: 'left', decision: 'set-aside', reason: 'no' },
    ]
    const before = of({ left })
    expect(before.proposed).not.toEqual(['nothing is needed'])
    expect(before.isDecided).toBe(false)
    expect(of({ left }, { ledger }).proposed).toEqual(['nothing is needed'])
  })
  it('names no one but the client, and offers what is less than a device', () => {
    const text = JSON.stringify(clientPicture(DEMO_RECORDS['tove-marchetti']!))
    for (const name of ['Marchetti', 'Oskar', 'Mirela', 'HR-']) expect(text).not.toContain(name)
    expect(clientPicture(DEMO_RECORDS['tove-marchetti']!).instead).toContain(
      'a ready-made insole, trimmed to you',
    )
  })
})

describe('the card', () => {
  it('prints what is done at home, and the slow wear-in for a foot at risk', () => {
    const record = parseRecord({
      format: 'gentle-arch/fitting',
      version: 1,
      client: { name: 'Anselm Quarrie' },
      handover: { exercises: [{ what: 'calf stretch, knee straight' }] },
      feet: { left: { findings: { sensationFelt: 8, pulses: 'both', deformity: 'none' } } },
    })
    const card = clientCard(record, '25 November 2026')
    expect(card.exercises).toEqual(['calf stretch, knee straight'])
    expect(card.wearIn[0]).toBe('Start on 25 November 2026 with 30 minutes.')
  })
})
