import { settingWords } from '../../footwear/shellSettings'
import { modelOf } from '../../footwear/brought'
import { cautionsOf, type Caution } from '../../advice/cautions'
import { contradictionsOf } from '../../advice/contradictions'
import { caliperWords } from '../../bench/checkMade'
import { buildShell } from '../../device/bodySolid'
import { calipersOf } from '../../device/calipers'
import { footField } from '../../device/footField'
import { buildSurface } from '../../device/surface'
import { deviceKindWords, deviceLines } from '../../device/deviceWords'
import { materialName, type MaterialRows } from '../../device/materialNames'
import { NO_COVER } from '../../tables/materials'
import type { FootwearModel } from '../../footwear/catalogueSchema'
import { matchRecord } from '../../footwear/matchRecord'
import { lineOf } from '../../footwear/workPlan'
import { normsOf } from '../../record/tables'
import { sizeWords } from '../../footwear/match'
import type { Device, FittingRecord } from '../../record/schema'
import { SIDES, type Side } from '../../tables/vocabulary'
import { openRound, roundOfStep, roundWords } from '../../bench/rounds'
import { jobSteps, type BenchStep } from '../../bench/jobSteps'
import type { Process } from '../../tables/processes'

/** One line of the check list: a step, for which feet. */
export interface TicketStep extends Pick<
  BenchStep,
  'step' | 'words' | 'minutes' | 'waiting' | 'client' | 'caution'
> {
  feet: Side[]
}

/** What the bench needs on one page; no name, no story. */
export interface Ticket {
  code: string
  /** the round it is, where it is not the first */
  round: string | null
  devices: { side: Side; kind: string; lines: string[] }[]
  steps: TicketStep[]
  materials: string[]
  /** what a caliper should read off each finished device */
  check: string[]
  promised: string
  template: string
  shell: string
  work: string[]
  cautions: string[]
}

/** Cautions printed on every ticket. */
const STANDING_CAUTIONS = [
  'Adhesives ventilated; extraction and mask at the grinder; gloves with heat.',
  'Local law and licence come first. Anything unsure goes back to the fitter before it is made.',
]

/** Steps of the devices and of what was added, one line for both feet. */
export function ticketSteps(steps: readonly BenchStep[]): TicketStep[] {
  const out = new Map<string, TicketStep>()
  for (const { step, words, minutes, waiting, client, caution, foot } of steps) {
    const line = out.get(step) ?? { step, words, minutes, waiting, client, caution, feet: [] }
    if (foot) line.feet.push(foot)
    out.set(step, line)
  }
  return [...out.values()]
}

/** How far a cover reaches, in words; one that is none of these ends with the shell. */
const COVER_REACH: Partial<Record<string, string>> = {
  full: 'full length',
  sulcus: 'to the sulcus',
}

/** The sheets of a device: a blank, the shell, and its cover where there is one. */
function sheetWords({ shell, outline, blank }: Device, rows: MaterialRows): string {
  const { material, thicknessMm, cover } = shell
  const sheet = (name: string, mm: number) => `${materialName(name, rows)} ${mm} mm`
  const hasCover = cover.material !== NO_COVER && cover.thicknessMm > 0
  const reach = COVER_REACH[outline.cover] ?? 'on the shell'
  return [
    `${blank ? `blank ${blank.id} ${blank.sizeMm} mm, ` : ''}${sheet(material, thicknessMm)}`,
    ...(hasCover ? [`cover ${sheet(cover.material, cover.thicknessMm)} ${reach}`] : []),
  ].join(', ')
}

/** What to lay ready: what the processes say, and sheets and covers of the devices. */
function materialsOf(
  record: FittingRecord,
  steps: readonly BenchStep[],
  processes: readonly Process[],
  rows: MaterialRows,
): string[] {
  const used = new Set(steps.map((s) => s.process))
  const fromProcess = processes
    .filter((p) => used.has(p.id) && p.materials)
    .map((p) => p.materials!)
  const fromDevice = SIDES.flatMap((side) => {
    const device = record.feet[side]?.device
    if (!device || device.kind === 'none') return []
    return [`${side}: ${sheetWords(device, rows)}`]
  })
  return [...fromDevice, ...fromProcess]
}

/**
 * Work on the shells as it was planned; before anybody planned it, what the fit asks for, said so.
 */
function workLines(record: FittingRecord, model: FootwearModel): string[] {
  const planned = (record.footwear?.chosen?.work ?? []).filter(
    (w) => w.model === model.id && w.state !== 'dropped',
  )
  if (planned.length > 0) {
    const lines = planned.map((w) => lineOf(w, model, normsOf(record)))
    return lines.map(
      (l) =>
        `${l.foot}: ${l.words}, about ${l.minutes} min${l.state === 'done' ? ', done' : ''}` +
        (l.stops.length ? `. STOP: ${l.stops.join('; ')}` : ''),
    )
  }
  return (matchRecord(record, [model]).pair.find((p) => p.model === model.id)?.work ?? []).map(
    (w) => `${w.foot}: ${w.words}, about ${w.minutes} min (not planned yet)`,
  )
}

/** What a caliper should read off a foot's finished device, in one line; none without a device. */
function calipersWords(record: FittingRecord, side: Side): string[] {
  const foot = record.feet[side]
  const norms = normsOf(record)
  const device = foot?.device
  const found = foot && footField(foot, norms)
  if (!found || !device || device.kind === 'none') return []
  const body = buildShell(buildSurface(found.field, device), device, norms)
  return [`${side}: ${caliperWords(calipersOf(body))}`]
}

const stopsOf = (record: FittingRecord): string[] =>
  contradictionsOf(record)
    .filter((c) => c.kind === 'stop')
    .map((c) => c.words)

/** Instead of a stop whose reason its reader may not know. */
const HIDDEN_STOP = 'Something speaks against this device: ask the fitter before it is made.'

/** What the reader of a ticket may know of a fitting. */
export interface TicketTold {
  record: FittingRecord
  cautions: readonly Caution[]
}

/**
 * The work ticket of a fitting.
 *
 * @param told what its reader may know; everything where it is not said. A stop of the whole record
 *   is never left out: where its words may not be read, the ticket says that there is one.
 */
export function ticketOf(
  whole: FittingRecord,
  models: readonly FootwearModel[],
  processes: readonly Process[],
  { record, cautions }: TicketTold = { record: whole, cautions: cautionsOf(whole) },
): Ticket {
  const stops = stopsOf(record)
  const isHidden = stopsOf(whole).length > stops.length
  const norms = normsOf(record)
  const code = record.client?.code ?? 'no code'
  const round = openRound(record.rounds)
  // A ticket of a round is of that round: what was made before is not made again.
  const steps = jobSteps(record, { processes }).filter(
    ({ step }) => !step.startsWith('work:') && (!round || roundOfStep(step) === round.no),
  )
  const chosen = record.footwear?.chosen
  const model = modelOf(record, models, chosen?.model)
  return {
    code,
    round: round ? roundWords(round) : null,
    devices: SIDES.flatMap((side) => {
      const foot = record.feet[side]
      return foot
        ? [
            {
              side,
              kind: deviceKindWords(foot.device?.kind ?? 'none'),
              lines: deviceLines(foot, norms),
            },
          ]
        : []
    }),
    steps: ticketSteps(steps),
    materials: materialsOf(record, steps, processes, norms),
    check: SIDES.flatMap((side) => calipersWords(record, side)),
    promised: record.making?.promisedOn
      ? `${record.making.promisedOn}${record.making.promisedAt ? `, ${record.making.promisedAt}` : ''}`
      : '',
    template: `${code}-left-template.svg and ${code}-right-template.svg, printed at 100 %; check the 100 mm control line`,
    shell:
      model && chosen
        ? `${model.maker} ${model.name}, left ${sizeWords(chosen.sizeLeftMm ?? 0)}, right ${sizeWords(chosen.sizeRightMm ?? 0)}`
        : 'not chosen yet',
    work: model && chosen ? [...settingWords(chosen), ...workLines(record, model)] : [],
    cautions: [
      ...cautions.map((c) => c.words),
      ...stops,
      ...(isHidden ? [HIDDEN_STOP] : []),
      ...STANDING_CAUTIONS,
    ],
  }
}
