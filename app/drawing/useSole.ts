import { computed, type ComputedRef } from 'vue'
import { soleParameters } from '../../core/device/soleParameters'
import type { SoleParameters } from '../../core/geometry/soleField'
import { normsOf } from '../../core/record/tables'
import type { FittingRecord } from '../../core/record/schema'
import type { Side } from '../../core/tables/vocabulary'
import { drawSole } from './footDrawing'

/** A foot nobody has measured yet: drawn lightly, so that there is a place to point at. */
const UNMEASURED: SoleParameters = {
  lengthMm: 262,
  forefootWidthMm: 98,
  heelWidthMm: 64,
  navicularHeightMm: 44,
  forefootDeg: 0,
  castDeg: 0,
  secondToeLeadMm: -3,
  lateralArchMm: 2.2,
}

/**
 * The sole drawing of one foot of a record; follows its readings. `measured` is false for the
 * stand-in shape.
 */
export function useSole(
  record: () => FittingRecord,
  side: Side,
): ComputedRef<ReturnType<typeof drawSole> & { measured: boolean; parameters: SoleParameters }> {
  const key = computed(() =>
    JSON.stringify(soleParameters(record().feet[side]!, normsOf(record()))?.parameters ?? null),
  )
  return computed(() => {
    const found = JSON.parse(key.value) as SoleParameters | null
    const parameters = found ?? UNMEASURED
    return { ...drawSole(side, parameters), measured: found !== null, parameters }
  })
}
