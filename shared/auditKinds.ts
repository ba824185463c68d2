/** What people did, in groups that one looks for, and the beginnings of the actions in each. */
export const AUDIT_KINDS = {
  looked: { words: 'Looked at', begins: ['client.see', 'fitting.see', 'photo.see', 'scan.see'] },
  client: {
    words: 'Clients',
    begins: ['client.', 'record.', 'fitting.open', 'fitting.place', 'visit.'],
  },
  fitting: {
    words: 'Changes of a fitting',
    begins: ['part.put', 'readings.', 'jobs.', 'photo.add', 'photo.drop', 'scan.add', 'scan.drop'],
  },
  out: {
    words: 'Went out',
    begins: ['document.', 'device.order', 'client.export', 'fitting.export'],
  },
  shop: {
    words: 'Shop',
    begins: [
      'norms.',
      'models.',
      'preset.',
      'double-reading.',
      'bench.',
      'owner.',
      'place.',
      'self.',
    ],
  },
  session: { words: 'Sign-ins', begins: ['sign-'] },
} as const
export type AuditKind = keyof typeof AUDIT_KINDS

/** One line of the trail. */
export interface AuditRow {
  id: string
  at: string
  person: string | null
  /** where they worked; null before places were written down */
  place: string | null
  action: string
  clientId: string | null
  code: string | null
  /** what it was and what it became; null once the client was erased */
  detail: unknown
}
