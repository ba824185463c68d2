/** What a browser would keep of changes, in memory: `vi.mock('~/browser/keptChanges', …)`. */
const disk = new Map<string, { id: string; person: string; order: number }>()
const keep = async (item: { id: string; person: string; order: number }) =>
  void disk.set(item.id, item)
const ofPerson = async (person: string) => [...disk.values()].filter((i) => i.person === person)

export const keptChanges = {
  keepRequest: keep,
  keepPending: keep,
  dropKept: async (id: string) => void disk.delete(id),
  requestsOf: ofPerson,
  pendingOf: async () => [],
  filesOf: async () => [],
  sealLegible: async () => undefined,
  closedCount: async () => ({ others: 0, own: 0 }),
}

/** Nothing of anybody waits. */
export const emptyDisk = () => disk.clear()
