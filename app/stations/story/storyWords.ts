import type { FORCES, HISTORY_KINDS, WHEN_IT_HURTS } from '../../../core/record/storySchema'
import type { Condition, Intent, School } from '../../../core/record/vocabulary'

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
export const CONDITION_WORDS: Record<Condition, string> = {
  diabetes: 'diabetes',
  neuropathy: 'lost feeling',
  poorCirculation: 'poor circulation',
  pastUlcer: 'past ulcer',
  amputation: 'amputation',
  kidneyFailure: 'kidney failure',
  smoking: 'smokes',
  inflammatoryArthritis: 'inflammatory arthritis',
  osteoarthritis: 'osteoarthritis',
  hypermobility: 'loose joints',
  pregnancy: 'pregnancy',
  bloodThinners: 'blood thinners',
  recentOperation: 'operation < 6 months',
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
