/** A change of moment, against the plain device, above which a device pushes hard whatever it is for, N·mm: about a 4 mm skive with a 5° post (house limit). */
export const PUSH_MOST_NMM = 600
/** Force on the arch against quiet standing, by what goes through the footwear (house factors). */
export const ACTIVITY_FACTOR = { light: 1, usual: 1.5, hard: 2.5 } as const
/** Arch give under body weight and activity from which a shell feels as if it gave, and as if it sprang, mm (house limits). */
export const COMFORT_GIVE_MM = [0.6, 2] as const
/** Over equally good fits of the tissue, the same change of moment comes out between these shares of what is told. */
export const FIT_RANGE = [0.6, 1.5] as const
