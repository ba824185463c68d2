import { HttpProblem } from '../http/problem'
import type { SignedIn } from './people'
import { wholeTransaction } from './pool'

/** So long an answer is kept for whoever asks again; the id is kept for good. */
const ANSWERS_DAYS = 30
/** One write in so many clears old answers away. */
const SWEEP_EVERY = 200

/**
 * Does a change once, however often it is sent: its id, the change and its answer are kept in one
 * transaction. Sent again, it is answered as the first time.
 *
 * @param id made by the browser with the change
 *
 * @throws HttpProblem where the id belongs to another person or another kind of change
 */
export function once<T>(
  { id, person, route }: { id: string; person: SignedIn; route: string },
  work: () => Promise<T> | T,
): Promise<T> {
  return wholeTransaction(async (db) => {
    const { rowCount } = await db.query(
      `insert into writes (id, shop_id, person_id, route) values ($1, $2, $3, $4)
       on conflict (id) do nothing`,
      [id, person.shopId, person.id, route],
    )
    if (rowCount === 0) {
      const { rows } = await db.query(
        'select answer from writes where id = $1 and person_id = $2 and route = $3',
        [id, person.id, route],
      )
      if (rows[0]) return (rows[0].answer ?? { repeated: true }) as T
      throw new HttpProblem(409, 'other-write', 'This change belongs to somebody else.')
    }
    const answer = await work()
    await db.query('update writes set answer = $2 where id = $1', [id, JSON.stringify(answer)])
    if (Math.random() < 1 / SWEEP_EVERY)
      await db.query(
        `update writes set answer = null
         where answer is not null and at < now() - $1 * interval '1 day'`,
        [ANSWERS_DAYS],
      )
    return answer
  })
}
