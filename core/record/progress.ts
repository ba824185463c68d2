import type { PartName } from './parts'

/** Parts whose presence means that a station holds something, station 1 first. */
const PARTS_BY_STATION: readonly (readonly PartName[])[] = [
  ['story'],
  ['readings.left', 'readings.right'],
  ['findings.left', 'findings.right'],
  ['capture.left', 'capture.right'],
  ['device.left', 'device.right'],
  ['footwear'],
  ['jobs'],
  ['handover'],
  ['followups'],
]

/** Numbers of the stations that hold something. */
export function stationsDone(has: (part: PartName) => boolean, footwearChosen: boolean): number[] {
  return PARTS_BY_STATION.flatMap((parts, i) =>
    (i === 5 ? footwearChosen : parts.some(has)) ? [i + 1] : [],
  )
}
