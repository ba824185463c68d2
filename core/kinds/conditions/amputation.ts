import { condition } from './definition'

export const amputation = condition({
  kind: 'amputation',
  name: 'amputation',
  plain: 'a toe or part of the foot taken off',
  child: 'in a child its doctor is asked before anything is made',
  risk: { lossOfFeeling: false, reducedFlow: false, susceptible: true, highest: true },
  refer: null,
  caution: null,
})
