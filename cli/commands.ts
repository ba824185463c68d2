import { mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { basename, join } from 'node:path'
import { advise } from '../core/advice/advise'
import { fitHeat } from '../core/bench/heat/fitHeat'
import { readHeatCsv } from '../core/bench/heat/heatLog'
import { forecast } from '../core/bench/heat/predictHeat'
import { parseDay } from '../core/bench/schedule/day'
import { schedule } from '../core/bench/schedule/schedule'
import { captureFoot, captureReport, openScan } from '../core/capture/captureScan'
import { FAULTS, FAULT_LIMITS } from '../core/capture/standin/faults'
import { standinScan } from '../core/capture/standin/scan'
import { buildDevice, plainDevice, soleFieldOf } from '../core/device/buildDevice'
import { deviceReport } from '../core/device/deviceReport'
import { layerKinds } from '../core/device/layers/registry'
import { MARGIN_X_MM, MARGIN_Y_MM } from '../core/device/soleField'
import { buildSurface } from '../core/device/surface'
import { examineRecord } from '../core/examine/examineRecord'
import { parseCatalogue } from '../core/footwear/catalogueSchema'
import { matchReport } from '../core/footwear/matchRecord'
import { deviceFiles } from '../core/formats/deviceFiles'
import { guessUnit, MESH_FORMATS, MM_PER, UNITS, type Unit } from '../core/formats/mesh/meshFile'
import { readMesh } from '../core/formats/mesh/readMesh'
import { writeMesh } from '../core/formats/mesh/writeMesh'
import { measureRecord } from '../core/measure/measureRecord'
import { contactReport } from '../core/mechanics/contactReport'
import { solveShellFile } from '../core/mechanics/shell/modelFile'
import { shellReport } from '../core/mechanics/shell/shellReport'
import { HOUSE_NORMS } from '../core/measure/normsTable'
import { roundDeep } from '../core/record/roundDeep'
import { parseRecord } from '../core/record/parse'
import { Refusal } from '../core/record/refusal'
import type { FittingRecord } from '../core/record/schema'
import type { Side } from '../core/record/vocabulary'
import { readJson, UsageError, type Arguments } from './arguments'
import { isLines, Lines, readLines } from './lines'

export interface Command {
  usage: string
  files: number
  options: readonly string[]
  /** with this option no file need be given */
  optionalFile?: string
  run: (args: Arguments) => unknown
}

const recordOf = (args: Arguments) => parseRecord(readJson(args.files[0]!))

function sideOf(args: Arguments, record: FittingRecord): Side {
  const side = args.options.foot
  if (side !== 'left' && side !== 'right')
    throw new UsageError('arch: say which foot, --foot left or --foot right')
  if (!record.feet[side])
    throw new Refusal('no-foot', `feet.${side}: this record has no ${side} foot.`, `feet.${side}`)
  return side
}

function allowanceOf({ options }: Arguments): number {
  if (options.allowanceMm !== undefined) {
    const value = Number(options.allowanceMm)
    if (!Number.isFinite(value) || value < 0 || value > 40)
      throw new UsageError('arch: --allowanceMm takes 0 to 40')
    return value
  }
  const family = options.family ?? 'boots'
  if (family !== 'boots' && family !== 'shoes')
    throw new UsageError('arch: --family takes boots or shoes')
  return HOUSE_NORMS.allowanceMm[family]
}

const measure: Command = {
  usage: 'RECORD|RECORDS.jsonl [--family boots|shoes] [--allowanceMm N]',
  files: 1,
  options: ['family', 'allowanceMm'],
  run: (args) => {
    const allowance = allowanceOf(args)
    const one = (value: unknown) => roundDeep(measureRecord(parseRecord(value), allowance))
    return isLines(args.files[0]!)
      ? new Lines(readLines(args.files[0]!).map(one))
      : one(readJson(args.files[0]!))
  },
}

const examine: Command = {
  usage: 'RECORD',
  files: 1,
  options: [],
  run: (args) => {
    const record = recordOf(args)
    return roundDeep(examineRecord(record))
  },
}

const device: Command = {
  usage: 'RECORD --foot left|right [--catalogue FILE] [--out DIR]',
  files: 1,
  options: ['foot', 'out', 'catalogue'],
  run: (args) => {
    const record = recordOf(args)
    const side = sideOf(args, record)
    const built = buildDevice(record.feet[side]!, side)
    const models =
      args.options.catalogue === undefined
        ? []
        : parseCatalogue(readJson(args.options.catalogue)).models
    const report = deviceReport(
      record,
      side,
      built,
      models.find((m) => m.id === record.footwear?.chosen?.model),
    )
    if (args.options.out === undefined) return roundDeep(report)
    const files = deviceFiles(built, side, record.client?.code ?? 'no client code')
    mkdirSync(args.options.out, { recursive: true })
    for (const { name, bytes } of files) writeFileSync(join(args.options.out, name), bytes)
    return roundDeep({ ...report, files: files.map(({ name }) => name) })
  },
}

const contact: Command = {
  usage: 'RECORD --foot left|right [--load standing|single-limb]',
  files: 1,
  options: ['foot', 'load'],
  run: (args) => {
    const record = recordOf(args)
    const side = sideOf(args, record)
    const load = args.options.load ?? 'standing'
    if (load !== 'standing' && load !== 'single-limb')
      throw new UsageError('arch: --load takes standing or single-limb')
    return roundDeep({ foot: side, ...contactReport(record, side, load) })
  },
}

const shell: Command = {
  usage: 'RECORD --foot left|right | --model FILE',
  files: 1,
  options: ['foot', 'model'],
  optionalFile: 'model',
  run: (args) => {
    if (args.options.model !== undefined) {
      if (args.files.length > 0 || args.options.foot !== undefined)
        throw new UsageError('arch: --model takes one shell file and no record')
      // Not rounded: deflections of a test shell may be millionths.
      return solveShellFile(readJson(args.options.model))
    }
    const record = recordOf(args)
    const side = sideOf(args, record)
    return roundDeep({ foot: side, ...shellReport(record, side) })
  },
}

const surface: Command = {
  usage: 'RECORD --foot left|right [--layer KIND] [--stepMm N]',
  files: 1,
  options: ['foot', 'layer', 'stepMm'],
  run: (args) => {
    const record = recordOf(args)
    const side = sideOf(args, record)
    const foot = record.feet[side]!
    const step = Number(args.options.stepMm ?? 1)
    if (![1, 2, 4].includes(step)) throw new UsageError('arch: --stepMm takes 1, 2 or 4')
    const built = buildSurface(soleFieldOf(foot, side, step).field, foot.device ?? plainDevice())
    let z = built.top
    if (args.options.layer !== undefined) {
      if (!layerKinds().some((d) => d.kind === args.options.layer))
        throw new Refusal(
          'unknown-layer',
          `There is no layer "${args.options.layer}" among the kinds of the record.`,
          'layer',
        )
      const layers = built.layers.filter((l) => l.kind === args.options.layer)
      if (layers.length === 0)
        throw new Refusal(
          'no-layer',
          `feet.${side}.device.layers: there is no ${args.options.layer} that is on.`,
          `feet.${side}.device.layers`,
        )
      z = new Float64Array(z.length)
      for (const layer of layers) for (let i = 0; i < z.length; i++) z[i]! += layer.change[i]!
    }
    return cropped(built.field, z)
  },
}

/** The grid as printed: first column at x = −60 (or further out for a wide foot), first row at the heel; null outside the plan. */
function cropped(field: ReturnType<typeof soleFieldOf>['field'], z: Float64Array) {
  const skipX = Math.round(MARGIN_X_MM / field.stepMm)
  const skipY = Math.round(MARGIN_Y_MM / field.stepMm)
  const columns = field.columns - 2 * skipX
  const rows = Math.ceil(field.sole.parameters.lengthMm / field.stepMm)
  const zMm = Array.from({ length: rows }, (_, r) =>
    Array.from({ length: columns }, (_, c) => {
      const i = (r + skipY) * field.columns + c + skipX
      return field.mask[i] ? Math.round(z[i]! * 1e6) / 1e6 : null
    }),
  )
  return {
    x0: field.x0 + skipX * field.stepMm,
    y0: field.y0 + skipY * field.stepMm,
    stepMm: field.stepMm,
    columns,
    rows,
    zMm,
  }
}

const match: Command = {
  usage: 'RECORD --catalogue FILE',
  files: 1,
  options: ['catalogue'],
  run: (args) => {
    if (args.options.catalogue === undefined)
      throw new UsageError('arch match needs --catalogue FILE')
    return roundDeep(
      matchReport(recordOf(args), parseCatalogue(readJson(args.options.catalogue)).models),
    )
  },
}

const scheduleCommand: Command = {
  usage: 'DAY',
  files: 1,
  options: [],
  run: (args) => schedule(parseDay(readJson(args.files[0]!))),
}

/** A window as LOW-HIGH in °C. */
function windowOf(text: string | undefined): [number, number] | null {
  if (text === undefined) return null
  const found = /^(\d+(?:\.\d+)?)-(\d+(?:\.\d+)?)$/.exec(text)
  if (!found || Number(found[1]) >= Number(found[2]))
    throw new UsageError('arch heat: --window takes LOW-HIGH in °C, as 110-130')
  return [Number(found[1]), Number(found[2])]
}

const heat: Command = {
  usage: 'LOG.csv [--ambient C] [--window LOW-HIGH]',
  files: 1,
  options: ['ambient', 'window'],
  run: (args) => {
    const ambient = args.options.ambient === undefined ? undefined : Number(args.options.ambient)
    if (ambient !== undefined && !Number.isFinite(ambient))
      throw new UsageError('arch heat: --ambient takes a number in °C')
    const window = windowOf(args.options.window)
    const fit = fitHeat(readHeatCsv(new TextDecoder().decode(bytesOf(args.files[0]!))), {
      ambientC: ambient,
    })
    return roundDeep({ ...fit, ...forecast(fit, window) })
  },
}

const adviseCommand: Command = {
  usage: 'RECORD',
  files: 1,
  options: [],
  run: (args) => ({ entries: advise(recordOf(args)) }),
}

/** Bytes of a file; a missing one is refused with its name. */
function bytesOf(path: string): Uint8Array {
  try {
    return readFileSync(path)
  } catch {
    throw new Refusal('no-file', `${path}: there is no such file, or it cannot be read.`, path)
  }
}

const convert: Command = {
  usage: 'IN OUT [--unit mm|cm|m|in]',
  files: 2,
  options: ['unit'],
  run: ({ files, options }) => {
    const [from, to] = files as [string, string]
    const format = MESH_FORMATS.find((f) => to.toLowerCase().endsWith(`.${f}`))
    if (!format)
      throw new UsageError(
        `arch convert: the name of the second file ends in ${MESH_FORMATS.map((f) => `.${f}`).join(', ')}`,
      )
    if (options.unit !== undefined && !(UNITS as readonly string[]).includes(options.unit))
      throw new UsageError(`arch: --unit takes ${UNITS.join(', ')}`)
    const file = readMesh(from, bytesOf(from))
    const guessed = guessUnit(file.positions)
    const unit = (options.unit as Unit | undefined) ?? file.unit ?? guessed ?? 'mm'
    const positions =
      MM_PER[unit] === 1 ? file.positions : file.positions.map((v) => v * MM_PER[unit])
    writeFileSync(to, writeMesh(format, { positions, triangles: file.triangles }, basename(from)))
    return {
      from: file.format,
      to: format,
      unit,
      unitFrom:
        options.unit !== undefined ? 'told' : file.unit ? 'file' : guessed ? 'guessed' : 'assumed',
      points: positions.length / 3,
      triangles: file.triangles.length / 3,
      notes: file.notes,
    }
  },
}

/** One of a few words, or the fallback when the option was not given. */
function oneOf<T extends string>(
  options: Arguments['options'],
  name: string,
  words: readonly T[],
  fallback: T,
): T {
  const value = options[name] ?? fallback
  if (!(words as readonly string[]).includes(value))
    throw new UsageError(`arch: --${name} takes ${words.join(', ')}`)
  return value as T
}
/** A number within limits, or the fallback when the option was not given. */
function numberOption(
  options: Arguments['options'],
  name: string,
  low: number,
  high: number,
  fallback: number,
): number {
  const value = Number(options[name] ?? fallback)
  if (!(value >= low && value <= high))
    throw new UsageError(`arch: --${name} takes ${low} to ${high}`)
  return value
}

const scan: Command = {
  usage:
    'RECORD --foot left|right [--fault CHECK --amount X] [--seed N] [--leg capped|open|sole-only] [--toes separate|joined] [--pose any|standing] [--unit mm|cm|m|in] [--noiseMm N] [--holes N] --out FILE',
  files: 1,
  options: [
    'foot',
    'fault',
    'amount',
    'seed',
    'leg',
    'toes',
    'pose',
    'unit',
    'noiseMm',
    'holes',
    'out',
  ],
  run: (args) => {
    const { options } = args
    const record = recordOf(args)
    const side = sideOf(args, record)
    const format = MESH_FORMATS.find((f) => options.out?.toLowerCase().endsWith(`.${f}`))
    if (options.out === undefined || !format)
      throw new UsageError(
        `arch scan needs --out with a name that ends in ${MESH_FORMATS.map((f) => `.${f}`).join(', ')}`,
      )
    const fault =
      options.fault === undefined ? undefined : oneOf(options, 'fault', FAULTS, FAULTS[0])
    const amount =
      fault && numberOption(options, 'amount', -60, 60, 1.5 * FAULT_LIMITS[fault].limit)
    const unit = oneOf(options, 'unit', UNITS, 'mm')
    const mesh = standinScan(record.feet[side]!, side, {
      seed: numberOption(options, 'seed', 0, 4294967295, 1),
      fault,
      amount,
      unit,
      leg: oneOf(options, 'leg', ['capped', 'open', 'sole-only'] as const, 'capped'),
      separateToes: oneOf(options, 'toes', ['separate', 'joined'], 'separate') === 'separate',
      turned: oneOf(options, 'pose', ['any', 'standing'], 'any') === 'any',
      noiseMm: numberOption(options, 'noiseMm', 0, 5, 0.3),
      holes: numberOption(options, 'holes', 0, 50, 0),
    })
    writeFileSync(options.out, writeMesh(format, mesh, `${side} stand-in scan`, unit))
    return {
      format,
      unit,
      side,
      triangles: mesh.triangles.length / 3,
      ...(fault && { fault, amount, amountUnit: FAULT_LIMITS[fault].unit }),
    }
  },
}

const capture: Command = {
  usage: 'SCAN [--record RECORD --foot left|right] [--unit mm|cm|m|in]',
  files: 1,
  options: ['record', 'foot', 'unit'],
  run: ({ files, options }) => {
    const unit = options.unit === undefined ? undefined : oneOf(options, 'unit', UNITS, 'mm')
    const told =
      options.foot === undefined
        ? undefined
        : oneOf(options, 'foot', ['left', 'right'] as const, 'left')
    const record = options.record === undefined ? undefined : parseRecord(readJson(options.record))
    if (record && !told)
      throw new UsageError(
        'arch capture: with --record say which foot, --foot left or --foot right',
      )
    const foot = record && told && record.feet[told]
    if (record && !foot)
      throw new Refusal('no-foot', `feet.${told}: this record has no ${told} foot.`, `feet.${told}`)
    const open = openScan(readMesh(files[0]!, bytesOf(files[0]!)), unit, told)
    return roundDeep(captureReport(open, captureFoot(open, told ?? open.rough.guess.side, foot)))
  },
}

/** The command line's table of contents. */
export const COMMANDS: Record<string, Command> = {
  measure,
  examine,
  device,
  surface,
  contact,
  shell,
  match,
  schedule: scheduleCommand,
  heat,
  advise: adviseCommand,
  convert,
  scan,
  capture,
}
