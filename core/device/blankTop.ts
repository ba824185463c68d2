import type { SoleField } from '../geometry/soleField'
import { smoothstep as S } from '../geometry/smoothstep'
import type { Device } from '../record/schema'
import { isBlankKind, type BlankShape } from '../tables/blanks'
import { archBand, createSole, FIRST_HEAD_SHARE, navicularOfArch, OUTLINE_FOR } from './sole'

/** In front a blank is level with the heads that lie in it: it has no hollows for them. */
const FRONT_DROP_MM = 2.5

/**
 * Heights of a blank as it comes off the shelf, at every cell of a foot that lies on it with its heel in the
 * cup: the house's sole with the blank's own arch, arch length and heel, level in front (house model).
 */
function offTheShelf(field: SoleField, shape: BlankShape): { z: Float64Array; s: Float64Array } {
  const sole = createSole(
    {
      lengthMm: shape.archLengthMm / FIRST_HEAD_SHARE,
      heelWidthMm: shape.heelWidthMm,
      forefootWidthMm: (shape.heelWidthMm * OUTLINE_FOR.forefootMm) / OUTLINE_FOR.heelMm,
      navicularHeightMm: navicularOfArch(shape.archHeightMm),
      forefootDeg: 0,
      castDeg: 0,
      secondToeLeadMm: 0,
      lateralArchMm: 2.2,
    },
    undefined,
    false,
  )
  const s = new Float64Array(field.z.length)
  const z = field.z.map((_, i) => {
    const [x, y] = [field.x[i]!, field.y[i]!]
    const place = sole.place(x, y)
    s[i] = place.s
    return sole.height(x, y) - FRONT_DROP_MM * S(place.q, -45, -8)
  })
  return { z, s }
}

/** A blank on a foot's grid: as it comes, and as heat can bring it towards the foot, mm. */
export interface BlankTop {
  raw: Float64Array
  moulded: Float64Array
}

const RECENT = new WeakMap<SoleField, Map<string, BlankTop>>()
const MOST_RECENT = 4

/**
 * The top of the blank that a device is made from, in the foot's own frame. Heat brings it towards the foot
 * only as far as the blank's row says: most at the top of the arch, least at the wall of the cup.
 *
 * @returns null for devices that are made to the foot, and where the blank's shape is not known
 */
export function blankTop(field: SoleField, { kind, blank }: Device): BlankTop | null {
  if (!isBlankKind(kind) || !blank?.shape) return null
  const known = RECENT.get(field) ?? new Map<string, BlankTop>()
  RECENT.set(field, known)
  const key = JSON.stringify([kind, blank.shape])
  const found = known.get(key) ?? shaped(field, kind, blank.shape)
  known.set(key, found)
  if (known.size > MOST_RECENT) known.delete(known.keys().next().value!)
  return found
}

function shaped(field: SoleField, kind: Device['kind'], shape: BlankShape): BlankTop {
  const { z: raw, s } = offTheShelf(field, shape)
  const { moulds } = shape
  if (kind !== 'heat-moulded' || !moulds) return { raw, moulded: raw }
  const moulded = raw.map((z, i) => {
    const band = archBand(s[i]!)
    const most = (atArch: number) => moulds.wallMm + (atArch - moulds.wallMm) * band
    const wanted = field.z[i]! - z
    return z + Math.min(most(moulds.archUpMm), Math.max(-most(moulds.archDownMm), wanted))
  })
  return { raw, moulded }
}

/** How a blank lies under a foot, mm: + where the blank is higher or its arch further forward. */
export interface BlankMisfit {
  archHeightMm: number
  archLengthMm: number
  /** how far heat moves it, most up and most down */
  mouldedUpMm: number
  mouldedDownMm: number
  /** what is left under the arch when it is made: most over the foot, and most below it */
  overMm: number
  underMm: number
}

/** Where the arch is looked at: between these shares of the foot's length, so far in from the outer border. */
const LOOKED = { from: 0.22, to: 0.64, inward: 0.8 }

/**
 * Misfit of the blank's arch in height and length, before and after moulding, along the inner side of the
 * foot's arch. Null where the device is from no known blank.
 */
export function blankMisfit(field: SoleField, device: Device): BlankMisfit | null {
  const top = blankTop(field, device)
  if (!top) return null
  const L = field.sole.parameters.lengthMm
  const highest = { foot: { z: -Infinity, y: 0 }, raw: { z: -Infinity, y: 0 } }
  const most = { mouldedUpMm: 0, mouldedDownMm: 0, overMm: 0, underMm: 0 }
  for (let row = 0; row < field.rows; row++) {
    const y = field.y[row * field.columns]!
    if (y < LOOKED.from * L || y > LOOKED.to * L) continue
    const [lateral, medial] = [field.sole.lateral(y), field.sole.medial(y)]
    const x = lateral + LOOKED.inward * (medial - lateral)
    const i = row * field.columns + Math.floor((x - field.x0) / field.stepMm)
    const heights = { foot: field.z[i]!, raw: top.raw[i]! }
    for (const key of ['foot', 'raw'] as const)
      if (heights[key] > highest[key].z) highest[key] = { z: heights[key], y }
    const moved = top.moulded[i]! - heights.raw
    const left = top.moulded[i]! - heights.foot
    most.mouldedUpMm = Math.max(most.mouldedUpMm, moved)
    most.mouldedDownMm = Math.max(most.mouldedDownMm, -moved)
    most.overMm = Math.max(most.overMm, left)
    most.underMm = Math.max(most.underMm, -left)
  }
  return {
    archHeightMm: highest.raw.z - highest.foot.z,
    archLengthMm: highest.raw.y - highest.foot.y,
    ...most,
  }
}
