/** What is looked at before a pair leaves, in this order. */
export const HANDOVER_CHECKS = [
  { id: 'flat', name: 'Flat and not rocking', how: 'on the bench, both' },
  { id: 'edge', name: 'Edge behind the met heads', how: 'nothing under the heads' },
  { id: 'liner', name: 'Fits the liner', how: 'no fold, no lift' },
  { id: 'arches', name: 'Arches alike?', how: 'ask, and believe the answer' },
  { id: 'stand', name: 'Stand, flex, ten steps', how: 'or 15 minutes in the boot' },
  { id: 'toes', name: 'Toes', how: 'touch upright, leave when flexed; none numb' },
  { id: 'marks', name: 'Red marks gone in 30 minutes', how: 'skin looked at after' },
] as const
