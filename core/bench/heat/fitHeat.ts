import { Refusal } from '../../record/refusal'
import type { HeatReading } from './heatLog'

/** What a log says of an apparatus: dT/dt = (T_amb + G·u − T)/τ. */
export interface HeatFit {
  /** °C for one unit of drive; null where the log was never driven */
  gain: number | null
  tauMin: number
  ambientC: number
  /** temperature at the first reading as fitted */
  startC: number
  /** dead time, min; 0 where the log holds no change of drive */
  deadMin: number
  /** half width of the 95 % band of the readings about the fit, °C */
  bandC: number
  /** temperature now as fitted, at the last reading */
  nowC: number
  lastMin: number
  drive: number
  ambientFree: boolean
}

/**
 * What earlier logs of the same apparatus say, with how sure they are (share of the value); it
 * steadies a log that has only begun.
 */
export interface HeatPrior {
  gain: number
  tauMin: number
  share: number
}

/**
 * What a probe is off by, °C; weighs readings against what is known of the apparatus (house
 * default).
 */
const PROBE_C = 0.5
const LEAST = 4
/**
 * A start of its own is believed when it explains so many times what a reading is off by (F on 1
 * degree of freedom, about 0.1 %).
 */
const WARM_START = 11
const TAU_MIN = 0.02
const TAU_MAX = 2000
/** Golden section, to this share of τ. */
const TAU_SHARE = 1e-7
const GOLDEN = (Math.sqrt(5) - 1) / 2

/**
 * How much of start, surroundings and gain is in the temperature at each reading, for a τ and a
 * dead time.
 */
function columns(
  log: readonly HeatReading[],
  changes: Changes,
  tau: number,
  dead: number,
): { start: number[]; ambient: number[]; gain: number[] } {
  const start = [1]
  const ambient = [0]
  const gain = [0]
  for (let i = 1; i < log.length; i++) {
    const from = log[i - 1]!.minutes
    const to = log[i]!.minutes
    const decay = Math.exp(-(to - from) / tau)
    start.push(start[i - 1]! * decay)
    ambient.push(1 + (ambient[i - 1]! - 1) * decay)
    // The drive holds from its reading to the next; with a dead time it arrives later, maybe in the
    // middle of an interval.
    let g = gain[i - 1]!
    let t = from
    for (const at of dead === 0 ? [to] : [...arrivals(changes, dead, from, to), to]) {
      const u = dead === 0 ? log[i - 1]!.drive : driveAt(changes, t - dead)
      g = u + (g - u) * Math.exp(-(at - t) / tau)
      t = at
    }
    gain.push(g)
  }
  return { start, ambient, gain }
}

/** Changes of the drive, the first reading's as the first; few, so they are walked through. */
const changesOf = (log: readonly HeatReading[]) =>
  log.flatMap((r, i) =>
    i === 0 || r.drive !== log[i - 1]!.drive ? [{ at: r.minutes, drive: r.drive }] : [],
  )
type Changes = ReturnType<typeof changesOf>

function driveAt(changes: Changes, minutes: number): number {
  let { drive } = changes[0]!
  for (const c of changes) {
    if (c.at > minutes + 1e-12) break
    drive = c.drive
  }
  return drive
}

/** Moments inside an interval at which a change of drive arrives. */
const arrivals = (changes: Changes, dead: number, from: number, to: number): number[] =>
  changes.flatMap((c, i) => (i > 0 && c.at + dead > from && c.at + dead < to ? [c.at + dead] : []))

/** Least squares of a few columns by the normal equations; null when they cannot be told apart. */
function solve(cols: readonly number[][], y: readonly number[]): number[] | null {
  const k = cols.length
  const a = cols.map((c) => [
    ...cols.map((d) => c.reduce((sum, v, i) => sum + v * d[i]!, 0)),
    c.reduce((sum, v, i) => sum + v * y[i]!, 0),
  ])
  for (let i = 0; i < k; i++) {
    let best = i
    for (let r = i + 1; r < k; r++) if (Math.abs(a[r]![i]!) > Math.abs(a[best]![i]!)) best = r
    if (Math.abs(a[best]![i]!) < 1e-10) return null
    ;[a[i], a[best]] = [a[best]!, a[i]!]
    for (let r = 0; r < k; r++) {
      if (r === i) continue
      const f = a[r]![i]! / a[i]![i]!
      for (let c = i; c <= k; c++) a[r]![c]! -= f * a[i]![c]!
    }
  }
  return a.map((row, i) => row[k]! / row[i]!)
}

interface Tried {
  tau: number
  dead: number
  start: number
  ambient: number
  gain: number | null
  sum: number
}

/**
 * Fits G and τ to a log by least squares; the start temperature is fitted too. The surroundings are
 * free only when the log holds two drives or a part without drive; else they are given, or the
 * first reading. A dead time is looked for only when the drive changes.
 *
 * @param prior gain and time constant of this apparatus from earlier logs, held against the
 *   readings by how sure each is
 * @param ambientC temperature of the surroundings; the first reading where absent and not free
 * @throws Refusal with fewer than four readings, or when nothing of it moves
 * For instance `fitHeat([{ minutes: 0, celsius: 21, drive: 1 }, …], {}).tauMin` is 6.4
 */
export function fitHeat(
  log: readonly HeatReading[],
  { ambientC, prior }: { ambientC?: number; prior?: HeatPrior } = {},
): HeatFit {
  if (log.length < LEAST)
    throw new Refusal(
      'too-few',
      `A fit needs at least ${LEAST} readings; there are ${log.length}.`,
      'log',
    )
  const y = log.map((r) => r.celsius)
  const changes = changesOf(log)
  const drives = new Set(log.map((r) => r.drive))
  const driven = log.some((r) => r.drive !== 0)
  const free = ambientC === undefined && (drives.size > 1 || !driven)
  const given = ambientC ?? y[0]!
  if (Math.max(...y) - Math.min(...y) < 1e-9)
    throw new Refusal('flat', 'Every reading is the same: there is nothing to fit.', 'log')
  // A log that begins cold begins at the surroundings; one number less to find makes a short log
  // say much more.
  let cold = driven
  const attempt = (tau: number, dead: number): Tried => {
    const c = columns(log, changes, tau, dead)
    const still = cold ? c.start.map((v, i) => v + c.ambient[i]!) : c.ambient
    const use = [...(cold ? [] : [c.start]), ...(free ? [still] : []), ...(driven ? [c.gain] : [])]
    const rest = free ? y.slice() : y.map((v, i) => v - given * still[i]!)
    if (prior && driven) {
      // One more line: the gain is what it was before, as surely as that was known.
      const weight = PROBE_C / (prior.share * Math.abs(prior.gain))
      use.forEach((col, k) => (use[k] = [...col, k === use.length - 1 ? weight : 0]))
      rest.push(weight * prior.gain)
    }
    const doubt = prior ? (PROBE_C * (Math.log(tau) - Math.log(prior.tauMin))) / prior.share : 0
    const found = solve(use, rest)
    if (!found) return { tau, dead, start: y[0]!, ambient: given, gain: null, sum: Infinity }
    const fitted = rest.map((_, i) => use.reduce((sum, col, k) => sum + found[k]! * col[i]!, 0))
    const ambient = free ? found[cold ? 0 : 1]! : given
    return {
      tau,
      dead,
      start: cold ? ambient : found[0]!,
      ambient,
      gain: driven ? found.at(-1)! : null,
      sum: doubt ** 2 + rest.reduce((sum, v, i) => sum + (v - fitted[i]!) ** 2, 0),
    }
  }
  const span = log.at(-1)!.minutes - log[0]!.minutes
  const bestTau = (dead: number): Tried => {
    let best: Tried | null = null
    const low = Math.log(Math.max(TAU_MIN, span / 200))
    const high = Math.log(Math.min(TAU_MAX, span * 60))
    for (let i = 0; i <= 40; i++) {
      const tried = attempt(Math.exp(low + ((high - low) * i) / 40), dead)
      if (!best || tried.sum < best.sum) best = tried
    }
    const step = (high - low) / 40
    let [a, b] = [Math.log(best!.tau) - step, Math.log(best!.tau) + step]
    let [c, d] = [b - GOLDEN * (b - a), a + GOLDEN * (b - a)]
    let [fc, fd] = [attempt(Math.exp(c), dead), attempt(Math.exp(d), dead)]
    while (b - a > TAU_SHARE) {
      if (fc.sum < fd.sum) {
        b = d
        d = c
        fd = fc
        c = b - GOLDEN * (b - a)
        fc = attempt(Math.exp(c), dead)
      } else {
        a = c
        c = d
        fc = fd
        d = a + GOLDEN * (b - a)
        fd = attempt(Math.exp(d), dead)
      }
    }
    return [best!, fc, fd].reduce((x, z) => (z.sum < x.sum ? z : x))
  }
  let fit = bestTau(0)
  if (cold) {
    const coldFit = fit
    cold = false
    fit = bestTau(0)
    const perReading = fit.sum / Math.max(1, log.length - 3)
    if (coldFit.sum - fit.sum < WARM_START * perReading) {
      cold = true
      fit = coldFit
    }
  }
  if (drives.size > 1) {
    const most = Math.min(10, span / 4)
    let step = most / 12
    for (let centre = 0, round = 0; round < 5; round++, centre = fit.dead, step /= 5) {
      for (let k = round === 0 ? 1 : -6; k <= (round === 0 ? 12 : 6); k++) {
        const dead = centre + k * step
        if (dead <= 0 || dead > most) continue
        const tried = bestTau(dead)
        // A dead time has to earn its place: it must explain a part of what is left.
        if (tried.sum < fit.sum * 0.98) fit = tried
      }
    }
  }
  if (!Number.isFinite(fit.sum))
    throw new Refusal(
      'no-fit',
      'These readings do not follow heating or cooling towards one temperature.',
      'log',
    )
  const free_ = 1 + (cold ? 0 : 1) + (free ? 1 : 0) + (driven ? 1 : 0) + (fit.dead > 0 ? 1 : 0)
  const c = columns(log, changes, fit.tau, fit.dead)
  const last = log.length - 1
  return {
    gain: fit.gain,
    tauMin: fit.tau,
    ambientC: fit.ambient,
    startC: fit.start,
    deadMin: fit.dead,
    bandC: 1.96 * Math.sqrt(fit.sum / Math.max(1, log.length - free_)),
    nowC:
      fit.start * c.start[last]! + fit.ambient * c.ambient[last]! + (fit.gain ?? 0) * c.gain[last]!,
    lastMin: log[last]!.minutes,
    drive: log[last]!.drive,
    ambientFree: free,
  }
}
