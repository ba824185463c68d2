import { condition } from './definition'

export const kidneyFailure = condition({
  kind: 'kidneyFailure',
  name: 'kidney failure',
  plain: 'kidney failure',
  child: 'in a child its doctor is asked before anything is made',
  risk: { lossOfFeeling: false, reducedFlow: false, susceptible: true, highest: true },
  refer: null,
  caution: null,
})
