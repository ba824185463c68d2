/** Stands for a sign that none of the letters have. */
export const NO_SIGN = '[?]'

/** A piece of text that one set of letters writes. */
export interface SignRun {
  letters: 'own' | 'others'
  text: string
}

/** What is never seen: it needs no sign, and is left out where the letters lack it. */
const UNSEEN = /^\p{Default_Ignorable_Code_Point}$/u

/**
 * Splits text by the letters that can write it; spaces stay with what they follow.
 *
 * @param has whether these letters have a sign, by its code point
 * @returns runs in order; `missing` where a sign is in neither and `[?]` stands for it
 * @example
 *   signRuns('For 田中', (code) => code < 0x250, () => true).runs.map((r) => r.letters)
 *   // → ['own', 'others']
 */
export function signRuns(
  text: string,
  has: (code: number) => boolean,
  othersHave: (code: number) => boolean,
): { runs: SignRun[]; missing: boolean } {
  const runs: SignRun[] = []
  let missing = false
  const add = (letters: SignRun['letters'], sign: string) => {
    const last = runs.at(-1)
    if (last && (last.letters === letters || /^\s$/.test(sign))) last.text += sign
    else runs.push({ letters, text: sign })
  }
  for (const sign of text.normalize('NFC')) {
    const code = sign.codePointAt(0)!
    if (/^\s$/.test(sign) || has(code)) add('own', sign)
    else if (othersHave(code)) add('others', sign)
    else if (!UNSEEN.test(sign)) {
      missing = true
      add('own', NO_SIGN)
    }
  }
  return { runs, missing }
}
