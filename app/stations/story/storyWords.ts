import type {
  FORCES,
  HISTORY_KINDS,
  Intent,
  School,
  WHEN_IT_HURTS,
} from '../../../core/tables/vocabulary'

export const INTENT_WORDS: Record<Intent, string> = {
  race: 'Race',
  performance: 'Performance',
  'all-round': 'All-round',
  comfort: 'Comfort',
}
export const SCHOOL_WORDS: Record<School, string> = {
  neutral: 'Neutral',
  'tissue-stress': 'Tissue stress',
  sagittal: 'Sagittal',
  platform: 'Platform',
  comfort: 'Comfort',
}
export const WHEN_WORDS: Record<(typeof WHEN_IT_HURTS)[number], string> = {
  start: 'at the start',
  during: 'during',
  after: 'after',
  morning: 'in the morning',
  always: 'always',
  night: 'at night',
}
export const FORCE_SHORT: Record<(typeof FORCES)[number], string> = {
  light: 'light',
  usual: 'usual',
  hard: 'hard',
}
export const HISTORY_WORDS: Record<(typeof HISTORY_KINDS)[number], string> = {
  break: 'break',
  operation: 'operation',
  sprain: 'sprain',
  other: 'other',
}
