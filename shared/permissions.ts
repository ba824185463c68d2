/** Roles of people in a shop. */
export const ROLES = ['owner', 'fitter', 'bench', 'reader'] as const
export type Role = (typeof ROLES)[number]

export const ROLE_WORDS: Record<Role, { name: string; does: string }> = {
  owner: {
    name: 'Owner',
    does: 'Sees the week and the audit trail. Changes house rules and people.',
  },
  fitter: { name: 'Fitter', does: 'Measures, examines, prescribes, signs what goes to Make.' },
  bench: {
    name: 'Bench hand',
    does: 'Sees jobs, devices and steps. Names and stories stay hidden.',
  },
  reader: { name: 'Reader', does: 'Reads everything, changes nothing.' },
}

/**
 * Who may do what. Every route names one of these; the server checks it, the screen only follows.
 */
export const PERMISSIONS = {
  'today.see': ['owner', 'fitter', 'bench', 'reader'],
  'clients.see': ['owner', 'fitter', 'reader'],
  'clients.change': ['owner', 'fitter'],
  'clients.export': ['owner', 'fitter'],
  'clients.erase': ['owner'],
  'fittings.see': ['owner', 'fitter', 'bench', 'reader'],
  'fittings.change': ['owner', 'fitter'],
  'shapes.see': ['owner', 'fitter', 'reader'],
  'jobs.change': ['owner', 'fitter', 'bench'],
  'bench.see': ['owner', 'fitter', 'bench', 'reader'],
  'timers.see': ['owner', 'fitter', 'bench', 'reader'],
  'documents.ticket': ['owner', 'fitter', 'bench', 'reader'],
  'documents.card': ['owner', 'fitter', 'reader'],
  'records.import': ['owner', 'fitter'],
  'models.see': ['owner', 'fitter', 'bench', 'reader'],
  'models.change': ['owner'],
  'models.measure': ['owner', 'fitter'],
  'models.stock': ['owner', 'fitter', 'bench'],
  'presets.see': ['owner', 'fitter', 'bench', 'reader'],
  'presets.change': ['owner', 'fitter'],
  'devices.order': ['owner', 'fitter'],
  'norms.see': ['owner', 'fitter', 'bench', 'reader'],
  'norms.change': ['owner'],
  'audit.see': ['owner', 'reader'],
  'sessions.end': ['owner'],
  'places.see': ['owner', 'fitter', 'bench', 'reader'],
  'places.change': ['owner'],
  'backups.see': ['owner'],
  'people.see': ['owner', 'fitter', 'reader'],
  'people.change': ['owner'],
  'shop.see': ['owner', 'fitter', 'bench', 'reader'],
  'shop.change': ['owner'],
  'self.see': ['owner', 'fitter', 'bench', 'reader'],
  'self.change': ['owner', 'fitter', 'bench', 'reader'],
} as const satisfies Record<string, readonly Role[]>

export type Permission = keyof typeof PERMISSIONS

export const may = (role: Role, permission: Permission): boolean =>
  (PERMISSIONS[permission] as readonly Role[]).includes(role)

/** Parts of a fitting that a bench hand sees: what a job needs, no story and no complaints. */
export const BENCH_PARTS = [
  'readings.left',
  'readings.right',
  'findings.left',
  'findings.right',
  'device.left',
  'device.right',
  'footwear',
  'jobs',
  'making',
  'rounds',
  'visit',
  'norms',
] as const
