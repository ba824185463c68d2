/** What a worker's file exposed last; `comlink` is mocked to leave it here. */
const left: { worker: object | null } = { worker: null }

/** In place of `comlink`: workers leave their object, nothing is wrapped. */
export const comlinkHere = () => ({
  expose: (worker: object) => void (left.worker = worker),
  wrap: () => null,
})

/**
 * A worker in this thread, from its own file: every call is answered later, with copies in and
 * out, as a browser does.
 */
export async function workerHere<W extends object>(file: () => Promise<unknown>): Promise<W> {
  await file()
  const worker = left.worker as Record<string, (...values: unknown[]) => unknown>
  return new Proxy(worker, {
    get: (_, name: string) =>
      // Not a promise itself.
      name === 'then'
        ? undefined
        : async (...values: unknown[]) =>
            structuredClone(await worker[name]!(...structuredClone(values))),
  }) as W
}
