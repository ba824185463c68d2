import type { Footwear, ShellCheck } from '../record/schema'

/**
 * Every shell check of a fitting, oldest first: of models that were only tried, and of those chosen,
 * for whichever device. Checks of a day without a time stand before the others.
 *
 * For instance `checksMade({ shellChecks: [check of model 'b'], chosen: { shellChecks: [an older one of 'a'] } })`
 *   is that of 'a', then that of 'b'
 */
export function checksMade(footwear: Footwear | undefined): ShellCheck[] {
  const { shellChecks = [], chosen, moreChosen = [] } = footwear ?? {}
  const withChosen = [chosen, ...moreChosen].flatMap((c) => c?.shellChecks ?? [])
  return [...withChosen, ...shellChecks].sort((a, b) => (a.at ?? '').localeCompare(b.at ?? ''))
}

/** The last check of a model on a foot, in whatever size. */
export const lastCheck = (
  footwear: Footwear | undefined,
  worn: Pick<ShellCheck, 'model' | 'foot'>,
): ShellCheck | undefined =>
  checksMade(footwear)
    .filter((c) => c.model === worn.model && c.foot === worn.foot)
    .at(-1)

/** Under which condition a check was made. */
export const conditionWords = ({ onDevice, kneeBent }: ShellCheck): string =>
  `${onDevice ? 'on the device' : 'bare'}, knee ${kneeBent ? 'bent' : 'straight'}`

/** A check in one line: what was seen, and what was predicted for the same condition. */
export function checkWords(check: ShellCheck): string {
  const predicted =
    check.predictedMm === undefined ? 'not predicted' : `${check.predictedMm.toFixed(1)} predicted`
  return `gap ${check.gapMm} mm, ${predicted} (${conditionWords(check)})`
}
