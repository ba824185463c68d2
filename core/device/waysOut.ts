import { layerSchema } from '../kinds/layers/all'
import { parseWith } from '../record/parse'
import type { Device, Foot } from '../record/schema'
import { footField, type FootField } from './footField'
import type { Norms } from '../record/tables'
import { NO_COVER } from '../tables/materials'
import { shellMaterial } from './materialNames'
import type { SoleRows } from './soleParameters'
import { buildShell } from './bodySolid'
import { SPACE_PLACES, stackHeights, type SpacePlace } from './space'
import { buildSurface, postAngleDeg } from './surface'

/**
 * A change that makes room, what it gains, and the device with it; footwear is asked for instead
 * where `device` is null.
 */
export interface WayOut {
  id: string
  words: string
  gainMm: Record<SpacePlace, number>
  device: Device | null
}

/**
 * A post swapped for a skive keeps about its push: a millimetre of skive for every two degrees
 * (house rule of thumb, an estimate).
 */
const SKIVE_MM_PER_DEG = 0.5
const round = (v: number) => Math.round(v * 2) / 2

/**
 * The candidates in the order of what they cost the foot: shape first, then the body, then the
 * cover.
 */
function candidates(
  device: Device,
  rows: Pick<Norms, 'shellMaterials'>,
): { id: string; words: string; device: Device }[] {
  const out: { id: string; words: string; device: Device }[] = []
  const { shell, outline } = device
  const extrinsic = postAngleDeg(device, 'rearfoot', 'extrinsic')
  const inside = (at: 'rearfoot' | 'forefoot') =>
    device.posts.map((p) =>
      p.at === at && p.style === 'extrinsic' ? { ...p, style: 'intrinsic' as const } : p,
    )
  if (extrinsic !== 0)
    out.push({
      id: 'intrinsic',
      words: `Post ${Math.abs(extrinsic)}° intrinsic instead of extrinsic`,
      device: { ...device, posts: inside('rearfoot') },
    })
  if (extrinsic !== 0) {
    const kind = extrinsic > 0 ? ('medialSkive' as const) : ('lateralSkive' as const)
    const there = device.layers.find((l) => l.kind === kind) as { depthMm: number } | undefined
    const depthMm = Math.min(
      6,
      Math.max(2, round((there?.depthMm ?? 0) + Math.abs(extrinsic) * SKIVE_MM_PER_DEG)),
    )
    const layers = [
      ...device.layers.filter((l) => l.kind !== kind),
      parseWith(layerSchema, { kind, depthMm }),
    ]
    out.push({
      id: 'skive',
      words: `${kind === 'medialSkive' ? 'Medial' : 'Lateral'} skive ${depthMm} mm instead of the post`,
      device: {
        ...device,
        layers,
        posts: device.posts.filter((p) => p.at !== 'rearfoot' || p.style !== 'extrinsic'),
      },
    })
  }
  const usual = shellMaterial(shell.material, rows)?.usualMm
  const least = usual?.[0] ?? 2
  if (device.heelLiftMm > 0)
    out.push({
      id: 'lift',
      words: `Heel lift 2 mm lower`,
      device: { ...device, heelLiftMm: Math.max(0, device.heelLiftMm - 2) },
    })
  if ((shell.graded?.heelMm ?? shell.thicknessMm) - 1 >= 1)
    out.push({
      id: 'grind',
      words: 'Grind the underside of the heel by 1 mm',
      device: {
        ...device,
        shell: {
          ...shell,
          graded: { ...shell.graded, heelMm: (shell.graded?.heelMm ?? shell.thicknessMm) - 1 },
        },
      },
    })
  if (shell.thicknessMm - 0.5 >= least)
    out.push({
      id: 'thinner',
      words: `Shell ${shell.thicknessMm - 0.5} mm instead of ${shell.thicknessMm}`,
      device: { ...device, shell: { ...shell, thicknessMm: shell.thicknessMm - 0.5 } },
    })
  if (outline.cover !== 'shell') {
    const cover = outline.cover === 'full' ? ('sulcus' as const) : ('shell' as const)
    out.push({
      id: 'cover',
      words: `Cover ${cover === 'sulcus' ? 'to the sulcus' : 'on the shell only'}`,
      device: { ...device, outline: { ...outline, cover } },
    })
  }
  if (shell.cover.material !== NO_COVER && shell.cover.thicknessMm > 1)
    out.push({
      id: 'thin-cover',
      words: `Cover ${shell.cover.thicknessMm - 1} mm`,
      device: {
        ...device,
        shell: { ...shell, cover: { ...shell.cover, thicknessMm: shell.cover.thicknessMm - 1 } },
      },
    })
  if (shell.base)
    out.push({
      id: 'no-base',
      words: 'Without the base',
      device: { ...device, shell: { ...shell, base: undefined } },
    })
  return out
}

/** Gains smaller than this are no way out, mm. */
const LEAST_GAIN_MM = 0.2

/**
 * Ways to make room where a device is too high for its footwear, each built anew and measured on a
 * 2 mm grid: only those that gain where room is missing, in the order of what they cost; roomier
 * footwear last.
 *
 * @param missing room left (+) or missing (−) by place, mm
 */
export function waysOut(
  foot: Foot,
  device: Device,
  missing: Record<SpacePlace, number>,
  rows: Pick<Norms, 'shellMaterials'> & SoleRows,
  found: FootField | null = footField(foot, rows, 2),
): WayOut[] {
  const short = SPACE_PLACES.filter((place) => missing[place] < 0)
  if (short.length === 0 || !found) return []
  const height = (d: Device) => stackHeights(buildShell(buildSurface(found.field, d), d, rows), d)
  const now = height(device)
  const ways = candidates(device, rows).map((c): WayOut => {
    const then = height(c.device)
    return {
      ...c,
      gainMm: Object.fromEntries(SPACE_PLACES.map((p) => [p, now[p] - then[p]])) as Record<
        SpacePlace,
        number
      >,
    }
  })
  const none = Object.fromEntries(SPACE_PLACES.map((p) => [p, 0])) as Record<SpacePlace, number>
  return [
    ...ways.filter((w) => short.some((p) => w.gainMm[p] >= LEAST_GAIN_MM)),
    { id: 'footwear', words: 'Ask for footwear with more room', gainMm: none, device: null },
  ]
}
