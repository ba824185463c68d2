import { HOUSE_NORMS } from '../../../core/record/tables'
import { describe, expect, it } from 'vitest'
import { changeWords } from '../../../core/advice/changeWords'
import { isMet } from '../../../core/advice/isMet'
import type { Change } from '../../../core/advice/entry'
import { parseRecord } from '../../../core/record/parse'
import { referenceReadings } from '../../fixtures/feet'

const record = (story: object, findings: object, extra: object = {}) =>
  parseRecord({
    format: 'gentle-arch/fitting',
    version: 1,
    story,
    feet: { right: { readings: referenceReadings, findings, ...extra } },
  })

describe('changes', () => {
  const CHANGES: [Change, string][] = [
    [{ layer: 'medialSkive', amounts: { depthMm: 2 } }, 'medial heel skive 2 mm'],
    [{ layer: 'intrinsicForefootPost', amounts: {} }, 'intrinsic forefoot post'],
    [{ post: { at: 'rearfoot', angleDeg: -2 } }, 'rearfoot post 2° valgus'],
    [{ heelLiftMm: 3 }, 'heel lift 3 mm'],
    [{ device: 'trim-to-fit' }, 'trim-to-fit insert'],
    [
      { shell: { heelCupMm: 16, coverMaterial: 'microfibre' } },
      'heel cup 16 mm, cover of microfibre on foam',
    ],
    [{ footwear: 'rocker' }, 'rocker sole'],
    [{ exercise: 'calf stretch' }, 'calf stretch'],
    [{ capture: 'redo' }, 'capture again'],
    [{ refer: true }, 'referred'],
  ]
  it.each(CHANGES)('%j read as %s', (change, words) =>
    expect(changeWords(change, HOUSE_NORMS)).toBe(words),
  )
  it('are met by a fuller device, by a post the same way, by a layer that is on', () => {
    const held = record(
      {},
      {},
      {
        device: {
          kind: 'full-custom',
          layers: [{ kind: 'metPad' }, { kind: 'medialSkive', on: false }],
          posts: [{ at: 'rearfoot', angleDeg: 3 }],
          heelLiftMm: 3,
        },
      },
    )
    const met = (change: Change) => isMet(held, 'right', change)
    expect([
      met({ device: 'trim-to-fit' }),
      met({ post: { at: 'rearfoot', angleDeg: 2 } }),
      met({ layer: 'metPad', amounts: {} }),
      met({ heelLiftMm: 3 }),
    ]).toEqual([true, true, true, true])
    expect([
      met({ post: { at: 'rearfoot', angleDeg: -2 } }),
      met({ layer: 'medialSkive', amounts: {} }),
      met({ footwear: 'wider' }),
      met({ refer: true }),
    ]).toEqual([false, false, false, false])
    // Of both feet of this record, which has one.
    expect(isMet(held, 'both', { heelLiftMm: 3 })).toBe(true)
  })
})
