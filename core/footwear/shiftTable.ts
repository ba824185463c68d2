/** How far character moves a band, mm (house defaults, editable). */
export const CHARACTER_MM = { loose: 1, stiff: 1, bony: 1.5, numb: 1 }
export type CharacterShifts = Readonly<typeof CHARACTER_MM>

/** How far an activity moves a band, mm, by `activity.station` (house defaults, editable): feet swell and slide forward. */
export const ACTIVITY_SHIFT_MM: Readonly<Record<string, number>> = {
  'wildland-fire.length': 1,
  'wildland-fire.ball': 1,
  'ward.ball': 0.5,
  'ward.instep': 1,
  'running.length': 1,
  'walking.length': 0.5,
}
