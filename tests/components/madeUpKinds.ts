import { activity } from '../../core/kinds/activities/definition'
import { bodyAmount } from '../../core/kinds/body/definition'
import { beginning, meshFormat } from '../../core/formats/mesh/formats/definition'
import { condition } from '../../core/kinds/conditions/definition'
import { family } from '../../core/kinds/families/definition'
import { angle, choice } from '../../core/kinds/findings/definition'
import { heightMm, stored } from '../../core/kinds/layers/amountRule'
import { layer } from '../../core/kinds/layers/definition'
import { angleDeg } from '../../core/kinds/posts/amounts'
import { post } from '../../core/kinds/posts/definition'
import { process } from '../../core/kinds/processes/definition'
import { reading } from '../../core/kinds/readings/definition'
import { sign } from '../../core/kinds/signs/definition'
import { WIDTHS } from '../../core/kinds/stations/bands'
import { station } from '../../core/kinds/stations/definition'

/**
 * One more of every kind, that nobody has ever heard of. A kind is its definition and its one entry
 * in a list; what is made up here is entered by `withMadeUp` and nowhere else.
 */
const HEIGHT = heightMm({ fallback: 2, presets: [2, 3], usual: [1, 4] })
export const gullWing = layer({
  kind: 'gullWing',
  name: 'Gull wing',
  call: 'gull',
  does: 'lifts both edges of the midfoot like wings',
  plain: 'two soft wings beside the middle of the foot',
  where: 'top · beside the midfoot',
  child: 'half of it in a growing foot',
  insensate: 'look at the skin below it after a day',
  phase: 'shape',
  lies: 'cast',
  edged: false,
  pushes: false,
  onPlain: false,
  amounts: [HEIGHT],
  schema: { heightMm: stored(HEIGHT) },
  more: () => [],
  sheet: null,
  clashes: [],
  asked: ({ heightMm: mm }) => mm,
  reach: () => ({ x: [-40, 40], y: [90, 130] }),
  change: (_field, { heightMm: mm }, current) => current.map(() => mm),
})

export const lastToeGirthMm = reading({
  kind: 'lastToeGirthMm',
  name: 'Last toe girth',
  call: ['lasttoe'],
  how: 'a thread around the smallest toe',
  instrument: 'tape',
  plain: 'around your smallest toe',
  child: 'grows: take it again',
  insensate: 'no pull on the thread',
  boundsMm: [20, 90],
  repeatMm: 2,
  ratio: null,
  view: 'girths',
  round: ['standing'],
  atHeight: false,
  drawn: { on: 'side', as: 'level', from: 0.8, to: 0.9, overMedialMm: 0, around: true },
  orderSheet: { code: 'T5', name: 'Last toe girth', how: 'around the smallest toe' },
})

export const earTiltDeg = angle({
  kind: 'earTiltDeg',
  group: 'alignment',
  name: 'Tilt of the ear',
  how: 'a small level on the ear',
  plain: 'how the ear stands',
  child: 'the same',
  insensate: 'the same',
  within: null,
  call: 'ear',
  plus: 'pricked',
  minus: 'hanging',
  range: false,
  positions: ['sitting'],
  bounds: [-12, 12],
  acrossHeel: false,
})

export const humming = choice({
  kind: 'humming',
  group: 'stance',
  name: 'Humming',
  how: 'an ear at the heel',
  plain: 'the sound of the foot',
  child: 'the same',
  insensate: 'the same',
  options: [
    ['low', 'hums low'],
    ['high', 'hums high'],
  ],
})

export const cupAsShare = bodyAmount({
  kind: 'cupAsShare',
  name: 'Cup, tenths of an inch',
  note: 'as an old bench wants it',
  full: 'Cup in tenths',
  group: 'Outline',
  unit: 'mm',
  step: 1,
  range: [0, 16],
  fallback: null,
  start: 5,
  usual: [3, 7],
  call: 'tenths',
  plain: null,
  child: 'the same',
  insensate: 'the same',
  read: (d) => Math.round(d.outline.heelCupMm / 2.54),
  write: (d, v) => ({ ...d, outline: { ...d.outline, heelCupMm: v * 2.54 } }),
  sheet: { line: 'cup', words: (d) => `${Math.round(d.outline.heelCupMm / 2.54)} tenths of cup` },
  takesMm: () => ({}),
  drawn: 'number only',
})

export const cowl = station({
  kind: 'cowl',
  name: 'Cowl',
  short: 'cowl',
  where: 'the cowl',
  plain: 'width under the cowl',
  child: 'the same',
  insensate: 'the same',
  measure: 'width',
  shell: {
    key: 'cowlWidthMm',
    name: 'Cowl width',
    how: 'Two thumbs under the cowl.',
    grows: 'widthMm',
    turn: 2.5,
  },
  beside: [],
  foot: (f) => f.heelWidthMm,
  reading: 'heelWidthMm',
  missing: 'heelWidthMm',
  liner: null,
  lift: null,
  target: WIDTHS,
  targetStated: true,
  closes: null,
  at: { share: 0.4, sides: ['medial', 'lateral'], heightMm: () => 30 },
  orderRegion: null,
})

export const clog = family({
  kind: 'clog',
  name: 'wooden clog',
  plural: 'wooden clogs',
  plain: 'a clog of wood',
  child: '10 mm to grow',
  insensate: 'not on a foot that does not feel',
  rules: ['Wood does not give: what presses will go on pressing.'],
  sockMm: 3,
  boot: false,
  hard: true,
  bends: false,
  heated: false,
  leastRoomMm: 8,
  linerIn: false,
  coldToesMm: null,
  refers: { always: null, atRisk: null },
  weights: { length: 1, ball: 1 },
  targets: {},
  sources: {},
})

export const stiltWalking = activity({
  kind: 'stilt-walking',
  name: 'Stilt walking',
  plain: 'walking on stilts',
  child: 'with somebody beside',
  insensate: 'not without feeling',
  group: 'everyday',
  cautions: ['Look at the stilts first.'],
  families: ['shoe'],
  terrains: ['market square'],
  cuffOn: {},
  force: 'usual',
  ask: 'How high, and for how long?',
  allowance: 'shoes',
  cold: false,
  lowRoom: false,
  springs: false,
  recheck: null,
  onBoard: false,
  shiftMm: { ball: 0.25 },
})

export const glassFeet = condition({
  kind: 'glassFeet',
  name: 'Feet of glass',
  plain: 'feet that break easily',
  child: 'the same',
  risk: { lossOfFeeling: false, reducedFlow: false, susceptible: false, highest: false },
  refer: null,
  caution: { code: 'glass-feet', words: 'Feet of glass: nothing hard below them.' },
})

export const glowing = sign({
  kind: 'glowing',
  ask: 'a foot that glows in the dark',
  refer: 'A foot that glows: somebody who knows about light looks first.',
  childOnly: false,
  lookFor: true,
})

export const felting = process({
  kind: 'felting',
  plain: 'felting a sole by hand',
  child: 'the same',
  insensate: 'soft all over',
  row: {
    id: 'felting',
    name: 'Felted by hand',
    makes: ['trim-to-fit'],
    steps: [{ id: 'felt', words: 'Felt it', minutes: 40 }],
  },
})

/** As if a heel's block were poured: the types know of two ways only. */
export const pouredPost = post({
  kind: 'rearfootPoured',
  at: 'rearfoot',
  style: 'poured' as 'extrinsic',
  name: 'Poured post',
  call: 'post',
  plain: () => 'a poured block below your heel',
  child: 'not in a growing foot',
  insensate: 'soft',
  takesRoom: true,
  amounts: [angleDeg('Poured post', '+ varus')],
  over: 'heel',
  drawn: 'section',
})

/** A file of nothing but its corners, three numbers a line. */
export const corners = meshFormat({
  kind: 'corners',
  name: 'Corners',
  mediaType: 'text/plain',
  needsFaces: false,
  begins: (bytes) => beginning(bytes, 7) === 'corners',
  read: (bytes) => ({
    format: 'corners',
    unit: null,
    notes: [],
    triangles: new Uint32Array(),
    positions: new Float64Array(new TextDecoder().decode(bytes.subarray(8)).split(' ').map(Number)),
  }),
  write: ({ positions }) => new TextEncoder().encode(`corners\n${positions.join(' ')}`),
})

const MADE_UP = [
  gullWing,
  lastToeGirthMm,
  earTiltDeg,
  humming,
  cupAsShare,
  cowl,
  clog,
  stiltWalking,
  glassFeet,
  glowing,
  felting,
  pouredPost,
  corners,
]
/** One that is in the same list as a made-up kind. */
const BESIDE: Record<string, string> = {
  gullWing: 'metPad',
  lastToeGirthMm: 'footLengthMm',
  earTiltDeg: 'rcspDeg',
  humming: 'windlass',
  cupAsShare: 'heelCup',
  cowl: 'ball',
  clog: 'skate',
  'stilt-walking': 'hockey',
  glassFeet: 'diabetes',
  glowing: 'openWound',
  felting: 'trim-to-fit',
  rearfootPoured: 'rearfootExtrinsic',
  corners: 'stl',
}

/** The registry of kinds, with one entry more in every list that one is made up for. */
export async function withMadeUp(importOriginal: () => Promise<unknown>) {
  const real = (await importOriginal()) as typeof import('../../core/kinds/registry')
  const registry: typeof real.registry = (all) => {
    const kinds = new Set(all.map((d) => d.kind))
    const more = MADE_UP.filter((d) => kinds.has(BESIDE[d.kind]!) && !kinds.has(d.kind))
    return real.registry([...all, ...(more as unknown as typeof all)])
  }
  return { ...real, registry }
}
