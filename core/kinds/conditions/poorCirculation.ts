import { condition } from './definition'

export const poorCirculation = condition({
  kind: 'poorCirculation',
  name: 'poor circulation',
  plain: 'poor blood flow in the legs',
  child: 'in a child its doctor is asked before anything is made',
  risk: { lossOfFeeling: false, reducedFlow: true, susceptible: true, highest: false },
  refer: null,
  caution: null,
})
