import { LAYERS, type LayerKind } from '../kinds/layers/all'
import { student95 } from '../measure/student'
import type { FittingRecord } from '../record/schema'
import { SIDES, type ComplaintPlace } from '../tables/vocabulary'
import { daysBetween } from '../record/isoDay'

/** Complaints by region, so that a small shop's numbers come together. */
export const REGIONS = [
  { id: 'heel', words: 'heel', at: ['heelPlantar', 'heelBack', 'achilles'] },
  { id: 'arch', words: 'arch', at: ['archPlantar', 'navicular', 'fifthMetBase'] },
  {
    id: 'ball',
    words: 'ball of the foot',
    at: ['firstMetHead', 'secondMetHead', 'thirdMetHead', 'fourthMetHead', 'fifthMetHead'],
  },
  { id: 'toes', words: 'toes', at: ['greatToe', 'lesserToes'] },
  { id: 'ankle', words: 'ankle and instep', at: ['medialAnkle', 'lateralAnkle', 'instep'] },
  { id: 'leg', words: 'leg and back', at: ['shin', 'knee', 'hip', 'back'] },
] as const satisfies readonly { id: string; words: string; at: readonly ComplaintPlace[] }[]
export type RegionId = (typeof REGIONS)[number]['id']

/**
 * One client's complaint in one region, with what was given for that foot and what became of it.
 */
export interface WorkedCase {
  client: string
  region: RegionId
  modifications: string[]
  painBefore: number
  /** null where they never came back */
  painAfter: number | null
  comfortBefore: number | null
  comfortAfter: number | null
  /** days from the handover to the last answer */
  days: number | null
}

const LEAST_DAYS = 7
export const WITHOUT = 'no modification'

/** What a foot was given, as it is grouped: the kind of device, its layers, its posts. */
function modificationsOf(device: NonNullable<FittingRecord['feet']['left']>['device']): string[] {
  if (!device || device.kind === 'none') return []
  const layers = device.layers.filter((l) => l.on).map((l) => LAYERS.of(l.kind as LayerKind).name)
  const posts = device.posts.filter((p) => p.angleDeg !== 0).map((p) => `${p.at} post`)
  return [...new Set([...layers, ...posts])]
}

/**
 * Cases of one handed-over fitting: one a region, of the foot that hurt most there. What was given
 * is what stood on the foot at the handover, so an adjustment made later is not counted as what was
 * given first.
 */
export function casesOf(record: FittingRecord, client: string): WorkedCase[] {
  const on = record.handover?.on
  if (!on) return []
  const after = [...(record.followups ?? [])]
    .filter((f) => daysBetween(on, f.on) >= LEAST_DAYS)
    .sort((a, b) => (a.on < b.on ? -1 : 1))
  const atHandover = [...(record.followups ?? [])]
    .filter((f) => f.on <= on)
    .sort((a, b) => (a.on < b.on ? -1 : 1))
    .at(-1)
  const given = Object.fromEntries(
    SIDES.map((side) => {
      const foot = record.feet[side]
      // The first version kept after the handover is the device as it was handed over.
      const kept = foot?.deviceVersions?.find((v) => v.at !== undefined && v.at.slice(0, 10) > on)
      return [side, modificationsOf((kept ? kept.device : foot?.device) ?? undefined)]
    }),
  )
  const out: WorkedCase[] = []
  for (const region of REGIONS) {
    const told = (record.story?.complaints ?? []).filter(
      (c) =>
        c.score !== undefined &&
        c.score > 0 &&
        (region.at as readonly string[]).includes(c.at) &&
        record.feet[c.foot]?.device &&
        record.feet[c.foot]!.device!.kind !== 'none',
    )
    const worst = told.sort((a, b) => b.score! - a.score!)[0]
    if (!worst) continue
    const scoreIn = (f: (typeof after)[number] | undefined) =>
      f?.pain.find((p) => p.foot === worst.foot && p.at === worst.at)?.score
    const last = [...after].reverse().find((f) => scoreIn(f) !== undefined)
    const comfort = [...after].reverse().find((f) => f.comfort !== undefined)
    const modifications = given[worst.foot] ?? []
    out.push({
      client,
      region: region.id,
      modifications: modifications.length ? modifications : [WITHOUT],
      painBefore: scoreIn(atHandover) ?? worst.score!,
      painAfter: scoreIn(last) ?? null,
      comfortBefore: atHandover?.comfort ?? null,
      comfortAfter: comfort?.comfort ?? null,
      days: last ? daysBetween(on, last.on) : null,
    })
  }
  return out
}

export interface Interval {
  mean: number
  low: number
  high: number
  count: number
}

export interface WorkedRow {
  region: RegionId
  modification: string
  clients: number
  cameBack: number
  /** those who never came back are counted beside, not guessed */
  neverBack: number
  /** null with fewer than ten clients: then there is a list and no average */
  pain: Interval | null
  comfort: Interval | null
  list: { client: string; before: number; after: number | null; comfort: number | null }[]
}

/** Fewer clients than this: a list and no average. */
export const FEW = 10

/** Mean with its 95 % interval (Student's t). @example meanInterval([-2, -3, -4])?.mean // -3 */
export function meanInterval(values: readonly number[]): Interval | null {
  const count = values.length
  if (count < 2) return null
  const mean = values.reduce((s, v) => s + v, 0) / count
  const sd = Math.sqrt(values.reduce((s, v) => s + (v - mean) ** 2, 0) / (count - 1))
  const half = (student95(count - 1) * sd) / Math.sqrt(count)
  return { mean, low: mean - half, high: mean + half, count }
}

/**
 * Change in pain and comfort by complaint and modification: an association in this shop's own
 * records, no proof that one did the other. One client counts once a row, with the case that hurt
 * most.
 *
 * @returns rows with the most clients first
 */
export function workedRows(cases: readonly WorkedCase[]): WorkedRow[] {
  const rows = new Map<
    string,
    { region: RegionId; modification: string; byClient: Map<string, WorkedCase> }
  >()
  for (const c of cases)
    for (const modification of c.modifications) {
      const key = `${c.region}\n${modification}`
      const row = rows.get(key) ?? { region: c.region, modification, byClient: new Map() }
      const held = row.byClient.get(c.client)
      if (
        !held ||
        (held.painAfter === null && c.painAfter !== null) ||
        ((held.painAfter === null) === (c.painAfter === null) && c.painBefore > held.painBefore)
      )
        row.byClient.set(c.client, c)
      rows.set(key, row)
    }
  return [...rows.values()]
    .map(({ region, modification, byClient }): WorkedRow => {
      const all = [...byClient.values()]
      const back = all.filter((c) => c.painAfter !== null)
      const comfort = all.filter((c) => c.comfortBefore !== null && c.comfortAfter !== null)
      return {
        region,
        modification,
        clients: all.length,
        cameBack: back.length,
        neverBack: all.length - back.length,
        pain:
          back.length >= FEW ? meanInterval(back.map((c) => c.painAfter! - c.painBefore)) : null,
        comfort:
          comfort.length >= FEW
            ? meanInterval(comfort.map((c) => c.comfortAfter! - c.comfortBefore!))
            : null,
        list: all.map((c) => ({
          client: c.client,
          before: c.painBefore,
          after: c.painAfter,
          comfort:
            c.comfortBefore !== null && c.comfortAfter !== null
              ? c.comfortAfter - c.comfortBefore
              : null,
        })),
      }
    })
    .sort(
      (a, b) =>
        b.clients - a.clients || (a.region + a.modification < b.region + b.modification ? -1 : 1),
    )
}

/**
 * Rows as CSV, numbers with a point. A cell that a spreadsheet would take for a formula is quoted
 * with an apostrophe.
 */
export function workedCsv(rows: readonly WorkedRow[]): string {
  const cell = (v: string | number | null) =>
    v === null
      ? ''
      : typeof v === 'number'
        ? String(Math.round(v * 100) / 100)
        : `"${(/^[=+\-@]/.test(v) ? `'${v}` : v).replace(/"/g, '""')}"`
  const head = [
    'complaint',
    'given',
    'clients',
    'came back',
    'never back',
    'pain change',
    'pain low',
    'pain high',
    'comfort change',
    'comfort low',
    'comfort high',
  ]
  const body = rows.map((r) => [
    REGIONS.find((g) => g.id === r.region)!.words,
    r.modification,
    r.clients,
    r.cameBack,
    r.neverBack,
    r.pain?.mean ?? null,
    r.pain?.low ?? null,
    r.pain?.high ?? null,
    r.comfort?.mean ?? null,
    r.comfort?.low ?? null,
    r.comfort?.high ?? null,
  ])
  return [head.map(cell), ...body.map((line) => line.map(cell))]
    .map((line) => line.join(','))
    .join('\n')
}
