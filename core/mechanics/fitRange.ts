/**
 * Over equally good fits of the tissue to the published pressures, the same change of moment comes
 * out between these shares of what is told (own search; a property of the model, not a limit).
 */
export const FIT_RANGE = [0.6, 1.5] as const
