import { condition } from './definition'

export const recentOperation = condition({
  kind: 'recentOperation',
  name: 'operation < 6 months',
  plain: 'an operation less than six months ago',
  child: 'in a child its doctor is asked before anything is made',
  risk: { lossOfFeeling: false, reducedFlow: false, susceptible: false, highest: false },
  refer: 'an operation less than six months ago: surgeon or physiotherapist',
  caution: null,
})
