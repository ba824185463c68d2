import type { Band, TargetRow } from '../../tables/footwearTargets'

/** Bands by how tight a client wants the fit. */
export const row = (race: Band, performance: Band, allRound: Band, comfort: Band): TargetRow => ({
  race,
  performance,
  'all-round': allRound,
  comfort,
})

/** One band whatever the client wants: hold does not change with comfort. */
export const same = (band: Band): TargetRow => row(band, band, band, band)

/** Usual bands of widths, heights and girths in rigid shells, mm. */
export const WIDTHS = row([-2, 1], [0, 3], [2, 5], [4, 8])
export const HEIGHTS = row([0, 2], [1, 3], [2, 5], [4, 8])
export const GIRTHS = row([-1, 1], [0, 2], [1, 3], [2, 5])
export const BUMPS = row([-1, 1], [0, 2], [1, 3], [2, 5])
