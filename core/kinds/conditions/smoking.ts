import { condition } from './definition'

export const smoking = condition({
  kind: 'smoking',
  name: 'smokes',
  plain: 'smoking',
  child: 'not asked of a child',
  risk: { lossOfFeeling: false, reducedFlow: false, susceptible: false, highest: false },
  refer: null,
  caution: null,
})
