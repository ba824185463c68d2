import type { Force } from '../../tables/vocabulary'

/** How much goes through the footwear, in the words of the story. */
export const FORCE_WORDS: Record<Force, string> = {
  light: 'light: standing, strolling',
  usual: 'usual: walking all day, climbing',
  hard: 'hard: landing, edging, loads',
}
