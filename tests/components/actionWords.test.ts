import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { actionWords, partOfAction } from '../../shared/actionWords'

/** Every action that a line of the server's own writing begins with. */
const written = (readdirSync('server', { recursive: true }) as string[])
  .filter((file) => file.endsWith('.ts'))
  .flatMap((file) => [
    ...readFileSync(`server/${file}`, 'utf8').matchAll(/action: [`']([a-z][a-z-]*\.?[a-z-]*)/g),
  ])
  .map(([, action]) => action!)

describe('what people did, in words', () => {
  it('is said of everything that the server writes', () => {
    expect(written.length).toBeGreaterThan(40)
    for (const action of written) expect(actionWords(`${action} x`), action).not.toBe(`${action} x`)
  })
  it.each([
    ['fitting.see', 'looked at the fitting'],
    ['readings.add:readings.left', 'took left readings'],
    ['part.put:device.right', 'changed right device'],
    ['jobs.step:jobs', 'worked on jobs'],
    ['visit.to-come', 'visit: to come'],
    ['bench.plan:2026-11-30', 'kept the plan of 2026-11-30'],
    ['sign-in', 'signed in'],
    ['sign-in.refused', 'was refused at sign-in'],
    ['sign-out.ended Bram Oyelaran', 'ended a session of Bram Oyelaran'],
    ['something.new', 'something.new'],
  ])('%s: %s', (action, words) => expect(actionWords(action)).toBe(words))
  it('says of which part, if of one', () => {
    expect(partOfAction('readings.add:readings.left')).toBe('readings')
    expect(partOfAction('part.put:story')).toBe('story')
    expect(partOfAction('fitting.see')).toBe('')
  })
})
