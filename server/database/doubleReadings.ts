import type { DoubleReading } from '../../shared/contracts'
import type { Client } from './pool'

/** Double readings of a shop, newest first. */
export async function readDoubleReadings(db: Client, shopId: string): Promise<DoubleReading[]> {
  const { rows } = await db.query(
    `select id, fitter, what, subject, first_value as "first", second_value as "second", taken_on as "takenOn"
     from double_readings
     where shop_id = $1
     order by taken_on desc, id
     limit 2000`,
    [shopId],
  )
  return rows
}

export async function addDoubleReading(
  db: Client,
  shopId: string,
  reading: Omit<DoubleReading, 'id'>,
): Promise<string> {
  const { rows } = await db.query(
    `insert into double_readings (shop_id, fitter, what, subject, first_value, second_value, taken_on)
     values ($1, $2, $3, $4, $5, $6, $7)
     returning id`,
    [
      shopId,
      reading.fitter,
      reading.what,
      reading.subject,
      reading.first,
      reading.second,
      reading.takenOn,
    ],
  )
  return rows[0].id
}

export async function dropDoubleReading(db: Client, shopId: string, id: string): Promise<boolean> {
  return (
    (await db.query('delete from double_readings where shop_id = $1 and id = $2', [shopId, id]))
      .rowCount === 1
  )
}
