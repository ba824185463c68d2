import { condition } from './definition'

export const osteoarthritis = condition({
  kind: 'osteoarthritis',
  name: 'osteoarthritis',
  plain: 'worn joints',
  child: 'in a child its doctor is asked before anything is made',
  risk: { lossOfFeeling: false, reducedFlow: false, susceptible: false, highest: false },
  refer: null,
  caution: null,
})
