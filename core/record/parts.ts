import { z } from 'zod'
import {
  captureSchema,
  decisionSchema,
  deviceSchema,
  deviceVersionSchema,
  findingsSchema,
  followupSchema,
  footwearSchema,
  handoverSchema,
  jobSchema,
  labOrderSchema,
  makingSchema,
  readingSchema,
  RECORD_VERSION,
  recordSchema,
  storySchema,
  type Client,
  type FittingRecord,
} from './schema'
import { normsSchema } from './tables'
import { quoteSchema } from './quoteSchema'
import { roundsSchema } from './roundSchema'
import { footprintSchema } from './footprintSchema'
import { SIDES } from '../tables/vocabulary'

/**
 * The record in pieces that are stored, versioned and changed one at a time, so that two people can
 * work on different stations at once.
 */
export const PART_SCHEMAS = {
  visit: recordSchema.shape.visit.unwrap(),
  story: storySchema,
  'readings.left': z.array(readingSchema).max(120),
  'readings.right': z.array(readingSchema).max(120),
  'findings.left': findingsSchema,
  'findings.right': findingsSchema,
  'footprint.left': footprintSchema.nullable(),
  'footprint.right': footprintSchema.nullable(),
  norms: normsSchema,
  'capture.left': captureSchema,
  'capture.right': captureSchema,
  'device.left': deviceSchema.nullable(),
  'device.right': deviceSchema.nullable(),
  'devices.left': z.array(deviceSchema).max(7),
  'devices.right': z.array(deviceSchema).max(7),
  'versions.left': z.array(deviceVersionSchema).max(60),
  'versions.right': z.array(deviceVersionSchema).max(60),
  legLength: recordSchema.shape.legLengthDifferenceMm.unwrap().nullable(),
  footwear: footwearSchema,
  orders: z.array(labOrderSchema).max(40),
  jobs: z.array(jobSchema).max(300),
  making: makingSchema,
  quotes: z.array(quoteSchema).max(30),
  handover: handoverSchema,
  rounds: roundsSchema,
  followups: z.array(followupSchema).max(60),
  ledger: z.array(decisionSchema).max(300),
} as const

export type PartName = keyof typeof PART_SCHEMAS
export type PartContent<P extends PartName> = z.output<(typeof PART_SCHEMAS)[P]>
export type Parts = { [P in PartName]?: PartContent<P> }
export const PART_NAMES = Object.keys(PART_SCHEMAS) as PartName[]

/** Cuts a record into parts; parts the record does not have are absent. */
export function splitRecord(record: FittingRecord): Parts {
  const parts: Parts = {}
  const set = <P extends PartName>(name: P, content: PartContent<P> | undefined) => {
    if (content !== undefined) Object.assign(parts, { [name]: content })
  }
  set('visit', record.visit)
  set('story', record.story)
  for (const side of SIDES) {
    const foot = record.feet[side]
    if (!foot) continue
    set(`readings.${side}`, foot.readings)
    set(`findings.${side}`, foot.findings)
    set(`footprint.${side}`, foot.footprint)
    set(`capture.${side}`, foot.capture)
    set(`device.${side}`, foot.device)
    set(`devices.${side}`, foot.moreDevices)
    set(`versions.${side}`, foot.deviceVersions)
  }
  set('legLength', record.legLengthDifferenceMm)
  set('footwear', record.footwear)
  set('orders', record.orders)
  set('jobs', record.jobs)
  set('making', record.making)
  set('quotes', record.quotes)
  set('handover', record.handover)
  set('rounds', record.rounds)
  set('followups', record.followups)
  set('ledger', record.ledger)
  set('norms', record.norms)
  return parts
}

/** Puts parts back together as a record of both feet. */
export function joinRecord(
  parts: Parts,
  client: Client | undefined,
  shop?: FittingRecord['shop'],
): FittingRecord {
  const foot = (side: 'left' | 'right') => ({
    readings: parts[`readings.${side}`] ?? [],
    ...(parts[`findings.${side}`] && { findings: parts[`findings.${side}`] }),
    ...(parts[`footprint.${side}`] && { footprint: parts[`footprint.${side}`]! }),
    ...(parts[`capture.${side}`] && { capture: parts[`capture.${side}`] }),
    ...(parts[`device.${side}`] && { device: parts[`device.${side}`]! }),
    ...(parts[`devices.${side}`]?.length && { moreDevices: parts[`devices.${side}`]! }),
    ...(parts[`versions.${side}`] && { deviceVersions: parts[`versions.${side}`] }),
  })
  return {
    format: 'gentle-arch/fitting',
    version: RECORD_VERSION,
    ...(shop && { shop }),
    ...(client && { client }),
    ...(parts.visit && { visit: parts.visit }),
    ...(parts.story && { story: parts.story }),
    feet: { left: foot('left'), right: foot('right') },
    ...(parts.legLength && { legLengthDifferenceMm: parts.legLength }),
    ...(parts.footwear && { footwear: parts.footwear }),
    ...(parts.orders && { orders: parts.orders }),
    ...(parts.jobs && { jobs: parts.jobs }),
    ...(parts.making && { making: parts.making }),
    ...(parts.quotes && { quotes: parts.quotes }),
    ...(parts.handover && { handover: parts.handover }),
    ...(parts.rounds && { rounds: parts.rounds }),
    ...(parts.followups && { followups: parts.followups }),
    ...(parts.ledger && { ledger: parts.ledger }),
    ...(parts.norms && { norms: parts.norms }),
  }
}
