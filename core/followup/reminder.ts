import { consentOf } from '../record/consents'
import type { Client } from '../record/schema'
import { dayWords } from '../record/typedDay'
import type { ReminderText } from '../tables/reminderTexts'

/** What a letter is filled with beside its text. */
export interface ReminderAbout {
  client: Pick<Client, 'name'>
  /** YYYY-MM-DD */
  on: string
  shop: string
  contact: string
}

/** Why somebody is not written to; null where they may be. */
export function whyNotReminded(client: Client): string | null {
  const consent = consentOf(client, 'remind')
  if (!consent) return 'Nobody asked yet whether they want to be reminded.'
  if (!consent.given) return 'They do not want to be reminded.'
  return client.mail ? null : 'There is no mail address.'
}

/**
 * A letter with its blanks filled in; a blank that is none stays as it was typed.
 *
 * @example reminderLetter({ subject: 'For {name}', text: '{day}' }, { client: { name: 'Tove' }, on: '2026-12-01',
 *   shop: 'S', contact: '' }).subject // 'For Tove'
 */
export function reminderLetter(
  { subject, text }: ReminderText,
  { client, on, shop, contact }: ReminderAbout,
): ReminderText {
  const blanks: Record<string, string> = {
    name: client.name ?? '',
    day: dayWords(on),
    shop,
    contact,
  }
  const fill = (words: string) =>
    words.replace(/\{(\w+)\}/g, (whole, key: string) => blanks[key] ?? whole)
  return { subject: fill(subject).replace(/\s+/g, ' '), text: fill(text) }
}
