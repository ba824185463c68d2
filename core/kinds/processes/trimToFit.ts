import { process } from './definition'

export const trimToFit = process({
  kind: 'trim-to-fit',
  plain: 'trimming a ready-made insole',
  child: 'trim with room to grow; look again every season',
  insensate: 'no hard edge under the foot: look at the skin after the first wear',
  row: {
    id: 'trim-to-fit',
    name: 'Trim-to-fit insert',
    makes: ['trim-to-fit'],
    materials: 'insert in the size of the arch length, template',
    steps: [
      { id: 'choose', words: 'Choose the blank by arch length', minutes: 2 },
      {
        id: 'trim',
        words: 'Trim to the template',
        minutes: 4,
        perFoot: true,
        caution: 'Cut away from the hand.',
      },
      { id: 'try', words: 'Try in the footwear', minutes: 3, client: true, needs: ['chair'] },
    ],
  },
})
