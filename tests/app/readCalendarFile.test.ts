import ical from 'ical-generator'
import { describe, expect, it } from 'vitest'
import { readCalendarFile } from '../../app/calendar/readCalendarFile'

const FROM = new Date('2026-12-01T00:00:00Z')
/** A calendar file with these lines of events. */
const file = (...events: string[]) =>
  ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//test//EN', ...events, 'END:VCALENDAR'].join('\r\n')
const event = (uid: string, ...lines: string[]) =>
  ['BEGIN:VEVENT', `UID:${uid}`, 'DTSTAMP:20261101T000000Z', ...lines, 'END:VEVENT'].join('\r\n')

describe('a calendar file', () => {
  it('is read as another writer made it: from when to when, nothing of what it is', () => {
    const calendar = ical({ name: 'Own' })
    calendar.createEvent({
      start: new Date('2026-12-03T10:00:00Z'),
      end: new Date('2026-12-03T11:30:00Z'),
      summary: 'Dentist, private',
      description: 'root canal',
    })
    const read = readCalendarFile(calendar.toString(), FROM)
    expect(read.busy).toMatchObject([
      { startsAt: '2026-12-03T10:00:00.000Z', endsAt: '2026-12-03T11:30:00.000Z' },
    ])
    expect(JSON.stringify(read)).not.toMatch(/Dentist|root/)
  })
  it('is written out where it repeats, but for the day that is left out and the one that was moved', () => {
    const read = readCalendarFile(
      file(
        event(
          'choir',
          'DTSTART:20261201T170000Z',
          'DTEND:20261201T183000Z',
          'RRULE:FREQ=WEEKLY;COUNT=5',
          'EXDATE:20261215T170000Z',
        ),
        event(
          'choir',
          'RECURRENCE-ID:20261222T170000Z',
          'DTSTART:20261223T120000Z',
          'DTEND:20261223T130000Z',
        ),
      ),
      FROM,
    )
    expect(read.busy.map((time) => time.startsAt)).toEqual([
      '2026-12-01T17:00:00.000Z',
      '2026-12-08T17:00:00.000Z',
      '2026-12-23T12:00:00.000Z',
      '2026-12-29T17:00:00.000Z',
    ])
  })
  it('ends after a year where it repeats for ever, and begins today', () => {
    const daily = event(
      'd',
      'DTSTART:20200101T080000Z',
      'DTEND:20200101T081500Z',
      'RRULE:FREQ=DAILY',
    )
    const { busy } = readCalendarFile(file(daily), FROM)
    expect(busy).toHaveLength(365)
    expect(busy[0]!.startsAt).toBe('2026-12-01T08:00:00.000Z')
  })
  it('leaves out what is called off, what leaves the time free, and what is over', () => {
    const times = ['DTSTART:20261205T080000Z', 'DTEND:20261205T090000Z']
    const read = readCalendarFile(
      file(
        event('off', ...times, 'STATUS:CANCELLED'),
        event('free', ...times, 'TRANSP:TRANSPARENT'),
        event('over', 'DTSTART:20261105T080000Z', 'DTEND:20261105T090000Z'),
        event('stays', ...times),
      ),
      FROM,
    )
    expect(read.busy.map((time) => time.uid)).toEqual(['stays'])
  })
  it('reads a time of another zone by that zone’s own rules', () => {
    const zone = [
      'BEGIN:VTIMEZONE',
      'TZID:Made/Up',
      'BEGIN:STANDARD',
      'DTSTART:19700101T000000',
      'TZOFFSETFROM:+0530',
      'TZOFFSETTO:+0530',
      'END:STANDARD',
      'END:VTIMEZONE',
    ].join('\r\n')
    const far = event(
      'far',
      'DTSTART;TZID=Made/Up:20261205T100000',
      'DTEND;TZID=Made/Up:20261205T110000',
    )
    expect(readCalendarFile(file(zone, far), FROM).busy[0]!.startsAt).toBe(
      '2026-12-05T04:30:00.000Z',
    )
  })
  it('knows the shop’s own visits again, at the time the file has for them', () => {
    const id = '4be2a4a6-2f5a-4b86-8f9c-0f4c4c1a2b11'
    const own = event(
      `visit-${id}@gentle-arch`,
      'DTSTART:20261205T100000Z',
      'DTEND:20261205T104500Z',
    )
    expect(readCalendarFile(file(own), FROM)).toEqual({
      visits: [{ id, startsAt: '2026-12-05T10:00:00.000Z' }],
      busy: [],
    })
  })
  it.each(['', 'name;day\nTove;5', '{"a": 1}', 'BEGIN:VCARD\r\nFN:x\r\nEND:VCARD'])(
    'is told from what is none: %j',
    (text) => expect(() => readCalendarFile(text, FROM)).toThrow(/no calendar file/),
  )
})
