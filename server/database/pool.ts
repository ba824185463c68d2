import { AsyncLocalStorage } from 'node:async_hooks'
import pg from 'pg'

// Days stay days: a date column comes back as 'YYYY-MM-DD', not as midnight in some zone.
pg.types.setTypeParser(pg.types.builtins.DATE, (value) => value)

export type Client = pg.PoolClient | pg.Pool

let pool: pg.Pool | null = null
/** the one transaction in which everything of a request runs, where it must count once */
const whole = new AsyncLocalStorage<pg.PoolClient>()

/** The application's connections, or the transaction that the whole request runs in. */
export const database = (): Client => whole.getStore() ?? connections()

/** Made on first use from DATABASE_URL. */
function connections(): pg.Pool {
  if (pool) return pool
  const connectionString = process.env.DATABASE_URL
  if (!connectionString)
    throw new Error('DATABASE_URL is not set: start the application with npm start')
  pool = new pg.Pool({
    connectionString,
    max: 12,
    connectionTimeoutMillis: 5_000,
    idleTimeoutMillis: 30_000,
    // What is asked is short: to compile it takes longer than to answer it.
    options: '-c jit=off',
  })
  // One that is closed under work fails that work; its own word of it must find a listener too.
  pool.on('connect', (client) => client.on('error', () => undefined))
  // A connection that PostgreSQL closes while idle is replaced on next use; without a listener it
  // would end the process.
  pool.on('error', (error) =>
    console.error(
      JSON.stringify({
        level: 'warn',
        what: 'database connection lost',
        code: (error as { code?: string }).code,
      }),
    ),
  )
  return pool
}

/** Runs work in one transaction: all of it or nothing. Within a whole one it is a piece of that. */
export async function transaction<T>(work: (client: pg.PoolClient) => Promise<T>): Promise<T> {
  const outer = whole.getStore()
  if (outer) return work(outer)
  const client = await connections().connect()
  try {
    await client.query('begin')
    const result = await work(client)
    await client.query('commit')
    return result
  } catch (error) {
    await client.query('rollback').catch(() => undefined)
    throw error
  } finally {
    client.release()
  }
}

/** Runs work so that everything it asks of the database is one transaction. */
export const wholeTransaction = <T>(work: (client: pg.PoolClient) => Promise<T>): Promise<T> =>
  transaction((client) => whole.run(client, () => work(client)))
