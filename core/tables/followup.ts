import { z } from 'zod'
import { table } from './table'

const days = z.number().min(0).max(1000)

/**
 * Usual growth of the foot by age, mm a month: up to 3, 3 to 6, 6 to 12 years, then until the age
 * at which girls' and boys' feet have stopped.
 */
export const usualGrowth = table({
  name: 'Usual growth of a child’s foot by age',
  unit: 'mm a month; years',
  source: 'house default, drawn towards what was measured on each child',
  state: 'own assumption',
  keptBy: 'fitting',
  schema: z.strictObject({
    under3Mm: z.number().min(0).max(5),
    from3Mm: z.number().min(0).max(5),
    from6Mm: z.number().min(0).max(5),
    from12Mm: z.number().min(0).max(5),
    girlsUntilYears: z.number().min(12).max(25),
    boysUntilYears: z.number().min(12).max(25),
  }),
  house: {
    under3Mm: 1.5,
    from3Mm: 1,
    from6Mm: 0.8,
    from12Mm: 0.5,
    girlsUntilYears: 14,
    boysUntilYears: 16,
  },
})

/**
 * How a child's own lengths and the usual growth are weighed: how sure the usual is (1 SD, mm a
 * month), how sure a length is where the fitter's own error is not known (1 SD, mm), and how many
 * months back count.
 */
export const growthFit = table({
  name: 'Growth: how sure the usual is, how sure a length is, months that count',
  unit: 'mm a month, mm, months',
  source: 'house default',
  state: 'own assumption',
  keptBy: 'fitting',
  schema: z.strictObject({
    usualSdMm: z.number().min(0.01).max(5),
    lengthSdMm: z.number().min(0.1).max(10),
    months: z.number().min(1).max(120),
  }),
  house: { usualSdMm: 0.3, lengthSdMm: 1, months: 18 },
})

/** A mould or device is made again when the foot is this much longer; footwear goes by its family's least room. */
export const outgrownMm = table({
  name: 'Outgrown: device made again when the foot is longer by',
  unit: 'mm',
  source: 'house default',
  state: 'own assumption',
  keptBy: 'fitting',
  schema: z.strictObject({ remakeMm: z.number().min(1).max(50) }),
  house: { remakeMm: 10 },
})

const pace = z.strictObject({
  firstMin: z.number().min(5).max(480),
  addMin: z.number().min(5).max(480),
  everyDays: z.number().int().min(1).max(14),
})

/** Pace of wearing in: minutes on the first day, minutes added, days between two steps up. */
export const wearInPaces = table({
  name: 'Wearing in: first day, added, days between two steps; a full day',
  unit: 'minutes, days',
  source: 'house default',
  state: 'own assumption',
  keptBy: 'fitting',
  schema: z.strictObject({
    usual: pace,
    gentle: pace,
    atRisk: pace,
    fullDayMin: z.number().min(60).max(960),
  }),
  house: {
    usual: { firstMin: 60, addMin: 60, everyDays: 1 },
    gentle: { firstMin: 60, addMin: 60, everyDays: 2 },
    atRisk: { firstMin: 30, addMin: 30, everyDays: 1 },
    fullDayMin: 480,
  },
})

const moment = z.strictObject({ days, from: days })

/** When a client is asked how it goes: days after handover; an answer counts for it from `from` on. */
export const outcomeDays = table({
  name: 'How it goes: asked on day, an answer counts from day',
  unit: 'days after handover',
  source: 'house default',
  state: 'own assumption',
  keptBy: 'fitting',
  schema: z.strictObject({ twoWeeks: moment, sixWeeks: moment, season: moment }),
  house: {
    twoWeeks: { days: 14, from: 7 },
    sixWeeks: { days: 42, from: 28 },
    season: { days: 150, from: 100 },
  },
})

/** What is told so many days ahead, and after how long an unanswered question is let go. */
export const dueDays = table({
  name: 'Due: told so many days ahead; an unanswered question is let go after',
  unit: 'days',
  source: 'house default',
  state: 'own assumption',
  keptBy: 'fitting',
  schema: z.strictObject({
    outcome: days,
    visit: days,
    outgrown: days,
    remake: days,
    guarantee: days,
    /** a quote that nobody answered: before its last day */
    quote: days.default(0),
    /** a lab's promise: before its day */
    lab: days.default(0),
    /** made and not handed over: after the last step */
    uncollected: days.default(7),
    letGo: days,
  }),
  labels: { quote: 'quote unanswered', lab: 'lab late', uncollected: 'made, not collected: after' },
  house: {
    outcome: 7,
    visit: 7,
    outgrown: 60,
    remake: 60,
    guarantee: 30,
    quote: 0,
    lab: 0,
    uncollected: 7,
    letGo: 60,
  },
})
