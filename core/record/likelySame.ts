/** What is known of somebody when it is asked whether they are here already. */
export interface KnownOf {
  name?: string | undefined
  bornOn?: string | null | undefined
  phone?: string | null | undefined
}

/** A name without case, accents and doubled blanks. */
const plain = (name: string) =>
  name.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase().trim().split(/\s+/)
const digits = (phone: string | null | undefined) => (phone ?? '').replace(/\D/g, '')
/** Fewer digits are no telephone number. */
const LEAST_DIGITS = 5
/** Of a telephone number so many digits from behind tell who it is: some write a country before it. */
const TELLING_DIGITS = 7
const tail = (phone: string | null | undefined) => digits(phone).slice(-TELLING_DIGITS)
/** Shorter names are not looked for. */
const LEAST_LETTERS = 3

/** What to look for in the list of clients, to find who may be meant. */
export function likelyAsked({ name = '', phone }: KnownOf): string[] {
  const words = name.trim().split(/\s+/)
  const longest = [...words].sort((a, b) => b.length - a.length)[0] ?? ''
  return [
    ...(longest.length >= LEAST_LETTERS ? [longest] : []),
    ...(digits(phone).length >= LEAST_DIGITS ? [tail(phone)] : []),
  ]
}

/**
 * Who of these may be the same person: so called, in whatever order and with whatever accents; or with one name in
 * common and born on the same day; or with the same telephone.
 *
 * @example likelySame({ name: 'Åsa Lind' }, [{ name: 'Lind Asa', id: 1 }]).length // 1
 */
export function likelySame<T extends KnownOf>(typed: KnownOf, those: readonly T[]): T[] {
  const words = plain(typed.name ?? '')
  const isName = words.join('').length >= LEAST_LETTERS
  const seen = new Set<unknown>()
  return those.filter((one) => {
    const key = (one as { id?: unknown }).id ?? one
    if (seen.has(key)) return false
    const theirs = plain(one.name ?? '')
    const isSoCalled = isName && [...words].sort().join(' ') === [...theirs].sort().join(' ')
    const hasNameInCommon = words.some((w) => w.length >= LEAST_LETTERS && theirs.includes(w))
    const isBornThen = Boolean(typed.bornOn) && typed.bornOn === one.bornOn
    const isReachedSo =
      digits(typed.phone).length >= LEAST_DIGITS && tail(typed.phone) === tail(one.phone)
    const isLikely = isSoCalled || (hasNameInCommon && isBornThen) || isReachedSo
    if (isLikely) seen.add(key)
    return isLikely
  })
}
