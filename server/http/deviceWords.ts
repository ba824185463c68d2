/** What a browser says of itself, by the first that fits. */
const SYSTEMS: [RegExp, string][] = [
  [/iPad/, 'iPad'],
  [/iPhone/, 'iPhone'],
  [/Android/, 'Android'],
  [/Windows/, 'Windows'],
  [/Mac OS X/, 'Mac'],
  [/Linux|X11/, 'Linux'],
]
const BROWSERS: [RegExp, string][] = [
  [/Firefox\//, 'Firefox'],
  [/Edg\//, 'Edge'],
  [/Chrom(e|ium)\//, 'Chromium'],
  [/Safari\//, 'Safari'],
]
const first = (known: [RegExp, string][], text: string) =>
  known.find(([pattern]) => pattern.test(text))?.[1]

/**
 * Words by which its owner knows a device again.
 *
 * @example deviceWords('Mozilla/5.0 (Linux; Android 14) Gecko Firefox/130.0') // 'Firefox on Android'
 */
export function deviceWords(userAgent: string | undefined): string {
  const browser = first(BROWSERS, userAgent ?? '') ?? 'A program'
  const system = first(SYSTEMS, userAgent ?? '')
  return system ? `${browser} on ${system}` : browser
}
