import type { Device } from '../record/schema'
import { sampleGrid } from '../geometry/grid'
import { BODY_AMOUNTS } from '../kinds/body/all'
import { LAYERS } from '../kinds/layers/all'
import type { ShellBody } from './bodySolid'

/** Places where a device needs height, with where they are taken. */
export const SPACE_PLACES = ['heelMm', 'archMm', 'ballMm', 'toesMm'] as const
export type SpacePlace = (typeof SPACE_PLACES)[number]
/** Places where it needs width. */
export const WIDTH_PLACES = ['heelWidthMm', 'waistWidthMm'] as const
export type WidthPlace = (typeof WIDTH_PLACES)[number]
/** What each place is called. */
export const PLACE_NAMES: Record<SpacePlace | WidthPlace, string> = {
  heelMm: 'heel',
  archMm: 'arch',
  ballMm: 'ball',
  toesMm: 'toes',
  heelWidthMm: 'heel width',
  waistWidthMm: 'waist width',
}

/** What lies below or above the shell as sheet, mm by place: of its body, and of its layers. */
function sheetsMm(device: Device): Record<'heel' | 'arch' | 'ball' | 'toes', number> {
  const out = { heel: 0, arch: 0, ball: 0, toes: 0 }
  for (const amount of BODY_AMOUNTS.all)
    for (const [place, mm] of Object.entries(amount.takesMm(device)))
      out[place as keyof typeof out] += mm ?? 0
  for (const layer of device.layers) {
    const { sheet } = LAYERS.of(layer.kind)
    if (!layer.on || !sheet) continue
    const mm = sheet.underBallMm(layer)
    out.ball += mm
    out.toes += mm
    if (sheet.underHeel) {
      out.heel += mm
      out.arch += mm
    }
  }
  return out
}

/**
 * Height a device takes under the foot at four places, mm: floor to the top of its cover, on the
 * middle line (arch: medial quarter). The arch's own height belongs to the foot and is not counted.
 */
export function stackHeights(body: ShellBody, device: Device): Record<SpacePlace, number> {
  const { field } = body.surface
  const L = field.sole.parameters.lengthMm
  const sheets = sheetsMm(device)
  const at = (x: number, y: number) => {
    if (sampleGrid({ ...field, z: body.inside }, x, y) <= 0) return 0
    return (
      sampleGrid({ ...field, z: body.top }, x, y) -
      sampleGrid({ ...field, z: body.shellBottom }, x, y)
    )
  }
  const heelTop = sampleGrid({ ...field, z: body.top }, 0, field.sole.heelCentreY) - body.floorMm
  const ballY = field.sole.headLineY(0)
  return {
    heelMm: heelTop + sheets.heel,
    archMm: at(field.sole.medial(0.42 * L) * 0.5, 0.42 * L) + sheets.arch,
    ballMm: at(0, ballY) + sheets.ball,
    toesMm: sheets.toes,
  }
}

/** Widest of a device at heel (s .05–.25) and waist (s .38–.44), mm, rims and flares included. */
export function deviceWidths({
  surface: { field },
  inside,
}: ShellBody): Record<WidthPlace, number> {
  const L = field.sole.parameters.lengthMm
  const widest = (from: number, to: number) => {
    let most = 0
    for (let row = 0; row < field.rows; row++) {
      const first = row * field.columns
      if (field.y[first]! < from * L || field.y[first]! > to * L) continue
      let cells = 0
      for (let i = first; i < first + field.columns; i++) if (inside[i]! > 0) cells++
      most = Math.max(most, cells * field.stepMm)
    }
    return most
  }
  return { heelWidthMm: widest(0.05, 0.25), waistWidthMm: widest(0.38, 0.44) }
}

/**
 * Room left (+) or missing (−) under the foot, mm: what the footwear gives once its own insole is
 * out, less what the device takes.
 */
export function spaceBudget(
  body: ShellBody,
  device: Device,
  room: Record<SpacePlace, number>,
): Record<SpacePlace, number> {
  const needed = stackHeights(body, device)
  return Object.fromEntries(
    SPACE_PLACES.map((place) => [place, room[place] - needed[place]]),
  ) as Record<SpacePlace, number>
}
