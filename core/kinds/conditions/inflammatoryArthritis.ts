import { condition } from './definition'

export const inflammatoryArthritis = condition({
  kind: 'inflammatoryArthritis',
  name: 'inflammatory arthritis',
  plain: 'inflamed joints',
  child: 'in a child its doctor is asked before anything is made',
  risk: { lossOfFeeling: false, reducedFlow: false, susceptible: false, highest: false },
  refer: null,
  caution: {
    code: 'inflammatory-arthritis',
    words:
      'Inflammatory arthritis: a hot joint is referred; total contact, no rigid shell in a flare.',
  },
})
