import { z } from 'zod'

const alignmentDeg = z.array(z.number().min(-45).max(45)).max(5)
const rangeDeg = z.array(z.number().min(0).max(120)).max(5)
const stiffness = z.enum(['stiff', 'usual', 'loose'])

export const MARK_KINDS = [
  'callus',
  'bonyPoint',
  'lump',
  'corn',
  'wound',
  'nail',
  'tender',
  'numb',
] as const
export const MARK_VIEWS = ['plantar', 'dorsal', 'medial', 'lateral'] as const
export const JOINTS = [
  'ankle',
  'subtalar',
  'midtarsal',
  'firstRay',
  'firstToe',
  'lesserToes',
] as const

/** A spot on the skin of one foot, in that foot's own frame (x medial +, y from the heel). */
export const markSchema = z.strictObject({
  kind: z.enum(MARK_KINDS),
  view: z.enum(MARK_VIEWS),
  xMm: z.number().min(-150).max(150),
  yMm: z.number().min(-20).max(420),
  sizeMm: z.number().min(0).max(120).optional(),
  tenderness: z.number().min(0).max(10).optional(),
  /** how far it stands out of the smooth line of the foot, mm */
  proudMm: z.number().min(0).max(30).optional(),
})

export const findingsSchema = z.strictObject({
  subtalar: z
    .strictObject({ inversionDeg: rangeDeg.optional(), eversionDeg: rangeDeg.optional() })
    .optional(),
  neutralPalpatedDeg: alignmentDeg.optional(),
  ncspDeg: alignmentDeg.optional(),
  rcspDeg: alignmentDeg.optional(),
  tibialVarumDeg: alignmentDeg.optional(),
  forefootDeg: alignmentDeg.optional(),
  firstRay: z
    .strictObject({
      rest: z.enum(['level', 'plantarflexed', 'elevated']).optional(),
      upMm: z.number().min(0).max(40).optional(),
      downMm: z.number().min(0).max(40).optional(),
      stiffness: stiffness.optional(),
    })
    .optional(),
  fifthRay: z.enum(['level', 'sunk', 'elevated']).optional(),
  heelRaise: z
    .strictObject({
      count: z.number().int().min(0).max(100).optional(),
      inverts: z.boolean().optional(),
    })
    .optional(),
  windlass: z.enum(['rises', 'late', 'none']).optional(),
  fatPad: z.enum(['usual', 'thin']).optional(),
  deformity: z.enum(['none', 'present']).optional(),
  ankleKneeStraightDeg: alignmentDeg.optional(),
  ankleKneeBentDeg: alignmentDeg.optional(),
  firstToeUnloadedDeg: rangeDeg.optional(),
  firstToeLoadedDeg: rangeDeg.optional(),
  firstToeStiff: z.boolean().optional(),
  firstToeMidRangePain: z.boolean().optional(),
  posture: z.array(z.number().int().min(-2).max(2)).length(6).optional(),
  axis: z.enum(['medial', 'central', 'lateral']).optional(),
  axisAngleDeg: z.number().min(0).max(60).optional(),
  kneeOver: z.enum(['inside', 'first', 'second', 'third', 'outside']).optional(),
  mobility: z.record(z.string(), stiffness).optional(),
  sensationFelt: z.number().int().min(0).max(10).optional(),
  pulses: z.enum(['both', 'one', 'weak', 'absent']).optional(),
  skin: z.enum(['usual', 'cold', 'hot']).optional(),
  calf: z
    .strictObject({
      lowMm: z.number().min(100).max(500).optional(),
      shape: z.enum(['slim', 'usual', 'full']).optional(),
    })
    .optional(),
  numbness: z
    .strictObject({
      toes: z.array(z.number().int().min(1).max(5)).max(5).default([]),
      when: z.enum(['footwear-only', 'after-hours', 'always']).optional(),
      returnsWithinMin: z.number().min(0).max(2000).optional(),
      bothLikeStocking: z.boolean().optional(),
    })
    .optional(),
  marks: z.array(markSchema).max(60).optional(),
})

export type Findings = z.output<typeof findingsSchema>
export type Mark = z.output<typeof markSchema>
