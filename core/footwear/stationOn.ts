import { STATION_KINDS, type Station } from '../kinds/stations/all'
import type { StandingFoot } from '../kinds/stations/definition'
import type { FootwearModel } from './catalogueSchema'

/**
 * The station that something at a place of a foot is judged by on a model: a bump where the shell
 * states the room for it and the foot has one there, else the station that takes it in.
 *
 * For instance `stationOn(a shell without firstMetRoomMm, foot, 'firstMet')` is 'ball'
 */
export function stationOn(
  { at }: Pick<FootwearModel, 'at'>,
  foot: StandingFoot,
  station: Station,
): Station {
  const { instead, shell, foot: measureOf } = STATION_KINDS.of(station)
  const isJudged = at[shell.key] !== undefined && measureOf(foot) !== undefined
  return instead && !isJudged ? instead : station
}

const BUMPS = STATION_KINDS.all.filter((s) => s.instead)

/** Bumps that a model states room for, as one word: models with the same are judged alike. */
export const statedBumps = ({ at }: Pick<FootwearModel, 'at'>): string =>
  BUMPS.filter((s) => at[s.shell.key] !== undefined)
    .map((s) => s.kind)
    .join(' ')
