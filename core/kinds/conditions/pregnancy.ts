import { condition } from './definition'

export const pregnancy = condition({
  kind: 'pregnancy',
  name: 'pregnancy',
  plain: 'pregnancy',
  child: 'not asked of a child',
  risk: { lossOfFeeling: false, reducedFlow: false, susceptible: false, highest: false },
  refer: null,
  caution: {
    code: 'pregnancy',
    words:
      'Pregnancy and three months after: sizes are provisional. Measure again, stretch or sell nothing as final.',
  },
})
