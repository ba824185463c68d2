/** One sign for which somebody entitled to it looks before anything is made. */
export interface SignDefinition<K extends string = string> {
  kind: K
  /** asked in plain words */
  ask: string
  /** words of the referral */
  refer: string
  /** asked of children only */
  childOnly: boolean
  /** may be missed by a foot that does not feel: it is looked for, not only asked */
  lookFor: boolean
}

/** Keeps the name of the kind in its type. */
export const sign = <const K extends string>(definition: SignDefinition<K>): SignDefinition<K> =>
  definition
