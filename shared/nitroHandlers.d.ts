declare module '#nitro-internal-virtual/server-handlers' {
  /** Every route that was built, as Nitro lists them. */
  export const handlers: readonly { route: string; method?: string }[]
}
