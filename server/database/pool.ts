import pg from 'pg'

// Days stay days: a date column comes back as 'YYYY-MM-DD', not as midnight in some zone.
pg.types.setTypeParser(pg.types.builtins.DATE, (value) => value)

export type Client = pg.PoolClient | pg.Pool

let pool: pg.Pool | null = null

/** The application's connections; made on first use from DATABASE_URL. */
export function database(): pg.Pool {
  if (pool) return pool
  const connectionString = process.env.DATABASE_URL
  if (!connectionString)
    throw new Error('DATABASE_URL is not set: start the application with npm start')
  pool = new pg.Pool({
    connectionString,
    max: 12,
    connectionTimeoutMillis: 5_000,
    idleTimeoutMillis: 30_000,
  })
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

/** Runs work in one transaction: all of it or nothing. */
export async function transaction<T>(work: (client: pg.PoolClient) => Promise<T>): Promise<T> {
  const client = await database().connect()
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
