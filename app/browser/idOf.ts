const MOST = 40

/**
 * An id for something that a shop names itself: small letters and digits, joined by dashes; empty
 * where a name has neither.
 *
 * @example idOf(' Beech laminate, 3-ply ') // 'beech-laminate-3-ply'
 */
export const idOf = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, MOST)
