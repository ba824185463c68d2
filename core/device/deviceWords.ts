import { BODY_AMOUNTS } from '../kinds/body/all'
import { said, SHEET_LINES, type SheetLine } from '../kinds/body/definition'
import { LAYERS, type Layer } from '../kinds/layers/all'
import { unitBehind } from '../kinds/layers/amountRule'
import { amountOf, mainRule } from '../kinds/layers/amount'
import { postKind } from '../kinds/posts/all'
import { bestMean } from '../measure/reading'
import type { Device, Foot, Post } from '../record/schema'
import { NO_COVER } from '../tables/materials'
import { WAYS } from '../capture/ways'
import { CORRECTIONS } from './castCorrections'
import { usesCaptured } from './footField'
import { madeOf } from './shellMaking'
import { SCHOOL_NAMES } from '../tables/vocabulary'
import { materialName, type MaterialRows } from './materialNames'
import { isStabilised } from './blocks'
import { postHeightMm } from './sizeSense'
import { soleParameters, type SoleRows } from './soleParameters'

const KIND_WORDS = {
  none: 'No device',
  'trim-to-fit': 'Trim-to-fit insert',
  'heat-moulded': 'Heat-moulded blank',
  'full-custom': 'Full custom',
} as const

/** How far cover and base reach, in words. */
export const REACH_WORDS = {
  shell: 'shell only',
  sulcus: 'to the sulcus',
  full: 'full length',
} as const

/** The kind of a device as the bench says it. */
export const deviceKindWords = (kind: Device['kind']): string => KIND_WORDS[kind]

/**
 * A layer with all its numbers, as the bench reads it.
 *
 * For instance `layerWords(metPad)` is 'Met pad: height 4 mm, behind the heads 8 mm'
 */
export function layerWords(layer: Layer, forefootDeg = 0): string {
  const definition = LAYERS.of(layer.kind)
  const numbers = definition.amounts.map(
    (rule) =>
      `${rule.label} ${said(amountOf(layer, rule.key, forefootDeg))}${unitBehind(rule.unit)}`,
  )
  return `${layer.name ?? definition.name}: ${[...numbers, ...definition.more(layer)].join(', ')}`
}

/** Is a layer anything? One that is switched off, or of nothing, is on no paper. */
export const isAnything = (layer: Layer): boolean =>
  layer.on && (layer as unknown as Record<string, unknown>)[mainRule(layer).key] !== 0

/**
 * Where the trim line was moved by hand.
 *
 * @example pointWords([{ edge: 'medial', s: 0.4, mm: 3 }]) // 'inner at 40 % +3 mm'
 */
export const pointWords = (points: Device['outline']['points']): string =>
  (points ?? [])
    .filter((p) => p.mm !== 0)
    .map(
      (p) =>
        `${p.edge === 'medial' ? 'inner' : 'outer'} at ${Math.round(100 * p.s)} % ${p.mm > 0 ? '+' : '−'}${said(Math.abs(p.mm))} mm`,
    )
    .join(', ')

/** What a block is besides its angle: which half, of what, and whether it is a piece of its own. */
export const blockWords = (post: Post, rows: MaterialRows): string[] =>
  post.style === 'intrinsic'
    ? []
    : [
        ...(post.half && post.half !== 'whole' ? [`${post.half} half`] : []),
        ...(post.material ? [materialName(post.material, rows)] : []),
        ...(post.shoreA ? [`Shore A ${said(post.shoreA)}`] : []),
        ...(post.glued ? ['glued on'] : []),
      ]

/** Does a post do anything? One of 0° is a flat block under the heel, and nothing elsewhere. */
export const isBuilt = (post: Post): boolean =>
  post.angleDeg !== 0 || (post.at === 'rearfoot' && post.style === 'extrinsic')

/**
 * A post as the bench reads it.
 *
 * @param widthMm of the heel or forefoot it stands under; undefined where nobody measured it
 * For instance `postWords({ at: 'rearfoot', style: 'extrinsic', angleDeg: 4 }, 65)` is 'Rearfoot post 4°
 *   varus, extrinsic, 4.5 mm across'
 */
function postWords(post: Post, widthMm: number | undefined, rows: MaterialRows): string {
  const definition = postKind(post)
  const more = [
    ...definition.amounts.flatMap((amount) => amount.sheet(post) ?? []),
    ...blockWords(post, rows),
  ]
  const height =
    widthMm === undefined ? [] : [`${said(postHeightMm(post.angleDeg, widthMm))} mm across`]
  if (post.angleDeg === 0) return [`${definition.name} flat, 0°`, post.style, ...more].join(', ')
  const angle = `${said(Math.abs(post.angleDeg))}° ${post.angleDeg > 0 ? 'varus' : 'valgus'}`
  return [`${definition.name} ${angle}`, post.style, ...height, ...more].join(', ')
}

/** What the body's amounts say in one line of the sheet. */
const spoken = (device: Device, line: SheetLine): string[] =>
  BODY_AMOUNTS.all.flatMap((amount) =>
    amount.sheet?.line === line ? (amount.sheet.words(device) ?? []) : [],
  )

/** Lines of the body by what they are about; a line with nothing to say is empty. */
function bodyLine(device: Device, line: SheetLine, rows: MaterialRows): string {
  const words = spoken(device, line)
  const { shell, outline } = device
  switch (line) {
    case 'shell': {
      const [thickness, ...graded] = words
      return `Shell: ${materialName(shell.material, rows)}, ${thickness}${graded.length ? ` (${graded.join(', ')})` : ''}`
    }
    case 'cup':
      return words.join('; ')
    case 'base':
      return words.length && shell.base
        ? `Base: ${[materialName(shell.base.material, rows), ...words, REACH_WORDS[shell.base.reach]].join(', ')}`
        : ''
    case 'cover':
      return shell.cover.material === NO_COVER || shell.cover.thicknessMm === 0
        ? 'No cover'
        : `Cover: ${[materialName(shell.cover.material, rows), ...words, REACH_WORDS[outline.cover]].join(', ')}`
    default:
      return words.join(', ')
  }
}

/** Lines of the body that come before layers and posts; the others come after them. */
const FIRST: readonly SheetLine[] = ['shell', 'cup', 'tops', 'cast']

/** How the shell is made, as the bench says it. */
const MADE_WORDS = {
  pressed: 'pressed over a positive',
  printed: 'printed',
  milled: 'milled from a block',
  blank: 'as the blank comes',
} as const
const madeWords = (device: Device, rows: MaterialRows): string =>
  MADE_WORDS[madeOf(device, rows).way]

/** The reason that a part came from, as Why names it. */
const becauseWords = ({ because }: { because?: string | undefined }): string =>
  because ? ` (because of ${because.split('/')[0]!.replaceAll('-', ' ')})` : ''

/** Parts of the body whose reason a line of the sheet tells. */
const REASON_OF: Partial<Record<SheetLine, keyof NonNullable<Device['because']>>> = {
  shell: 'shell',
  cup: 'heelCup',
  cover: 'cover',
  lift: 'heelLift',
}
const reasonOf = ({ because }: Device, line: SheetLine): string | undefined => {
  const part = REASON_OF[line]
  return part && because?.[part]
}

/** What the device is built on: way of capture and its corrections, or the readings. */
function surfaceWords(foot: Foot): string {
  const { capture } = foot
  if (!usesCaptured(foot) || !capture) return 'Surface: from the readings'
  const corrections = (capture.corrections ?? [])
    .filter((c) => c.on && c.amountMm > 0)
    .map((c) => `${CORRECTIONS[c.kind].name.toLowerCase()} ${said(c.amountMm)} mm`)
  return `Surface: ${WAYS[capture.way].name.toLowerCase()}${corrections.length ? `, ${corrections.join(', ')}` : ''}`
}

/**
 * The prescription of one foot, line by line, for ticket and ledger: shell, cup, layers, posts,
 * lift, base, cover.
 */
export function deviceLines(foot: Foot, rows: SoleRows & MaterialRows): string[] {
  const { device } = foot
  if (!device || device.kind === 'none') return ['No device for this foot']
  const forefootDeg = soleParameters(foot, rows)?.parameters.forefootDeg ?? 0
  const width = (post: Post) =>
    bestMean(foot, postKind(post).over === 'heel' ? 'heelWidthMm' : 'forefootWidthMm', 'standing')
  const points = pointWords(device.outline.points)
  const body = (lines: readonly SheetLine[]) =>
    lines
      .map((line) => [line, bodyLine(device, line, rows)] as const)
      .filter(([, words]) => words !== '')
      .map(([line, words]) => `${words}${becauseWords({ because: reasonOf(device, line) })}`)
  const [shell, cup, ...more] = body(FIRST)
  return [
    ...(device.name ? [`Device: ${device.name}`] : []),
    ...(device.school ? [`School: ${SCHOOL_NAMES[device.school]}`] : []),
    ...(device.because?.kind
      ? [`${deviceKindWords(device.kind)}${becauseWords({ because: device.because.kind })}`]
      : []),
    surfaceWords(foot),
    ...(device.blank ? [`Blank: ${device.blank.id}, size ${said(device.blank.sizeMm)} mm`] : []),
    `${shell!}, ${madeWords(device, rows)}`,
    cup!,
    ...(points ? [`Trim line moved: ${points}`] : []),
    ...more,
    ...device.layers
      .filter(isAnything)
      .map((layer) => `${layerWords(layer, forefootDeg)}${becauseWords(layer)}`),
    ...device.posts
      .filter(isBuilt)
      .map((post) => `${postWords(post, width(post), rows)}${becauseWords(post)}`),
    ...body(['lift']),
    ...(isStabilised(device) ? ['Underside of the heel flat, so that it does not rock'] : []),
    ...body(SHEET_LINES.filter((line) => line !== 'lift' && !FIRST.includes(line))),
  ]
}
