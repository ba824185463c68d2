import { EventEmitter } from 'node:events'
import pg from 'pg'

/** Word of a changed part. */
export interface PartChanged {
  fitting: string
  part: string
  version: number
}

const emitter = new EventEmitter().setMaxListeners(0)
let started = false

/** One connection listens for all screens; it comes back by itself when the database was away. */
function start() {
  if (started) return
  started = true
  const connect = async () => {
    const client = new pg.Client({ connectionString: process.env.DATABASE_URL })
    const again = () => {
      client.removeAllListeners()
      client.on('error', () => undefined)
      client.end().catch(() => undefined)
      setTimeout(connect, 1_000).unref()
    }
    client.once('error', again)
    client.once('end', again)
    client.on('notification', ({ payload }) => {
      const change = JSON.parse(payload ?? '{}') as PartChanged
      emitter.emit(change.fitting, change)
    })
    try {
      await client.connect()
      await client.query('listen fitting')
      emitter.emit('reconnected')
    } catch {
      again()
    }
  }
  void connect()
}

/** Calls back for every change of one fitting until the returned function is called. */
export function onFittingChange(
  fittingId: string,
  tell: (change: PartChanged) => void,
): () => void {
  start()
  emitter.on(fittingId, tell)
  return () => emitter.off(fittingId, tell)
}
