import { plainDevice, soleFieldOf } from '../device/buildDevice'
import { buildShell } from '../device/bodySolid'
import { blankRefusal } from '../device/blanks'
import { buildSurface } from '../device/surface'
import { normsOf } from '../record/tables'
import { Refusal } from '../record/refusal'
import type { FittingRecord } from '../record/schema'
import type { Side } from '../tables/vocabulary'
import { calibrationOf } from './calibrate'
import { CONTACT_IGNORES, CONTACT_LABEL, contactGround } from './contact'
import { axisOf } from './contactReport'
import { deviceEffects } from './deviceEffects'
import { cellWords, effectCells, lateralByDirection } from './effectCells'
import { twoDigits } from './effectSteps'
import { surelyNmm } from './contactEffect'
import { overPush } from './overPush'
import { pressureRefusal } from './pressureRefusal'
import { SHELL_IGNORES, SHELL_LABEL } from './plate/archStiffness'
import { comfortOf, forceOf } from './plate/comfort'
import { USUAL_KG } from './plate/shellReport'
import { shellGive } from './shellGive'

/** What goes under every paper with estimates. */
export const ESTIMATE_NOTES: readonly string[] = [
  `Pressure and moment: ${CONTACT_LABEL} It leaves out ${CONTACT_IGNORES.join(', ')}.`,
  `Shell: ${SHELL_LABEL} It leaves out ${SHELL_IGNORES.join(', ')}.`,
]

const STEP_MM = 2

/** How stiff an arch is, how that feels and how much of its limit it takes. */
function archWords(
  arch: NonNullable<ReturnType<typeof shellGive>['arch']>,
  record: FittingRecord,
  norms: ReturnType<typeof normsOf>,
): string {
  const { archStiffnessNPerMm, forceN, utilisationPercent } = arch
  const feel = comfortOf(archStiffnessNPerMm, forceN, forceOf(record), norms).class
  const stress =
    utilisationPercent === null
      ? ''
      : `; stress about ${twoDigits(utilisationPercent)} % of its limit`
  return `Shell, estimate: arch about ${twoDigits(archStiffnessNPerMm)} N/mm, ${feel}${stress}.`
}

/**
 * Estimates of one foot's device for paper: what it does against a plain device, whether it pushes
 * harder than wanted, how its shell feels. Where no estimate may be given, the sentence why.
 */
export function estimateLines(record: FittingRecord, side: Side): string[] {
  const foot = record.feet[side]
  if (!foot?.device || foot.device.kind === 'none') return []
  const noBlank = blankRefusal(foot.device)
  if (noBlank) return [`No estimate: ${noBlank}`]
  const norms = normsOf(record)
  const massKg = record.client?.massKg ?? USUAL_KG
  try {
    const { field } = soleFieldOf(foot, side, norms, STEP_MM)
    const device = foot.device ?? plainDevice()
    const give = shellGive(
      buildShell(buildSurface(field, device), device, norms),
      device,
      norms,
      massKg,
    )
    const shell = give.arch
      ? [archWords(give.arch, record, norms)]
      : [`Shell, estimate: ${give.from}.`]
    const refused = pressureRefusal(record, side)
    if (refused) return [`Pressure: ${refused}`, ...shell]
    if (record.client?.massKg === undefined)
      return ['Pressure: not estimated, body weight is missing.', ...shell]
    const tissue = foot.footprint?.fitsTissue
      ? calibrationOf(foot, massKg, norms)?.stiffer
      : undefined
    const { change } = deviceEffects(
      contactGround(field, norms, massKg, 'standing', axisOf(foot), tissue),
      device,
      give.byCell,
    )
    const cells = effectCells(change, { lateralByDirection: lateralByDirection(device) })
    const shown = cells.filter((c) => c.step.step > 0 && c.key !== 'moment')
    const moment = cells.find((c) => c.key === 'moment')!
    const wanted = device.aimNmm ? `; wanted ${device.aimNmm} N·mm` : ''
    // With a wanted moment the contradictions say it.
    const push = device.aimNmm ? null : overPush(surelyNmm(change), undefined, norms.pushMostNmm)
    return [
      `Against a plain device, standing, estimate: ${shown.length ? shown.map(cellWords).join('; ') : 'load as before'}.`,
      `${cellWords(moment)}, estimate: ${change.momentBetweenNmm ? '' : 'about '}${moment.told}${wanted}.`,
      ...(push ? [`Watch: ${push.words}`] : []),
      ...shell,
    ]
  } catch (error) {
    if (error instanceof Refusal) return [`No estimate: ${error.message}`]
    throw error
  }
}
