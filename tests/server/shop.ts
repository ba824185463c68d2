import pg from 'pg'
import { afterAll, beforeAll, inject } from 'vitest'
import { Caller, startServer } from './client'

/** A server of its own with two people of the demo shop, and the database as its owner sees it. */
export interface Shop {
  base: string
  /** a fitter */
  rhona: Caller
  /** the owner of the shop */
  sunniva: Caller
  owner: pg.Client
}

/** Starts it before the tests of a file, and ends it after them. */
export function useShop(port: number): Shop {
  const shop = {} as Shop
  let stop: () => Promise<void>
  beforeAll(async () => {
    const server = await startServer(port)
    stop = server.stop
    shop.base = server.base
    shop.rhona = await new Caller(server.base).signIn('rhona')
    shop.sunniva = await new Caller(server.base).signIn('sunniva')
    shop.owner = new pg.Client({ connectionString: inject('urls').MIGRATION_URL })
    await shop.owner.connect()
  })
  afterAll(async () => {
    await shop.owner.end()
    await stop()
  })
  return shop
}
