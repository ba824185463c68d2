import { riskOf } from '../examine/risk'
import { isChild } from '../measure/ageAtVisit'
import type { ShopTables } from '../record/tables'
import type { FittingRecord } from '../record/schema'
import type { Wearer } from '../record/stepState'

/**
 * What the skin's limit depends on: a child, feeling or circulation that forbids heat on the foot,
 * the shop's margin.
 */
export function wearerOf(
  record: FittingRecord,
  { skinMarginK }: Pick<ShopTables, 'skinMarginK'>,
): Wearer {
  const child = isChild(record.client, record.visit?.on)
  return {
    child,
    noHeat: riskOf(record).atRisk,
    marginK: skinMarginK[child ? 'child' : 'adult'],
  }
}
