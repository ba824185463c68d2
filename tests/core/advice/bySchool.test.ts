import { describe, expect, it } from 'vitest'
import { bySchool } from '../../../core/advice/bySchool'
import { parseRecord } from '../../../core/record/parse'
import { referenceReadings } from '../../fixtures/feet'

const record = (story: object, findings: object, extra: object = {}) =>
  parseRecord({
    format: 'gentle-arch/fitting',
    version: 1,
    story,
    feet: { right: { readings: referenceReadings, findings, ...extra } },
  })

describe('five schools side by side', () => {
  it('show where two and more propose the same', () => {
    const { agree } = bySchool(
      record({ activity: 'hockey' }, { forefootDeg: [9, 9], mobility: { midtarsal: 'stiff' } }),
    )
    expect(agree).toContainEqual({
      foot: 'right',
      what: 'intrinsic forefoot post',
      schools: ['neutral', 'platform'],
    })
  })
  it('show where they pull against each other', () => {
    const { against } = bySchool(record({}, { rcspDeg: [-7, -7] }))
    expect(against).toEqual([
      {
        foot: 'right',
        what: 'leave it as it is against build something',
        schools: ['comfort', 'neutral'],
      },
    ])
  })
  it('leave sound feet alone', () =>
    expect(bySchool(record({}, {})).views.every((v) => v.entries.length === 0)).toBe(true))
})
