import type { Family } from './vocabulary'

/** What clients do in their footwear, and the families of footwear it calls for. */
export const ACTIVITIES: readonly { id: string; name: string; families: readonly Family[] }[] = [
  { id: 'ski-touring', name: 'Ski touring', families: ['rigid-shell'] },
  { id: 'mountaineering', name: 'Mountaineering', families: ['rigid-shell', 'laced-boot', 'work-boot'] },
  { id: 'hockey', name: 'Hockey', families: ['skate'] },
  { id: 'figure-skating', name: 'Figure skating', families: ['skate'] },
  { id: 'wildland-fire', name: 'Wildland fire', families: ['work-boot', 'laced-boot'] },
  { id: 'ward', name: 'Ward and standing work', families: ['shoe'] },
  { id: 'road-riding', name: 'Road riding', families: ['riding-shoe', 'shoe'] },
  { id: 'walking', name: 'Walking', families: ['shoe', 'laced-boot', 'work-boot'] },
]

/** Families that suit an activity; every family when it is unknown (null). */
export const familiesFor = (activity: string | undefined): readonly Family[] | null => ACTIVITIES.find((a) => a.id === activity)?.families ?? null

export const activityName = (id: string | undefined): string | undefined => ACTIVITIES.find((a) => a.id === id)?.name ?? id
