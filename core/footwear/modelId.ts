import { idOf } from '../record/idOf'

/** letters that the catalogue keeps of an id */
const MOST_OF_ID = 80

/**
 * The id of a model by its maker and name: the one it has, where the catalogue knows it; else one that no other
 * has, whatever alphabet it is written in.
 *
 * @param known models by id
 * @example modelIdOf({ maker: 'Fern', name: 'Col' }, new Map()) // 'fern-col'
 */
export function modelIdOf(
  { maker, name }: { maker: string; name: string },
  known: ReadonlyMap<string, { maker: string; name: string }>,
): string {
  const base = idOf(`${maker}-${name}`, MOST_OF_ID) || 'model'
  for (let n = 1; ; n++) {
    const id = n === 1 ? base : `${base.slice(0, MOST_OF_ID - 5)}~${n}`
    const other = known.get(id)
    if (!other || (other.maker === maker && other.name === name)) return id
  }
}
