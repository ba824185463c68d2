import { reading } from './definition'

export const calfGirthMm = reading({
  kind: 'calfGirthMm',
  name: 'Calf girth',
  call: ['calf', 'calf girth'],
  how: 'at a stated height above the floor',
  instrument: 'tape',
  plain: 'around the calf',
  child: 'grows: take it again every season',
  insensate: 'lay the tape on without pulling; look at the skin after',
  boundsMm: [100, 700],
  repeatMm: 5,
  ratio: { mean: 1.4, sd: 0.14, state: 'own assumption' },
  view: 'girths',
  round: ['standing'],
  atHeight: true,
  drawn: { on: 'side', as: 'level', from: 0.05, to: 0.36, overMedialMm: 56, around: true },
  orderSheet: {
    code: 'C1',
    name: 'Calf girth',
    how: 'around the calf at the height of the cuff, the height written beside it',
  },
})
