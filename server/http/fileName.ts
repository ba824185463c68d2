import { setResponseHeader, type H3Event } from 'h3'

/**
 * Says how a file is to be taken and what it is called, whatever letters its name has: plain letters
 * for old programs, and the name itself beside them (RFC 6266, RFC 5987).
 *
 * @example nameFile(event, 'inline', 'HR-0412-card.pdf')
 */
export function nameFile(event: H3Event, how: 'inline' | 'attachment', name: string): void {
  setResponseHeader(event, 'content-disposition', dispositionOf(how, name))
}

/** @example dispositionOf('inline', 'Žižka.pdf') // `inline; filename="_i_ka.pdf"; filename*=UTF-8''…` */
export function dispositionOf(how: 'inline' | 'attachment', name: string): string {
  const plain = name.replace(/[^A-Za-z0-9 ._-]/g, '_')
  if (plain === name) return `${how}; filename="${plain}"`
  const whole = name.replace(/\p{Surrogate}/gu, '_')
  const encoded = encodeURIComponent(whole).replace(
    /['()*!]/g,
    (letter) => `%${letter.charCodeAt(0).toString(16).toUpperCase()}`,
  )
  return `${how}; filename="${plain}"; filename*=UTF-8''${encoded}`
}
