import { cautionsOf } from '../advice/cautions'
import { contradictionsOf } from '../device/contradictions'
import { isChild } from '../measure/ageAtVisit'
import { deviceKindWords, deviceLines } from '../device/deviceWords'
import type { FootwearModel } from '../footwear/catalogueSchema'
import { matchRecord } from '../footwear/matchRecord'
import { lineOf } from '../footwear/workPlan'
import { normsOf } from '../measure/normsTable'
import { sizeWords } from '../footwear/match'
import type { FittingRecord } from '../record/schema'
import { SIDES, type Side } from '../record/vocabulary'
import { PROCESSES, type Step } from './processes'

/** One step of the pair's job: for which feet, how long. */
export interface TicketStep extends Step {
  feet: Side[]
}

/** What the bench needs on one page; no name, no story. */
export interface Ticket {
  code: string
  devices: { side: Side; kind: string; lines: string[] }[]
  steps: TicketStep[]
  template: string
  shell: string
  work: string[]
  cautions: string[]
}

/** Cautions printed on every ticket. */
const STANDING_CAUTIONS = ['Adhesives ventilated; extraction and mask at the grinder; gloves with heat.', 'Local law and licence come first. Anything unsure goes back to the fitter before it is made.']

/** Steps of the pair's devices in order; a step that both devices share is listed once with both feet. */
export function jobSteps(record: FittingRecord): TicketStep[] {
  const kinds = new Map<Exclude<NonNullable<FittingRecord['feet']['left']>['device'], undefined>['kind'], Side[]>()
  for (const side of SIDES) {
    const device = record.feet[side]?.device
    if (device && device.kind !== 'none') kinds.set(device.kind, [...(kinds.get(device.kind) ?? []), side])
  }
  return [...kinds].flatMap(([kind, feet]) => (kind === 'none' ? [] : PROCESSES[kind].map((step): TicketStep => ({ ...step, id: `${kind}:${step.id}`, feet }))))
}

/** Work on the shells as it was planned; before anybody planned it, what the fit asks for, said so. */
function workLines(record: FittingRecord, model: FootwearModel): string[] {
  const planned = (record.footwear?.chosen?.work ?? []).filter((w) => w.model === model.id && w.state !== 'dropped')
  if (planned.length > 0) {
    const lines = planned.map((w) => lineOf(w, model, normsOf(record).springBackShare))
    return lines.map((l) => `${l.foot}: ${l.words}, about ${l.minutes} min${l.state === 'done' ? ', done' : ''}${l.stops.length ? `. STOP: ${l.stops.join('; ')}` : ''}`)
  }
  return (matchRecord(record, [model]).pair[0]?.work ?? []).map((w) => `${w.foot}: ${w.words}, about ${w.minutes} min (not planned yet)`)
}

/** The work ticket of a fitting. */
export function ticketOf(record: FittingRecord, models: readonly FootwearModel[]): Ticket {
  const code = record.client?.code ?? 'no code'
  const chosen = record.footwear?.chosen
  const model = models.find((m) => m.id === chosen?.model)
  return {
    code,
    devices: SIDES.flatMap((side) => {
      const foot = record.feet[side]
      return foot ? [{ side, kind: deviceKindWords(foot.device?.kind ?? 'none'), lines: deviceLines(foot) }] : []
    }),
    steps: jobSteps(record),
    template: `${code}-left-template.svg and ${code}-right-template.svg, printed at 100 %; check the 100 mm control line`,
    shell: model && chosen ? `${model.maker} ${model.name}, left ${sizeWords(chosen.sizeLeftMm ?? 0)}, right ${sizeWords(chosen.sizeRightMm ?? 0)}` : 'not chosen yet',
    work: model ? workLines(record, model) : [],
    cautions: [...cautionsOf(record).map((c) => c.words), ...contradictionsOf(record, isChild(record.client, record.visit?.on)).filter((c) => c.kind === 'stop').map((c) => c.words), ...STANDING_CAUTIONS],
  }
}
