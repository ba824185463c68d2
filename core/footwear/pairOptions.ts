import { SIDES, type Side } from '../tables/vocabulary'
import type { FootwearModel } from './catalogueSchema'
import { fitFoot, type FootFit, type MatchSettings } from './fitFoot'
import type { Feet } from './match'
import { leastFit } from './pairScore'
import { oneDecimal, sizeWords } from './reasons'

/** One way to serve two different feet with a model. */
export interface PairOption {
  kind: 'same' | 'pad the smaller' | 'split' | 'custom'
  words: string
  left?: FootFit
  right?: FootFit
  /** null where no work makes it fit */
  score: number | null
  minutes: number
  price: number
  because: string | null
}

export interface PairQuestion {
  /** do the feet differ by a shell size or by more than 8 mm at the ball? */
  asked: boolean
  words: string
  options: PairOption[]
}

/**
 * Feet that differ by this much need the question of a split pair, mm: one shell size, or at the
 * ball (house defaults).
 */
const SHELL_SIZE_MM = 10
const BALL_GAP_MM = 8

/**
 * Same size with work, the larger foot's size with the smaller foot padded, a split pair, and a
 * fully custom shell, side by side for one model. Asked when left and right differ by a shell size
 * or by more than 8 mm at the ball.
 */
export function pairOptions(
  feet: Feet,
  model: FootwearModel,
  settings: MatchSettings,
): PairQuestion | null {
  const { left, right } = feet
  if (!left || !right) return null
  const gapMm = Math.abs(left.lengthMm - right.lengthMm)
  const ballMm =
    left.forefootWidthMm !== undefined && right.forefootWidthMm !== undefined
      ? Math.abs(left.forefootWidthMm - right.forefootWidthMm)
      : 0
  const step = model.shellStep === 'whole' ? SHELL_SIZE_MM : 5
  const asked = gapMm >= step || ballMm > BALL_GAP_MM
  const fits = Object.fromEntries(
    SIDES.map((side) => [
      side,
      model.sizesMm.map((size) => fitFoot(feet[side]!, side, model, size, settings)),
    ]),
  ) as Record<Side, FootFit[]>
  const option = (
    kind: PairOption['kind'],
    l: FootFit,
    r: FootFit,
    words: string,
    extra = 0,
    price = model.price,
  ): PairOption => ({
    kind,
    words,
    left: l,
    right: r,
    minutes: [...l.work, ...r.work].reduce((sum, w) => sum + w.minutes, 0),
    price,
    because: l.because ? `left: ${l.because}` : r.because ? `right: ${r.because}` : null,
    score: l.because || r.because ? null : (l.score + r.score + extra) / 2,
  })
  const same = model.sizesMm.map((_, k) =>
    option('same', fits.left[k]!, fits.right[k]!, `both ${sizeWords(model.sizesMm[k]!)}, worked`),
  )
  const sameBest = same.reduce((a, b) => ((b.score ?? Infinity) < (a.score ?? Infinity) ? b : a))
  const bigger: Side = left.lengthMm >= right.lengthMm ? 'left' : 'right'
  const big = leastFit(fits[bigger])
  const k = model.sizesMm.indexOf(big.sizeMm)
  const padded = option(
    'pad the smaller',
    fits.left[k]!,
    fits.right[k]!,
    `both ${sizeWords(big.sizeMm)}, the ${bigger === 'left' ? 'right' : 'left'} shell padded and shimmed`,
  )
  const [l, r] = [leastFit(fits.left), leastFit(fits.right)]
  const split = option(
    'split',
    l,
    r,
    l.sizeMm === r.sizeMm
      ? 'both feet want the same size'
      : `left ${sizeWords(l.sizeMm)}, right ${sizeWords(r.sizeMm)}: two pairs bought, or one ordered as a split`,
    settings.rows.rankingWeights.split,
    model.price * (l.sizeMm === r.sizeMm ? 1 : 2),
  )
  const options = [
    sameBest,
    ...(padded.left!.sizeMm !== sameBest.left!.sizeMm ? [padded] : []),
    ...(l.sizeMm !== r.sizeMm ? [split] : []),
  ]
  options.push({
    kind: 'custom',
    words: 'a shell made to measure, by the order sheet',
    score: null,
    minutes: 0,
    price: 0,
    because: options.some((o) => o.score !== null)
      ? null
      : 'nothing of this model fits: think of it',
  })
  const differ = [
    gapMm >= step && `${oneDecimal(gapMm)} mm in length`,
    ballMm > BALL_GAP_MM && `${oneDecimal(ballMm)} mm at the ball`,
  ]
    .filter(Boolean)
    .join(' and ')
  return {
    asked,
    words: asked
      ? `The feet differ by ${differ}.`
      : `The feet differ by ${oneDecimal(gapMm)} mm in length and ${oneDecimal(ballMm)} mm at the ball: one size serves both.`,
    options,
  }
}
