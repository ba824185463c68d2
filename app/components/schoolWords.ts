import type { School } from '../../core/tables/vocabulary'

/** The schools as people say them, with what each looks at first. */
export const SCHOOL_WORDS: Record<School, { name: string; looks: string }> = {
  neutral: { name: 'Neutral position', looks: 'balance the foot to its neutral' },
  'tissue-stress': { name: 'Tissue stress', looks: 'unload what is overloaded' },
  sagittal: { name: 'Sagittal plane', looks: 'free the roll-over first' },
  platform: { name: 'Stable platform', looks: 'even load in a rigid boot' },
  comfort: { name: 'Comfort first', looks: 'least change that is felt' },
}
