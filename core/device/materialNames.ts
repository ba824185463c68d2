import type { Norms } from '../record/tables'
import type { ShellMaterial } from '../tables/materials'

/** The rows that a material is looked up in. */
export type MaterialRows = Pick<Norms, 'shellMaterials' | 'coverMaterials'>

/** A shell material by id; undefined when the table does not hold it. */
export const shellMaterial = (
  id: string,
  { shellMaterials }: Pick<Norms, 'shellMaterials'>,
): ShellMaterial | undefined => shellMaterials.find((m) => m.id === id)

/** Name of a shell or cover material; its id where neither table holds it. */
export const materialName = (id: string, rows: MaterialRows): string =>
  shellMaterial(id, rows)?.name ?? rows.coverMaterials.find((m) => m.id === id)?.name ?? id
