import { plainDevice, soleFieldOf } from '../device/buildDevice'
import { buildShell } from '../device/bodySolid'
import { blankRefusal } from '../device/blanks'
import { buildSurface } from '../device/surface'
import { LAYERS } from '../kinds/layers/all'
import { normsOf } from '../record/tables'
import { Refusal } from '../record/refusal'
import type { Device, FittingRecord, Foot } from '../record/schema'
import type { Side } from '../tables/vocabulary'
import { calibrationOf } from './calibrate'
import {
  CONTACT_IGNORES,
  notTold,
  CONTACT_LABEL,
  LOADS,
  contactGround,
  contactOnDevice,
  type ContactResult,
  type LoadName,
} from './contact'
import type { PressureRegion } from './pressureRegions'
import { pressureRefusal } from './pressureRefusal'
import { shellGive } from './shellGive'
import { effectOf } from './contactEffect'
import { AXES, type SubtalarAxis } from './subtalarAxis'

/** A block under the heel steadies a shell that would rock without it, whatever its angle. */
const steadies = ({ at, style }: Device['posts'][number]) =>
  at === 'rearfoot' && style === 'extrinsic'

/** A post of no angle: its block stays where it steadies. */
export const levelled = (post: Device['posts'][number]): Device['posts'] =>
  steadies(post) ? [{ ...post, angleDeg: 0, motionDeg: undefined }] : []

/**
 * The device that every change is measured against: the same shell, cover and outline, with only
 * expansion and fills; on the same block under its heel, level.
 */
export const plainOf = (device: Device): Device => ({
  ...device,
  layers: device.layers.filter((l) => LAYERS.of(l.kind).onPlain),
  posts: device.posts.flatMap(levelled),
  balance: { pourDeg: 0 },
  inverted: undefined,
  heelLift: undefined,
  heelLiftMm: 0,
  liftTaperMm: undefined,
})

/** The client's own subtalar axis as palpated; central where it was not. */
export const axisOf = ({ findings }: Foot): SubtalarAxis => ({
  ...AXES[findings?.axis ?? 'central'],
  ...(findings?.axisAngleDeg !== undefined && { deviationDeg: findings.axisAngleDeg }),
})

/** Names of the regions in files. */
const FILE_NAMES: Record<PressureRegion, string> = {
  heelMedial: 'heelMedial',
  heelLateral: 'heelLateral',
  midfootMedial: 'midfootMedial',
  midfootLateral: 'midfootLateral',
  head1: 'met1',
  head2: 'met2',
  head3: 'met3',
  head4: 'met4',
  head5: 'met5',
  toes: 'toes',
}

/** Contact on one surface as a file tells it: shares of 1, peaks in kPa, moment + supination. */
function contactFigures(result: ContactResult, forceN: number) {
  const named = (of: Record<PressureRegion, number>, f: number) =>
    Object.fromEntries(
      Object.entries(FILE_NAMES).map(([key, name]) => [name, of[key as PressureRegion] * f]),
    )
  return {
    forceN,
    peakKPa: Math.max(...Object.values(result.peakKPa)),
    peakAtMm: [result.peakAt.xMm, result.peakAt.yMm],
    peaksKPa: named(result.peakKPa, 1),
    share: named(result.share, 0.01),
    centreOfPressureMm: [result.copMm.x, result.copMm.y],
    subtalarMomentNmm: result.momentNmm,
    subtalarMomentFixedRollNmm: result.momentFixedNmm,
    rollDeg: result.rollDeg,
    pitchDeg: (result.solution.pitchRad * 180) / Math.PI,
    iterations: result.solution.steps,
    ...(result.rest && {
      rest: {
        rollDeg: result.rest.rollDeg,
        pitchDeg: result.rest.pitchDeg,
        rocks: result.rest.rocks,
      },
    }),
    ...(result.flagged && { flagged: 'outside the small-angle range' }),
  }
}

/**
 * Foot of a record on flat floor, on the plain device and on its own. The tissue follows the
 * client's own plate picture where it is set to, the shell gives as its elements say.
 *
 * @param stepMm 2 for estimates
 * @throws Refusal `no-pressure-numbers` where the law does not hold, `no-blank` where the blank that it is
 *   made from is not known, `falls-over`, `no-mass` without a body
 *   weight, `no-length` without a foot length
 */
export function contactReport(
  record: FittingRecord,
  side: Side,
  load: LoadName = 'standing',
  stepMm = 2,
) {
  const foot = record.feet[side] as Foot
  const refused = pressureRefusal(record, side)
  if (refused) throw new Refusal('no-pressure-numbers', refused, `feet.${side}`)
  const noBlank = blankRefusal(foot.device ?? plainDevice())
  if (noBlank) throw new Refusal('no-blank', noBlank, `feet.${side}.device.blank`)
  const massKg = record.client?.massKg
  if (massKg === undefined)
    throw new Refusal(
      'no-mass',
      'client.massKg: the load is reckoned from body weight.',
      'client.massKg',
    )
  const norms = normsOf(record)
  const { field } = soleFieldOf(foot, side, norms, stepMm)
  const tissue = calibrationOf(foot, massKg, norms)
  const ground = contactGround(
    field,
    norms,
    massKg,
    load,
    axisOf(foot),
    foot.footprint?.fitsTissue ? tissue?.stiffer : undefined,
  )
  const own = foot.device ?? plainDevice()
  const body = buildShell(buildSurface(field, own), own, norms)
  const give = shellGive(body, own, norms, massKg)
  const plain = contactOnDevice(ground, plainOf(own), { give: give.byCell })
  const device = contactOnDevice(ground, own, { body, give: give.byCell, start: plain })
  const change = effectOf(plain, device)
  const figures = (r: ContactResult) => contactFigures(r, ground.load.forceN)
  return {
    label: CONTACT_LABEL,
    ignores: [...CONTACT_IGNORES, ...notTold(own)],
    load: LOADS[load].words,
    shellGive: give.from,
    ...(tissue && { tissue: { ...tissue, used: foot.footprint?.fitsTissue === true } }),
    floor: figures(ground.floor),
    plain: figures(plain),
    device: figures(device),
    change: {
      subtalarMomentNmm: change.momentNmm,
      // Where one of them rocks: the least and the most, with the load 5 mm to either side.
      ...(change.momentBetweenNmm && { subtalarMomentBetweenNmm: change.momentBetweenNmm }),
      subtalarMomentFixedRollNmm: change.momentFixedNmm,
    },
  }
}
