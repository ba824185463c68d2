import { condition } from './definition'

export const pastUlcer = condition({
  kind: 'pastUlcer',
  name: 'past ulcer',
  plain: 'a sore on the foot that was slow to heal',
  child: 'in a child its doctor is asked before anything is made',
  risk: { lossOfFeeling: false, reducedFlow: false, susceptible: true, highest: true },
  refer: null,
  caution: null,
})
