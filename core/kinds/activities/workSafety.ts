import { activity } from './definition'

export const workSafety = activity({
  kind: 'work-safety',
  name: 'Work in safety shoes',
  plain: 'work in safety shoes',
  group: 'work',
  child: 'not for children',
  insensate: 'a cap that presses is not felt: look at the toes every break',
  cautions: [
    'A certified shoe stays certified only with what its maker allows inside. A cap is never stretched.',
  ],
  families: ['work-boot', 'shoe'],
  terrains: ['site', 'warehouse', 'workshop', 'cold store'],
  cuffOn: {},
  force: 'usual',
  ask: 'Does the cap touch the toes when you kneel? How many hours on concrete?',
  allowance: 'shoes',
  cold: false,
  lowRoom: false,
  springs: false,
  recheck: null,
  onBoard: false,
  shiftMm: { length: 0.5, instep: 0.5 },
})
