import { deviceNames, withDeviceNamed } from '../device/severalDevices'
import type { FittingRecord } from '../record/schema'
import { contradictionsOf, type Contradiction } from './contradictions'
import { finishedDevices } from './finishedDevices'

/**
 * What contradicts itself in the devices beside the ones that are worked on: each judged with the footwear that it
 * is for, and told with its name. Their bodies are built for it.
 */
export function ofOtherDevices(record: FittingRecord): Contradiction[] {
  const [, ...others] = deviceNames(record)
  return others.flatMap((name) => {
    const seen = withDeviceNamed(record, name)
    return [...contradictionsOf(seen), ...finishedDevices(seen)]
      .filter(({ triggers }) => triggers.some((t) => t.includes('.device')))
      .map((c) => ({
        ...c,
        about: c.about ? `${name}: ${c.about}` : name,
        words: `${name}: ${c.words}`,
      }))
  })
}
