import { broken } from './meshFile'

const isSpace = (c: number) => c === 32 || c === 9 || c === 13 || c === 11 || c === 12

/**
 * Reads words and numbers line by line straight from bytes, so that a large text file never becomes
 * a large string.
 */
export class TextReader {
  line = 1
  constructor(
    readonly bytes: Uint8Array,
    public at = 0,
  ) {}

  get ended(): boolean {
    return this.at >= this.bytes.length
  }

  get place(): string {
    return `line ${this.line}`
  }

  private skipSpaces() {
    while (this.at < this.bytes.length && isSpace(this.bytes[this.at]!)) this.at++
  }

  /** Is there nothing more on this line? */
  get lineEnded(): boolean {
    this.skipSpaces()
    return this.at >= this.bytes.length || this.bytes[this.at] === 10
  }

  /** Goes to the beginning of the next line. */
  nextLine() {
    const end = this.bytes.indexOf(10, this.at)
    this.at = end < 0 ? this.bytes.length : end + 1
    this.line++
  }

  /** The next word of this line; empty when the line has ended. */
  word(): string {
    if (this.lineEnded) return ''
    const from = this.at
    while (
      this.at < this.bytes.length &&
      !isSpace(this.bytes[this.at]!) &&
      this.bytes[this.at] !== 10
    )
      this.at++
    if (this.at - from > 200)
      throw broken('A word is longer than any that belongs here', this.place)
    let text = ''
    for (let i = from; i < this.at; i++) text += String.fromCharCode(this.bytes[i]!)
    return text
  }

  /** The next word of this line as a number. */
  number(): number {
    if (this.lineEnded) throw broken('A number is missing', this.place)
    const { bytes } = this
    const from = this.at
    let at = from
    let sign = 1
    if (bytes[at] === 45) [sign, at] = [-1, at + 1]
    else if (bytes[at] === 43) at++
    let digits = 0
    let value = 0
    let scale = 0
    for (; at < bytes.length && bytes[at]! >= 48 && bytes[at]! <= 57; at++, digits++)
      value = value * 10 + bytes[at]! - 48
    if (bytes[at] === 46)
      for (at++; at < bytes.length && bytes[at]! >= 48 && bytes[at]! <= 57; at++, digits++, scale--)
        value = value * 10 + bytes[at]! - 48
    const plain = at >= bytes.length || isSpace(bytes[at]!) || bytes[at] === 10
    if (plain && digits > 0 && digits <= 15) {
      this.at = at
      return sign * (scale === 0 ? value : value / 10 ** -scale)
    }
    const word = this.word()
    const parsed = Number(word)
    if (word === '' || !Number.isFinite(parsed))
      throw broken(`"${word.slice(0, 40)}" is not a number`, this.place)
    return parsed
  }
}
