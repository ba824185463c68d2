import { FIT_RANGE } from './fitRange'
import { twoDigits } from './effectSteps'

export interface OverPush {
  code: 'over-push' | 'pushes-away'
  words: string
  /** the same in a few words, beside the figures */
  short: string
}

/** Less than this is no push at all, N·mm. */
const NOTHING_NMM = 50
const way = (nmm: number) => (nmm > 0 ? 'outward (supination)' : 'inward (pronation)')

/**
 * Does a device push harder than is wanted? With a wanted change of moment: when even the low end
 * of the estimate passes it, or it pushes the other way. Without one: above the house limit.
 *
 * @param momentNmm estimated change against the plain device, + supination
 * @param aimNmm wanted change
 * @example overPush(400, 150, 600)?.code // 'over-push': at least 240 for 150 wanted
 */
export function overPush(
  momentNmm: number,
  aimNmm: number | undefined,
  mostNmm: number,
): OverPush | null {
  const about = Math.abs(twoDigits(momentNmm))
  if (aimNmm !== undefined && aimNmm !== 0) {
    const along = momentNmm * Math.sign(aimNmm)
    if (along < -NOTHING_NMM)
      return {
        code: 'pushes-away',
        words: `It pushes ${way(momentNmm)} by about ${about} N·mm, where ${way(aimNmm)} was wanted (estimate).`,
        short: `pushes the other way than the ${Math.abs(aimNmm)} N·mm wanted`,
      }
    if (FIT_RANGE[0] * along > Math.abs(aimNmm))
      return {
        code: 'over-push',
        words:
          `It pushes harder than wanted: about ${about} N·mm, at least ${twoDigits(FIT_RANGE[0] * about)}, ` +
          `for ${Math.abs(aimNmm)} wanted (estimate). Take some off.`,
        short: `surely over the ${Math.abs(aimNmm)} N·mm wanted`,
      }
    return null
  }
  return Math.abs(momentNmm) > mostNmm
    ? {
        code: 'over-push',
        words:
          `It pushes hard: about ${about} N·mm ${way(momentNmm)} against the plain device, ` +
          `over the house limit of ${mostNmm} (estimate). Is that needed?`,
        short: `over the house limit of ${mostNmm} N·mm`,
      }
    : null
}
