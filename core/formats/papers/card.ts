import { plainParts } from '../../device/plainParts'
import type { FittingRecord } from '../../record/schema'
import { normsOf } from '../../record/tables'
import { SIDES } from '../../tables/vocabulary'
import { firstDay, inHours, wearInPace } from '../../followup/wearInPlan'

/** The client's card in plain words. */
export interface ClientCard {
  greeting: string
  made: string[]
  goal: string | null
  wearIn: string[]
  exercises: string[]
  normal: string
  stop: string[]
  nextVisitOn: string | null
  guaranteeUntil: string | null
  care: string
  notice: string
}

/**
 * Plain-language card: what was made and why, wearing in, what is normal, when to stop and call,
 * next visit.
 */
export function clientCard(record: FittingRecord, startOn: string): ClientCard {
  const first = (record.client?.name ?? '').trim().split(/\s+/)[0]
  const pace = wearInPace(record)
  const { firstMin, addMin, everyDays } = normsOf(record).wearInPaces[pace]
  return {
    greeting: first ? `${first}, take it slowly` : 'Take it slowly',
    made: SIDES.flatMap((side) => {
      const device = record.feet[side]?.device
      if (!device || device.kind === 'none') return []
      const parts = plainParts(device)
      return [
        `${side === 'left' ? 'Left' : 'Right'} footbed: ${parts.join(', ') || 'an even support under the whole foot'}.`,
      ]
    }),
    goal: record.story?.goal ?? null,
    wearIn:
      pace === 'atRisk'
        ? [
            `Start on ${startOn} with ${inHours(firstMin)}.`,
            'Look at the skin after every wear; ask someone if you cannot see it.',
            `Add ${inHours(addMin)} only if redness is gone within 20 minutes.`,
          ]
        : [
            pace === 'gentle'
              ? `Start on ${startOn} with ${inHours(firstMin)}.`
              : `Start on ${startOn} with ${firstDay(firstMin, addMin)}.`,
            `Add ${addMin === 60 ? 'one hour' : inHours(addMin)} ${everyDays === 1 ? 'each day' : everyDays === 2 ? 'every second day' : `every ${everyDays} days`}.`,
            'Sport only after a full day without marks.',
          ],
    exercises: (record.handover?.exercises ?? []).map((e) => e.what),
    normal:
      'Tired feet or calves in the first days are normal. Red marks that fade within half an hour are normal.',
    stop: [
      'a blister, or a mark that stays',
      'numb toes or sharp pain',
      'warmth or swelling',
      'anything that frightens you',
    ],
    nextVisitOn: record.handover?.nextVisitOn ?? null,
    guaranteeUntil: record.handover?.guaranteeUntil ?? null,
    care: 'Let them dry out of the shoe over night, away from heat. Wipe with a damp cloth. No machine, no dryer, no hot car.',
    notice:
      'This footbed supports; it does not diagnose or cure. Rules for care where you live come first. If in doubt, ask a doctor.',
  }
}
