import { ANGLES, CHOICES, type AngleKey } from '../../../core/kinds/findings/all'
import { FINDING_GROUPS, type FindingGroup } from '../../../core/kinds/findings/definition'

const NAMES: Record<FindingGroup, string> = {
  alignment: 'Alignment',
  range: 'Range',
  stance: 'Stance',
  skin: 'Feeling and skin',
  marks: 'Marks',
}

/** Groups of the examination in the order in which hands go over a foot. */
export const GROUPS = FINDING_GROUPS.map((id) => ({ id, name: NAMES[id] }))

/** The angles that are taken in a group. */
export const anglesOf = (group: FindingGroup): AngleKey[] =>
  ANGLES.all.filter((angle) => angle.group === group).map(({ kind }) => kind)

/** The findings of a group that are one word out of a few. */
export const choicesOf = (group: FindingGroup) =>
  CHOICES.all.filter((choice) => choice.group === group)
