/** Rules that a part of a device came from, as it keeps them: one code, or several after each other. */
const SEPARATOR = ', '

/** The most that a part keeps of its reasons. */
const LONGEST = 80

/** The codes of the rules that a part came from. @example reasonsOf('met-pad, short-first') // ['met-pad', 'short-first'] */
export const reasonsOf = (because: string | undefined): string[] =>
  because === undefined || because === '' ? [] : because.split(SEPARATOR)

/**
 * The reasons of a part with one more, each once. Where there is no room for all the oldest go first.
 *
 * @example withReason('met-pad', 'short-first') // 'met-pad, short-first'
 */
export function withReason(because: string | undefined, code: string): string {
  const codes = [...reasonsOf(because).filter((c) => c !== code), code]
  while (codes.join(SEPARATOR).length > LONGEST) codes.shift()
  return codes.join(SEPARATOR)
}

/**
 * Is a part there for a reason? What was put there by hand, without a reason, serves any.
 *
 * @example serves('met-pad', 'short-first') // false
 */
export const serves = (because: string | undefined, code: string): boolean =>
  reasonsOf(because).length === 0 || reasonsOf(because).includes(code)
