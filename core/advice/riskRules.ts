import type { FittingRecord } from '../record/schema'
import type { Entry } from './entry'

/** Cautions of conditions told in the story (handbook of cautions); they follow the client to every station and paper. */
export function riskRules(record: FittingRecord): Entry[] {
  const has = new Set(record.story?.conditions ?? [])
  const out: Entry[] = []
  const add = (code: string, kind: Entry['kind'], words: string, change: Entry['change'] = null) =>
    out.push({ code, kind, school: 'all', foot: 'both', triggers: ['story.conditions'], words, source: 'house cautions', change })
  if (has.has('diabetes') || has.has('neuropathy') || has.has('poorCirculation') || has.has('pastUlcer') || has.has('amputation'))
    add('risk-foot', 'stop', 'A foot at risk: screen feeling and pulses first. No skive or hard edge on skin that does not feel, no heat on the foot, short wear-in, early recheck. Licensed practice only.', { refer: true })
  if (has.has('recentOperation')) add('recent-operation', 'stop', 'An operation less than six months ago: clearance by surgeon or physiotherapist before anything is made.', { refer: true })
  if (has.has('bloodThinners')) add('blood-thinners', 'watch', 'Blood thinners: soft edges, short try-on; a bruise means stop.')
  if (has.has('inflammatoryArthritis')) add('inflammatory-arthritis', 'watch', 'Inflammatory arthritis: a hot joint is referred; total contact, no rigid shell in a flare.')
  if (has.has('pregnancy')) add('pregnancy', 'watch', 'Pregnancy and three months after: sizes are provisional. Measure again, stretch or sell nothing as final.')
  if (has.has('hypermobility')) add('hypermobility', 'watch', 'Loose joints: do not measure or mould at the end of the range.')
  for (const complaint of record.story?.complaints ?? [])
    if (complaint.numb) add('numb', 'watch', 'Numbness: only in footwear? Both feet like a stocking, lasting, or with weakness: stop and refer.')
  return out
}
