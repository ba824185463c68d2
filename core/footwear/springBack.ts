import type { ShellWork } from '../record/schema'
import type { FootwearModel } from './catalogueSchema'

/** What the shop's own stretches say of one plastic. */
export interface LearnedSpringBack {
  /** what springs back of what is kept: the house's share drawn towards what was seen */
  share: number
  /** what was seen, over all of its stretches */
  seenShare: number
  count: number
  used: boolean
}

/** Fewer stretches than this teach nothing; as many count as much as the house's share does. */
const LEAST = 5
/** More than this is a slip of the gauge or a shell that was not warm. */
const MOST_SHARE = 1

/**
 * The plastic of a model as it is learned by; null where its name is not known.
 *
 * @example plasticOf({ plastic: { name: ' Polyether ' } }) // 'polyether'
 */
export const plasticOf = ({ plastic }: { plastic: { name?: string | undefined } }): string | null =>
  plastic.name?.trim().toLowerCase() || null

/** A stretch of which it is known what was pressed and what was found after cooling. */
type Found = Pick<ShellWork, 'model' | 'does' | 'state' | 'pressedMm' | 'gainedMm'>

/**
 * What springs back of each plastic, learned from stretches that were measured after cooling: pressed over found, less
 * one, over all of them together; shrunk by n/(n + 5) towards the house's share and used from five on.
 *
 * For instance ten stretches pressed to 2.6 mm and found at 2.0 show 30 %; with a house share of 20 % they give
 * 0.2 + 0.1 · 10/15 = 26.7 %
 *
 * @param work of any client, on models of the catalogue
 * @param houseShare what is taken where nothing is learned
 */
export function learnSpringBack(
  work: readonly Found[],
  models: readonly FootwearModel[],
  houseShare: number,
): Record<string, LearnedSpringBack> {
  const plastics = new Map(models.map((m) => [m.id, plasticOf(m)]))
  const sums = new Map<string, { pressed: number; found: number; count: number }>()
  for (const { model, does, state, pressedMm, gainedMm } of work) {
    const plastic = plastics.get(model)
    if (!plastic || does !== 'stretch' || state !== 'done') continue
    if (pressedMm === undefined || gainedMm === undefined || pressedMm <= 0) continue
    const sum = sums.get(plastic) ?? { pressed: 0, found: 0, count: 0 }
    sums.set(plastic, {
      pressed: sum.pressed + pressedMm,
      // A wall is not found narrower by a stretch.
      found: sum.found + Math.max(0, gainedMm),
      count: sum.count + 1,
    })
  }
  return Object.fromEntries(
    [...sums].map(([plastic, { pressed, found, count }]) => {
      const ratio = found > 0 ? pressed / found - 1 : MOST_SHARE
      const seenShare = Math.min(MOST_SHARE, Math.max(0, ratio))
      const used = count >= LEAST
      const share = used
        ? houseShare + ((seenShare - houseShare) * count) / (count + LEAST)
        : houseShare
      return [plastic, { share, seenShare, count, used }]
    }),
  )
}

/**
 * Stretches with the share by which they are pressed further, as it is learned now; what is done stays as it was
 * pressed. The same line where nothing is learned of its plastic.
 */
export function withSpringBack(
  work: ShellWork,
  model: FootwearModel,
  learned: Readonly<Record<string, LearnedSpringBack>>,
): ShellWork {
  const own = learned[plasticOf(model) ?? '']
  if (!own?.used || work.does !== 'stretch' || work.state === 'done') return work
  return { ...work, springBackShare: Math.round(own.share * 1000) / 1000 }
}

/** In words. For instance '27 % springs back of polyether, learned from 10 stretches (seen 30 %)' */
export function springBackWords(plastic: string, own: LearnedSpringBack): string {
  const percent = (share: number) => `${Math.round(share * 100)} %`
  const pieces = `${own.count} ${own.count === 1 ? 'stretch' : 'stretches'}`
  return own.used
    ? `${percent(own.share)} springs back of ${plastic}, learned from ${pieces} (seen ${percent(own.seenShare)})`
    : `${pieces} of ${plastic} measured so far, learns from ${LEAST}`
}
