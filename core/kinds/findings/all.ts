import { z } from 'zod'
import { ankleKneeBentDeg } from './ankleKneeBentDeg'
import { ankleKneeStraightDeg } from './ankleKneeStraightDeg'
import { axis } from './axis'
import { axisAngleDeg } from './axisAngleDeg'
import { calf } from './calf'
import { deformity } from './deformity'
import { eversionDeg } from './eversionDeg'
import { fatPad } from './fatPad'
import { fifthRay } from './fifthRay'
import { firstRay } from './firstRay'
import { firstToeLoadedDeg } from './firstToeLoadedDeg'
import { firstToeMidRangePain } from './firstToeMidRangePain'
import { firstToeStiff } from './firstToeStiff'
import { firstToeUnloadedDeg } from './firstToeUnloadedDeg'
import { forefootDeg } from './forefootDeg'
import { heelRaise } from './heelRaise'
import { hotJoint } from './hotJoint'
import { inversionDeg } from './inversionDeg'
import { kneeOver } from './kneeOver'
import { marks } from './marks'
import { mobility } from './mobility'
import { ncspDeg } from './ncspDeg'
import { neutralPalpatedDeg } from './neutralPalpatedDeg'
import { numbness } from './numbness'
import { posture } from './posture'
import { pulses } from './pulses'
import { rcspDeg } from './rcspDeg'
import { sensationFelt } from './sensationFelt'
import { skin } from './skin'
import { swelling } from './swelling'
import { tibialVarumDeg } from './tibialVarumDeg'
import { windlass } from './windlass'
import { POSTURES } from '../../tables/vocabulary'
import { registry } from '../registry'
import type { AngleFinding, ChoiceFinding, OwnFinding } from './definition'

/** Every kind of finding, in the order in which hands go over a foot. */
const LIST = [
  inversionDeg,
  eversionDeg,
  neutralPalpatedDeg,
  forefootDeg,
  ncspDeg,
  rcspDeg,
  tibialVarumDeg,
  ankleKneeStraightDeg,
  ankleKneeBentDeg,
  firstToeUnloadedDeg,
  firstToeLoadedDeg,
  kneeOver,
  axis,
  windlass,
  fifthRay,
  pulses,
  skin,
  swelling,
  hotJoint,
  deformity,
  fatPad,
  axisAngleDeg,
  firstRay,
  heelRaise,
  firstToeStiff,
  firstToeMidRangePain,
  posture,
  mobility,
  sensationFelt,
  calf,
  numbness,
  marks,
] as const

type Kinds = (typeof LIST)[number]
/** A definition as whoever reads the list sees it: of some kind, its value any value. */
export type AnyFinding = AngleFinding<AngleKey> | ChoiceFinding<ChoiceKey> | OwnFinding

export type AngleKey = Extract<Kinds, { as: 'angle' }>['kind']
export type FindingKind = Kinds['kind']
export type ChoiceKey = Extract<Kinds, { as: 'choice' }>['kind']

export const FINDINGS = registry(LIST as unknown as readonly AnyFinding[])
/** Findings that are angles with trials. */
export const ANGLES = registry(
  FINDINGS.all.filter((d): d is AngleFinding<AngleKey> => d.as === 'angle'),
)
/** Findings that are one word out of a few. */
export const CHOICES = registry(
  FINDINGS.all.filter((d): d is ChoiceFinding<ChoiceKey> => d.as === 'choice'),
)
export const ANGLE_KEYS = ANGLES.kinds

/** Where a finding lies below a foot. @example findingPath('eversionDeg') // 'findings.subtalar' */
export const findingPath = (kind: FindingKind): string =>
  `findings.${FINDINGS.of(kind).within ?? kind}`

type Own = Exclude<Kinds, { within: 'subtalar' }>
type Subtalar = Extract<Kinds, { within: 'subtalar' }>
type Shape<D extends { kind: string; schema: z.ZodType }> = {
  [K in D['kind']]: z.ZodOptional<Extract<D, { kind: K }>['schema']>
}
const shapeOf = (of: readonly AnyFinding[]) =>
  Object.fromEntries(of.map((d) => [d.kind, d.schema.optional()]))

/** So many struck tries of an angle stay in the record. */
const MOST_STRUCK = 7

/** What an angle's tries do not tell: those that were struck, how the client lay, by whom and when. */
const takenSchema = z.strictObject({
  struck: z.array(z.number().min(-180).max(180)).max(MOST_STRUCK).optional(),
  position: z.enum(POSTURES).optional(),
  by: z.string().max(80).optional(),
  at: z.string().max(40).optional(),
})

/** What was found on one foot: every kind of the list, each left out where nobody looked. */
export const findingsSchema = z.strictObject({
  subtalar: z
    .strictObject(
      shapeOf(FINDINGS.all.filter((d) => d.within === 'subtalar')) as unknown as Shape<Subtalar>,
    )
    .optional(),
  ...(shapeOf(FINDINGS.all.filter((d) => d.within === null)) as unknown as Shape<Own>),
  taken: z.partialRecord(z.enum(ANGLE_KEYS), takenSchema).optional(),
})

export type Findings = z.output<typeof findingsSchema>
