import { writeFileSync } from 'node:fs'
import { basename } from 'node:path'
import { MESH_FORMATS } from '../../core/formats/mesh/formats/all'
import { guessUnit, MM_PER, UNITS, type Unit } from '../../core/geometry/units'
import { readMesh } from '../../core/formats/mesh/readMesh'
import { writeMesh } from '../../core/formats/mesh/writeMesh'
import { UsageError } from '../arguments'
import { bytesOf } from '../inputs'
import type { Command } from '../command'

export const convertCommand: Command = {
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
