/** Everything known about one condition that a client may tell of. */
export interface ConditionDefinition<K extends string = string> {
  kind: K
  /** as it is ticked */
  name: string
  /** in the client's words */
  plain: string
  /** what it means for a child */
  child: string
  /** what it says of feeling and blood flow */
  risk: {
    /** protective feeling is lost, whatever was looked at */
    lossOfFeeling: boolean
    reducedFlow: boolean
    /** the foot counts as one at risk until the screen says otherwise */
    susceptible: boolean
    /** with lost feeling or flow it makes the highest grade */
    highest: boolean
  }
  /** somebody else looks first; the words of the referral */
  refer: string | null
  /** what follows the client to every station and paper */
  caution: { code: string; words: string } | null
}

/** Keeps the name of the kind in its type. */
export const condition = <const K extends string>(
  definition: ConditionDefinition<K>,
): ConditionDefinition<K> => definition
