import { cautionsOf } from '../../advice/cautions'
import { deviceLines } from '../../device/deviceWords'
import { normsOf } from '../../record/tables'
import type { FittingRecord } from '../../record/schema'
import { SIDES } from '../../tables/vocabulary'

/**
 * The prescription of a pair as an open JSON document: code, devices as recorded and in words; no
 * name, no story.
 */
export function prescription(record: FittingRecord, on: string) {
  return {
    format: 'gentle-arch/prescription',
    version: 1,
    on,
    client: { code: record.client?.code ?? null },
    feet: Object.fromEntries(
      SIDES.flatMap((side) =>
        record.feet[side]?.device
          ? [
              [
                side,
                {
                  device: record.feet[side]!.device,
                  words: deviceLines(record.feet[side]!, normsOf(record)),
                },
              ],
            ]
          : [],
      ),
    ),
    cautions: cautionsOf(record).map((c) => c.words),
    notice:
      'Prescribing may be reserved to licensed professions. Local law, licence and standards come first.',
  }
}
