/** Where this device stands: it is remembered here, so that whoever signs in next works there too. */
const KEY = 'gentle-arch.place'

export function rememberPlace(id: string): void {
  try {
    localStorage.setItem(KEY, id)
  } catch {
    // A browser that keeps nothing asks nothing of it: the person's usual place holds.
  }
}
export function rememberedPlace(): string | undefined {
  try {
    return localStorage.getItem(KEY) ?? undefined
  } catch {
    return undefined
  }
}
