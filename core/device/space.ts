import type { Device } from '../record/schema'
import type { SoleField } from '../geometry/soleField'
import { BODY_AMOUNTS } from '../kinds/body/all'
import { LAYERS } from '../kinds/layers/all'
import type { ShellBody } from './bodySolid'
import { cupFloor } from './cupDepth'
import { floorUnder } from './thinned'

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

/** The ball is looked at so far behind heads 2 and 3, mm. */
const BALL_BEHIND_MM = [5, 40] as const
/** Where the arch is looked at: a share of the length, and half way to the inner border. */
const ARCH_SHARE = 0.42

/**
 * How much higher a foot stands on a device than on the bare floor, mm, at four places, measured on the
 * body as it rests: at the lowest place of the cup, at the arch, at its most behind heads 2 and 3, and under
 * the toes. Lift, posts, pads, base and cover are in; the foot's own arch is not.
 */
export function stackHeights(body: ShellBody, device: Device): Record<SpacePlace, number> {
  const { field } = body.surface
  const { sole } = field
  const L = sole.parameters.lengthMm
  const sheets = sheetsMm(device)
  const floor = floorUnder(field, body.inside, body.bottom) ?? (() => body.floorMm)
  const raisedBy = (i: number) => body.top[i]! - floor(i) - field.z[i]!
  const isUnderBall = ballOf(field)
  const heel = cupFloor(body)
  let ballMm = 0
  for (let i = 0; i < body.top.length; i++)
    if (body.inside[i]! > 0 && isUnderBall(i)) ballMm = Math.max(ballMm, raisedBy(i))
  const archX = sole.medial(ARCH_SHARE * L) / 2
  const arch = cellAt(field, archX, ARCH_SHARE * L)
  return {
    heelMm: (heel === null ? 0 : body.top[heel]! - floor(heel)) + sheets.heel,
    archMm: (body.inside[arch]! > 0 ? raisedBy(arch) : 0) + sheets.arch,
    ballMm: ballMm + sheets.ball,
    toesMm: sheets.toes,
  }
}

/** Cells behind heads 2 and 3, between the rays beside them. */
function ballOf({ sole, x, q }: SoleField): (i: number) => boolean {
  const [first, second, third, fourth] = sole.heads
  const [from, to] = [(third!.x + fourth!.x) / 2, (first!.x + second!.x) / 2]
  const [near, far] = BALL_BEHIND_MM
  return (i) => q[i]! <= -near && q[i]! >= -far && x[i]! >= from && x[i]! <= to
}

/** The cell at a place. */
const cellAt = ({ x0, y0, stepMm, columns }: SoleField, xMm: number, yMm: number): number =>
  Math.floor((yMm - y0) / stepMm) * columns + Math.floor((xMm - x0) / stepMm)

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
