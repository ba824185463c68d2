/** The nine stations in order: name in the address, label, key. */
export const STATIONS = [
  { id: 'story', label: 'Story' },
  { id: 'measure', label: 'Measure' },
  { id: 'examine', label: 'Examine' },
  { id: 'capture', label: 'Capture' },
  { id: 'prescribe', label: 'Prescribe' },
  { id: 'match', label: 'Match' },
  { id: 'make', label: 'Make' },
  { id: 'handover', label: 'Handover' },
  { id: 'followup', label: 'Follow-up' },
] as const

export const stationNumber = (id: string): number => STATIONS.findIndex((s) => s.id === id) + 1
