/**
 * A clock time as people type it, as 09:00: `9`, `930`, `9.30`, `17:5` is no time. What is none stays as it was typed,
 * for the form to say so.
 *
 * @example typedClock('9') // '09:00'
 */
export function typedClock(text: string): string {
  const [, hour, minute = '00'] = /^\s*(\d{1,2}?)[:.h ]?(\d{2})?\s*$/.exec(text) ?? []
  if (hour === undefined || Number(hour) > 23 || Number(minute) > 59) return text.trim()
  return `${hour.padStart(2, '0')}:${minute}`
}
