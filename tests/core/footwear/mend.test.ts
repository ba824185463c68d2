import { foot, SETTINGS, shell } from '../../fixtures/handShell'
import { describe, expect, it } from 'vitest'
import {
  beyondWords,
  beyondWork,
  mendAmountMm,
  mendKind,
  workItem,
} from '../../../core/footwear/mend'
import { proudOf } from '../../../core/footwear/prominence'
import { oneDecimal, sizeWords } from '../../../core/footwear/reasons'
import { stationWeight } from '../../../core/footwear/stationWeight'
import { FAMILIES } from '../../../core/kinds/families/all'
import { bandsOf } from '../../../core/footwear/fitFoot'
import { growthBand } from '../../../core/footwear/toeRoom'
import { houseRow, targetBand, targetSource, verdictOf } from '../../../core/footwear/targets'
import { STATION_KINDS, type Station } from '../../../core/kinds/stations/all'
import { HOUSE_NORMS, HOUSE_TABLES } from '../../../core/record/tables'
import { demoModels } from '../../../demo/catalogue'

const ROWS = { ...HOUSE_TABLES, ...HOUSE_NORMS }
const { mendMm } = ROWS
const SHELL = demoModels().find((m) => m.family === 'rigid-shell')!
const model = (grindableMm: number, stretchMm = 6) => ({
  ...SHELL,
  bootBoard: { ...SHELL.bootBoard, grindableMm },
  plastic: { ...SHELL.plastic, stretchMm },
})
const short = (station: Station, mm: number, of = model(4)) => mendKind(station, of, mm, 0, ROWS)
const over = (station: Station, mm: number) => mendKind(station, model(4), 0, mm, ROWS)

describe('what work helps', () => {
  it('none, up to what the table lets pass', () => {
    expect(short('ball', mendMm.short)).toBeNull()
    expect(over('heel', mendMm.loose)).toBeNull()
    expect(short('ball', mendMm.short + 0.01)).toBe('stretch')
    expect(over('heel', mendMm.loose + 0.01)).toBe(STATION_KINDS.of('heel').closes)
  })
  it('a width, a girth and a bump are stretched; a height is ground where there is something', () => {
    expect([short('ball', 3), short('cuff', 3), short('fifthMet', 3)]).toEqual([
      'stretch',
      'stretch',
      'stretch',
    ])
    expect(short('instepHeight', 3)).toBe('grind boot board')
    expect(short('instepHeight', 3, model(0))).toBeNull()
    expect(short('length', 3)).toBeNull()
  })
  it('a shim waits until the buckles close no more', () => {
    const shimmed = (['instepHeight', 'ballHeight', 'toeBoxHeight'] as const).find(
      (s) => STATION_KINDS.of(s).closes === 'shim',
    )!
    expect(over(shimmed, mendMm.closure + mendMm.loose)).toBeNull()
    expect(over(shimmed, mendMm.closure + mendMm.loose + 0.1)).toBe('shim')
  })
  it('how much: all that is short or loose, but no more than a board has or a heel bears', () => {
    const amount = (kind: Parameters<typeof mendAmountMm>[0], s: number, o: number) =>
      mendAmountMm(kind, model(4), s, o, ROWS)
    expect(amount('stretch', 3, 0)).toBe(3)
    expect([amount('grind boot board', 3, 0), amount('grind boot board', 9, 0)]).toEqual([3, 4])
    expect(amount('pad', 0, 5)).toBe(5)
    expect(amount('shim', 0, mendMm.closure + 2)).toBe(2)
    expect(amount('shim', 0, mendMm.closure + 20)).toBe(6)
  })
})

describe('what no work mends', () => {
  const beyond = (station: Station, s: number, o: number, value = 0, longest = Infinity) =>
    beyondWork(station, model(4, 6), value, s, o, longest, ROWS)
  const words = (station: Station, s: number, o: number, value = 0, longest = Infinity) =>
    beyondWords(station, model(4, 6), value, s, o, longest, ROWS)

  it('a length that is too short, too long, or longer than a growing foot gets', () => {
    expect(beyond('length', mendMm.lengthShort, 0)).toBe(false)
    expect(beyond('length', mendMm.lengthShort + 0.1, 0)).toBe(true)
    expect(beyond('length', 0, mendMm.lengthOver)).toBe(false)
    expect(beyond('length', 0, mendMm.lengthOver + 0.1)).toBe(true)
    expect([beyond('length', 0, 0, 15, 15), beyond('length', 0, 0, 15.1, 15)]).toEqual([
      false,
      true,
    ])
  })
  it('says which of them', () => {
    expect(words('length', 6, 0, -2)).toBe('too short: −2 mm behind the heel where 4 is the least')
    expect(words('length', 0, mendMm.lengthOver + 1, 30)).toBe('too long: 30 mm behind the heel')
    expect(words('length', 0, 0, 16, 15)).toBe('too long: 16 mm where growing feet get 15 at most')
  })
  it('a height beyond board and buckles, a width beyond the plastic', () => {
    expect(beyond('instepHeight', 4 + mendMm.closure, 0)).toBe(false)
    expect(beyond('instepHeight', 4 + mendMm.closure + 0.1, 0)).toBe(true)
    expect([beyond('ball', 6, 0), beyond('ball', 6.1, 0)]).toEqual([false, true])
    expect(words('ball', 8, 0)).toBe(
      'Ball needs 8 mm more a side than it has; it stretches by 6 mm',
    )
    expect(words('instepHeight', 9, 0)).toMatch(/is 9 mm too low over this foot and its device$/)
  })
  it('a heel or waist that is too loose to close; a ball is padded however loose', () => {
    expect([
      beyond('heel', 0, mendMm.heelLoose),
      beyond('heel', 0, mendMm.heelLoose + 0.1),
    ]).toEqual([false, true])
    expect([
      beyond('waist', 0, mendMm.waistLoose),
      beyond('waist', 0, mendMm.waistLoose + 0.1),
    ]).toEqual([false, true])
    expect(beyond('ball', 0, 99)).toBe(false)
    expect(words('heel', 0, 12)).toBe('Heel is 12 mm too loose to close up')
  })
})

it('a piece of work has its minutes and the words of the bench', () => {
  const item = (does: Parameters<typeof workItem>[2], station: Station = 'ball') =>
    workItem('left', station, does, 2.04, ROWS)
  expect(item('stretch')).toEqual({
    foot: 'left',
    station: 'ball',
    does: 'stretch',
    amountMm: 2,
    minutes: ROWS.workMinutes.stretch,
    words: 'stretch the ball by 2 mm a side',
  })
  expect(item('stretch', 'fifthMet').words).not.toContain('a side')
  expect(item('pad').words).toBe('pad the ball by 2 mm')
  expect(item('tongue pad').words).toBe('pad the tongue by 2 mm')
  expect(item('shim').words).toBe('shim of 2 mm under the device or the boot board')
  expect(item('grind boot board').words).toBe('take 2 mm off the boot board')
})

describe('bands', () => {
  it('a verdict holds both ends of its band and both its margins', () => {
    const at = (mm: number) => verdictOf(mm, [0, 3], { tight: 2, loose: 2 })
    expect([-2.1, -2, -0.1, 0, 3, 3.1, 5, 5.1].map(at)).toEqual([
      'tight',
      'snug',
      'snug',
      'right',
      'right',
      'roomy',
      'roomy',
      'loose',
    ])
  })
  it('a growing foot has room at its toes, whatever was wanted; elsewhere nothing of its own', () => {
    for (const intent of ['race', 'comfort'] as const) {
      const bands = (child: boolean) =>
        bandsOf(shell(), foot, 'left', { ...SETTINGS, intent, child })
      const [own, ...others] = bands(true)
      expect(own).toEqual(growthBand(shell(), HOUSE_NORMS).band)
      expect(others).toEqual(bands(false).slice(1))
    }
  })
  it.each(FAMILIES)(
    'of a %s what is right for a growing foot is not too short for a grown one',
    (family) => {
      const { band, mostMm } = growthBand(shell({ family }), HOUSE_NORMS)
      expect(band[0]).toBeGreaterThanOrEqual(
        targetBand('length', family, 'all-round', HOUSE_NORMS)[0],
      )
      expect(mostMm).toBeGreaterThan(band[1])
    },
  )
  it('the shop’s own row comes before the house’s', () => {
    const own = { race: [1, 2], performance: [1, 2], comfort: [1, 2] }
    const rows = { ...HOUSE_NORMS, matchTargets: { 'shoe.ball': own } } as never
    expect(targetBand('ball', 'shoe', 'race', rows)).toEqual([1, 2])
    expect(targetBand('ball', 'skate', 'race', rows)).toEqual(houseRow('skate', 'ball').race)
  })
  it('say where they come from', () => {
    expect(targetSource('rigid-shell', 'ball')).toBe(
      'workshop practice for rigid shells, house default',
    )
    const sources = new Set(
      (['shoe', 'skate', 'rigid-shell'] as const).flatMap((family) =>
        (['length', 'ball', 'cuff', 'fifthMet'] as const).map((s) => targetSource(family, s)),
      ),
    )
    for (const source of sources) expect(source.length).toBeGreaterThan(10)
  })
  it('a station that a family does not hold by decides little', () => {
    const weights = { otherStation: 0.123 } as never
    expect(stationWeight('rigid-shell', 'length', weights)).toBeGreaterThan(0.123)
    expect(
      ['ankle', 'cuff', 'navicular', 'toeBoxHeight'].map((s) =>
        stationWeight('shoe', s as Station, weights),
      ),
    ).toContain(0.123)
  })
})

describe('bumps', () => {
  const proud = (...marks: object[]) =>
    proudOf({ readings: [], findings: { marks } } as never, 250, { usualBumpMm: 3 })
  const mark = (kind: string, more: object = {}) => ({
    kind,
    view: 'lateral',
    xMm: -45,
    yMm: 250 * 0.64,
    ...more,
  })
  it('stand out by what was told, else by the usual, the most of several', () => {
    const [place] = Object.keys(proud(mark('bonyPoint')))
    expect(Object.values(proud(mark('bonyPoint')))).toEqual([3])
    expect(proud(mark('lump', { proudMm: 7 }), mark('bonyPoint'))).toEqual({ [place!]: 7 })
    expect(proud(mark('bonyPoint'), mark('lump', { proudMm: 1 }))).toEqual({ [place!]: 3 })
  })
  it('are bones and lumps, not what else is marked', () => {
    expect(proud(mark('corn', { proudMm: 7 }))).toEqual({})
    expect(proudOf({ readings: [] } as never, 250, { usualBumpMm: 3 })).toEqual({})
  })
})

it('numbers in words', () => {
  expect([265, 270].map(sizeWords)).toEqual(['26.5', '27.0'])
  expect([-0.04, 0.04, -0.06, 1.25].map(oneDecimal)).toEqual(['0.0', '0.0', '−0.1', '1.3'])
})
