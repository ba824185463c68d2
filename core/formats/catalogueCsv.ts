import Papa from 'papaparse'
import { modelSchema, MOST_MODELS, type FootwearModel } from '../footwear/catalogueSchema'
import { modelIdOf } from '../footwear/modelId'
import { parseNumber } from '../measure/parseNumber'
import { Refusal } from '../record/refusal'

/**
 * Columns of a catalogue as CSV: one row a model; sizes and stock in one cell each, sizes in mm.
 */
const TEXT = ['id', 'maker', 'name', 'family', 'shellStep', 'pairing', 'soleNorm'] as const
const AT = [
  'lengthMm',
  'toeBoxWidthMm',
  'toeBoxHeightMm',
  'ballWidthMm',
  'ballHeightMm',
  'waistGirthMm',
  'instepHeightMm',
  'instepGirthMm',
  'heelWidthMm',
  'heelDepthMm',
  'heelInstepGirthMm',
  'ankleWidthMm',
  'ankleHeightMm',
  'cuffGirthMm',
  'cuffHeightMm',
  'fifthToeRoomMm',
  'fifthMetRoomMm',
  'firstMetRoomMm',
  'navicularRoomMm',
] as const
const LINER = ['toe', 'ball', 'instep', 'ankle', 'heel'] as const
const GRADE = ['lengthMm', 'widthMm', 'heightMm', 'girthMm'] as const

/** Columns of a catalogue as CSV, in their order. */
export const CATALOGUE_COLUMNS: readonly string[] = [
  'id',
  'maker',
  'name',
  'family',
  'referenceMm',
  'sizesMm',
  ...GRADE.map((g) => `grade.${g}`),
  'shellStep',
  'pairing',
  'lastWidthMm',
  ...AT.map((a) => `at.${a}`),
  ...LINER.map((l) => `liner.${l}Mm`),
  'liner.packOut',
  'liner.mouldable',
  'bootBoard.rampDeg',
  'bootBoard.thicknessMm',
  'bootBoard.grindableMm',
  'insoleMm',
  'flex.index',
  'cuffLeanDeg',
  'soleNorm',
  'plastic.name',
  'plastic.stretchMm',
  'plastic.limitC',
  'plastic.wallMm',
  'plastic.minWallMm',
  'measured.by',
  'measured.on',
  'stock',
  'price',
]

type Get = (m: FootwearModel) => string | number | boolean | undefined
const CELLS: Record<string, Get> = {
  id: (m) => m.id,
  maker: (m) => m.maker,
  name: (m) => m.name,
  family: (m) => m.family,
  referenceMm: (m) => m.referenceMm,
  sizesMm: (m) => m.sizesMm.join(' '),
  shellStep: (m) => m.shellStep,
  pairing: (m) => m.pairing,
  lastWidthMm: (m) => m.lastWidthMm,
  insoleMm: (m) => m.insoleMm,
  'flex.index': (m) => m.flex?.index,
  cuffLeanDeg: (m) => m.cuffLeanDeg,
  soleNorm: (m) => m.soleNorm,
  'liner.packOut': (m) => m.liner.packOut,
  'liner.mouldable': (m) => (m.liner.mouldable ? 'yes' : 'no'),
  'bootBoard.rampDeg': (m) => m.bootBoard.rampDeg,
  'bootBoard.thicknessMm': (m) => m.bootBoard.thicknessMm,
  'bootBoard.grindableMm': (m) => m.bootBoard.grindableMm,
  'plastic.name': (m) => m.plastic.name,
  'plastic.stretchMm': (m) => m.plastic.stretchMm,
  'plastic.limitC': (m) => m.plastic.limitC,
  'plastic.wallMm': (m) => m.plastic.wallMm,
  'plastic.minWallMm': (m) => m.plastic.minWallMm,
  'measured.by': (m) => m.measured?.by,
  'measured.on': (m) => m.measured?.on,
  price: (m) => m.price,
  stock: (m) =>
    Object.entries(m.stock)
      .map(([size, n]) => `${size}:${n}`)
      .join(' '),
  ...Object.fromEntries(GRADE.map((g) => [`grade.${g}`, (m: FootwearModel) => m.grade[g]])),
  ...Object.fromEntries(AT.map((a) => [`at.${a}`, (m: FootwearModel) => m.at[a]])),
  ...Object.fromEntries(
    LINER.map((l) => [`liner.${l}Mm`, (m: FootwearModel) => m.liner.thicknessMm[l]]),
  ),
}

/** What a column says of a model; empty where it is not known. */
export const catalogueCell = (model: FootwearModel, column: string): string =>
  String(CELLS[column]!(model) ?? '')

/**
 * A catalogue as CSV, one row a model. What is not known is an empty cell; a text that a table
 * program would run as a formula gets a ' before it.
 */
export function writeCatalogueCsv(models: readonly FootwearModel[]): string {
  return `${Papa.unparse({ fields: [...CATALOGUE_COLUMNS], data: models.map((m) => CATALOGUE_COLUMNS.map((c) => CELLS[c]!(m) ?? '')) }, { newline: '\n', escapeFormulae: true })}\n`
}

/**
 * One thing about a row: `row` counts from 1 with the line of names (CSV) or is the place in
 * `models` (JSON).
 */
export interface CatalogueRemark {
  row: number
  column: string
  words: string
}

/**
 * What a catalogue file holds: models that can be taken, rows that cannot and why, and what is
 * worth a second look.
 */
export interface CatalogueCheck {
  models: FootwearModel[]
  rows: number
  bad: CatalogueRemark[]
  cautions: CatalogueRemark[]
}

/**
 * Reads a catalogue as CSV and checks every row; rows that cannot be taken are named, the others
 * are ready to be kept. A row of a model that is known says only what it changes: columns that are not there, and
 * cells that are empty, stay as they were. A row without an id is known by maker and name.
 *
 * @param known models of the catalogue, as they are stored
 */
export function readCatalogueCsv(
  text: string,
  known: readonly FootwearModel[] = [],
): CatalogueCheck {
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, '').trim(), {
    skipEmptyLines: true,
  }).data
  const names = (parsed[0] ?? []).map((c) => c.trim())
  const isNamed = names.includes('id') || names.includes('name')
  const wanted = [...(isNamed ? [] : ['id']), ...(known.length > 0 ? [] : NEW_MODELS_NEED)]
  const missing = wanted.filter((c) => !names.includes(c))
  if (missing.length)
    throw new Refusal(
      'no-columns',
      `The first line must name the columns; ${missing.join(', ')} ${missing.length > 1 ? 'are' : 'is'} missing.`,
      'row 1',
    )
  const unknown = names.filter((n) => n && !CATALOGUE_COLUMNS.includes(n))
  const check = new Check()
  for (const name of unknown)
    check.cautions.push({
      row: 1,
      column: name,
      words: `No column is called "${name}": it is left out.`,
    })
  const columns = names.map((name) => (CATALOGUE_COLUMNS.includes(name) ? name : null))
  const byId = new Map<string, Named>(known.map((m) => [m.id, m]))
  parsed.slice(1).forEach((line, i) => {
    const cells: Record<string, unknown> = {}
    const wrong: CatalogueRemark[] = []
    columns.forEach((name, k) => {
      const cell = line[k]?.trim() ?? ''
      if (name === null || cell === '') return
      const value = cellValue(name, cell)
      if (typeof value === 'object' && !Array.isArray(value) && 'wrong' in value)
        wrong.push({ row: i + 2, column: name, words: value.wrong as string })
      else cells[name] = value
    })
    const draft = withCells(cells, byId)
    for (const column of NEW_MODELS_NEED)
      if (draft[column] === undefined && !wrong.some((w) => w.column === column))
        wrong.push({
          row: i + 2,
          column,
          words: `${String(draft.id)} is not in the catalogue: a new model needs it.`,
        })
    if (wrong.length) return check.refuse(wrong)
    check.take(draft, i + 2)
  })
  return check.done()
}

/** What a row of a model must say that the catalogue does not know. */
const NEW_MODELS_NEED = ['family', 'sizesMm']
type Named = Pick<FootwearModel, 'maker' | 'name'> & Partial<FootwearModel>

/** A model as a row makes it of what is known of it. */
function withCells(
  cells: Readonly<Record<string, unknown>>,
  byId: Map<string, Named>,
): Record<string, unknown> {
  const maker = typeof cells.maker === 'string' ? cells.maker : ''
  const name = typeof cells.name === 'string' ? cells.name : ''
  const id =
    typeof cells.id === 'string' ? cells.id : name ? modelIdOf({ maker, name }, byId) : undefined
  const before = id === undefined ? undefined : byId.get(id)
  const draft: Record<string, unknown> = before?.sizesMm
    ? structuredClone(before)
    : { at: {}, maker: '', name: id }
  for (const [column, value] of Object.entries(cells)) put(draft, column, value)
  if (id !== undefined) {
    draft.id = id
    // A further row of the file with this maker and name is this model again, another is not.
    if (!before) byId.set(id, { maker, name: name || id })
  }
  return draft
}

/** Reads a catalogue file as JSON the same way: a bad model is named, the others are ready. */
export function readCatalogueJson(value: unknown): CatalogueCheck {
  const head = value as { format?: unknown; models?: unknown } | null
  if (
    typeof value !== 'object' ||
    head === null ||
    head.format !== 'gentle-arch/catalogue' ||
    !Array.isArray(head.models)
  )
    throw new Refusal(
      'not-a-catalogue',
      'This is not a catalogue: its "format" is not "gentle-arch/catalogue".',
      'format',
    )
  const check = new Check()
  head.models.forEach((model: unknown, i) => check.take(model, i))
  return check.done()
}

class Check implements CatalogueCheck {
  models: FootwearModel[] = []
  rows = 0
  bad: CatalogueRemark[] = []
  cautions: CatalogueRemark[] = []
  #seen = new Map<string, number>()

  refuse(remarks: readonly CatalogueRemark[]) {
    this.rows++
    this.bad.push(...remarks)
  }

  take(draft: unknown, row: number) {
    this.rows++
    if (this.rows > MOST_MODELS)
      throw new Refusal(
        'too-many-models',
        `A catalogue holds at most ${MOST_MODELS} models.`,
        `row ${row}`,
      )
    const read = modelSchema.safeParse(draft)
    if (!read.success) {
      this.bad.push(
        ...read.error.issues
          .slice(0, 4)
          .map((issue) => ({ row, column: columnOf(issue.path), words: issue.message })),
      )
      return
    }
    const model = read.data
    const before = this.#seen.get(model.id)
    if (before !== undefined) {
      this.bad.push({ row, column: 'id', words: `"${model.id}" stands in row ${before} already.` })
      return
    }
    this.#seen.set(model.id, row)
    this.models.push(model)
    this.cautions.push(...catalogueCautions(model).map((c) => ({ row, ...c })))
  }

  done(): CatalogueCheck {
    return { models: this.models, rows: this.rows, bad: this.bad, cautions: this.cautions }
  }
}

const columnOf = (path: readonly PropertyKey[]) =>
  path.map(String).join('.').replace('liner.thicknessMm.', 'liner.') || 'row'

/**
 * What is worth a second look in a model: a girth step that does not go with the width step, no
 * length, stretch without a wall, sizes twice.
 */
export function catalogueCautions(model: FootwearModel): { column: string; words: string }[] {
  const out: { column: string; words: string }[] = []
  const { grade, at } = model
  if (grade.girthMm > 3 * grade.widthMm)
    out.push({
      column: 'grade.girthMm',
      words: `girths grow by ${grade.girthMm} mm a step, more than three times the ${grade.widthMm} mm of the widths`,
    })
  if (at.lengthMm === undefined)
    out.push({
      column: 'at.lengthMm',
      words: 'no inside length: it cannot be matched until somebody measures it',
    })
  else if (Math.abs(at.lengthMm - model.referenceMm) > 40)
    out.push({
      column: 'at.lengthMm',
      words: `inside length ${at.lengthMm} mm for a size of ${model.referenceMm} mm`,
    })
  if (at.ballWidthMm === undefined && model.lastWidthMm === undefined)
    out.push({
      column: 'at.ballWidthMm',
      words: 'neither an inside width at the ball nor a last width',
    })
  if (
    at.heelWidthMm !== undefined &&
    at.ballWidthMm !== undefined &&
    at.heelWidthMm > at.ballWidthMm
  )
    out.push({ column: 'at.heelWidthMm', words: 'the heel is wider than the ball' })
  if (model.plastic.minWallMm > model.plastic.wallMm && model.plastic.wallMm > 0)
    out.push({ column: 'plastic.minWallMm', words: 'the least wall is thicker than the wall' })
  if (new Set(model.sizesMm).size !== model.sizesMm.length)
    out.push({ column: 'sizesMm', words: 'a size stands twice' })
  const foreign = Object.keys(model.stock).filter((s) => !model.sizesMm.includes(Number(s)))
  if (foreign.length)
    out.push({ column: 'stock', words: `stock of ${foreign.join(', ')}, which is no size of it` })
  return out
}

/** A cell's value, or what is wrong with it. */
function cellValue(
  name: string,
  cell: string,
): string | number | boolean | (number | null)[] | Record<string, unknown> {
  if (
    (TEXT as readonly string[]).includes(name) ||
    name === 'plastic.name' ||
    name.startsWith('measured.')
  )
    return cell.replace(/^'(?=[=+\-@])/, '')
  if (name === 'liner.mouldable') return /^(yes|true|1|x)$/i.test(cell)
  if (name === 'sizesMm') {
    const sizes = cell.split(/[\s;]+/).map((s) => parseNumber(s))
    return sizes.includes(null)
      ? { wrong: `"${cell}" is not a list of sizes in mm, as 255 260 265.` }
      : sizes
  }
  if (name === 'stock') {
    const pairs = cell.split(/[\s;]+/).map((p) => /^(\d{3}(?:\.\d)?):(\d{1,4})$/.exec(p))
    return pairs.includes(null)
      ? { wrong: `"${cell}" is not stock by size, as 260:1 265:2.` }
      : Object.fromEntries(pairs.map((p) => [p![1], Number(p![2])]))
  }
  const value = parseNumber(cell)
  return value === null ? { wrong: `"${cell}" is not a number.` } : value
}

/** Puts a value at a column's path; liner columns name their place only. */
function put(draft: Record<string, unknown>, name: string, value: unknown) {
  const liner = /^liner\.(toe|ball|instep|ankle|heel)Mm$/.exec(name)
  const path = liner ? ['liner', 'thicknessMm', liner[1]!] : name.split('.')
  let at = draft
  for (const key of path.slice(0, -1)) at = (at[key] ??= {}) as Record<string, unknown>
  at[path.at(-1)!] = value
}
