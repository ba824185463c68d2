/** Today in the shop's place, as YYYY-MM-DD (the server's own zone). */
export function localDay(now = new Date()): string {
  const pad = (n: number) => String(n).padStart(2, '0')
  return `${now.getFullYear()}-${pad(now.getMonth() + 1)}-${pad(now.getDate())}`
}

/** First moment of today and of tomorrow. */
export function dayBounds(now = new Date()): [Date, Date] {
  const from = new Date(now.getFullYear(), now.getMonth(), now.getDate())
  return [from, new Date(now.getFullYear(), now.getMonth(), now.getDate() + 1)]
}
