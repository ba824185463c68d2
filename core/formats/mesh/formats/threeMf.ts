import { read3mf } from '../read3mf'
import { write3mf } from '../write3mf'
import { beginning, meshFormat } from './definition'

/** A zipped package of named meshes that says its own unit. */
export const threeMf = meshFormat({
  kind: '3mf',
  name: '3MF',
  mediaType: 'model/3mf',
  needsFaces: true,
  begins: (bytes) => beginning(bytes).startsWith('PK'),
  read: read3mf,
  write: (mesh, name, unit) => write3mf([{ name, mesh }], unit),
})
