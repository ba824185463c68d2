import { FAMILIES } from '../../kinds/families/all'

type Plain = Record<string, unknown>
const isPlain = (value: unknown): value is Plain => typeof value === 'object' && value !== null

/** What every family had before families had their own, mm. */
const ONE_LEAST_ROOM_MM = 4

/**
 * Rows that lie in another table now: the least room before the toes was one number for all footwear and is one
 * a family. A number that the shop had set itself goes to every family.
 */
export function movedRows(stored: Plain): Plain {
  const { outgrownMm } = stored
  if (!isPlain(outgrownMm) || outgrownMm.leastRoomMm === undefined) return stored
  const { leastRoomMm: room, ...rest } = outgrownMm
  const isOwn = room !== ONE_LEAST_ROOM_MM && stored.leastRoomMm === undefined
  return {
    ...stored,
    outgrownMm: rest,
    ...(isOwn && { leastRoomMm: Object.fromEntries(FAMILIES.map((family) => [family, room])) }),
  }
}
