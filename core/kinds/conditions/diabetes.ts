import { condition } from './definition'

export const diabetes = condition({
  kind: 'diabetes',
  name: 'diabetes',
  plain: 'sugar disease',
  child: 'in a child its doctor is asked before anything is made',
  risk: { lossOfFeeling: false, reducedFlow: false, susceptible: true, highest: false },
  refer: null,
  caution: null,
})
