import type { LetterRow } from '../../shared/contracts'
import type { Client } from './pool'

/** A letter before it is written down. */
export interface NewLetter {
  clientId: string
  to: string
  subject: string
  text: string
  by: string
}
/** A letter as a sender takes it. */
export interface Letter {
  id: string
  to: string
  subject: string
  text: string
}

/** Puts a letter into the outbox. */
export async function putLetter(
  db: Client,
  shopId: string,
  { clientId, to, subject, text, by }: NewLetter,
): Promise<string> {
  const { rows } = await db.query(
    `insert into letters (shop_id, client_id, mail, subject, body, made_by)
     values ($1, $2, $3, $4, $5, $6) returning id`,
    [shopId, clientId, to, subject, text, by],
  )
  return rows[0].id
}

/** The newest letters of a shop, with what became of them. */
export async function newestLetters(db: Client, shopId: string, most = 100): Promise<LetterRow[]> {
  const { rows } = await db.query(
    `select l.id, l.mail as "to", c.code, c.name, l.subject, l.state, l.made_by as "madeBy",
       l.made_at as "madeAt", l.sent_at as "sentAt", l.problem
     from letters l join clients c on c.id = l.client_id
     where l.shop_id = $1 order by l.made_at desc limit $2`,
    [shopId, most],
  )
  return rows
}

/** So often a letter is tried. */
const MOST_TRIES = 6

/**
 * Sends one letter whose time has come, in the caller's transaction: whichever server has it in hand keeps it from
 * the others. One that a sender refuses is tried again, later each time, then left with why.
 *
 * @returns was there one?
 */
export async function sendNext(
  db: Client,
  send: (letter: Letter) => Promise<void>,
): Promise<boolean> {
  const { rows } = await db.query(
    `select id, mail as "to", subject, body as text, tries from letters
     where state = 'waiting' and next_try_at <= now()
     order by next_try_at limit 1 for update skip locked`,
  )
  const [letter] = rows
  if (!letter) return false
  try {
    await send(letter)
    await db.query(
      "update letters set state = 'sent', sent_at = now(), problem = null where id = $1",
      [letter.id],
    )
  } catch (error) {
    const isLast = letter.tries + 1 >= MOST_TRIES
    await db.query(
      `update letters set tries = tries + 1, problem = $2, state = $3,
         next_try_at = now() + make_interval(mins => (2 ^ tries)::int)
       where id = $1`,
      [letter.id, (error as Error).message.slice(0, 200), isLast ? 'failed' : 'waiting'],
    )
  }
  return true
}
