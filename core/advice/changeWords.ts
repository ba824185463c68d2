import { deviceKindWords } from '../device/deviceWords'
import { materialName, type MaterialRows } from '../device/materialNames'
import { FOOTWEAR_ASKS } from '../kinds/footwearAsks'
import { unitBehind } from '../kinds/layers/amountRule'
import { LAYERS } from '../kinds/layers/all'
import type { Change } from './entry'

const MM = /Mm$/
const SHELL_WORDS: Record<string, string> = {
  material: 'shell of',
  thicknessMm: 'shell',
  heelCupMm: 'heel cup',
  coverMaterial: 'cover of',
  coverMm: 'cover',
}
/** What an accepted entry does, in one line for the record; null when it changes nothing. */
export function changeWords(change: Change | null, rows: MaterialRows): string | null {
  if (!change) return null
  if ('layer' in change) {
    const { name, amounts } = LAYERS.of(change.layer)
    const [{ key, unit }] = amounts
    const amount = change.amounts[key]
    return `${name.toLowerCase()}${amount === undefined ? '' : ` ${String(amount).replace('-', '−')}${unitBehind(unit)}`}`
  }
  if ('post' in change)
    return `${change.post.at} post ${Math.abs(change.post.angleDeg)}° ${change.post.angleDeg > 0 ? 'varus' : 'valgus'}`
  if ('heelLiftMm' in change)
    return `heel lift ${change.heelLiftMm} mm${change.overOther ? ' over the other' : change.onBoth ? ' under both' : ''}`
  if ('device' in change) return deviceKindWords(change.device).toLowerCase()
  if ('shell' in change)
    return Object.entries(change.shell)
      .map(
        ([key, value]) =>
          `${SHELL_WORDS[key]} ${MM.test(key) ? `${value} mm` : materialName(String(value), rows).toLowerCase()}`,
      )
      .join(', ')
  if ('footwear' in change) return FOOTWEAR_ASKS.of(change.footwear).name
  if ('exercise' in change) return change.exercise
  if ('capture' in change) return 'capture again'
  return 'refer' in change ? 'referred' : null
}
