import { activity } from './definition'

export const inline = activity({
  kind: 'inline',
  name: 'Inline skating',
  plain: 'skating on wheels',
  group: 'ice',
  child: 'growth room never filled with socks',
  insensate: 'rubbing is not felt: look after every hour',
  cautions: [],
  families: ['skate', 'soft-boot'],
  terrains: ['asphalt', 'rink', 'park'],
  cuffOn: {},
  force: 'hard',
  ask: 'Speed, tricks or long tours? Where does the cuff rub?',
  allowance: 'boots',
  cold: false,
  lowRoom: false,
  springs: false,
  recheck: 'blade',
  onBoard: false,
  shiftMm: {},
})
