import { examineFoot, USUAL_FOREFOOT_DEG } from '../examine/examineFoot'
import type { FittingRecord } from '../record/schema'
import { SIDES, type Side } from '../record/vocabulary'
import type { Entry } from './entry'

const n = (v: number) => Number(v.toFixed(1)).toString()

/** Suggestions for the device out of findings and complaints, each naming its school. Adult rules: children get none of them. */
export function deviceRules(record: FittingRecord, child: boolean): Entry[] {
  if (child) return []
  return SIDES.flatMap((side) => (record.feet[side] ? rulesOfFoot(record, side) : []))
}

function rulesOfFoot(record: FittingRecord, side: Side): Entry[] {
  const foot = record.feet[side]!
  const { forefoot, forefootMm, relaxed } = examineFoot(foot)
  const complaints = (record.story?.complaints ?? []).filter((c) => c.foot === side && !c.numb)
  const hurts = (...places: string[]) => complaints.find((c) => places.includes(c.at))
  const hasLayer = (...kinds: string[]) => foot.device?.layers.some((l) => l.on && kinds.includes(l.kind)) ?? false
  const hasPost = (at: string) => foot.device?.posts.some((p) => p.at === at && p.angleDeg !== 0) ?? false
  const out: Entry[] = []
  const add = (code: string, school: Entry['school'], words: string, change: Entry['change'], ...triggers: string[]) =>
    out.push({ code, kind: 'suggest', school, foot: side, triggers, words, source: 'house rule', change })

  const medial = hurts('medialAnkle', 'navicular', 'archPlantar')
  if (medial && relaxed && relaxed.meanDeg <= -4 && !hasLayer('medialSkive', 'threePlaneShave'))
    add('medial-push', 'tissue-stress', `The ${side} inner side hurts and the heel stands everted ${n(-relaxed.meanDeg)}°. A medial heel skive of 2 mm pushes where it unloads.`, { layer: 'medialSkive', amounts: { depthMm: 2 } }, 'story.complaints', `feet.${side}.findings.rcspDeg`)
  if (relaxed && relaxed.meanDeg <= -6 && !hasPost('rearfoot'))
    add('rearfoot-post', 'neutral', `The ${side} heel stands everted ${n(-relaxed.meanDeg)}°. A varus rearfoot post of 3° holds it nearer neutral.`, { post: { at: 'rearfoot', angleDeg: 3 } }, `feet.${side}.findings.rcspDeg`)
  if (hurts('lateralAnkle') && !hasPost('rearfoot'))
    add('lateral-push', 'tissue-stress', `The ${side} outer ankle hurts. A valgus rearfoot post of 2° takes it off the outer side.`, { post: { at: 'rearfoot', angleDeg: -2 } }, 'story.complaints')
  const heads = hurts('secondMetHead', 'thirdMetHead', 'fourthMetHead')
  if (heads && !hasLayer('metPad'))
    add('met-pad', 'tissue-stress', `Pain under the ${side} met heads. A met pad of 4 mm, its front edge 8 mm behind the heads, lifts the shafts.`, { layer: 'metPad', amounts: { heightMm: 4, behindHeadsMm: 8 } }, 'story.complaints')
  if (forefoot && (forefoot.meanDeg > USUAL_FOREFOOT_DEG[1] || forefoot.meanDeg < USUAL_FOREFOOT_DEG[0]) && forefoot.trials < 2)
    add('forefoot-again', 'all', `The ${side} forefoot angle of ${n(forefoot.meanDeg)}° was read once. Read it again before building on it.`, null, `feet.${side}.findings.forefootDeg`)
  else if (forefoot && forefoot.meanDeg > USUAL_FOREFOOT_DEG[1] && forefootMm !== null)
    add('forefoot-varus', 'neutral', `The ${side} forefoot is ${n(forefoot.meanDeg)}° varus, ${n(forefootMm)} mm across. If it is rigid or fits the complaint, balance it; the sole surface already holds the angle.`, null, `feet.${side}.findings.forefootDeg`)
  if (out.length > 0 && !foot.device)
    out.push({ code: 'lesser-first', kind: 'suggest', school: 'comfort', foot: side, triggers: ['story.complaints'], words: `Would a stock insert or wider footwear be enough for the ${side} foot? Try the lesser measure first and note why not.`, source: 'house rule', change: { device: 'trim-to-fit' } })
  return out
}
