import { condition } from './definition'

export const bloodThinners = condition({
  kind: 'bloodThinners',
  name: 'blood thinners',
  plain: 'medicine that thins the blood',
  child: 'in a child its doctor is asked before anything is made',
  risk: { lossOfFeeling: false, reducedFlow: false, susceptible: false, highest: false },
  refer: null,
  caution: {
    code: 'blood-thinners',
    words: 'Blood thinners: soft edges, short try-on; a bruise means stop.',
  },
})
