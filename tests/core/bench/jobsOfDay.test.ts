import { describe, expect, it } from 'vitest'
import { belongsToDay, jobsOfDay, type DatedJob, type JobDay } from '../../../core/bench/jobsOfDay'

const TODAY = '2026-11-28'
const job = (part: Partial<DatedJob> = {}): DatedJob => ({
  id: 'a',
  steps: [{ state: 'open', client: false }],
  blocked: false,
  ...part,
})
const day = (part: Partial<JobDay> = {}): JobDay => ({
  day: TODAY,
  isToday: true,
  visits: [],
  byHand: {},
  ...part,
})
const comes = [{ state: 'open' as const, client: true }]

describe('a job belongs to a day', () => {
  it.each<[string, Partial<DatedJob>, Partial<JobDay>, boolean]>([
    ['promised for it', { promisedOn: TODAY }, {}, true],
    ['promised for an earlier one, today', { promisedOn: '2026-11-20' }, {}, true],
    [
      'promised for an earlier one, another day',
      { promisedOn: '2026-11-20' },
      { isToday: false },
      false,
    ],
    ['promised for a later one', { promisedOn: '2026-11-29' }, {}, false],
    ['to be made on it, promised later', { benchOn: TODAY, promisedOn: '2026-12-01' }, {}, true],
    ['to be made later, promised for it', { benchOn: '2026-11-30', promisedOn: TODAY }, {}, false],
    ['left over from its bench day', { benchOn: '2026-11-27' }, {}, true],
    ['its client comes for an open step', { steps: comes }, { visits: [{ job: 'a' }] }, true],
    ['its client comes for talk only', {}, { visits: [{ job: 'a' }] }, false],
    ['another client comes', { steps: comes }, { visits: [{ job: 'b' }] }, false],
    ['a step runs', { steps: [{ state: 'running', client: false }] }, { isToday: false }, true],
    ['nothing says so', {}, {}, false],
    ['put on it by hand', { promisedOn: '2027-01-01' }, { byHand: { a: true } }, true],
    ['taken off it by hand', { promisedOn: TODAY }, { byHand: { a: false } }, false],
    ['waits for a clearance', { promisedOn: TODAY, blocked: true }, { byHand: { a: true } }, false],
  ])('%s', (_, ofJob, ofDay, expected) => {
    expect(belongsToDay(job(ofJob), day(ofDay))).toBe(expected)
  })
})

it('every job is here or among the others, in its order', () => {
  const jobs = ['a', 'b', 'c'].map((id) => job({ id, ...(id !== 'b' && { promisedOn: TODAY }) }))
  const { here, others } = jobsOfDay(jobs, day())
  expect(here.map((j) => j.id)).toEqual(['a', 'c'])
  expect(others.map((j) => j.id)).toEqual(['b'])
})
