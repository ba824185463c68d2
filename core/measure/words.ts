import type { FootMeasure } from './footMeasure'

const WIDTH_WORDS = {
  narrow: 'narrow forefoot',
  medium: 'medium forefoot',
  wide: 'wide forefoot',
  extraWide: 'extra wide forefoot',
} as const
const VOLUME_WORDS = { low: 'low-volume', medium: 'medium-volume', high: 'high-volume' } as const
const GIRTH_WORDS = { low: 'slim', medium: 'average', high: 'full' } as const

/** The shape in words a fitter would use: 'wide forefoot, low-volume waist, average ankle'. */
export function describeShape(
  measure: Pick<FootMeasure, 'classes' | 'arch' | 'sizes'>,
  child: boolean,
): string {
  if (child) return 'growing foot: no adult classes'
  const { classes, arch } = measure
  const words = [
    classes?.forefootWidth && WIDTH_WORDS[classes.forefootWidth.class],
    classes?.midfootVolume && `${VOLUME_WORDS[classes.midfootVolume]} waist`,
    classes?.heelInstep && `${GIRTH_WORDS[classes.heelInstep]} heel and instep`,
    classes?.ankle && `${GIRTH_WORDS[classes.ankle]} ankle`,
    arch.class && `${arch.class} arch`,
  ].filter((w): w is string => Boolean(w))
  return words.length > 0 ? words.join(', ') : 'not enough readings for words'
}
