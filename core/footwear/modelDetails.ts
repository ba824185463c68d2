import { parseNumber } from '../measure/parseNumber'
import { Refusal } from '../record/refusal'
import { modelSchema, type FootwearModel } from './catalogueSchema'

/** One thing about a model that is known without measuring its inside. */
export interface DetailField {
  /** its path in a model */
  path: string
  name: string
  kind: 'text' | 'number' | 'sizes' | 'yes' | 'choice'
  unit?: string
  /** what may be chosen, with its words */
  choices?: readonly { value: string; title: string }[]
}
export interface DetailGroup {
  name: string
  fields: readonly DetailField[]
}

const text = (path: string, name: string): DetailField => ({ path, name, kind: 'text' })
const number = (path: string, name: string, unit = 'mm'): DetailField => ({
  path,
  name,
  kind: 'number',
  unit,
})

/** Everything of a model beside its inside, its shelf and who measured it. */
export const MODEL_DETAILS: readonly DetailGroup[] = [
  {
    name: 'Model',
    fields: [
      text('maker', 'Maker'),
      text('name', 'Model'),
      number('price', 'Price', ''),
      { path: 'sizesMm', name: 'All its sizes', kind: 'sizes', unit: 'mm' },
      number('referenceMm', 'Size that the inside is stated for'),
      number('lastWidthMm', 'Last width as sold'),
      text('soleNorm', 'Norm of the sole'),
    ],
  },
  {
    name: 'From size to size, for 10 mm',
    fields: [
      {
        path: 'shellStep',
        name: 'Shells',
        kind: 'choice',
        choices: [
          { value: 'half', title: 'one each half size' },
          { value: 'whole', title: 'two sizes share one' },
        ],
      },
      {
        path: 'pairing',
        name: 'Sharing',
        kind: 'choice',
        choices: [
          { value: '0-5', title: 'a size and the half above' },
          { value: '5-0', title: 'a half and the size above' },
        ],
      },
      number('grade.lengthMm', 'Length grows by'),
      number('grade.widthMm', 'Widths grow by'),
      number('grade.heightMm', 'Heights grow by'),
      number('grade.girthMm', 'Girths grow by'),
    ],
  },
  {
    name: 'Liner and board',
    fields: [
      number('liner.thicknessMm.toe', 'Liner at the toes'),
      number('liner.thicknessMm.ball', 'at the ball'),
      number('liner.thicknessMm.instep', 'over the instep'),
      number('liner.thicknessMm.ankle', 'at the ankles'),
      number('liner.thicknessMm.heel', 'at the heel'),
      number('liner.packOut', 'packs out by a share of', '0–0.9'),
      { path: 'liner.mouldable', name: 'mouldable by heat', kind: 'yes' },
      number('insoleMm', 'Insole supplied'),
      number('bootBoard.rampDeg', 'Ramp', '°'),
      number('bootBoard.thicknessMm', 'Boot board'),
      number('bootBoard.grindableMm', 'gives at most'),
    ],
  },
  {
    name: 'Wall and cuff',
    fields: [
      text('plastic.name', 'Plastic'),
      number('plastic.stretchMm', 'stretches by'),
      number('plastic.limitC', 'never warmer than', '°C'),
      number('plastic.wallMm', 'Wall'),
      number('plastic.minWallMm', 'keeps at least'),
      number('flex.index', 'Flex as its maker says', ''),
      number('cuffLeanDeg', 'Cuff leans', '°'),
    ],
  },
]
const FIELDS = MODEL_DETAILS.flatMap((g) => g.fields)

/** What is typed, by path; empty where nobody knows. */
export type DetailsForm = Record<string, string>

const at = (value: unknown, path: string): unknown =>
  path
    .split('.')
    .reduce<unknown>((v, key) => (v as Record<string, unknown> | undefined)?.[key], value)

/** A model as its form begins: every detail as text, empty where nobody knows it. */
export const detailsForm = (model: FootwearModel): DetailsForm =>
  Object.fromEntries(
    FIELDS.map(({ path, kind }) => {
      const value = at(model, path)
      if (value === undefined) return [path, '']
      if (kind === 'yes') return [path, value === true ? 'yes' : '']
      return [path, kind === 'sizes' ? (value as number[]).join(' ') : String(value)]
    }),
  )

/** A field's value; undefined where it is empty. */
function read(field: DetailField, typed: string): unknown {
  const words = typed.trim()
  if (field.kind === 'yes') return words !== ''
  if (words === '') return undefined
  const wrong = (what: string) =>
    new Refusal('bad-model', `${field.name}: “${typed}” is ${what}.`, field.path)
  if (field.kind === 'sizes') {
    const sizes = words.split(/[\s,;]+/).map(parseNumber)
    if (sizes.includes(null)) throw wrong('no list of sizes in mm, as 255 260 265')
    return sizes
  }
  if (field.kind !== 'number') return words
  const value = parseNumber(words)
  if (value === null) throw wrong('not a number')
  return value
}

/** With a value at its path, or without what was there; a part that is left empty goes too. */
function withValue(
  model: Readonly<Record<string, unknown>>,
  path: string,
  value: unknown,
): Record<string, unknown> {
  const [key, ...rest] = path.split('.') as [string, ...string[]]
  const { [key]: before, ...others } = model
  if (rest.length === 0) return value === undefined ? others : { ...others, [key]: value }
  const inner = withValue((before as Record<string, unknown>) ?? {}, rest.join('.'), value)
  return Object.keys(inner).length > 0 ? { ...others, [key]: inner } : others
}

/**
 * A model with what was typed of it. Its inside, its shelf and who measured it stay, so that what was learned of it
 * stays too; an empty field is as a new model has it.
 *
 * @throws Refusal with the first field that is wrong
 */
export function withDetails(model: FootwearModel, form: DetailsForm): FootwearModel {
  const draft = FIELDS.reduce<Record<string, unknown>>(
    (whole, field) => withValue(whole, field.path, read(field, form[field.path] ?? '')),
    model,
  )
  if (draft.name === undefined) throw new Refusal('bad-model', 'Model: give it a name.', 'name')
  const parsed = modelSchema.safeParse({ maker: '', ...draft })
  if (parsed.success) return parsed.data
  const [issue] = parsed.error.issues
  const path = issue!.path.map(String).join('.')
  const field = FIELDS.find((f) => path.startsWith(f.path))
  throw new Refusal('bad-model', `${field?.name ?? path}: ${issue!.message}.`, path)
}
