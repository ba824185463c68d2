import { BODY_AMOUNTS } from '../kinds/body/all'
import { said, SHEET_LINES, type SheetLine } from '../kinds/body/definition'
import { LAYERS, type Layer } from '../kinds/layers/all'
import { amountOf } from '../kinds/layers/amount'
import { postKind } from '../kinds/posts/all'
import { bestMean } from '../measure/reading'
import type { Device, Foot, Post } from '../record/schema'
import { NO_COVER } from '../tables/materials'
import { materialName, type MaterialRows } from './materialNames'
import { isStabilised } from './bodySolid'
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
      `${rule.label} ${said(amountOf(layer, rule.key, forefootDeg))}${rule.unit === '°' ? '°' : ' mm'}`,
  )
  return `${layer.name ?? definition.name}: ${[...numbers, ...definition.more(layer)].join(', ')}`
}

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

/**
 * A post as the bench reads it.
 *
 * @param widthMm of the heel or forefoot it stands under; undefined where nobody measured it
 * For instance `postWords({ at: 'rearfoot', style: 'extrinsic', angleDeg: 4 }, 65)` is 'Rearfoot post 4°
 *   varus, extrinsic, 4.5 mm across'
 */
function postWords(post: Post, widthMm: number | undefined): string {
  const definition = postKind(post)
  const more = definition.amounts.flatMap((amount) => amount.sheet(post) ?? [])
  const height =
    widthMm === undefined ? [] : [`${said(postHeightMm(post.angleDeg, widthMm))} mm across`]
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
    lines.map((line) => bodyLine(device, line, rows)).filter((words) => words !== '')
  const [shell, cup, ...more] = body(FIRST)
  return [
    shell!,
    cup!,
    ...(points ? [`Trim line moved: ${points}`] : []),
    ...more,
    ...device.layers.filter((l) => l.on).map((layer) => layerWords(layer, forefootDeg)),
    ...device.posts.filter((p) => p.angleDeg !== 0).map((post) => postWords(post, width(post))),
    ...body(['lift']),
    ...(isStabilised(device) ? ['Underside of the heel flat, so that it does not rock'] : []),
    ...body(SHEET_LINES.filter((line) => line !== 'lift' && !FIRST.includes(line))),
  ]
}
