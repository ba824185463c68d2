import { condition } from './definition'

export const hypermobility = condition({
  kind: 'hypermobility',
  name: 'loose joints',
  plain: 'loose joints',
  child: 'loose joints are common in children: no correction for them alone',
  risk: { lossOfFeeling: false, reducedFlow: false, susceptible: false, highest: false },
  refer: null,
  caution: {
    code: 'hypermobility',
    words: 'Loose joints: do not measure or mould at the end of the range.',
  },
})
