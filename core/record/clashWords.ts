import { READINGS } from '../kinds/readings/all'
import { keyWords } from './tableNumbers'

const NAMES: Record<string, string> = {
  readings: 'readings',
  findings: 'findings',
  device: 'device',
  devices: 'other devices',
  capture: 'capture',
  versions: 'versions of the device',
}

/** A part as people name it. @example partWords('findings.left') // 'left findings' */
export function partWords(part: string): string {
  const [name, side] = part.split('.')
  const words = NAMES[name!] ?? keyWords(name!)
  return side ? `${side} ${words}` : words
}

/** A step of a path: a reading by its name, a key as it reads. */
export function stepWords(step: string): string {
  const [first, ...more] = step.split(' ')
  const reading = READINGS.find(first!)
  const words = [reading?.name ?? keyWords(first!), ...more.map(keyWords)]
  return words.filter((word) => word !== '' && word !== 'false' && word !== 'true').join(' ')
}

/**
 * Where two people changed one thing.
 *
 * @example clashWords('readings.left', ['footLengthMm standing false'])
 *   // 'left readings: Foot length standing'
 */
export const clashWords = (part: string, path: readonly string[]): string =>
  [partWords(part), ...(path.length ? [path.map(stepWords).join(', ')] : [])].join(': ')

/** A value in one line; nothing where it was taken away. */
export function valueWords(value: unknown): string {
  if (value === undefined || value === null) return 'taken away'
  if (value === true) return 'yes'
  if (value === false) return 'no'
  if (typeof value !== 'object') return String(value)
  if (Array.isArray(value)) return value.length ? value.map(valueWords).join(', ') : 'none'
  return Object.entries(value)
    .filter(([key]) => key !== 'by' && key !== 'at')
    .map(([key, inner]) => `${keyWords(key)} ${valueWords(inner)}`)
    .join('; ')
}
