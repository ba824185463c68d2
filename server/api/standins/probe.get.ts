import { getQuery } from 'h3'
import { z } from 'zod'
import { parseWith } from '../../../core/record/parse'
import { eventStream } from '../../http/eventStream'
import { route } from '../../http/route'
import { probeReading } from '../../standins/probe'

const query = z.object({
  apparatus: z.string().max(40).default('oven'),
  /** 1 is the usual setting; 0 is off */
  drive: z.coerce.number().min(0).max(10).default(1),
  /** minutes of the log at which it begins, and the temperature then */
  from: z.coerce.number().min(0).max(2880).default(0),
  start: z.coerce.number().min(-20).max(400).default(21),
  /** minutes of the log in a minute of the clock: for practice, the curve can run faster */
  pace: z.coerce.number().min(1).max(120).default(1),
  seed: z.coerce.number().int().min(0).max(1e6).default(1),
})
/** A probe that nobody reads is let go after so long, ms. */
const MOST_MS = 3 * 3_600_000

/** The stand-in probe: one reading a second over server-sent events, as a real one sends them. */
export default route({ permission: 'bench.see' }, ({ event }) => {
  const q = parseWith(query, getQuery(event), 'query')
  return eventStream(event, (push) => {
    const began = Date.now()
    const tell = () => {
      const since = ((Date.now() - began) / 60_000) * q.pace
      push(
        'reading',
        JSON.stringify({
          minutes: Math.round((q.from + since) * 1000) / 1000,
          celsius: probeReading(q.apparatus, since, q.drive, q.start, q.seed),
          drive: q.drive,
        }),
      )
      if (Date.now() - began > MOST_MS) clearInterval(timer)
    }
    const timer = setInterval(tell, 1000)
    tell()
    return () => clearInterval(timer)
  })
})
