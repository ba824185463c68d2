import { SHELL_MEASURES, type ShellMeasureKey } from '../kinds/stations/all'
import { parseNumber } from '../measure/parseNumber'
import { Refusal } from '../record/refusal'
import { modelSchema, type FootwearModel } from './catalogueSchema'
import { modelIdOf } from './modelId'

/** Measures of a bare shell in the order in which they are taken. */
export const SHELL_ROUND = SHELL_MEASURES.toSorted((a, b) => a.turn - b.turn)

/** What is typed while a shell is measured: everything as text, nothing where nobody knows. */
export interface ShellForm {
  maker: string
  name: string
  family: FootwearModel['family']
  referenceMm: string
  sizesMm: string
  at: Partial<Record<ShellMeasureKey, string>>
  build: Partial<Record<BuildKey, string>>
  /** a size and the half above it share one shell */
  wholeShells: boolean
}

interface BuildMeasure<K extends string = string> {
  key: K
  name: string
  read: (model: FootwearModel) => number | undefined
  /** where nobody typed it */
  fallback: number | undefined
}
const build = <const K extends string>(
  key: K,
  name: string,
  fallback: number | undefined,
  read: (model: FootwearModel) => number | undefined,
): BuildMeasure<K> => ({ key, name, fallback, read })

const LIST = [
  build('liner.toe', 'Liner at the toes, mm', 0, (m) => m.liner.thicknessMm.toe),
  build('liner.ball', 'at the ball', 0, (m) => m.liner.thicknessMm.ball),
  build('liner.instep', 'over the instep', 0, (m) => m.liner.thicknessMm.instep),
  build('liner.ankle', 'at the ankles', 0, (m) => m.liner.thicknessMm.ankle),
  build('liner.heel', 'at the heel', 0, (m) => m.liner.thicknessMm.heel),
  build('packOut', 'Liner packs out, %', 20, (m) => Math.round(m.liner.packOut * 100)),
  build('insole', 'Insole supplied, mm', 3, (m) => m.insoleMm),
  build('board', 'Boot board gives, mm', 0, (m) => m.bootBoard.grindableMm),
  build('ramp', 'Ramp, °', 0, (m) => m.bootBoard.rampDeg),
  build('stretch', 'Wall stretches, mm', 0, (m) => m.plastic.stretchMm),
  build('limit', 'Plastic up to, °C', 0, (m) => m.plastic.limitC),
  build('wall', 'Wall, mm', 0, (m) => m.plastic.wallMm),
  build('least', 'Wall at least, mm', 0, (m) => m.plastic.minWallMm),
  build('flex', 'Flex by the maker', undefined, (m) => m.flex?.index),
  build('lean', 'Cuff leans, °', undefined, (m) => m.cuffLeanDeg),
] as const

export type BuildKey = (typeof LIST)[number]['key']
/** What lies in a shell and what its wall allows, in the order in which it is asked. */
export const BUILD_MEASURES: readonly BuildMeasure<BuildKey>[] = LIST

/** The form of a shell that is in the catalogue, or an empty one. */
export function shellForm(model: FootwearModel | null): ShellForm {
  if (!model)
    return {
      maker: '',
      name: '',
      family: 'rigid-shell',
      referenceMm: '265',
      sizesMm: '',
      at: {},
      build: { packOut: '20', insole: '3' },
      wholeShells: false,
    }
  const text = (value: number | undefined) => (value === undefined ? '' : String(value))
  return {
    maker: model.maker,
    name: model.name,
    family: model.family,
    referenceMm: String(model.referenceMm),
    sizesMm: model.sizesMm.join(' '),
    at: Object.fromEntries(Object.entries(model.at).map(([key, mm]) => [key, text(mm)])),
    build: Object.fromEntries(BUILD_MEASURES.map(({ key, read }) => [key, text(read(model))])),
    wholeShells: model.shellStep === 'whole',
  }
}

/** Something of the form that cannot be kept, with its place as `sizesMm`, `build.flex`, `at.…`. */
export interface ShellTrouble {
  path: string
  words: string
}

const isEmpty = (text: string | undefined) => !text?.trim()

/** Sizes as typed, mm; null where one of them is none. */
function sizesOf(text: string): number[] | null {
  const sizes = text
    .trim()
    .split(/[\s,;]+/)
    .map(parseNumber)
  const fits = (mm: number | null): mm is number => mm !== null && mm >= 100 && mm <= 400
  return sizes.every(fits) ? sizes : null
}

/** Everything that is wrong with a form, in the order of its steps. */
export function shellTroubles(form: ShellForm): ShellTrouble[] {
  const out: ShellTrouble[] = []
  if (isEmpty(form.name)) out.push({ path: 'name', words: 'Give the model a name.' })
  if (sizesOf(form.sizesMm) === null)
    out.push({ path: 'sizesMm', words: 'Write its sizes in mm, as 255 260 265.' })
  if (parseNumber(form.referenceMm) === null)
    out.push({ path: 'referenceMm', words: 'Write the measured size in mm, as 265.' })
  for (const { key, name } of BUILD_MEASURES) {
    const text = form.build[key]
    if (isEmpty(text)) continue
    const value = parseNumber(text!)
    if (value === null || value < 0)
      out.push({ path: `build.${key}`, words: `${name}: “${text}” is not a number.` })
  }
  for (const { key, name } of SHELL_ROUND) {
    const text = form.at[key]
    if (isEmpty(text)) continue
    const value = parseNumber(text!)
    if (value === null || value < 0 || value > 1000)
      out.push({
        path: `at.${key}`,
        words: `${name}: “${text}” is not a number of mm from 0 to 1000.`,
      })
  }
  return out
}

/**
 * A shell of the catalogue from what was measured; what the form does not ask stays as the model
 * has it.
 *
 * @param model the one that is measured anew; null for one that the shop did not have
 * @param known models of the catalogue: a new one gets an id that none of another name has
 * @throws Refusal with the first thing that is wrong
 */
export function measuredShell(
  form: ShellForm,
  model: FootwearModel | null,
  measured: { by: string; on: string },
  known: readonly Pick<FootwearModel, 'id' | 'maker' | 'name'>[] = [],
): FootwearModel {
  const [trouble] = shellTroubles(form)
  if (trouble) throw new Refusal('bad-shell', trouble.words, trouble.path)
  const typed = (text: string | undefined) => (isEmpty(text) ? undefined : parseNumber(text!)!)
  const num = (key: BuildKey) =>
    typed(form.build[key]) ?? BUILD_MEASURES.find((b) => b.key === key)!.fallback
  const named = { maker: form.maker.trim(), name: form.name.trim() }
  const id = modelIdOf(named, new Map(known.map((m) => [m.id, m])))
  const flex = num('flex')
  const lean = num('lean')
  const { flex: _, cuffLeanDeg: __, ...kept } = model ?? { id }
  const read = modelSchema.safeParse({
    ...kept,
    maker: form.maker.trim(),
    name: form.name.trim(),
    family: form.family,
    referenceMm: typed(form.referenceMm),
    sizesMm: sizesOf(form.sizesMm),
    shellStep: form.wholeShells ? 'whole' : 'half',
    at: {
      // What the round does not ask stays as it was stated.
      ...(model?.at.heelDepthMm !== undefined && { heelDepthMm: model.at.heelDepthMm }),
      ...Object.fromEntries(
        SHELL_ROUND.flatMap(({ key }) => {
          const mm = typed(form.at[key])
          return mm === undefined ? [] : [[key, mm]]
        }),
      ),
    },
    insoleMm: num('insole'),
    liner: {
      thicknessMm: {
        toe: num('liner.toe'),
        ball: num('liner.ball'),
        instep: num('liner.instep'),
        ankle: num('liner.ankle'),
        heel: num('liner.heel'),
      },
      packOut: num('packOut')! / 100,
      mouldable: model?.liner.mouldable ?? false,
    },
    bootBoard: {
      rampDeg: num('ramp'),
      thicknessMm: model?.bootBoard.thicknessMm ?? 0,
      grindableMm: num('board'),
    },
    plastic: {
      ...(model?.plastic.name && { name: model.plastic.name }),
      stretchMm: num('stretch'),
      limitC: num('limit'),
      wallMm: num('wall'),
      minWallMm: num('least'),
    },
    ...(flex !== undefined && { flex: { index: flex } }),
    ...(lean !== undefined && { cuffLeanDeg: lean }),
    measured,
  })
  if (read.success) return read.data
  const [issue] = read.error.issues
  throw new Refusal(
    'bad-shell',
    `${issue!.path.join('.')}: ${issue!.message}`,
    issue!.path.join('.'),
  )
}
