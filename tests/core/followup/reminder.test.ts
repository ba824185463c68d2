import { describe, expect, it } from 'vitest'
import { reminderLetter, whyNotReminded } from '../../../core/followup/reminder'
import type { Client } from '../../../core/record/schema'
import { REMIND_KINDS, reminderTexts } from '../../../core/tables/reminderTexts'

const consent = (given: boolean, on = '2026-01-01') => ({ what: 'remind' as const, given, on })
const mail = 'tove@post.example'

describe('a letter', () => {
  it('goes to nobody who did not agree, whatever was said before', () => {
    const why = (client: Client) => whyNotReminded(client)
    expect(why({ mail })).toMatch(/Nobody asked/)
    expect(why({ mail, consents: [{ what: 'keep', given: true, on: '2026-01-01' }] })).toMatch(
      /Nobody asked/,
    )
    expect(why({ mail, consents: [consent(true), consent(false, '2026-02-01')] })).toMatch(
      /do not want/,
    )
    expect(why({ consents: [consent(true)] })).toMatch(/no mail/)
    expect(why({ mail, consents: [consent(false), consent(true, '2026-02-01')] })).toBeNull()
  })
  it('is filled in, and leaves no blank of its own behind', () => {
    const about = {
      client: { name: 'Tove' },
      on: '2026-12-01',
      shop: 'Fit Room',
      contact: '0555 1',
    }
    for (const kind of REMIND_KINDS) {
      const { subject, text } = reminderLetter(reminderTexts.house[kind], about)
      expect(`${subject} ${text}`).not.toMatch(/[{}]/)
      expect(text).toContain('Dear Tove')
      expect(text).toMatch(/Fit Room\n0555 1$/)
    }
    expect(reminderLetter(reminderTexts.house.guarantee, about).subject).toBe(
      'Your guarantee ends on 1 Dec 2026',
    )
  })
  it('keeps a blank that nobody knows, and takes no line break into its subject', () => {
    const about = { client: { name: 'A\nBcc: x' }, on: '2026-12-01', shop: '{name}', contact: '' }
    const { subject, text } = reminderLetter({ subject: 'For {name}', text: '{who} {shop}' }, about)
    expect(subject).toBe('For A Bcc: x')
    expect(text).toBe('{who} {name}')
  })
})
