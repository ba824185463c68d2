import type { Client } from './schema'

/** What a client is asked to agree to; local law may ask for more. */
export const CONSENTS = [
  ['keep', 'that we keep what we measure'],
  ['photograph', 'that we photograph feet and footwear'],
  ['remind', 'that we remind them of visits and checks'],
] as const
export type ConsentKind = (typeof CONSENTS)[number][0]
type Consent = NonNullable<Client['consents']>[number]

/** The last word on it; undefined where nobody asked. */
export const consentOf = (client: Client, what: ConsentKind): Consent | undefined =>
  client.consents?.filter((c) => c.what === what).at(-1)

/** So many words on consents are kept of a client. */
const MOST = 40

/**
 * What a client agreed to, with one more word on it: what was said before stays, so that it can be shown.
 *
 * @example withConsent({}, { what: 'remind', given: true, on: '2026-12-01' }) // [{ what: 'remind', given: true, on: '2026-12-01' }]
 */
export const withConsent = (client: Client, consent: Consent & { what: ConsentKind }): Consent[] =>
  [...(client.consents ?? []), consent].slice(-MOST)
