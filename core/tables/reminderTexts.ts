import { z } from 'zod'
import { table } from './table'

/** What is due, by kind. */
export const DUE_KINDS = [
  'outcome',
  'visit',
  'outgrown',
  'remake',
  'guarantee',
  'quote',
  'lab',
  'uncollected',
] as const
export type DueKind = (typeof DUE_KINDS)[number]
/** What a client is written to about; a lab is the shop's own matter. */
export const REMIND_KINDS = [
  'outcome',
  'visit',
  'outgrown',
  'remake',
  'guarantee',
  'quote',
  'uncollected',
] as const satisfies readonly DueKind[]
export type RemindKind = (typeof REMIND_KINDS)[number]

const letter = z.strictObject({
  subject: z.string().trim().min(1).max(120),
  text: z.string().trim().min(1).max(2000),
})
export type ReminderText = z.output<typeof letter>

const END = '\n\nIf you do not want such letters, answer with one word.\n\n{shop}\n{contact}'
/**
 * Letters to clients, one a kind. {name}, {day}, {shop} and {contact} are filled in; nothing of a foot or of health
 * stands in them.
 */
export const reminderTexts = table({
  name: 'Letters of reminder',
  unit: '',
  source: 'house text, to be replaced by your own',
  state: 'own assumption',
  keptBy: 'shop',
  schema: z.strictObject({
    outcome: letter,
    visit: letter,
    outgrown: letter,
    remake: letter,
    guarantee: letter,
    quote: letter,
    uncollected: letter,
  }),
  house: {
    outcome: {
      subject: 'How is it going?',
      text: `Dear {name},\n\nyou have worn what we made for you for a while. A short word on how it goes helps us to put right what is not right yet.${END}`,
    },
    visit: {
      subject: 'Your visit on {day}',
      text: `Dear {name},\n\nwe agreed on a visit about {day}. Call or write if another day suits you better.${END}`,
    },
    outgrown: {
      subject: 'Time to look at the size',
      text: `Dear {name},\n\nby our estimate it is time to look at the size again, about {day}. Call or write for a short visit.${END}`,
    },
    remake: {
      subject: 'Time to look at what we made',
      text: `Dear {name},\n\nby our estimate it is time to look again at what we made, about {day}. Call or write for a short visit.${END}`,
    },
    guarantee: {
      subject: 'Your guarantee ends on {day}',
      text: `Dear {name},\n\nthe guarantee on what we made for you ends on {day}. If anything is left to put right, come in before.${END}`,
    },
    quote: {
      subject: 'Our quote holds until {day}',
      text: `Dear {name},\n\nour quote holds until {day}. Call or write if anything in it is open.${END}`,
    },
    uncollected: {
      subject: 'Ready for you',
      text: `Dear {name},\n\nwhat we made for you is ready. Call or write for a visit to try it.${END}`,
    },
  },
})
