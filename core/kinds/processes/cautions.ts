/** Cautions that several ways of making have in common. */
export const COOL =
  'Cold packs under the blank, never on skin, five minutes at most; look at the skin. Not with poor feeling or circulation or cold-sensitive toes: air or a fan.'
export const DUST = 'Extraction on, mask on.'
export const SOCK = 'Measure the side that touches the sock just before the foot goes in.'
export const SHEET = 'Gloves; the press open before the sheet is ready.'
