import { activity } from './definition'

export const ballet = activity({
  kind: 'ballet',
  name: 'Ballet and pointe',
  plain: 'ballet',
  group: 'dance',
  child: 'not on pointe before somebody entitled to it has looked',
  insensate: 'not for a foot that does not feel',
  cautions: [
    'Pointe shoes and ballet flats are fitted by those who know them: kept here, and referred.',
  ],
  families: ['dance'],
  terrains: ['flats', 'pointe'],
  cuffOn: {},
  force: 'hard',
  ask: 'Who fits the shoes, how many hours, and on pointe since when?',
  allowance: 'shoes',
  cold: false,
  lowRoom: true,
  springs: true,
  recheck: null,
  onBoard: false,
  shiftMm: {},
})
