import { process } from './definition'

export const heatedMould = process({
  kind: 'heated-mould',
  plain: 'casting the inside of your boot',
  child: 'not while growing',
  insensate: 'never on this foot',
  row: {
    id: 'heated-mould',
    name: 'Internal mould with its own heating',
    materials: 'putty, resistive wire, isolated low-voltage supply, probe',
    steps: [
      { id: 'cast', words: 'Cast both halves', minutes: 20, client: true, needs: ['chair'] },
      { id: 'cure', words: 'Putty cures', minutes: 40, waiting: true },
      {
        id: 'wire',
        words: 'Lay the wire, check for shorts',
        minutes: 20,
        caution: 'Isolated low-voltage supply only; never on a body.',
      },
      {
        id: 'ramp',
        words: 'Ramp the heat slowly, stay with it',
        minutes: 20,
        heat: 'resistive-mould',
        caution: 'Isolated low-voltage supply; never unattended; never on a body.',
      },
      {
        id: 'hold',
        words: 'Hold at temperature, stay with it',
        minutes: 22,
        perFoot: true,
        caution: 'Never unattended.',
      },
      {
        id: 'leave',
        words: 'Switch off, unplug, leave over night',
        minutes: 720,
        waiting: true,
        overnight: true,
      },
    ],
  },
})
