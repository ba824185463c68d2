/**
 * The floors of core/, ground floor first: a room imports from floors below it, or sideways without
 * a circle, never up. Told once, for the linter and for the picture in docs/house.md.
 */
export const FLOORS = [
  ['geometry', 'tables'],
  ['kinds'],
  ['record'],
  ['measure', 'examine'],
  ['device', 'capture', 'footwear'],
  ['mechanics', 'bench'],
  ['advice', 'followup'],
  ['formats'],
]
