import { BODY_AMOUNTS } from '../kinds/body/all'
import type { AmountRule } from '../kinds/layers/amountRule'
import { LAYERS, layerSchema, type LayerKind } from '../kinds/layers/all'
import { POSTS } from '../kinds/posts/all'
import { parseNumber } from '../measure/parseNumber'
import { parseWith } from '../record/parse'
import type { Device } from '../record/schema'

/** An amount of a device that can be called out, and the device with it. */
export interface CalledAmount {
  word: string
  label: string
  unit: AmountRule['unit'] | 'N·mm'
  range: readonly [number, number]
  put: (device: Device, value: number) => Device
}

/** The device with a layer's main amount; a layer that is missing is added, one at 0 is taken off. */
const layerPut =
  (kind: LayerKind, key: string) =>
  (device: Device, value: number): Device => {
    const there = device.layers.find((l) => l.kind === kind)
    if (value === 0) return { ...device, layers: device.layers.filter((l) => l.kind !== kind) }
    const next = parseWith(layerSchema, { ...there, kind, on: true, [key]: value })
    return {
      ...device,
      layers: there ? device.layers.map((l) => (l === there ? next : l)) : [...device.layers, next],
    }
  }

/** The device with the angle of a post; its style stays, a post of 0° is taken off. */
const postPut =
  (at: 'rearfoot' | 'forefoot') =>
  (device: Device, angleDeg: number): Device => {
    const there = device.posts.find((p) => p.at === at)
    const others = device.posts.filter((p) => p.at !== at)
    const next = { style: 'extrinsic' as const, ...there, at, angleDeg }
    return { ...device, posts: angleDeg === 0 ? others : [...others, next] }
  }

/** Every amount that can be called out: of layers, of the body, of posts. */
const CALLED_AMOUNTS: readonly CalledAmount[] = [
  ...LAYERS.all.map((d): CalledAmount => {
    const [main] = d.amounts
    return {
      word: d.call,
      label: d.name,
      unit: main.unit,
      range: main.range,
      put: layerPut(d.kind, main.key),
    }
  }),
  ...BODY_AMOUNTS.all.flatMap((d): CalledAmount[] =>
    d.call === null
      ? []
      : [{ word: d.call, label: d.full, unit: d.unit, range: d.range, put: d.write }],
  ),
  ...POSTS.all.flatMap((d, i, all): CalledAmount[] =>
    all.findIndex((other) => other.call === d.call) < i
      ? []
      : [
          {
            word: d.call,
            label: d.name,
            unit: '°',
            range: d.amounts[0].range,
            put: postPut(d.at),
          },
        ],
  ),
]

/** The words amounts are called out by. */
export const AMOUNT_CALLS: readonly string[] = CALLED_AMOUNTS.map((amount) => amount.word)

export const amountOfCall = (word: string): CalledAmount | undefined =>
  CALLED_AMOUNTS.find((amount) => amount.word === word)

export interface Sided {
  word: string
  left: number[]
  right: number[]
}

/**
 * Numbers for left / right behind one of the given words; null when the line does not begin with
 * one.
 *
 * @example parseSided('skive 2 / 4', ['skive']) // { word: 'skive', left: [2], right: [4] }
 */
export function parseSided(
  line: string,
  words: readonly string[],
): Sided | { refused: string } | null {
  const [first, ...rest] = line.trim().toLowerCase().replace(/\//g, ' / ').split(/\s+/)
  const word = words.find((w) => w === first)
  if (!word) return null
  const out: Sided = { word, left: [], right: [] }
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

/**
 * The device with one called-out amount.
 *
 * @throws RangeError for a word that calls no amount
 */
export function withAmount(device: Device, word: string, value: number): Device {
  const called = amountOfCall(word)
  if (!called) throw new RangeError(`"${word}" calls no amount of a device`)
  return called.put(device, value)
}
