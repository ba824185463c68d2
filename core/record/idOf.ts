const MOST = 40

/**
 * An id for something that a shop names itself: small letters and digits of any alphabet, joined by
 * dashes; empty where a name has neither.
 *
 * @example idOf(' Beech laminate, 3-ply ') // 'beech-laminate-3-ply'
 */
export const idOf = (name: string, most = MOST): string =>
  name
    .toLowerCase()
    .replace(/[^\p{L}\p{M}\p{N}]+/gu, '-')
    .slice(0, most)
    .replace(/^-|-$/g, '')
