import { EventEmitter } from 'node:events'
import pg from 'pg'
import type { Client } from '../database/pool'

/** What changed in a shop; never what it is now: a screen asks for that. */
export type Change =
  | { what: 'part'; fitting: string; part: string; version: number }
  | { what: 'timers' | 'bench' | 'sessions' }

/** Tells every screen of a shop, once the transaction is kept. */
export const tellShop = async (db: Client, shopId: string, ...changes: Change[]): Promise<void> =>
  void (await db.query({
    name: 'tell shop',
    text: `select pg_notify('shop', told) from unnest($1::text[]) as told`,
    values: [changes.map((change) => JSON.stringify({ shop: shopId, change }))],
  }))

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
      const { shop, change } = JSON.parse(payload ?? '{}') as { shop: string; change: Change }
      emitter.emit(shop, change)
    })
    try {
      await client.connect()
      await client.query('listen shop')
      emitter.emit('reconnected')
    } catch {
      again()
    }
  }
  void connect()
}

/** Calls back for every change in a shop until the returned function is called. */
export function onShopChange(shopId: string, tell: (change: Change) => void): () => void {
  start()
  emitter.on(shopId, tell)
  return () => emitter.off(shopId, tell)
}
