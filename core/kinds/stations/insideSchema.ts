import { z } from 'zod'
import { SHELL_MEASURES, type ShellMeasureKey } from './all'

const mm = z.number().min(0).max(1000)

/**
 * Inside of the bare shell (liner out), mm; girths are of the inside, heights are over the boot board. Rooms say
 * how far the wall stands clear of a smooth foot's line at that place: what a bump may fill. Every measure of the
 * stations, each left out where nobody took it.
 */
export const insideSchema = z.strictObject({
  ...(Object.fromEntries(SHELL_MEASURES.map((m) => [m.key, mm.optional()])) as Record<
    ShellMeasureKey,
    z.ZodOptional<typeof mm>
  >),
  /** kept for files that say it; no foot has a reading to compare it with, so nothing is reckoned of it */
  heelDepthMm: mm.optional(),
})
