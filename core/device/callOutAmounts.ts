import { parseWith } from '../record/parse'
import { layerSchema, type LayerKind } from '../record/layerSchema'
import type { Device } from '../record/schema'
import { parseNumber } from '../measure/callOut'

/** Amounts of a device and angles that can be called out: `skive 2 / 4`, `post 3 / 4`, `forefoot deg L 4 5`. */
export const AMOUNT_WORDS = {
  skive: { label: 'Medial heel skive', unit: 'mm', range: [0, 40] },
  pad: { label: 'Met pad', unit: 'mm', range: [0, 40] },
  fill: { label: 'Arch fill', unit: 'mm', range: [0, 40] },
  post: { label: 'Rearfoot post', unit: '°', range: [-45, 45] },
  cup: { label: 'Heel cup', unit: 'mm', range: [0, 40] },
  shell: { label: 'Shell thickness', unit: 'mm', range: [0.5, 20] },
  lift: { label: 'Heel lift', unit: 'mm', range: [0, 40] },
  moment: { label: 'Wanted moment', unit: 'N·mm', range: [-3000, 3000] },
} as const
export type AmountWord = keyof typeof AMOUNT_WORDS

export type Sided<W extends string> = { word: W; left: number[]; right: number[] }

/**
 * Numbers for left / right behind one of the given words; null when the line does not begin with one.
 *
 * @example parseSided('skive 2 / 4', ['skive']) // { word: 'skive', left: [2], right: [4] }
 */
export function parseSided<W extends string>(
  line: string,
  words: readonly W[],
): Sided<W> | { refused: string } | null {
  const [first, ...rest] = line.trim().toLowerCase().replace(/\//g, ' / ').split(/\s+/)
  const word = words.find((w) => w === first)
  if (!word) return null
  const out: Sided<W> = { word, left: [], right: [] }
  let side: 'left' | 'right' = 'left'
  let sided = false
  for (const token of rest) {
    if (token === '/' || token === 'r' || token === 'right') [side, sided] = ['right', true]
    else if (token === 'l' || token === 'left') [side, sided] = ['left', true]
    else {
      const value = parseNumber(token.replace('°', ''))
      if (value === null) return { refused: `"${token}" is not a number.` }
      out[side].push(value)
    }
  }
  if (out.left.length + out.right.length > 0 && !sided)
    return { refused: 'Which foot? Say L, R or left / right.' }
  return out
}

/** The device with one called-out amount; a layer that is missing is added, one at 0 is taken off. */
export function withAmount(device: Device, word: AmountWord, value: number): Device {
  const layer = (kind: LayerKind, key: string): Device => {
    const there = device.layers.find((l) => l.kind === kind)
    if (value === 0) return { ...device, layers: device.layers.filter((l) => l.kind !== kind) }
    const next = parseWith(layerSchema, { ...there, kind, on: true, [key]: value })
    return {
      ...device,
      layers: there ? device.layers.map((l) => (l === there ? next : l)) : [...device.layers, next],
    }
  }
  if (word === 'skive') return layer('medialSkive', 'depthMm')
  if (word === 'pad') return layer('metPad', 'heightMm')
  if (word === 'fill') return layer('archFill', 'amountMm')
  if (word === 'cup') return { ...device, outline: { ...device.outline, heelCupMm: value } }
  if (word === 'shell') return { ...device, shell: { ...device.shell, thicknessMm: value } }
  if (word === 'lift') return { ...device, heelLiftMm: value }
  if (word === 'moment') return { ...device, aimNmm: value || undefined }
  const style = device.posts.find((p) => p.at === 'rearfoot')?.style ?? 'extrinsic'
  const others = device.posts.filter((p) => p.at !== 'rearfoot')
  return {
    ...device,
    posts: value === 0 ? others : [...others, { at: 'rearfoot', style, angleDeg: value }],
  }
}
