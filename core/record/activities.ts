import type { FORCES } from './storySchema'
import type { Family } from './vocabulary'

/** How much goes through the footwear, in the words of the story. */
export const FORCE_WORDS: Record<(typeof FORCES)[number], string> = {
  light: 'light: standing, strolling',
  usual: 'usual: walking all day, climbing',
  hard: 'hard: landing, edging, loads',
}

/** One thing that clients do: families of footwear it calls for, what the follow-up questions offer, and the force it usually brings. */
export interface Activity {
  id: string
  name: string
  families: readonly Family[]
  terrains: readonly string[]
  force: (typeof FORCES)[number]
  /** what to ask next, said as at the bench */
  ask: string
}

/** What clients do in their footwear, in groups of footwear. */
export const ACTIVITIES: readonly Activity[] = [
  {
    id: 'ski-touring',
    name: 'Ski touring',
    families: ['rigid-shell'],
    terrains: ['long climbs', 'steep descents', 'piste', 'glacier'],
    force: 'hard',
    ask: 'More climbing or more descent? When does it start to hurt, going up or coming down?',
  },
  {
    id: 'mountaineering',
    name: 'Mountaineering',
    families: ['rigid-shell', 'laced-boot', 'work-boot'],
    terrains: ['rock', 'ice', 'long approach', 'scree'],
    force: 'hard',
    ask: 'Front points or long walks? Which toes touch on the way down?',
  },
  {
    id: 'hockey',
    name: 'Hockey',
    families: ['skate'],
    terrains: ['rink'],
    force: 'hard',
    ask: 'How do you lace, and where do they go numb? Bare foot or sock?',
  },
  {
    id: 'figure-skating',
    name: 'Figure skating',
    families: ['skate'],
    terrains: ['rink'],
    force: 'hard',
    ask: 'Jumps or dance? Where does the tongue press?',
  },
  {
    id: 'wildland-fire',
    name: 'Wildland fire',
    families: ['work-boot', 'laced-boot'],
    terrains: ['steep slopes', 'ash', 'roads'],
    force: 'hard',
    ask: 'How long are the shifts, how heavy is the pack, do they dry overnight?',
  },
  {
    id: 'ward',
    name: 'Ward and standing work',
    families: ['shoe'],
    terrains: ['hard floor', 'stairs'],
    force: 'usual',
    ask: 'How many hours stand still? What happens in the last ones?',
  },
  {
    id: 'road-riding',
    name: 'Road riding',
    families: ['riding-shoe', 'shoe'],
    terrains: ['road', 'track', 'city'],
    force: 'usual',
    ask: 'Where is the cleat, and does the ball burn or a knee hurt?',
  },
  {
    id: 'running',
    name: 'Running',
    families: ['shoe'],
    terrains: ['road', 'trail', 'track'],
    force: 'hard',
    ask: 'How far in a week, and what changed before it started?',
  },
  {
    id: 'walking',
    name: 'Walking',
    families: ['shoe', 'laced-boot', 'work-boot'],
    terrains: ['street', 'paths', 'mountain'],
    force: 'usual',
    ask: 'How far before it starts, and does sitting down stop it?',
  },
  {
    id: 'dress',
    name: 'Dress shoes',
    families: ['dress-shoe', 'shoe'],
    terrains: ['office', 'stage'],
    force: 'light',
    ask: 'How high is the heel, and for how many hours?',
  },
]

export const activityOf = (id: string | undefined): Activity | undefined =>
  ACTIVITIES.find((a) => a.id === id)

/** Families that suit an activity; every family when it is unknown (null). */
export const familiesFor = (activity: string | undefined): readonly Family[] | null =>
  ACTIVITIES.find((a) => a.id === activity)?.families ?? null

export const activityName = (id: string | undefined): string | undefined =>
  ACTIVITIES.find((a) => a.id === id)?.name ?? id
