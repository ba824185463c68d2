import { registry } from '../../../kinds/registry'
import type { MeshFormatDefinition } from './definition'
import { obj } from './obj'
import { ply } from './ply'
import { stl } from './stl'
import { threeMf } from './threeMf'

/** Formats of meshes that are read and written. */
const LIST = [stl, obj, ply, threeMf] as const

export type MeshFormat = (typeof LIST)[number]['kind']
export const MESH_KINDS = registry<MeshFormatDefinition<MeshFormat>>(LIST)
export const MESH_FORMATS = MESH_KINDS.kinds

/** Format that a file's name ends in; undefined where it is none of them. */
export const formatOfName = (name: string): MeshFormat | undefined =>
  MESH_FORMATS.find((kind) => name.toLowerCase().endsWith(`.${kind}`))
