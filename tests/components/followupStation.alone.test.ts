import { describe, expect, test, vi } from 'vitest'
import { nextTick } from 'vue'
import FollowupStation from '../../app/stations/followup/FollowupStation.vue'
import type { Followup, FittingRecord } from '../../core/record/schema'
import { button, field, pick, textOf } from './find'
import { demo, mountWith } from './mountWith'

vi.mock('~/workers/matchWorker', () => ({
  matchWorker: () => ({ setModels: async () => undefined, packOut: async () => null }),
}))

const TODAY = '2026-11-29'
vi.useFakeTimers({ toFake: ['Date'], now: new Date(`${TODAY}T10:00:00`) })

async function open(
  followups: Followup[] = [],
  change: (record: FittingRecord) => void = () => undefined,
  answers: Record<string, unknown> = {},
) {
  const record = demo('Tove')
  record.visit = { ...record.visit!, on: '2026-11-01' }
  record.story = {
    ...record.story!,
    complaints: [{ foot: 'left', at: 'heelPlantar', score: 6 } as never],
  }
  delete record.handover
  record.followups = followups
  change(record)
  const opened = await mountWith(FollowupStation, { record, answers })
  return {
    ...opened,
    score: (place: string, n: number) =>
      opened.wrapper
        .find(`[aria-label="Pain ${place}"]`)
        .findAll('button')
        .find((b) => b.text() === String(n))!
        .trigger('click'),
    kept: () => opened.fitting.record.followups ?? [],
  }
}

describe('pain by place', () => {
  test('places of the story are asked again, and a score is today’s', async () => {
    const { score, kept } = await open()
    await score('left Heel, plantar', 4)
    expect(kept()).toEqual([{ on: TODAY, pain: [{ foot: 'left', at: 'heelPlantar', score: 4 }] }])
    await score('left Heel, plantar', 3)
    expect(kept()).toEqual([{ on: TODAY, pain: [{ foot: 'left', at: 'heelPlantar', score: 3 }] }])
  })

  test('a change is told against the first value, below what counts it is none', async () => {
    const visit = (score: number): Followup[] => [
      { on: '2026-11-15', pain: [{ foot: 'left', at: 'heelPlantar', score }] },
    ]
    expect(textOf((await open(visit(4))).wrapper)).toContain('Better -2')
    expect(textOf((await open(visit(5))).wrapper)).toContain('No change -1')
    expect(textOf((await open(visit(8))).wrapper)).toContain('Worse +2')
    expect(textOf((await open()).wrapper)).toContain('First value')
  })

  test('another place of the other foot can be added', async () => {
    const { wrapper, score, kept } = await open()
    await button(wrapper, 'Right').trigger('click')
    await pick(wrapper, 'Add a place', 'Instep')
    await score('right Instep', 7)
    expect(kept()[0]!.pain).toEqual([{ foot: 'right', at: 'instep', score: 7 }])
  })

  test('visits stay in the order of their days', async () => {
    const { score, kept } = await open([
      { on: '2026-12-20', pain: [] },
      { on: '2026-11-15', pain: [], comfort: 60 },
    ])
    await score('left Heel, plantar', 2)
    expect(kept().map(({ on }) => on)).toEqual(['2026-11-15', TODAY, '2026-12-20'])
    expect(kept()[0]).toEqual({ on: '2026-11-15', pain: [], comfort: 60 })
  })

  test('no score goes to another day than the one that is being typed', async () => {
    const { wrapper, score, kept } = await open()
    const day = field(wrapper, /Day of this follow-up/)
    await day.setValue('31 Feb 2026')
    await day.trigger('blur')
    await nextTick()
    await score('left Heel, plantar', 4)
    expect(textOf(wrapper)).toContain('Mend the day of the visit first:')
    expect(kept()).toEqual([])
  })
})

describe('comfort', () => {
  test('stands beside the pain, with what counts', async () => {
    const { wrapper } = await open([
      { on: '2026-11-10', pain: [], comfort: 50 },
      { on: '2026-11-20', pain: [], comfort: 80 },
    ])
    expect(textOf(wrapper)).toMatch(/Comfort Better \+30 of 100, ±/)
  })
})

describe('growth', () => {
  const child = (record: FittingRecord) => {
    record.client = { ...record.client!, bornOn: '2017-05-02' }
    record.visit = { ...record.visit!, on: '2026-11-01' }
  }
  test('of a child is told with its band; of an adult not', async () => {
    const grown = await open()
    expect(textOf(grown.wrapper)).not.toContain('a month')
    const { wrapper } = await open([], child)
    expect(textOf(wrapper)).toContain('Growth estimate; 95 % band')
    // Nothing is known but one length: 0.8 mm a month, as usual from six to twelve.
    expect(textOf(wrapper)).toContain('0.80 mm a month')
    expect(wrapper.findAll('[role="tab"]').map((t) => t.text())).toContain('Growth')
  })

  test('earlier lengths of the client tell more', async () => {
    const answers = {
      'clients/client/lengths': {
        left: [{ on: '2025-11-01', lengthMm: 200 }],
        right: [],
      },
    }
    const { wrapper } = await open([], child, answers)
    expect(textOf(wrapper)).toMatch(/mm a month/)
    const [left, right] = wrapper
      .findAll('[aria-label="Growth"] .cause')
      .map((p) => Number(/([\d.]+) mm a month/.exec(p.text())![1]))
    expect(left).toBeGreaterThan(right!)
  })
})
