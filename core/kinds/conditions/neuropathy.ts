import { condition } from './definition'

export const neuropathy = condition({
  kind: 'neuropathy',
  name: 'lost feeling',
  plain: 'feeling lost in the feet',
  child: 'in a child its doctor is asked before anything is made',
  risk: { lossOfFeeling: true, reducedFlow: false, susceptible: true, highest: false },
  refer: null,
  caution: null,
})
