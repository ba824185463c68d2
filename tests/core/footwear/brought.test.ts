import { describe, expect, it } from 'vitest'
import { broughtModels, isBrought, modelOf } from '../../../core/footwear/brought'
import { matchReport } from '../../../core/footwear/matchRecord'
import { fittingForm } from '../../../core/formats/papers/fittingForm'
import { quoteLines } from '../../../core/followup/quote'
import { jobSteps } from '../../../core/bench/jobSteps'
import { parseRecord } from '../../../core/record/parse'
import { HOUSE_TABLES } from '../../../core/record/tables'
import { standing } from '../../fixtures/feet'
import { shell } from '../../fixtures/handShell'

const OWN = {
  id: 'own:1',
  name: 'grey boots, three winters',
  family: 'rigid-shell',
  sizeMm: 270,
  at: { lengthMm: 281, ballWidthMm: 112 },
  linerMm: 5,
  stretchMm: 6,
}
const record = (footwear: object) =>
  parseRecord({
    format: 'gentle-arch/fitting',
    version: 2,
    story: { activity: 'ski-touring' },
    feet: {
      left: { readings: [standing('footLengthMm', 266), standing('forefootWidthMm', 102)] },
    },
    footwear,
  })
const models = [shell({ price: 500 })]

describe('what a client brought', () => {
  it('is reckoned as it stands there: its one size, its liner as it is', () => {
    const report = matchReport(record({ brought: [OWN] }), models)
    const own = [...report.pair].find((p) => p.model === 'own:1')!
    expect(own.left!.sizeMm).toBe(270)
    expect(own.left!.clearances.length).toBe(15) // 281 − 266, bare
    expect(own.left!.clearances.ball).toBe(-1) // (112 − 102 − 2·5 − 2·1)/2
    expect(own.left!.asNew.ball).toBe(-1)
    expect(own.work).toMatchObject([{ foot: 'left', station: 'ball' }])
    expect(own.left!.missing).toContain('models.own:1.at.heelWidthMm')
  })

  it('without a length is told to be measured, and stands among what does not fit', () => {
    const { rejected } = matchReport(record({ brought: [{ ...OWN, at: {} }] }), models)
    expect(rejected.find((r) => r.model === 'own:1')!.because).toMatch(/measure it first/)
  })

  it('chosen, it is worked and written down, and neither sold nor missing in the quote', () => {
    const work = {
      id: 'w1',
      foot: 'left',
      model: 'own:1',
      sizeMm: 270,
      station: 'ball',
      does: 'stretch',
      at: { fromHeelMm: 190, heightMm: 20, side: 'both' },
      amountMm: 2,
    }
    const kept = record({
      brought: [OWN],
      chosen: { model: 'own:1', sizeLeftMm: 270, work: [work] },
    })
    const { lines, missing } = quoteLines(kept, models, HOUSE_TABLES)
    const told = [...lines.map((l) => l.words), ...missing]
    expect(told.join()).not.toContain('grey boots')
    expect(told.filter((words) => /stretch/i.test(words))).toHaveLength(1)
    const steps = jobSteps(kept, { processes: HOUSE_TABLES.processes, models })
    expect(steps.map((step) => step.step)).toContainEqual(expect.stringMatching(/^work:w1/))
    expect(JSON.stringify(fittingForm(kept, models))).toContain('grey boots, three winters')
  })

  it('is one model as long as it is one thing, and found among the shop’s', () => {
    const kept = record({ brought: [OWN] })
    expect(broughtModels(kept)[0]).toBe(broughtModels(kept)[0])
    expect(modelOf(kept, models, 'hand')).toBe(models[0])
    expect(modelOf(kept, models, 'own:1')!.name).toBe(OWN.name)
    expect(modelOf(kept, models, 'own:2')).toBeUndefined()
    expect(['own:1', 'tarn-col-100', 'own:', undefined].map(isBrought)).toEqual([
      true,
      false,
      false,
      false,
    ])
  })

  it('has a name and an id of its own kind', () => {
    expect(() => record({ brought: [{ ...OWN, name: '' }] })).toThrow()
    expect(() => record({ brought: [{ ...OWN, id: 'tarn-col-100' }] })).toThrow(/own:1/)
  })
})

describe('a quote', () => {
  const words = (footwear: object) => quoteLines(record(footwear), models, HOUSE_TABLES).lines

  it('counts a split pair as two pairs, one size as one, and further footwear beside it', () => {
    const at = (sizeLeftMm: number, sizeRightMm: number) => ({
      model: 'hand',
      sizeLeftMm,
      sizeRightMm,
    })
    const bought = (footwear: object) =>
      words(footwear).flatMap((l) => (l.words.includes('Reckoned') ? [[l.words, l.count]] : []))
    expect(bought({ chosen: at(265, 265) })).toEqual([['Handwork Reckoned, 26.5', 1]])
    expect(bought({ chosen: at(265, 275) })).toEqual([['Handwork Reckoned, 26.5 and 27.5', 2]])
    expect(bought({ chosen: at(265, 265), moreChosen: [at(255, 255)] })).toHaveLength(2)
  })

  it('has the work of the chosen model and of no other', () => {
    const work = (id: string, model: string) => ({
      id,
      foot: 'left',
      model,
      sizeMm: 265,
      station: 'ball',
      does: 'stretch',
      at: { fromHeelMm: 190, heightMm: 20, side: 'both' },
      amountMm: 2,
    })
    const count = (...list: object[]) => {
      const chosen = { model: 'hand', sizeLeftMm: 265, work: list }
      const stretches = words({ chosen }).filter((l) => /stretch/i.test(l.words))
      return stretches.reduce((sum, l) => sum + l.count, 0)
    }
    expect(count(work('a', 'hand'))).toBe(1)
    expect(count(work('a', 'another'))).toBe(0)
    expect(count(work('a', 'hand'), work('b', 'hand'), work('c', 'another'))).toBe(2)
  })
})
