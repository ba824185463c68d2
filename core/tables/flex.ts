import { z } from 'zod'
import { rowTable, table } from './table'

const note = {
  unit: 'steps',
  state: 'own assumption',
  keptBy: 'fitting',
} as const
const steps = z.number().min(-10).max(10)
const point = z.tuple([z.number(), z.number().min(1).max(10)])

/** A maker's flex numbers tied to the shop's own scale of 1 to 10, by maker: [index, step]. */
export const flexPoints = table({
  ...note,
  name: 'Makers’ flex numbers on the own scale',
  source: 'tried here',
  schema: z.record(z.string().max(80), z.array(point).max(20)),
  house: {},
})

/** What each thing adds to the advised stiffness of a cuff. */
export const flexAdvice = table({
  ...note,
  name: 'Stiffness of a cuff: middle step, and what weight, height, ability, force, ankle and cold add',
  source: 'house default, an estimate',
  schema: z.strictObject({
    middle: z.number().min(1).max(10),
    atKg: z.number(),
    perTenKg: steps,
    atMm: z.number(),
    perHundredMm: steps,
    ability: z.strictObject({ beginner: steps, able: steps, strong: steps, expert: steps }),
    force: z.strictObject({ light: steps, usual: steps, hard: steps }),
    littleAnkleDeg: z.number().min(0).max(45),
    littleAnkle: steps,
    cold: steps,
    /** where a maker has no points of its own */
    line: z.array(point).min(2).max(20),
  }),
  house: {
    middle: 5,
    atKg: 75,
    perTenKg: 0.8,
    atMm: 1750,
    perHundredMm: 0.3,
    ability: { beginner: -2, able: -0.5, strong: 1, expert: 2 },
    force: { light: -1, usual: 0, hard: 1 },
    littleAnkleDeg: 10,
    littleAnkle: -1,
    cold: -0.5,
    line: [
      [60, 2],
      [130, 9],
    ],
  },
})

const degrees = z.number().min(-10).max(10)

/** What a ground asks of a cuff; the rows stand with the activities. */
export const cuffOnRows = rowTable({
  name: 'What a ground asks of a cuff: steps of stiffness, degrees of lean',
  unit: 'steps, °',
  source: 'house default, an estimate',
  state: 'own assumption',
  keptBy: 'fitting',
  row: z.strictObject({ steps, leanDeg: degrees }),
})

/** What each thing adds to the advised lean of a cuff; body weight moves stiffness, not lean. */
export const leanAdvice = table({
  name: 'Lean of a cuff: middle, and what height, ability and force add; never less or more than',
  unit: '°',
  source: 'house default, an estimate',
  state: 'own assumption',
  keptBy: 'fitting',
  schema: z
    .strictObject({
      middleDeg: z.number().min(0).max(30),
      leastDeg: z.number().min(0).max(30),
      mostDeg: z.number().min(0).max(30),
      atMm: z.number().min(1000).max(2200),
      perHundredMm: degrees,
      ability: z.strictObject({
        beginner: degrees,
        able: degrees,
        strong: degrees,
        expert: degrees,
      }),
      force: z.strictObject({ light: degrees, usual: degrees, hard: degrees }),
    })
    .refine((row) => row.leastDeg <= row.mostDeg, 'the least lean must not be above the most'),
  house: {
    middleDeg: 13,
    leastDeg: 8,
    mostDeg: 19,
    atMm: 1750,
    perHundredMm: 0.5,
    ability: { beginner: -1.5, able: 0, strong: 0.5, expert: 1 },
    force: { light: -0.5, usual: 0, hard: 0.5 },
  },
})
