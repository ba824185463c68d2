import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { chooseShell } from '../../../core/footwear/chooseShell'
import type { FootwearModel } from '../../../core/footwear/catalogueSchema'
import { matchSettings, standingFeet } from '../../../core/footwear/matchRecord'
import { underOnce, type WorkItem } from '../../../core/footwear/mend'
import { pairInSizes } from '../../../core/footwear/pairInSizes'
import { planChanges, withChanges, type PlanChange } from '../../../core/footwear/planChanges'
import { workedOffsets } from '../../../core/footwear/shownOffsets'
import { workAsked } from '../../../core/footwear/workAsked'
import { parseRecord } from '../../../core/record/parse'
import type { Footwear, ShellWork } from '../../../core/record/schema'
import { standing } from '../../fixtures/feet'
import { shell } from '../../fixtures/handShell'
import { runs } from '../../effort'

const ball: ShellWork = {
  id: 'left-ball-stretch',
  foot: 'left',
  model: 'hand',
  sizeMm: 265,
  station: 'ball',
  does: 'stretch',
  at: { fromHeelMm: 190, heightMm: 20, side: 'both' },
  amountMm: 2,
  because: 'Ball snug, −2 mm',
  state: 'planned',
}
const told = (changes: PlanChange[]) => changes.map((c) => [c.kind, c.id, c.line?.amountMm ?? null])
const asks = (amountMm: number, more: Partial<ShellWork> = {}) => ({ ...ball, amountMm, ...more })

describe('a plan that follows the fit', () => {
  it('adds what is new, with why', () => {
    const [add] = planChanges([], [ball], 'hand')
    expect(add).toMatchObject({ kind: 'add', line: ball, why: 'Ball snug, −2 mm' })
    expect(withChanges([], [add!], 'hand')).toEqual([ball])
  })
  it('says what grew, in its place, and nothing of a hair', () => {
    const after = { ...ball, id: 'left-waist-pad' }
    const list = [ball, after]
    const changes = planChanges(list, [asks(3.5), after], 'hand')
    expect(told(changes)).toEqual([['change', ball.id, 3.5]])
    expect(changes[0]!.why).toContain('3.5 mm instead of 2.0: Ball snug')
    expect(withChanges(list, changes, 'hand').map((w) => w.amountMm)).toEqual([3.5, 2])
    expect(planChanges([ball], [asks(2.2)], 'hand')).toEqual([])
  })
  it('an amount that was set by hand is left, also in another size', () => {
    const own = asks(1, { amountByHand: true })
    expect(planChanges([own], [asks(4)], 'hand')).toEqual([])
    const [moved] = planChanges([own], [asks(4, { sizeMm: 275 })], 'hand')
    expect(moved!.line).toMatchObject({ amountMm: 1, sizeMm: 275, amountByHand: true })
  })
  it('what nothing asks for goes; what is done, dropped, by hand or of another model stays', () => {
    const list = [
      ball,
      { ...ball, id: 'left-heel-pad', state: 'done' as const },
      { ...ball, id: 'left-waist-stretch', state: 'dropped' as const },
      { ...ball, id: 'b0a1', because: 'added by hand' },
      { ...ball, id: 'left-ankle-stretch', model: 'another' },
    ]
    const changes = planChanges(list, [], 'hand')
    expect(told(changes)).toEqual([['go', ball.id, null]])
    expect(withChanges(list, changes, 'hand')).toEqual(list.slice(1))
  })
  it('what is done and still short asks for a further piece of the rest', () => {
    const done = { ...ball, state: 'done' as const, gainedMm: 1.2 }
    const changes = planChanges([done], [asks(0.8)], 'hand')
    expect(told(changes)).toEqual([['add', 'left-ball-stretch~2', 0.8]])
    expect(changes[0]!.why).toContain('done once')
    const next = withChanges([done], changes, 'hand')
    expect(planChanges(next, [asks(0.8)], 'hand')).toEqual([])
    expect(told(planChanges(next, [], 'hand'))).toEqual([['go', 'left-ball-stretch~2', null]])
  })
  it('what was dropped comes back only for more than was dropped', () => {
    const dropped = { ...ball, state: 'dropped' as const }
    expect(planChanges([dropped], [asks(2)], 'hand')).toEqual([])
    const [again] = planChanges([dropped], [asks(3)], 'hand')
    expect(again).toMatchObject({ kind: 'again', id: ball.id, line: { state: 'planned' } })
    expect(withChanges([dropped], [again!], 'hand')).toMatchObject([
      { id: ball.id, state: 'planned', amountMm: 3 },
    ])
  })
})

describe('work under the whole foot', () => {
  const item = (station: WorkItem['station'], does: WorkItem['does'], amountMm: number) => ({
    foot: 'left' as const,
    station,
    does,
    amountMm,
    minutes: 20,
    words: '',
  })
  const said = (work: WorkItem[]) => work.map((w) => [w.station, w.does, w.amountMm])
  it('is one piece: the most of a board, the least of a shim', () => {
    const board = [
      item('toeBoxHeight', 'grind boot board', 1),
      item('ball', 'stretch', 2),
      item('instepHeight', 'grind boot board', 2),
    ]
    expect(said(underOnce(board))).toEqual([
      ['ball', 'stretch', 2],
      ['instepHeight', 'grind boot board', 2],
    ])
    const shims = [item('waist', 'shim', 3), item('instep', 'shim', 2)]
    expect(said(underOnce(shims))).toEqual([['instep', 'shim', 2]])
  })
  it('is none where the board is ground: a foot is lowered or raised, never both', () => {
    const once = underOnce([item('toeBoxHeight', 'grind boot board', 1), item('waist', 'shim', 3)])
    expect(once.map((w) => w.does)).toEqual(['grind boot board'])
  })
  it('moves every height by its millimetres and a girth by 1/π of them, widths and the leg by nothing', () => {
    const ground = {
      ...ball,
      station: 'instepHeight',
      does: 'grind boot board' as const,
      at: { fromHeelMm: 130, heightMm: 0, side: 'under' as const },
      state: 'done' as const,
    }
    const mm = Object.fromEntries(workedOffsets([ground]).map((o) => [o.station, o.mm]))
    expect(mm).toEqual({
      toeBoxHeight: 2,
      ballHeight: 2,
      instepHeight: 2,
      anklePocket: 2,
      waist: 2 / Math.PI,
      instep: 2 / Math.PI,
      heelInstep: 2 / Math.PI,
    })
    const shimmed = workedOffsets([{ ...ground, does: 'insole shim' }])
    expect(shimmed.map((o) => o.mm)).toEqual(Object.values(mm).map((v) => -v))
  })
})

describe('any life of a plan', () => {
  /** A pair whose shells are all a little off: something is asked of most sizes. */
  const MODELS: FootwearModel[] = [
    shell({ id: 'a' }),
    shell({ id: 'b', at: { ...shell().at, ballWidthMm: 108, instepHeightMm: 71 } }),
    shell({ id: 'c', at: { ...shell().at, heelWidthMm: 84, toeBoxHeightMm: 31 } }),
  ]
  const deeds = fc.array(
    fc.oneof(
      fc.record({
        do: fc.constant('choose' as const),
        model: fc.nat({ max: 2 }),
        size: fc.constantFrom(255, 265, 275),
      }),
      fc.record({
        do: fc.constant('measure' as const),
        width: fc.integer({ min: 94, max: 104 }),
        height: fc.integer({ min: 58, max: 68 }),
      }),
      fc.record({ do: fc.constant('follow' as const) }),
      fc.record({
        do: fc.constant('try' as const),
        spots: fc.array(
          fc.record({
            view: fc.constantFrom('dorsal' as const, 'medial' as const, 'lateral' as const),
            xMm: fc.constant(0),
            yMm: fc.integer({ min: 20, max: 255 }),
            level: fc.constantFrom(2 as const, 3 as const),
          }),
          { maxLength: 3 },
        ),
      }),
      fc.record({
        do: fc.constantFrom('finish' as const, 'drop' as const, 'reopen' as const),
        at: fc.nat({ max: 20 }),
      }),
    ),
    { minLength: 4, maxLength: 16 },
  )
  const recordOf = (width: number, height: number, footwear: Footwear) =>
    parseRecord({
      format: 'gentle-arch/fitting',
      version: 2,
      story: { intent: 'performance' },
      feet: {
        left: {
          readings: [
            standing('footLengthMm', 262),
            standing('forefootWidthMm', width),
            standing('heelWidthMm', 65),
            standing('dorsumHeightMm', height),
            standing('toeBoxHeightMm', 25),
          ],
        },
      },
      footwear,
    })
  function asked(record: ReturnType<typeof recordOf>): ShellWork[] {
    const { chosen } = record.footwear!
    const model = MODELS.find((m) => m.id === chosen?.model)
    if (!model || !chosen) return []
    const feet = standingFeet(record)
    const fit = pairInSizes(feet, model, matchSettings(record), { left: chosen.sizeLeftMm! })
    return workAsked(record.footwear!, feet, model, fit)
  }

  it('leaves no stale line, loses no line that is done, and once followed asks for nothing', () => {
    fc.assert(
      fc.property(deeds, (life) => {
        let [width, height] = [99, 62]
        let footwear: Footwear = { candidates: [] }
        const done = new Map<string, number>()
        for (const [hour, deed] of life.entries()) {
          const at = new Date(Date.UTC(2026, 10, 30, hour)).toISOString()
          const work = footwear.chosen?.work ?? []
          const put = (next: ShellWork[]) =>
            (footwear = { ...footwear, chosen: { ...footwear.chosen!, work: next } })
          const mine = work.filter((w) => w.model === footwear.chosen!.model)
          if (deed.do === 'choose')
            footwear = chooseShell(
              footwear,
              { model: MODELS[deed.model]!.id, sizeLeftMm: deed.size, sizeRightMm: undefined },
              [],
            )
          else if (deed.do === 'measure') [width, height] = [deed.width, deed.height]
          else if (!footwear.chosen) continue
          else if (deed.do === 'try') {
            const worn = { left: { model: footwear.chosen.model, sizeMm: 265 } }
            const reading = { minute: 15, foot: 'left' as const, hotSpots: deed.spots }
            const tryOn = { id: at, worn, onDevice: true, startedAt: at, readings: [reading] }
            footwear = { ...footwear, tryOns: [...(footwear.tryOns ?? []), tryOn] }
          } else if (deed.do === 'follow') {
            const { model } = footwear.chosen
            const wants = asked(recordOf(width, height, footwear))
            const next = withChanges(work, planChanges(work, wants, model), model)
            put(next)
            expect(planChanges(next, wants, model)).toEqual([])
            // Nothing is asked for twice.
            expect(new Set(wants.map((w) => w.id)).size).toBe(wants.length)
            const ground = wants.filter((w) => w.does === 'grind boot board' || w.does === 'shim')
            expect(ground.length, ground.map((w) => w.id).join()).toBeLessThan(2)
            for (const want of wants)
              expect(
                next.filter(
                  (w) =>
                    w.model === model &&
                    w.state === 'planned' &&
                    w.foot === want.foot &&
                    w.station === want.station &&
                    w.does === want.does,
                ).length,
                want.id,
              ).toBeLessThan(2)
            // Every line that is planned for the chosen model is one that the fit asks for now.
            for (const line of next.filter((w) => w.model === model && w.state === 'planned'))
              expect(
                wants.some((w) => line.id.startsWith(w.id) && w.sizeMm === line.sizeMm),
                line.id,
              ).toBe(true)
          } else if (mine.length > 0) {
            const picked = mine[deed.at % mine.length]!
            const state = { finish: 'done', drop: 'dropped', reopen: 'planned' }[
              deed.do
            ] as ShellWork['state']
            if (picked.state === 'done' && deed.do !== 'reopen') continue
            const key = `${picked.model} ${picked.id}`
            if (deed.do === 'finish') done.set(key, picked.amountMm)
            else done.delete(key)
            put(
              work.map((w) =>
                w === picked ? { ...w, state, ...(state === 'done' && { doneAt: at }) } : w,
              ),
            )
          }
          for (const [key, amountMm] of done)
            expect(
              footwear.chosen!.work.filter(
                (w) =>
                  `${w.model} ${w.id}` === key && w.state === 'done' && w.amountMm === amountMm,
              ),
              key,
            ).toHaveLength(1)
          const keys = (footwear.chosen?.work ?? []).map((w) => w.id)
          expect(new Set(keys).size).toBe(keys.length)
          // A board gives no more than it has, over the whole life.
          for (const { id, bootBoard } of MODELS)
            for (const size of [255, 265, 275]) {
              const ground = (footwear.chosen?.work ?? []).filter(
                (w) =>
                  w.model === id &&
                  w.sizeMm === size &&
                  w.does === 'grind boot board' &&
                  w.state === 'done',
              )
              expect(ground.reduce((sum, w) => sum + w.amountMm, 0)).toBeLessThanOrEqual(
                bootBoard.grindableMm,
              )
            }
        }
      }),
      { numRuns: runs(400, 150) },
    )
  })
})
