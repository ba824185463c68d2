import { z } from 'zod'
import { table } from './table'

/** One threshold or amount of a rule: the house's value, its unit, and what it is, in words. */
interface Threshold {
  value: number
  unit: '°' | 'mm' | 'points' | 'h' | 'days' | 'years' | '' | 'tries'
  words: string
}
const deg = (value: number, words: string): Threshold => ({ value, unit: '°', words })
const mm = (value: number, words: string): Threshold => ({ value, unit: 'mm', words })
const points = (value: number, words: string): Threshold => ({ value, unit: 'points', words })
const tries = (value: number, words: string): Threshold => ({ value, unit: 'tries', words })
const count = (value: number, words: string): Threshold => ({ value, unit: '', words })

/** Thresholds and amounts of every rule of the ledger, by `code.name` of the rule that reads them. */
export const THRESHOLDS = {
  'medial-push.evertedDeg': deg(-4, 'heel stands everted by at least'),
  'medial-push.depthMm': mm(2, 'skive'),
  'medial-push.medialAxisDepthMm': mm(3, 'skive where the axis lies medial'),
  'medial-shave.depthMm': mm(4, 'shave'),
  'medial-hold.pain': points(7, 'pain from'),
  'medial-hold.evertedDeg': deg(-6, 'heel stands everted by at least'),
  'medial-hold.heightMm': mm(8, 'wrap'),
  'fascia-support.heightMm': mm(3, 'support'),
  'fascia-aperture.pain': points(5, 'pain from'),
  'fascia-aperture.depthMm': mm(3, 'aperture'),
  'fascia-lift.liftMm': mm(3, 'lift'),
  'lateral-push.postDeg': deg(2, 'valgus post'),
  'lateral-push.invertedDeg': deg(1, 'heel called inverted from'),
  'lateral-skive.invertedDeg': deg(3, 'heel stands inverted by at least'),
  'lateral-skive.depthMm': mm(2, 'skive'),
  'cuboid.heightMm': mm(3, 'support'),
  'forefoot-abducted.item': points(1, 'posture item of the forefoot from'),
  'forefoot-abducted.heightMm': mm(3, 'support'),
  'short-first.leadMm': mm(3, 'second metatarsal past the first by at least'),
  'short-first.heightMm': mm(3, 'extension'),
  'met-pad.heightMm': mm(4, 'pad'),
  'met-pad.behindHeadsMm': mm(8, 'its front edge behind the heads'),
  'nerve-spread.heightMm': mm(4, 'pad'),
  'sesamoid.depthMm': mm(2, 'relief'),
  'spot-relief.tenderness': points(3, 'tenderness from'),
  'spot-relief.depthMm': mm(2, 'relief'),
  'spot-relief.mostRadiusMm': mm(40, 'radius at most: a bigger one unloads nothing'),
  'heel-pad.cupMm': mm(18, 'cup'),
  'spring-shell.thicknessMm': mm(3, 'shell'),
  'medial-post.evertedDeg': deg(-4, 'heel stands everted by at least'),
  'medial-post.postDeg': deg(3, 'varus post'),
  'medial-flare.pain': points(5, 'pain from'),
  'medial-flare.widthMm': mm(4, 'flare'),
  'medial-flange.pain': points(8, 'pain from'),
  'medial-flange.evertedDeg': deg(-8, 'heel stands everted by at least'),
  'medial-flange.heightMm': mm(15, 'flange'),
  'lateral-flare.pain': points(5, 'pain from'),
  'lateral-flare.widthMm': mm(4, 'flare'),
  'lateral-soft.thicknessMm': mm(3, 'shell'),
  'fascia-valgus.angleDeg': deg(3, 'valgus wedge'),
  'fascia-groove.depthMm': mm(2, 'groove'),
  'fascia-groove.tenderness': points(3, 'tenderness from'),
  'heel-aperture.pain': points(4, 'pain from'),
  'heel-aperture.depthMm': mm(3, 'aperture'),
  'met-bar.heads': count(3, 'heads that hurt from'),
  'met-bar.heightMm': mm(4, 'bar'),
  'met-bar.behindHeadsMm': mm(8, 'its front edge behind the heads'),
  'second-pad.leadMm': mm(3, 'second metatarsal past the first by at least'),
  'second-pad.heightMm': mm(4, 'pad'),
  'second-pad.behindHeadsMm': mm(8, 'its front edge behind the heads'),
  'half-size.leadMm': mm(3, 'second metatarsal past the first by at least'),
  'rigid-extension.heightMm': mm(3, 'rigid extension'),
  'first-ray-cut-out.depthMm': mm(4, 'corner that is taken away'),
  'no-device.evertedDeg': deg(-4, 'heel stands everted by at least'),
  'rearfoot-post.evertedDeg': deg(-6, 'heel stands everted by at least'),
  'rearfoot-post.postDeg': deg(3, 'varus post'),
  'forefoot-varus.tries': tries(2, 'tries at least'),
  'forefoot-valgus.tries': tries(2, 'tries at least'),
  'forefoot-valgus.givingShare': count(0.5, 'share that is held where the first ray gives'),
  'roll-post.rollDeg': deg(6, 'rolls in by at least'),
  'roll-post.evertedDeg': deg(-6, 'heel everted by less than'),
  'roll-post.mostDeg': deg(4, 'post at most'),
  'roll-post.share': count(0.5, 'share of the roll that is posted'),
  'uncompensated.deg': deg(3, 'heel stays inverted by at least'),
  'uncompensated.mostDeg': deg(6, 'post at most'),
  'end-of-eversion.leftDeg': deg(2, 'eversion left at most'),
  'ncsp-again.gapDeg': deg(2, 'neutral stance off shin and neutral by more than'),
  'neutral-gap.gapDeg': deg(3, 'neutral by ranges and by palpation apart by more than'),
  'deep-cup.cupMm': mm(16, 'cup that holds'),
  'deep-cup.tiltDeg': deg(4, 'heel tilts by at least'),
  'some-give.thicknessMm': mm(3, 'shell'),
  'even-arch.fillMm': mm(4.5, 'fill'),
  'three-points.tries': tries(2, 'tries at least'),
  'thin-cover.thicknessMm': mm(1.5, 'cover thicker than'),
  'first-ray-freedom.depthMm': mm(4, 'accommodation'),
  'windlass-first.depthMm': mm(3, 'wedge'),
  'ankle-lift.leastMm': mm(2, 'lift at least'),
  'ankle-lift.mostMm': mm(6, 'lift at most'),
  'ankle-lift.usualMm': mm(4, 'lift where lengths were not taken'),
  'ankle-lift.mostDeg': deg(3, 'given back at most'),
  'calf-lift.liftMm': mm(3, 'lift under both heels'),
  'leg-lift.leastMm': mm(5, 'difference from'),
  'leg-lift.mostMm': mm(10, 'difference up to, without clearance'),
  'leg-lift.stepMm': mm(3, 'steps of'),
  'leg-lift.share': count(0.5, 'share of the difference'),
  'lesser-first.pain': points(6, 'pain up to'),
  'lesser-first.unscored': points(5, 'pain nobody scored counts as'),
  'toe-room.leadMm': mm(3, 'second toe past the first by at least'),
  'soft-cover.hours': { value: 8, unit: 'h', words: 'on the feet for at least' },
  'total-contact.coverMm': mm(4, 'soft cover'),
  'soft-cover.coverMm': mm(3, 'cover'),
  'tilt-without-pain.postDeg': deg(3, 'post of at least'),
  'big-step.postDeg': deg(3, 'post of at least'),
  'big-step.ways': count(3, 'pushes at once from'),
  'leg-length-watch.errorMm': mm(5, 'within the error of the method below'),
  'leg-length-watch.mostMm': mm(10, 'referred above'),
  'forefoot-again.tries': tries(2, 'tries at least'),
  'ball-gap.mm': mm(8, 'forefeet differ by more than'),
  'length-gap.mm': mm(3, 'feet differ in length by at least'),
  'length-gap.splitMm': mm(10, 'a shell size apart from'),
  'rigid-in-snug.thicknessMm': mm(4.5, 'as stiff as polypropylene of'),
  'post-large.deg': deg(8, 'rearfoot post above'),
  'lift-over-counter.mm': mm(8, 'inside lift above: most counters no longer hold'),
  'cup-too-deep.share': count(0.4, 'share of the heel’s width'),
  'cup-at-ankle.mm': mm(-3, 'wall of the cup over the ankle bone by more than'),
  'wall-too-high.mm': mm(45, 'wall beside the arch above'),
  'raises-overlap.mm': mm(8, 'raises at one place, together more than'),
  'blank-presses.mm': mm(3, 'arch of the blank over the foot’s by more than'),
  'blank-gapes.mm': mm(6, 'arch of the blank under the foot’s by more than'),
  'one-side.evertedDeg': deg(-4, 'an everted heel is pushed from inside only, from'),
  'one-side.invertedDeg': deg(
    2,
    'an inverted heel that hurts outside is pushed from outside, from',
  ),
  'stance-contradicts.invertedDeg': deg(2, 'heel inverted over a medial axis by at least'),
  'cleared.days': { value: 30, unit: 'days', words: 'a clearance counts for' },
  'signs-not-asked.days': { value: 30, unit: 'days', words: 'what was asked counts for' },
  'flat-usual.years': { value: 10, unit: 'years', words: 'usual without pain below' },
  'child-heel.liftMm': mm(3, 'lift under both heels'),
  'lift-on-one.mm': mm(1, 'lifts differ by at least'),
  'heels-differ.mm': mm(2, 'heels stand unevenly by at least'),
  'cut-out-unsteady.deg': deg(1, 'device with a cut-out rolls by more than'),
} as const satisfies Record<`${string}.${string}`, Threshold>

export type ThresholdKey = keyof typeof THRESHOLDS
/** Names of the thresholds of one rule. */
export type ThresholdOf<Code extends string> = ThresholdKey extends infer K
  ? K extends `${Code}.${infer Name}`
    ? Name
    : never
  : never

const KEYS = Object.keys(THRESHOLDS) as ThresholdKey[]

const wordsOf = ({ words, unit }: Threshold): string => (unit ? `${words}, ${unit}` : words)

/** The thresholds of the rules, each editable by itself. */
export const ruleThresholds = table({
  name: 'Thresholds and amounts of the ledger’s rules',
  unit: '',
  source: 'house defaults by school; each rule names its own',
  state: 'own assumption',
  keptBy: 'fitting',
  schema: z.record(z.enum(KEYS), z.number().min(-1000).max(1000)),
  labels: Object.fromEntries(KEYS.map((key) => [key, wordsOf(THRESHOLDS[key])])),
  house: Object.fromEntries(KEYS.map((key) => [key, THRESHOLDS[key].value])) as Record<
    ThresholdKey,
    number
  >,
})
