/** Keeps the last few of what takes long, by key; the one not asked for longest goes first. */
export function few<T>(most: number) {
  const kept = new Map<string, T>()
  return (key: string, make: () => T): T => {
    const found = kept.get(key) ?? make()
    kept.delete(key)
    kept.set(key, found)
    if (kept.size > most) kept.delete(kept.keys().next().value!)
    return found
  }
}
