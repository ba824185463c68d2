import type { Device } from '../record/schema'
import { sampleGrid } from '../geometry/grid'
import type { ShellBody } from './shell'

/** Places where a device needs height, with where they are taken. */
export const SPACE_PLACES = ['heelMm', 'archMm', 'ballMm', 'toesMm'] as const
export type SpacePlace = (typeof SPACE_PLACES)[number]

/** Height a device takes under the foot at four places, mm: floor to the top of its cover, on the middle line (arch: medial quarter). */
export function stackHeights(body: ShellBody, device: Device): Record<SpacePlace, number> {
  const { field } = body.surface
  const L = field.sole.parameters.lengthMm
  const cover = device.shell.cover.material === 'none' ? 0 : device.shell.cover.thicknessMm
  /** thickness of shell and post at a point, mm; the arch's own height belongs to the foot and is not counted */
  const at = (x: number, y: number) => {
    if (sampleGrid({ ...field, z: body.inside }, x, y) <= 0) return 0
    return sampleGrid({ ...field, z: body.top }, x, y) - sampleGrid({ ...field, z: body.shellBottom }, x, y)
  }
  const heelTop = sampleGrid({ ...field, z: body.top }, 0, field.sole.heelCentreY) - body.floorMm
  const ballY = field.sole.headLineY(0)
  return {
    heelMm: heelTop + cover,
    archMm: at(field.sole.medial(0.42 * L) * 0.5, 0.42 * L) + cover,
    ballMm: at(0, ballY) + (device.outline.cover === 'shell' && device.outline.distal.behindHeadsMm >= 0 ? 0 : cover),
    toesMm: device.outline.cover === 'full' ? cover : 0,
  }
}

/** Room left (+) or missing (−) under the foot, mm: what the footwear gives once its own insole is out, less what the device takes. */
export function spaceBudget(body: ShellBody, device: Device, room: Record<SpacePlace, number>): Record<SpacePlace, number> {
  const needed = stackHeights(body, device)
  return Object.fromEntries(SPACE_PLACES.map((place) => [place, room[place] - needed[place]])) as Record<SpacePlace, number>
}
