import { bindingWords } from '../../footwear/bindingCheck'
import { lastCheck } from '../../footwear/checksMade'
import { settingWords } from '../../footwear/shellSettings'
import { modelOf } from '../../footwear/brought'
import { FINDINGS, type AnyFinding, type Findings } from '../../kinds/findings/all'
import { READINGS, READING_KINDS } from '../../kinds/readings/all'
import { deviceKindWords, deviceLines } from '../../device/deviceWords'
import { examineSide } from '../../examine/examineSide'
import type { FootwearModel } from '../../footwear/catalogueSchema'
import { sizeWords } from '../../footwear/match'
import { lineOf } from '../../footwear/workPlan'
import { normsOf } from '../../record/tables'
import { meanOfReading } from '../../measure/reading'
import { PLACES } from '../../kinds/places'
import type { FittingRecord } from '../../record/schema'
import { POSTURES, SIDES, type Side } from '../../tables/vocabulary'
import { HANDOVER_CHECKS } from '../../followup/handoverChecks'

/** One line of the form: what, left, right. */
export type FormRow = readonly [what: string, left: string, right: string]

export interface FittingForm {
  sections: { title: string; rows: FormRow[]; lines: string[] }[]
}

/** What a form says of one finding of a foot; null where nobody looked. */
function findingWords(findings: Findings | undefined, { kind, within, sheet }: AnyFinding) {
  const place = (within ? findings?.[within] : findings) as Record<string, unknown> | undefined
  const value = place?.[kind]
  return value === undefined ? null : (sheet as (v: unknown) => string | null)(value)
}

const n = (v: number | undefined, unit: string) =>
  v === undefined ? '–' : `${Math.round(v * 10) / 10}${unit}`

/**
 * Everything a colleague needs who takes this pair over: readings, what was found, devices, shells
 * with sizes and the gap behind the heel, work done, checks at handover. What was not taken is a
 * dash, never a guess.
 */
export function fittingForm(record: FittingRecord, models: readonly FootwearModel[]): FittingForm {
  const both = (of: (side: Side) => string): [string, string] => [of('left'), of('right')]
  const readings = READING_KINDS.flatMap((what) =>
    POSTURES.flatMap((posture): FormRow[] => {
      const [left, right] = SIDES.map(
        (s) => record.feet[s] && meanOfReading(record.feet[s]!, what, posture),
      )
      return left === undefined && right === undefined
        ? []
        : [
            [
              `${READINGS.of(what).name}, ${posture}`,
              n(left ?? undefined, ' mm'),
              n(right ?? undefined, ' mm'),
            ],
          ]
    }),
  )
  const norms = normsOf(record)
  const exams = SIDES.map((s) => examineSide(record, s))
  const exam = (of: (e: NonNullable<(typeof exams)[number]>) => string | null) =>
    exams.map((e) => (e && of(e)) || '–') as [string, string]
  const taken = FINDINGS.all.map((d): FormRow => [
    d.name,
    ...both((s) => findingWords(record.feet[s]?.findings, d) ?? '–'),
  ])
  const verdicts: FormRow[] = [
    ['First toe', ...exam((e) => e.firstToe)],
    ['Ankle', ...exam((e) => e.ankle)],
  ]
  const found = [...taken, ...verdicts].filter(([, l, r]) => l !== '–' || r !== '–')
  const chosen = record.footwear?.chosen
  const model = modelOf(record, models, chosen?.model)
  const gaps = (foot: Side) =>
    chosen?.model ? lastCheck(record.footwear, { model: chosen.model, foot }) : undefined
  const works = model
    ? (chosen?.work ?? []).filter((w) => w.model === model.id && w.state !== 'dropped')
    : []
  const handover = record.handover
  return {
    sections: [
      { title: 'Readings', rows: readings, lines: [] },
      {
        title: 'Found',
        rows: found,
        lines: (record.story?.complaints ?? []).map(
          (c) =>
            `${c.foot}: ${PLACES[c.at].name}${c.score === undefined ? '' : `, pain ${c.score} of 10`}${c.words ? `, “${c.words}”` : ''}`,
        ),
      },
      {
        title: 'Devices',
        rows: [
          ['Kind', ...both((s) => deviceKindWords(record.feet[s]?.device?.kind ?? 'none'))],
        ] as FormRow[],
        lines: SIDES.flatMap((s) =>
          record.feet[s]?.device && record.feet[s]!.device!.kind !== 'none'
            ? [`${s}: ${deviceLines(record.feet[s]!, norms).join('; ')}`]
            : [],
        ),
      },
      {
        title: 'Shell',
        rows: model
          ? ([
              [
                `${model.maker} ${model.name}`,
                ...both((s) => {
                  const size = s === 'left' ? chosen?.sizeLeftMm : chosen?.sizeRightMm
                  return size ? sizeWords(size) : '–'
                }),
              ],
              ['Gap behind the heel', ...both((s) => n(gaps(s)?.gapMm, ' mm'))],
            ] as FormRow[])
          : [],
        lines:
          model && chosen
            ? [
                ...settingWords(chosen),
                ...works.map(
                  (w) =>
                    `${w.foot}: ${lineOf(w, model, norms).words}, ${w.state}${w.gainedMm === undefined ? '' : `, gained ${w.gainedMm} mm`}`,
                ),
                ...bindingWords(record),
              ]
            : ['not chosen'],
      },
      {
        title: 'Handover',
        rows: [],
        lines: [
          ...HANDOVER_CHECKS.map(
            (c) => `${c.name}: ${handover?.checks?.[c.id] ?? 'not looked at'}`,
          ),
          ...(handover?.evenFeel ? [`Feel: ${handover.evenFeel}`] : []),
          ...(handover?.minutesInFootwear !== undefined
            ? [`Minutes in the footwear: ${handover.minutesInFootwear}`]
            : []),
          ...(handover?.on
            ? [
                `Handed over ${handover.on}${handover.guaranteeUntil ? `, guarantee until ${handover.guaranteeUntil}` : ''}`,
              ]
            : ['Not handed over yet']),
          ...(handover?.note ? [handover.note] : []),
        ],
      },
    ].filter((s) => s.rows.length > 0 || s.lines.length > 0),
  }
}
