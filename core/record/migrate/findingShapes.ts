import { findingsSchema } from '../../kinds/findings/all'

/** Stored findings as today's kinds keep them: a single number of travel is a single try now. */
export function findingsUnderPresentShapes(findings: unknown): unknown {
  const read = findingsSchema.safeParse(findings)
  return read.success ? read.data : findings
}
